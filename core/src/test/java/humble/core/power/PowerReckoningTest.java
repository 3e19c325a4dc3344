package humble.core.power;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import humble.core.KitMaker;
import humble.core.kit.BoardState;
import humble.core.kit.Model;
import humble.core.kit.PartKind;
import humble.core.kit.Parts;
import humble.core.units.Band;
import java.util.List;
import java.util.Map;
import java.util.Random;
import org.junit.jupiter.api.Test;

class PowerReckoningTest {
  private static PoweredStage stage(Parts parts) {
    return new PowerReckoning(parts)
        .stage(parts.kit().states().getFirst(), () -> false)
        .orElseThrow();
  }

  private static KitMaker loads() {
    return KitMaker.kit()
        .resistor("R1", "100")
        .resistor("R2", "220")
        .net("IN", "R1.1", "R2.1")
        .net("GND", "R1.2", "R2.2")
        .state("on", "s");
  }

  @Test
  void theWindowOfTheCurrentHoldsNinetyFiveBoardsInAHundred() {
    PoweredStage stage = stage(loads().supply("s", 5, 500, "IN", "GND").parts());
    assertThat(stage.nominalMa()).isCloseTo(72.7, within(0.1));
    Random random = new Random(9);
    int inside = 0;
    for (int i = 0; i < 4000; i++) {
      double ma =
          5000 / (100 * (1 + random.nextGaussian() * 0.02))
              + 5000 / (220 * (1 + random.nextGaussian() * 0.02));
      inside += stage.expectMa().holds(ma) ? 1 : 0;
    }
    assertThat(inside / 4000.0).isBetween(0.93, 0.97);
    assertThat(stage.limitMa()).isCloseTo(1.5 * stage.expectMa().high(), within(1e-9));
    assertThat(stage.ohmsBefore())
        .hasValueSatisfying(before -> {
          assertThat(((OhmsBefore.Ohms) before).ohms()).isCloseTo(68.75, within(0.01));
          assertThat(before.red()).isEqualTo("IN");
          assertThat(before.black()).isEqualTo("GND");
          assertThat(before.least()).isCloseTo(6.875, within(0.001));
        });
  }

  /** A rail behind a regulator is as uncertain as the regulator, and its gate says the same. */
  @Test
  void aRegulatorsToleranceIsInTheWindowOfItsRailAndOfItsGate() {
    Parts parts =
        KitMaker.kit()
            .line(
                "u",
                PartKind.REGULATOR,
                "3.3",
                4.0,
                "half-round-3",
                new Model.Regulator(3.3, 0.35, 250, 1.5, 160, "3", "1", "2"),
                List.of(),
                "U1")
            .resistor("R1", "1k")
            .resistor("R2", "1k")
            .resistor("R3", "1k")
            .net("IN", "U1.3")
            .net("OUT", "U1.2", "R1.1", "R2.1")
            .net("MID", "R1.2", "R3.1")
            .net("GND", "U1.1", "R2.2", "R3.2")
            .supply("s", 5, 500, "IN", "GND")
            .state("on", "s")
            .gate("g", "on", "OUT", "GND")
            .gate("half", "on", "OUT", "MID")
            .parts();
    PoweredStage.Rail rail =
        stage(parts).rails().stream().filter(r -> r.net().equals("OUT")).findFirst().orElseThrow();
    Random random = new Random(12);
    int inside = 0;
    int between = 0;
    Expectation half = new GateReckoning(parts).of(parts.kit().gates().get(1)).orElseThrow();
    for (int i = 0; i < 4000; i++) {
      double out = 3.3 * (1 + random.nextGaussian() * 0.04 / 1.96);
      double top = 1000 * (1 + random.nextGaussian() * 0.02);
      double bottom = 1000 * (1 + random.nextGaussian() * 0.02);
      inside += rail.volts().holds(out) ? 1 : 0;
      between += half.window().holds(out * top / (top + bottom)) ? 1 : 0;
    }
    assertThat(inside / 4000.0).isBetween(0.93, 0.97);
    assertThat(between / 4000.0).as("what moves both probes alike").isBetween(0.93, 0.97);
    Expectation gate = new GateReckoning(parts).of(parts.kit().gates().getFirst()).orElseThrow();
    assertThat(gate.window().low()).isCloseTo(rail.volts().low(), within(1e-3));
    assertThat(gate.window().high()).isCloseTo(rail.volts().high(), within(1e-3));
    assertThat(gate.power().orElseThrow().currentMa()).isEqualTo(stage(parts).expectMa());
    assertThat(gate.power().orElseThrow().limitMa()).isEqualTo(stage(parts).limitMa());
  }

  @Test
  void aSupplyWithARangeWidensTheCurrentToo() {
    Band narrow = stage(loads().supply("s", 5, 500, "IN", "GND").parts()).expectMa();
    Band wide =
        stage(loads().supply("s", 5, 500, "IN", "GND", new Band(4.5, 5.5)).parts()).expectMa();
    assertThat(wide.low()).isLessThan(0.91 * narrow.low());
    assertThat(wide.high()).isGreaterThan(1.09 * narrow.high());
  }

  @Test
  void theLimitIsNeverAboveWhatTheSupplyGives() {
    assertThat(stage(loads().supply("s", 5, 90, "IN", "GND").parts()).limitMa()).isEqualTo(90.0);
  }

  @Test
  void aRegulatorIsHotAtFortyDegreesAndInDropoutWhenItsInputIsLow() {
    Parts hot = regulator(12);
    PoweredStage stage = stage(hot);
    PoweredStage.Heat heat = stage.heats().getFirst();
    // (12 − 5) V × 250 mA + 12 V × 5 mA, 65 °C/W.
    assertThat(heat.watts()).isCloseTo(1.81, within(0.01));
    assertThat(heat.junctionAt25C()).isCloseTo(25 + 65 * heat.watts(), within(1e-9));
    assertThat(heat.junctionAt40C() - heat.junctionAt25C()).isCloseTo(15, within(1e-9));
    assertThat(warnings(hot)).anyMatch(w -> w instanceof PowerReckoning.Warning.Hot);
    Parts low = regulator(6);
    assertThat(warnings(low)).anyMatch(w -> w instanceof PowerReckoning.Warning.Dropout);
  }

  private static List<PowerReckoning.Warning> warnings(Parts parts) {
    return new PowerReckoning(parts).warnings(List.of(stage(parts)), parts.kit().states());
  }

  private static Parts regulator(double volts) {
    return KitMaker.kit()
        .line(
            "u",
            PartKind.REGULATOR,
            "5",
            "tab-3-upright",
            new Model.Regulator(5, 1.7, 500, 5, 65, "1", "2", "3"),
            "U1")
        .resistor("R1", "20")
        .net("IN", "U1.1")
        .net("GND", "U1.2", "R1.2")
        .net("OUT", "U1.3", "R1.1")
        .supply("s", volts, 900, "IN", "GND")
        .state("on", "s")
        .parts();
  }

  @Test
  void aBatteryRunsUntilWhatIsBehindItsInnerResistanceIsAtCutOff() {
    Model.Battery cell = new Model.Battery(3, 12, 220, 2.2);
    // 220 mAh / 5 mA × (3 − 0.06 − 2.2)/0.8.
    assertThat(BatteryLife.hours(cell, 0.005)).isCloseTo(40.7, within(1e-9));
    assertThat(BatteryLife.hours(cell, 0.1)).isZero();
    Parts parts =
        KitMaker.kit()
            .line("b", PartKind.BATTERY, "", "coin-holder", cell, "BT1")
            .resistor("R1", "588")
            .net("BAT", "BT1.1", "R1.1")
            .net("GND", "BT1.2", "R1.2")
            .state("on", null)
            .parts();
    assertThat(new BatteryLife(parts).hours(parts.kit().states()).orElseThrow())
        .isCloseTo(40.7, within(0.01));
  }

  @Test
  void sharesOfTheTimeWeighTheAverageCurrent() {
    Model.Battery cell = new Model.Battery(3, 0.001, 100, 2);
    Parts parts =
        KitMaker.kit()
            .line("b", PartKind.BATTERY, "", "coin-holder", cell, "BT1")
            .line("s", PartKind.SWITCH, "", "slide-3", null, "S1")
            .resistor("R1", "300")
            .net("BAT", "BT1.1", "S1.1")
            .net("ON", "S1.2", "R1.1")
            .net("GND", "BT1.2", "R1.2")
            .parts();
    BoardState asleep = state("asleep", List.of(), 0.75);
    BoardState awake = state("awake", List.of("S1"), 0.25);
    // 10 mA a quarter of the time: 100 mAh last 40 h, nearly.
    assertThat(new BatteryLife(parts).hours(List.of(asleep, awake)).orElseThrow())
        .isCloseTo(40, within(0.01));
  }

  private static BoardState state(String id, List<String> closed, double share) {
    return new BoardState(
        id, id, null, List.of(), closed, Map.of(), Map.of(), Map.of(), Map.of(), share);
  }
}
