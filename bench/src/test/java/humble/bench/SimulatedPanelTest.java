package humble.bench;

import static org.assertj.core.api.Assertions.assertThat;

import humble.bench.panel.FrontPanel;
import humble.bench.panel.Wires;
import humble.core.circuit.Fault;
import humble.core.firmware.NumberBase;
import humble.core.firmware.ToggleSheet;
import humble.core.kit.Kit;
import humble.core.kit.Panel;
import humble.core.kit.Parts;
import humble.core.kit.Toggled;
import humble.formats.kit.KitFolder;
import humble.formats.kit.KitRead;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.List;
import java.util.Objects;
import java.util.Random;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class SimulatedPanelTest {
  private static final KitFolder FOLDER =
      KitFolder.at(Path.of(System.getProperty("humble.root", ".."), "kits", "lockkeeper"));
  private static final Kit LOCK = ((KitRead.Opened) FOLDER.read()).kit();

  private static SimulatedPanel panel(String... faults) {
    Parts parts = Parts.of(LOCK);
    List<Fault> wrong = Stream.of(faults).map(text -> Fault.parse(text).orElseThrow()).toList();
    return new SimulatedWake(parts, wrong)
        .panel(Objects.requireNonNull(LOCK.firmware().panel()), LOCK.state("idle").orElseThrow())
        .orElseThrow();
  }

  @Test
  void everyByteArrivesOnASoundBoard() {
    SimulatedPanel sound = panel();
    for (Wires.Way way : Wires.Way.values()) {
      for (int value : new int[] {0x00, 0xff, 0x01, 0x80, 0x5a, 0xa5}) {
        assertThat(sound.carried(way, value)).as("%s %02x", way, value).isEqualTo(value);
      }
    }
    for (Panel.Key key : Panel.Key.values()) {
      assertThat(sound.pressed(key)).contains(key);
    }
  }

  @ParameterizedTest
  @CsvSource({
    // fault, way, byte, what arrives
    "open:S5.2, SWITCHES_TO_MEMORY, ff, f7",
    "open:S5.2, MEMORY_TO_LIGHTS, ff, ff",
    "open:LED3.a, MEMORY_TO_LIGHTS, ff, fb",
    "open:LED3.a, SWITCHES_TO_MEMORY, ff, ff",
    "open:U3.16, MEMORY_TO_PROCESSOR, ff, fd",
    "open:U3.16, SWITCHES_TO_PROCESSOR, ff, ff",
    "open:LED12.a, ADDRESS_TO_LIGHTS, ff, f7",
    "reversed:LED1, MEMORY_TO_LIGHTS, 03, 02"
  })
  void aFaultShowsOnTheWaysThatLeadOverIt(
      String fault, Wires.Way way, String byteGiven, String is) {
    assertThat(panel(fault).carried(way, Integer.parseInt(byteGiven, 16)))
        .isEqualTo(Integer.parseInt(is, 16));
  }

  @Test
  void linesThatTouchCarryTheSame() {
    SimulatedPanel touch = panel("short:U1.3-U1.4");
    for (int value : new int[] {0x04, 0x08}) {
      int seen = touch.carried(Wires.Way.MEMORY_TO_PROCESSOR, value) & 0x0c;
      assertThat(seen).isIn(0x00, 0x0c);
    }
    assertThat(touch.carried(Wires.Way.MEMORY_TO_PROCESSOR, 0xf3)).isEqualTo(0xf3);
  }

  @Test
  void aSwitchThatDoesNotMakeLeavesWhatIsLeftOfAKey() {
    assertThat(panel("open:S11.1").pressed(Panel.Key.EXAMINE_NEXT)).contains(Panel.Key.EXAMINE);
    assertThat(panel("open:S13.1").pressed(Panel.Key.EXAMINE_NEXT)).contains(Panel.Key.SINGLE_STEP);
    assertThat(panel("open:S13.1").pressed(Panel.Key.EXAMINE)).isEmpty();
    assertThat(panel("open:S13.1").pressed(Panel.Key.STOP)).contains(Panel.Key.STOP);
  }

  private static ToggleSheet listing(Toggled program) throws Exception {
    String text = new String(FOLDER.bytes(program.file()), StandardCharsets.UTF_8);
    return ((ToggleSheet.Read.Whole<ToggleSheet>)
            ToggleSheet.listing(text, NumberBase.named(program.numbers()).orElseThrow()))
        .what();
  }

  private static FrontPanel toggled(Wires wires, String id) throws Exception {
    Toggled program =
        LOCK.firmware().toggled().stream()
            .filter(each -> each.id().equals(id))
            .findFirst()
            .orElseThrow();
    FrontPanel panel = new FrontPanel(new Random(4), wires);
    for (ToggleSheet.Row row : listing(program).rows()) {
      panel.set((int) row.address());
      panel.press(Panel.Key.EXAMINE);
      panel.set(row.value());
      panel.press(Panel.Key.DEPOSIT);
    }
    panel.press(Panel.Key.RESET);
    return panel;
  }

  /** The listings of the kit do what the kit says of them, on the simulated machine. */
  @Test
  void whatTheKitTogglesInDoesWhatItSays() throws Exception {
    FrontPanel follow = toggled(Wires.SOUND, "follow");
    follow.set(0x26);
    follow.press(Panel.Key.RUN);
    follow.run(20);
    assertThat(follow.lights().data()).isEqualTo(0x26);

    FrontPanel cell = toggled(Wires.SOUND, "cell");
    cell.set(0x5a);
    cell.press(Panel.Key.RUN);
    cell.run(40);
    cell.set(0xa5);
    cell.run(40);
    assertThat(cell.lights().data()).isEqualTo(0xa5);

    FrontPanel every = toggled(Wires.SOUND, "every-cell");
    every.press(Panel.Key.RUN);
    every.run(100_000);
    assertThat(every.lights()).isEqualTo(new FrontPanel.Lights(0x20, 0x00, false));

    FrontPanel boats = toggled(Wires.SOUND, "boats");
    boats.set(0);
    boats.press(Panel.Key.RUN);
    boats.run(50);
    for (int boat = 1; boat <= 3; boat++) {
      boats.set(0xf1);
      boats.run(50);
      boats.set(0xf0);
      boats.run(50);
      assertThat(boats.lights().data()).isEqualTo(boat);
    }
  }

  /** Two addresses that are one cell: the lower reads what went to the upper. */
  @Test
  void theLongTestNamesTheFirstCellThatFails() throws Exception {
    FrontPanel every =
        toggled(
            (way, value) ->
                way == Wires.Way.ADDRESS_TO_MEMORY && value == 0x93 ? 0x92 : value & 0xff,
            "every-cell");
    every.press(Panel.Key.RUN);
    every.run(100_000);
    assertThat(every.lights().data()).isEqualTo(0x92);
    assertThat(every.lights().run()).isFalse();
  }
}
