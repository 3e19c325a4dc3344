package humble.core.circuit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import humble.core.KitMaker;
import humble.core.kit.BoardState;
import humble.core.kit.Model;
import humble.core.kit.PartKind;
import humble.core.kit.Parts;
import java.util.List;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class SettlingTest {
  private static Parts board() {
    return KitMaker.kit()
        .line(
            "u",
            PartKind.REGULATOR,
            "5",
            "tab-3-upright",
            new Model.Regulator(5, 1.7, 500, 5, 65, "1", "2", "3"),
            "U1")
        .line("d", PartKind.DIODE, "", "axial-power-diode", null, "D1")
        .line("q", PartKind.TRANSISTOR_NPN, "", "half-round-3", null, "Q1")
        .line("led", PartKind.LED, "", "led-3", new Model.Junction(2.0, 10, 2.0, true), "LED1")
        .resistor("R1", "4.7k")
        .resistor("R2", "330")
        .net("RAW", "D1.2")
        .net("IN", "D1.1", "U1.1")
        .net("5V", "U1.3", "R1.1", "R2.1")
        .net("B", "R1.2", "Q1.2")
        .net("A", "R2.2", "LED1.2")
        .net("K", "LED1.1", "Q1.1")
        .net("GND", "U1.2", "Q1.3")
        .supply("wall", 9, 300, "RAW", "GND")
        .state("on", "wall")
        .parts();
  }

  /** Every rung that settles ends at the same point: a board has one. */
  @ParameterizedTest
  @ValueSource(
      strings = {"", "open:Q1.2", "short:Q1.1-Q1.3", "missing:R1", "open:U1.3", "value:R2=33"})
  void theSettlingRungEndsWhereTheOthersDo(String fault) {
    Parts parts = board();
    BoardState on = parts.kit().state("on").orElseThrow();
    List<Fault> faults = fault.isEmpty() ? List.of() : List.of(Fault.parse(fault).orElseThrow());
    Newton settling = new Newton(Circuit.of(parts, on, faults), DcOptions.USUAL);
    assertThat(settling.by("settle")).isTrue();
    Newton usual = new DcSolver(parts).settle(on, faults).run();
    assertThat(usual).isNotNull();
    for (int node = 0; node < usual.volts().length; node++) {
      assertThat(settling.volts()[node])
          .as("node " + node)
          .isCloseTo(usual.volts()[node], within(1e-3 + 1e-4 * Math.abs(usual.volts()[node])));
    }
  }
}
