package humble.core.power;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import humble.core.KitMaker;
import humble.core.circuit.DcOutcome;
import humble.core.circuit.DcSolver;
import humble.core.circuit.Fault;
import humble.core.kit.Gate;
import humble.core.kit.Measured;
import humble.core.kit.Model;
import humble.core.kit.PartKind;
import humble.core.kit.Parts;
import humble.core.units.Band;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;

class GateReckoningTest {
  private static KitMaker divider() {
    return KitMaker.kit()
        .resistor("R1", "1k")
        .resistor("R2", "1k")
        .net("IN", "R1.1")
        .net("MID", "R1.2", "R2.1")
        .net("GND", "R2.2")
        .state("on", "s")
        .gate("g", "on", "MID", "GND");
  }

  private static Expectation of(Parts parts) {
    return new GateReckoning(parts).of(parts.kit().gates().getFirst()).orElseThrow();
  }

  @Test
  void theWindowHoldsNinetyFiveBoardsInAHundred() {
    Parts parts = divider().supply("s", 5, 100, "IN", "GND").parts();
    Expectation expected = of(parts);
    assertThat(expected.nominal()).isCloseTo(2.5, within(1e-3));
    Random random = new Random(4);
    int inside = 0;
    for (int i = 0; i < 4000; i++) {
      double top = 1000 * (1 + random.nextGaussian() * 0.02);
      double bottom = 1000 * (1 + random.nextGaussian() * 0.02);
      inside += expected.window().holds(5 * bottom / (top + bottom)) ? 1 : 0;
    }
    assertThat(inside / 4000.0).isBetween(0.93, 0.97);
  }

  @Test
  void aSupplyWithARangeWidensTheWindow() {
    Band narrow = of(divider().supply("s", 5, 100, "IN", "GND").parts()).window();
    Band wide = of(divider().supply("s", 5, 100, "IN", "GND", new Band(4.5, 5.5)).parts()).window();
    assertThat(wide.holds(narrow)).isTrue();
    assertThat(wide.low()).isLessThan(2.26);
    assertThat(wide.high()).isGreaterThan(2.74);
  }

  @Test
  void theLimitIsHalfMoreThanTheCurrentButAtLeastTwentyMilliamperes() {
    assertThat(
            of(divider().supply("s", 5, 100, "IN", "GND").parts()).power().orElseThrow().limitMa())
        .isEqualTo(20.0);
    assertThat(
            of(divider().supply("s", 5, 15, "IN", "GND").parts()).power().orElseThrow().limitMa())
        .isEqualTo(15.0);
    Parts heavy =
        divider()
            .resistor("R3", "50")
            .net("IN", "R1.1", "R3.1")
            .net("GND", "R2.2", "R3.2")
            .supply("s", 5, 900, "IN", "GND")
            .parts();
    Expectation.Powered power = of(heavy).power().orElseThrow();
    assertThat(power.limitMa()).isCloseTo(1.5 * power.currentMa().high(), within(1e-6));
  }

  @Test
  void aWindowThatTheKitFixesStands() {
    Parts parts = divider().supply("s", 5, 100, "IN", "GND").parts();
    Gate gate = parts.kit().gates().getFirst();
    Gate fixed =
        new Gate(
            gate.id(),
            gate.title(),
            Measured.VOLTAGE,
            gate.at(),
            "on",
            new Band(2, 3),
            List.of(),
            "");
    assertThat(new GateReckoning(parts).of(fixed).orElseThrow().window()).isEqualTo(new Band(2, 3));
  }

  @Test
  void whatItReadsInsteadIsWhatTheCircuitWithTheFaultGives() {
    Parts parts =
        KitMaker.kit()
            .line(
                "reg",
                PartKind.REGULATOR,
                "3.3",
                2.0,
                "half-round-3",
                new Model.Regulator(3.3, 0.35, 250, 1.5, 160, "3", "1", "2"),
                List.of(),
                "U2")
            .line("c", PartKind.CAPACITOR_POLARISED, "10u", "radial-5x11", null, "C1")
            .resistor("R1", "1k")
            .net("VIN", "U2.3")
            .net("OUT", "U2.2", "C1.+", "R1.1")
            .net("GND", "U2.1", "C1.-", "R1.2")
            .supply("s", 5, 500, "VIN", "GND")
            .state("on", "s")
            .gate("g", "on", "OUT", "GND")
            .place("U2", 10, 10)
            .place("C1", 20, 10)
            .place("R1", 30, 10)
            .parts();
    Expectation expected = of(parts);
    assertThat(expected.otherwise()).isNotEmpty();
    for (Expectation.IfInstead instead : expected.otherwise()) {
      assertThat(expected.window().holds(instead.value())).as(instead.toString()).isFalse();
      if (!instead.limited()) {
        DcOutcome again =
            new DcSolver(parts)
                .solve(parts.kit().states().getFirst(), List.<Fault>of(instead.fault()));
        Double volts = ((DcOutcome.Solved) again).result().volts("OUT");
        assertThat(volts == null ? 0 : volts).isCloseTo(instead.value(), within(0.01));
      }
    }
  }

  @Test
  void withoutASupplyNothingIsExpected() {
    Parts parts = divider().supply("other", 5, 100, "IN", "GND").parts();
    assertThat(new GateReckoning(parts).of(parts.kit().gates().getFirst())).isEmpty();
  }
}
