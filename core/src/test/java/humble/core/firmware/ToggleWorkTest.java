package humble.core.firmware;

import static org.assertj.core.api.Assertions.assertThat;

import humble.core.kit.Panel;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.OptionalLong;
import java.util.Random;
import org.junit.jupiter.api.Test;

class ToggleWorkTest {
  private static Panel panel(Panel.Key... keys) {
    Map<Panel.Key, List<String>> all = new HashMap<>();
    for (Panel.Key key : keys) {
      all.put(key, List.of("S1"));
    }
    return new Panel(
        "U1", "U2", List.of(), List.of(), List.of(), List.of(), List.of(), all, Panel.LOCK);
  }

  private static final Panel WHOLE = panel(Panel.Key.values());
  private static final Panel BARE = panel(Panel.Key.EXAMINE, Panel.Key.DEPOSIT);

  /** A machine that does what the steps say, with a finger that slips now and then. */
  private static final class Machine {
    private final Map<Long, Integer> memory = new HashMap<>();
    private final Map<Long, Integer> put = new HashMap<>();
    private final Map<Long, Integer> read = new HashMap<>();
    private OptionalLong at = OptionalLong.empty();
    private int puts;

    private boolean step(ToggleSheet sheet, Panel panel, int slip) {
      switch (new ToggleWork(sheet, put, read).next(at, panel)) {
        case ToggleWork.Step.Go go -> at = OptionalLong.of(go.row().address());
        case ToggleWork.Step.Put step -> {
          long address = step.key() == Panel.Key.DEPOSIT_NEXT ? at.getAsLong() + 1 : at.getAsLong();
          assertThat(address).isEqualTo(step.row().address());
          assertThat(panel.keys()).containsKey(step.key());
          memory.put(address, step.row().value() ^ slip);
          put.put(address, step.row().value());
          read.remove(address);
          at = OptionalLong.of(address);
          puts++;
        }
        case ToggleWork.Step.Read step -> {
          step.key().ifPresent(key -> assertThat(panel.keys()).containsKey(key));
          long address = step.key().isPresent() ? at.getAsLong() + 1 : at.getAsLong();
          assertThat(address).isEqualTo(step.row().address());
          read.put(address, memory.get(address));
          at = OptionalLong.of(address);
        }
        case ToggleWork.Step.Run run -> {
          return false;
        }
      }
      return true;
    }
  }

  /** Programs with gaps, slips of a finger, panels with and without the NEXT keys. */
  @Test
  void whatIsToggledInIsInTheEndWhatIsPrinted() {
    Random random = new Random(3);
    for (int round = 0; round < 200; round++) {
      List<ToggleSheet.Row> rows = new ArrayList<>();
      long address = random.nextInt(4);
      for (int i = 0; i < 1 + random.nextInt(20); i++) {
        rows.add(new ToggleSheet.Row(address, random.nextInt(256), ""));
        address += random.nextInt(5) == 0 ? 1 + random.nextInt(9) : 1;
      }
      ToggleSheet sheet = new ToggleSheet(rows);
      Machine machine = new Machine();
      int slips = 0;
      int steps = 0;
      boolean more = true;
      while (more) {
        boolean slip = machine.puts < rows.size() && random.nextInt(6) == 0;
        int before = machine.puts;
        more = machine.step(sheet, round % 2 == 0 ? WHOLE : BARE, slip ? 0x10 : 0);
        slips += slip && machine.puts > before ? 1 : 0;
        assertThat(++steps).isLessThan(1000);
      }
      rows.forEach(row -> assertThat(machine.memory).containsEntry(row.address(), row.value()));
      assertThat(machine.puts)
          .as("only what differs is put in again")
          .isEqualTo(rows.size() + slips);
    }
  }

  @Test
  void nothingRunsBeforeEveryRowWasRead() {
    ToggleSheet sheet = new ToggleSheet(List.of(new ToggleSheet.Row(5, 0x60, "INS")));
    assertThat(new ToggleWork(sheet, Map.of(), Map.of()).next(OptionalLong.empty(), WHOLE))
        .isInstanceOf(ToggleWork.Step.Go.class);
    assertThat(new ToggleWork(sheet, Map.of(5L, 0x60), Map.of()).next(OptionalLong.of(5), WHOLE))
        .isInstanceOf(ToggleWork.Step.Read.class);
    assertThat(
            new ToggleWork(sheet, Map.of(5L, 0x60), Map.of(5L, 0x60))
                .next(OptionalLong.of(5), WHOLE))
        .isInstanceOf(ToggleWork.Step.Run.class);
  }

  @Test
  void rowsThatAgreeOnALineNameIt() {
    assertThat(SheetLines.of(Map.of(0L, 0x61, 1L, 0x03, 2L, 0x10), Map.of(0L, 0x60, 1L, 0x02)))
        .containsExactly(new SheetLines.Wrong.Stuck(0, false, 2));
    assertThat(SheetLines.of(Map.of(0L, 0x61, 1L, 0x03), Map.of(0L, 0x60, 1L, 0x03)))
        .as("one slip is no line")
        .isEmpty();
    assertThat(SheetLines.of(Map.of(0L, 0x01), Map.of(0L, 0x00)))
        .as("one row is no rule")
        .isEmpty();
    assertThat(
            SheetLines.of(
                Map.of(0L, 0x10, 1L, 0x21, 2L, 0x30), Map.of(0L, 0x30, 1L, 0x31, 2L, 0x30)))
        .contains(new SheetLines.Wrong.Joined(4, 5, 2));
    assertThat(
            SheetLines.of(
                Map.of(0L, 0x5a, 1L, 0xa5, 2L, 0x3c), Map.of(0L, 0x5a, 1L, 0xa5, 2L, 0x3c)))
        .isEmpty();
  }
}
