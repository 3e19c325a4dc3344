package humble.core.circuit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import humble.core.KitMaker;
import humble.core.kit.BoardState;
import humble.core.kit.Model;
import humble.core.kit.PartKind;
import humble.core.kit.Parts;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class OhmBenchTest {
  private static Parts board() {
    return KitMaker.kit()
        .line("j", PartKind.HEADER, "", "header-1x2", null, "J1")
        .resistor("R1", "1k")
        .resistor("R2", "2k")
        .resistor("R3", "330")
        .resistor("R4", "47k")
        .line("led", PartKind.LED, "", "led-3", new Model.Junction(2.0, 10, 2.0, true), "LED1")
        .net("5V", "J1.1", "R1.1", "R3.1", "R4.1")
        .net("MID", "R1.2", "R2.1")
        .net("A", "R3.2", "LED1.2")
        .net("GND", "J1.2", "R2.2", "LED1.1", "R4.2")
        .supply("usb", 5, 500, "J1.1", "J1.2")
        .state("on", "usb")
        .parts();
  }

  @ParameterizedTest
  @ValueSource(
      strings = {
        "",
        "open:R1.2",
        "short:R1.1-R1.2",
        "missing:R4",
        "dead:LED1",
        "value:R2=20k",
        "swapped:R1-R4",
        "reversed:LED1",
        "missing:R3",
        "short:R2.1-R2.2"
      })
  void ohmsByOneChangeAreThoseOfTheWholeBoardSolvedAnew(String fault) {
    Parts parts = board();
    BoardState state = parts.kit().state("on").orElseThrow();
    OhmBench bench = new OhmBench(parts, state);
    List<Fault> faults = fault.isEmpty() ? List.of() : List.of(Fault.parse(fault).orElseThrow());

    for (List<String> pair :
        List.of(
            List.of("5V", "GND"),
            List.of("MID", "GND"),
            List.of("5V", "MID"),
            List.of("A", "5V"))) {
      double straight = bench.straight(pair.get(0), pair.get(1), faults);
      OhmMeter.Reading exact = bench.between(pair.get(0), pair.get(1), faults);
      switch (exact) {
        case OhmMeter.Reading.Ohms read ->
            assertThat(straight)
                .as(pair.toString())
                .isCloseTo(read.ohms(), within(1e-3 * read.ohms() + 1e-3));
        case OhmMeter.Reading.Open open -> assertThat(straight).isInfinite();
        case OhmMeter.Reading.Unsolved unsolved -> assertThat(unsolved.why()).isEmpty();
      }
    }
  }

  @Test
  void aDiodeTestShowsTheForwardVoltageAtAMilliampere() {
    Parts parts = board();
    OhmBench bench = new OhmBench(parts, parts.kit().state("on").orElseThrow());

    OhmBench.Tested forward = bench.tested("A", "GND", 2.5, 1e-3, List.of()).orElseThrow();
    assertThat(forward.amps()).isCloseTo(1e-3, within(1e-8));
    // Shockley, n = 2, through 2.0 V at 10 mA, with 3 kΩ beside it: less than 1 mA through the
    // light.
    assertThat(forward.volts()).isBetween(1.80, 1.88);
  }
}
