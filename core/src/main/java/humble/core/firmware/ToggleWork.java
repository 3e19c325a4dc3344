package humble.core.firmware;

import humble.core.kit.Panel;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalLong;
import java.util.function.Predicate;

/**
 * What is to do next at the panel: every row is put in, then every row is read back, then what
 * differs is put in and read once more, and nothing else.
 *
 * @param sheet the program
 * @param put what was put in, by address
 * @param read what was read back since, by address
 */
public record ToggleWork(ToggleSheet sheet, Map<Long, Integer> put, Map<Long, Integer> read) {
  public ToggleWork {
    put = Map.copyOf(put);
    read = Map.copyOf(read);
  }

  /** One thing to do at the panel. */
  public sealed interface Step {
    /** The address is set on the switches and examined. */
    record Go(ToggleSheet.Row row) implements Step {}

    /** A byte is set on the switches and put in; {@code again} where another was read there. */
    record Put(ToggleSheet.Row row, Panel.Key key, Optional<Integer> again) implements Step {}

    /** The lights are read; without a key where they show the row already. */
    record Read(ToggleSheet.Row row, Optional<Panel.Key> key) implements Step {}

    /** Every row reads as it should: it may run. */
    record Run() implements Step {}
  }

  /**
   * Gives what is next.
   *
   * @param at the address that the panel shows, where that is known
   * @param panel the keys that there are
   */
  public Step next(OptionalLong at, Panel panel) {
    return first(row -> !put.containsKey(row.address()))
        .map(row -> put(row, at, panel, Optional.empty()))
        .or(() -> first(row -> !read.containsKey(row.address())).map(row -> read(row, at, panel)))
        .or(() ->
            first(this::differs)
                .map(row -> put(row, at, panel, Optional.ofNullable(read.get(row.address())))))
        .orElseGet(Step.Run::new);
  }

  private Optional<ToggleSheet.Row> first(Predicate<ToggleSheet.Row> which) {
    return sheet.rows().stream().filter(which).findFirst();
  }

  private boolean differs(ToggleSheet.Row row) {
    return read.getOrDefault(row.address(), row.value()) != row.value();
  }

  private static boolean is(OptionalLong at, long address) {
    return at.isPresent() && at.getAsLong() == address;
  }

  private static Step put(
      ToggleSheet.Row row, OptionalLong at, Panel panel, Optional<Integer> again) {
    if (is(at, row.address())) {
      return new Step.Put(row, Panel.Key.DEPOSIT, again);
    }
    return is(at, row.address() - 1) && panel.keys().containsKey(Panel.Key.DEPOSIT_NEXT)
        ? new Step.Put(row, Panel.Key.DEPOSIT_NEXT, again)
        : new Step.Go(row);
  }

  private static Step read(ToggleSheet.Row row, OptionalLong at, Panel panel) {
    if (is(at, row.address())) {
      return new Step.Read(row, Optional.empty());
    }
    return is(at, row.address() - 1) && panel.keys().containsKey(Panel.Key.EXAMINE_NEXT)
        ? new Step.Read(row, Optional.of(Panel.Key.EXAMINE_NEXT))
        : new Step.Go(row);
  }

  /** How many rows are put in. */
  public int rowsPut() {
    return count(row -> put.containsKey(row.address()));
  }

  /** How many rows are read back. */
  public int rowsRead() {
    return count(row -> read.containsKey(row.address()));
  }

  private int count(Predicate<ToggleSheet.Row> which) {
    return (int) sheet.rows().stream().filter(which).count();
  }

  /** Gives the rows that read otherwise now. */
  public List<ToggleSheet.Differs> differing() {
    return sheet.differing(new ToggleSheet.ReadBack(read));
  }
}
