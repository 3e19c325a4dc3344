package humble.core.beside;

import humble.core.kit.Channels;
import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/**
 * A table of channels as it was read.
 *
 * @param columns the names of its columns
 * @param rows its rows, each with its line and its cells in the order of the columns
 */
public record ChannelTable(List<String> columns, List<Row> rows) {
  private static final int MOST_DIGITS = 40;

  public ChannelTable {
    columns = List.copyOf(columns);
    rows = List.copyOf(rows);
  }

  /** A row, with its line from 1. */
  public record Row(int line, List<String> cells) {
    public Row {
      cells = List.copyOf(cells);
    }
  }

  /** Limits that the maker states, in the unit of the table; null where none is stated. */
  public record Limits(@Nullable Double low, @Nullable Double high) {
    /** No limits. */
    public static final Limits NONE = new Limits(null, null);
  }

  /**
   * Something that is wrong.
   *
   * @param line its line, from 1
   * @param text one sentence
   * @param nearest the nearest value that would do, null where there is none
   */
  public record Problem(int line, String text, @Nullable String nearest) {}

  /** Finds everything that is wrong, in the order of the lines. */
  public List<Problem> problems(Channels rule, Limits stated) {
    List<Problem> found = new ArrayList<>();
    int column = columns.indexOf(rule.key());
    if (column < 0) {
      found.add(
          new Problem(
              1,
              "There is no column '" + rule.key() + "': " + String.join(", ", columns) + ".",
              null));
      return found;
    }
    if (rows.isEmpty()) {
      found.add(new Problem(1, "There is no channel in it.", null));
    }
    BigDecimal before = null;
    for (Row row : rows) {
      String cell = cell(row, column);
      Optional<BigDecimal> value = number(cell);
      if (value.isEmpty()) {
        found.add(
            new Problem(
                row.line(),
                cell.isEmpty() ? rule.key() + " is empty." : rule.key() + " is not a number.",
                null));
        continue;
      }
      value(rule, stated, row.line(), value.get(), found);
      if (rule.rising() && before != null && value.get().compareTo(before) <= 0) {
        found.add(new Problem(row.line(), "It is not above the one before.", null));
      }
      before = value.get();
    }
    rule.unique().forEach(name -> twice(name, name.equals(rule.key()), found));
    names(rule, found);
    if (rule.max() > 0 && rows.size() > rule.max()) {
      found.add(
          new Problem(
              rows.get(rule.max()).line(),
              "There are " + rows.size() + " channels; " + rule.max() + " are taken.",
              null));
    }
    found.sort(java.util.Comparator.comparingInt(Problem::line));
    return found;
  }

  private static String cell(Row row, int column) {
    return column < row.cells().size() ? row.cells().get(column).strip() : "";
  }

  private static Optional<BigDecimal> number(String text) {
    if (text.length() > MOST_DIGITS || !text.matches("[+-]?[0-9]+(\\.[0-9]+)?")) {
      return Optional.empty();
    }
    return Optional.of(new BigDecimal(text));
  }

  private static void value(
      Channels rule, Limits stated, int line, BigDecimal value, List<Problem> found) {
    BigDecimal low = decimal(rule.low());
    BigDecimal high = decimal(rule.high());
    if (low != null && value.compareTo(low) < 0) {
      found.add(new Problem(line, shown(value) + " is below " + shown(low) + ".", shown(low)));
    } else if (high != null && value.compareTo(high) > 0) {
      found.add(new Problem(line, shown(value) + " is above " + shown(high) + ".", shown(high)));
    } else {
      offStep(rule, line, value, found);
    }
    BigDecimal from = decimal(stated.low());
    BigDecimal to = decimal(stated.high());
    if (from != null && value.compareTo(from) < 0) {
      found.add(
          new Problem(
              line, shown(value) + " is below the limit you state, " + shown(from) + ".", null));
    }
    if (to != null && value.compareTo(to) > 0) {
      found.add(
          new Problem(
              line, shown(value) + " is above the limit you state, " + shown(to) + ".", null));
    }
  }

  private static void offStep(Channels rule, int line, BigDecimal value, List<Problem> found) {
    BigDecimal step = decimal(rule.step());
    if (step == null) {
      return;
    }
    BigDecimal low = decimal(rule.low());
    BigDecimal from = low == null ? BigDecimal.ZERO : low;
    BigDecimal over = value.subtract(from);
    if (over.remainder(step).signum() == 0) {
      return;
    }
    BigDecimal nearest = from.add(over.divide(step, 0, RoundingMode.HALF_UP).multiply(step));
    BigDecimal high = decimal(rule.high());
    if (high != null && nearest.compareTo(high) > 0) {
      nearest = nearest.subtract(step);
    }
    found.add(
        new Problem(
            line,
            shown(value)
                + " is on no step of "
                + shown(step)
                + ": the nearest is "
                + shown(nearest)
                + ".",
            shown(nearest)));
  }

  private static @Nullable BigDecimal decimal(@Nullable Double value) {
    return value == null ? null : BigDecimal.valueOf(value);
  }

  private static String shown(BigDecimal value) {
    return value.signum() == 0 ? "0" : value.stripTrailingZeros().toPlainString();
  }

  /** Numbers are the same however they are written, words whatever their case. */
  private void twice(String name, boolean isNumber, List<Problem> found) {
    int column = columns.indexOf(name);
    if (column < 0) {
      found.add(new Problem(1, "There is no column '" + name + "'.", null));
      return;
    }
    Map<String, Integer> first = new HashMap<>();
    for (Row row : rows) {
      String cell = cell(row, column);
      String same =
          isNumber
              ? number(cell).map(ChannelTable::shown).orElse("")
              : cell.toLowerCase(Locale.ROOT);
      Integer was = same.isEmpty() ? null : first.putIfAbsent(same, row.line());
      if (was != null) {
        found.add(new Problem(row.line(), name + " stands on line " + was + " already.", null));
      }
    }
  }

  private void names(Channels rule, List<Problem> found) {
    int column = columns.indexOf("name");
    if (rule.nameMax() == 0 || column < 0) {
      return;
    }
    for (Row row : rows) {
      int letters = cell(row, column).codePointCount(0, cell(row, column).length());
      if (letters > rule.nameMax()) {
        found.add(
            new Problem(
                row.line(),
                "The name has " + letters + " letters; " + rule.nameMax() + " are shown.",
                null));
      }
    }
  }
}
