package humble.core.stock;

import static org.assertj.core.api.Assertions.assertThat;

import humble.core.KitMaker;
import humble.core.kit.Home;
import humble.core.kit.Kit;
import humble.core.kit.Line;
import humble.core.kit.PartKind;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

class SubstituteTest {
  private static Line line(
      String id,
      PartKind kind,
      String value,
      Double tolerance,
      String pack,
      String marking,
      int places,
      int supplied) {
    List<String> refs = new ArrayList<>();
    for (int i = 1; i <= places; i++) {
      refs.add(id.toUpperCase(java.util.Locale.ROOT) + i);
    }
    return new Line(
        id,
        kind,
        value,
        tolerance,
        0,
        pack,
        refs,
        supplied,
        "",
        marking,
        false,
        List.of(),
        List.of(),
        // What has no place is a spare: a line of a board would be planned by number.
        places == 0 ? Home.NONE : Home.BOARD,
        List.of(),
        0,
        null,
        null);
  }

  private static Line resistor(
      String id, String value, double tolerance, int places, int supplied) {
    return line(
        id, PartKind.RESISTOR, value, tolerance, "axial-quarter-watt", "", places, supplied);
  }

  private static Line capacitor(
      String id, String value, String pack, String marking, int places, int supplied) {
    return line(id, PartKind.CAPACITOR_POLARISED, value, null, pack, marking, places, supplied);
  }

  private static List<String> standIns(Line wanted, Line... others) {
    List<Line> lines = new ArrayList<>(List.of(others));
    lines.add(0, wanted);
    Kit kit = KitMaker.kit().make().withLines(lines);
    return Substitute.of(kit, wanted, Map.of()).stream()
        .map(s -> s.line().id() + (s.look() == null ? "" : "?"))
        .toList();
  }

  @Test
  void aCloserToleranceStandsInForAWiderOneAndNotTheOtherWayRound() {
    Line five = resistor("a", "10k", 5, 2, 1);
    assertThat(standIns(five, resistor("b", "10k", 1, 0, 2))).containsExactly("b");
    assertThat(standIns(resistor("a", "10k", 1, 2, 1), resistor("b", "10k", 5, 0, 2))).isEmpty();
    assertThat(standIns(five, resistor("b", "10.2k", 1, 0, 2))).containsExactly("b");
    assertThat(standIns(five, resistor("b", "11k", 1, 0, 2))).isEmpty();
  }

  @Test
  void onlyPiecesToSpareStandIn() {
    Line wanted = resistor("a", "10k", 5, 2, 1);
    assertThat(standIns(wanted, resistor("b", "10k", 1, 2, 2))).isEmpty();
    assertThat(standIns(wanted, resistor("b", "10k", 1, 2, 3))).containsExactly("b");
  }

  @Test
  void lessVoltageNeverStandsInAndUnknownVoltageIsToBeLookedAt() {
    Line wanted = capacitor("a", "100u", "radial-6x11", "100 µF 16 V", 1, 0);
    assertThat(standIns(wanted, capacitor("b", "100u", "radial-6x11", "100 µF 10 V", 0, 1)))
        .isEmpty();
    assertThat(standIns(wanted, capacitor("b", "100u", "radial-6x11", "100 µF 25 V", 0, 1)))
        .containsExactly("b");
    assertThat(standIns(wanted, capacitor("b", "100u", "radial-6x11", "", 0, 1)))
        .containsExactly("b?");
  }

  @Test
  void itHasToFitTheHolesAndCarryThePower() {
    Line wanted = capacitor("a", "100u", "radial-6x11", "", 1, 0);
    assertThat(standIns(wanted, capacitor("b", "100u", "radial-10x16", "", 0, 1))).isEmpty();
    Line half = line("a", PartKind.RESISTOR, "100", 5.0, "axial-half-watt", "", 1, 0);
    assertThat(standIns(half, resistor("b", "100", 5, 0, 1))).isEmpty();
  }

  @Test
  void whatTheKitNamesComesFirst() {
    Line wanted =
        new Line(
            "a",
            PartKind.IC,
            "",
            null,
            0,
            "dip-8",
            List.of("U1"),
            0,
            "",
            "",
            false,
            List.of(),
            List.of("z"),
            Home.BOARD,
            List.of(),
            0,
            null,
            null);
    assertThat(standIns(wanted, line("z", PartKind.IC, "", null, "dip-8", "", 0, 1)))
        .containsExactly("z");
    assertThat(standIns(wanted, line("y", PartKind.IC, "", null, "dip-8", "", 0, 1))).isEmpty();
  }
}
