package humble.core.power;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import humble.core.KitMaker;
import humble.core.kit.Model;
import humble.core.kit.PartKind;
import humble.core.kit.Parts;
import humble.core.units.Band;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.function.DoubleSupplier;
import org.junit.jupiter.api.Test;

/** Windows against boards drawn by hand-written formulas, which know nothing of the solver. */
class SpreadsTest {
  private static final double THERMAL_V = 0.02585;

  private static PoweredStage stage(Parts parts) {
    return new PowerReckoning(parts)
        .stage(parts.kit().states().getFirst(), () -> false)
        .orElseThrow();
  }

  private static double share(Band window, DoubleSupplier drawn) {
    int inside = 0;
    for (int i = 0; i < 4000; i++) {
      inside += window.holds(drawn.getAsDouble()) ? 1 : 0;
    }
    return inside / 4000.0;
  }

  private static KitMaker chip(double spreadPct) {
    return KitMaker.kit()
        .line(
            "u",
            PartKind.IC,
            "timer",
            null,
            "dip-8",
            new Model.Load("8", "4", 10, 2, Map.of(), spreadPct, Model.Starts.AT_ONCE),
            List.of(),
            "U1")
        .resistor("R1", "1k")
        .net("IN", "U1.8", "R1.1")
        .net("GND", "U1.4", "R1.2")
        .supply("s", 5, 500, "IN", "GND")
        .state("on", "s");
  }

  @Test
  void whatAChipTakesDiffersByAFifthWhereNothingIsSaid() {
    Random random = new Random(21);
    Band window = stage(chip(Model.Load.USUAL_SPREAD_PCT).parts()).expectMa();
    double share =
        share(
            window,
            () ->
                10 * (1 + random.nextGaussian() * 0.2 / 1.96)
                    + 5 / (1 + random.nextGaussian() * 0.02));
    assertThat(share).isBetween(0.93, 0.97);
    assertThat(window.high() - window.low()).isCloseTo(4, within(0.1));
    Band narrow = stage(chip(5).parts()).expectMa();
    assertThat(narrow.high() - narrow.low()).isLessThan(1.2);
  }

  @Test
  void aLightsForwardVoltageDiffersByFiftyMillivolts() {
    Parts parts =
        KitMaker.kit()
            .line("l", PartKind.LED, "", "led-5", new Model.Junction(2.0, 10, 2, true), "LED1")
            .resistor("R1", "330")
            .net("IN", "R1.1")
            .net("A", "R1.2", "LED1.2")
            .net("GND", "LED1.1")
            .supply("s", 5, 500, "IN", "GND")
            .state("on", "s")
            .gate("g", "on", "A", "GND")
            .parts();
    Random random = new Random(5);
    Band amps = stage(parts).expectMa();
    Band volts = new GateReckoning(parts).of(parts.kit().gates().getFirst()).orElseThrow().window();
    int inAmps = 0;
    int inVolts = 0;
    for (int i = 0; i < 4000; i++) {
      double vf = 2.0 + random.nextGaussian() * 0.05 / 1.96;
      double ohms = 330 * (1 + random.nextGaussian() * 0.02);
      double ma = 9;
      for (int k = 0; k < 60; k++) {
        ma = 1000 * (5 - (vf + 2 * THERMAL_V * Math.log(ma / 10))) / ohms;
      }
      inAmps += amps.holds(ma) ? 1 : 0;
      inVolts += volts.holds(5 - ma * ohms / 1000) ? 1 : 0;
    }
    assertThat(inAmps / 4000.0).isBetween(0.93, 0.97);
    assertThat(inVolts / 4000.0).isBetween(0.93, 0.97);
  }

  private static KitMaker torch(Model.Battery cell) {
    return KitMaker.kit()
        .line("b", PartKind.BATTERY, "", "coin-holder", cell, "BT1")
        .resistor("R1", "100")
        .net("BAT", "BT1.1", "R1.1")
        .net("GND", "BT1.2", "R1.2")
        .state("on", null)
        .gate("g", "on", "BAT", "GND");
  }

  @Test
  void aBatteryReadsFromWornToFresh() {
    Parts parts = torch(new Model.Battery(1.5, 1, 2000, 0.9, new Band(1.3, 1.6))).parts();
    Expectation gate = new GateReckoning(parts).of(parts.kit().gates().getFirst()).orElseThrow();
    assertThat(gate.nominal()).isCloseTo(1.5 * 100 / 101, within(1e-3));
    assertThat(gate.window().low()).isBetween(1.285, 1.3 * 100 / 101 + 1e-6);
    assertThat(gate.window().high()).isBetween(1.6 * 100 / 101 - 1e-6, 1.6);
    assertThat(gate.power().orElseThrow().limitMa()).as("only a battery feeds").isNull();
    PoweredStage stage = stage(parts);
    assertThat(stage.nominalMa()).isCloseTo(1500.0 / 101, within(1e-2));
    assertThat(stage.expectMa().low()).isLessThan(1300.0 / 101);
    assertThat(stage.expectMa().high()).isGreaterThan(1600.0 / 101);
    assertThat(stage.limitMa()).isNull();
    assertThat(stage.rails()).extracting(PoweredStage.Rail::net).contains("BAT");
  }

  @Test
  void aBatteryOfWhichNothingIsSaidIsThirteenPerCentDownAndSevenUp() {
    Parts parts = torch(new Model.Battery(3, 0.01, 200, 2)).parts();
    Band window =
        new GateReckoning(parts).of(parts.kit().gates().getFirst()).orElseThrow().window();
    assertThat(window.low()).isCloseTo(3 * 0.87, within(0.02));
    assertThat(window.high()).isCloseTo(3 * 1.07, within(0.02));
  }
}
