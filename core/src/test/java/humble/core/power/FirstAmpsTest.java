package humble.core.power;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import humble.core.KitMaker;
import humble.core.circuit.Fault;
import humble.core.kit.Measured;
import humble.core.kit.Model;
import humble.core.kit.PartKind;
import humble.core.kit.Parts;
import humble.core.kit.PinRef;
import humble.core.units.Band;
import java.util.List;
import java.util.Set;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;
import org.junit.jupiter.api.Test;

/** What is measured before and at first power, where no gate asks for it. */
class FirstAmpsTest {
  private static final Set<Integer> E12 =
      Set.of(100, 120, 150, 180, 220, 270, 330, 390, 470, 560, 680, 820);

  private static PoweredStage stage(Parts parts) {
    return new PowerReckoning(parts)
        .stage(parts.kit().states().getFirst(), () -> false)
        .orElseThrow();
  }

  private static KitMaker two(String ohms) {
    return KitMaker.kit()
        .resistor("R1", ohms)
        .line("l", PartKind.LED, "", "led-5", new Model.Junction(2.0, 10, 2, true), "LED1")
        .resistor("R2", "330")
        .net("IN", "R1.1", "R2.1")
        .net("A", "R2.2", "LED1.2")
        .net("GND", "R1.2", "LED1.1")
        .supply("s", 5, 500, "IN", "GND")
        .state("on", "s");
  }

  @Test
  void ohmsAreAskedForWhereNoJunctionDecides() {
    assertThat(stage(two("47").parts()).ohmsBefore())
        .hasValueSatisfying(before -> {
          assertThat(before).isInstanceOf(OhmsBefore.Ohms.class);
          assertThat(((OhmsBefore.Ohms) before).ohms()).isCloseTo(47, within(0.1));
          assertThat(before.least()).isCloseTo(4.7, within(0.1));
        });
  }

  @Test
  void throughAJunctionOnlyABeepMeansSomething() {
    Parts parts =
        KitMaker.kit()
            .line(
                "d",
                PartKind.DIODE,
                "",
                "axial-small-glass",
                new Model.Junction(0.65, 10, 1.8, false),
                "D1")
            .net("IN", "D1.2")
            .net("GND", "D1.1")
            .supply("s", 0.5, 500, "IN", "GND")
            .state("on", "s")
            .parts();
    assertThat(stage(parts).ohmsBefore())
        .hasValueSatisfying(before -> assertThat(before).isInstanceOf(OhmsBefore.NoBeep.class));
  }

  @Property
  void theSeriesResistorIsTheLargestOfItsSeriesThatLeavesTheBoardItsVolts(
      @ForAll @DoubleRange(min = 1, max = 24) double volts,
      @ForAll @DoubleRange(min = 0, max = 900) double highMa) {
    SeriesResistor series = SeriesResistor.of(volts, highMa);
    double ohms = series.ohms();
    int decade = (int) Math.floor(Math.log10(ohms) + 1e-9);
    long digits = Math.round(ohms / Math.pow(10, decade) * 100);
    assertThat(E12).contains((int) digits);
    double most = Math.min(volts / 0.02, highMa > 0 ? 0.1 * volts / (highMa / 1000) : 1e12);
    assertThat(ohms).isLessThanOrEqualTo(most * (1 + 1e-9));
    assertThat(ohms * 1.26).as("the next of the series is too large").isGreaterThan(most);
    assertThat(series.watts()).isCloseTo(volts * volts / ohms, within(1e-9));
    assertThat(series.goVolts()).isLessThan(series.stopVolts());
  }

  @Test
  void aGoodBoardLeavesLittleAcrossTheResistorAndAShortAllOfIt() {
    Parts parts = two("470").parts();
    PoweredStage stage = stage(parts);
    SeriesResistor series = stage.series();
    SeriesDrop good = new SeriesDrop(parts, parts.kit().states().getFirst(), List.of());
    assertThat(good.volts(series.ohms()).orElseThrow())
        .isPositive()
        .isLessThanOrEqualTo(series.goVolts());
    Fault bridge =
        new Fault.Bridge(PinRef.parse("R1.1").orElseThrow(), PinRef.parse("R1.2").orElseThrow());
    SeriesDrop shorted = new SeriesDrop(parts, parts.kit().states().getFirst(), List.of(bridge));
    assertThat(shorted.volts(series.ohms()).orElseThrow())
        .isGreaterThan(series.stopVolts())
        .isCloseTo(5, within(0.1));
  }

  @Test
  void inTheLeadOfACellItIsMoreInnerResistance() {
    Parts parts =
        KitMaker.kit()
            .line("b", PartKind.BATTERY, "", "coin-holder", new Model.Battery(3, 10, 200, 2), "BT1")
            .resistor("R1", "1k")
            .net("BAT", "BT1.1", "R1.1")
            .net("GND", "BT1.2", "R1.2")
            .state("on", null)
            .parts();
    double volts =
        new SeriesDrop(parts, parts.kit().states().getFirst(), List.of()).volts(100).orElseThrow();
    assertThat(volts).isCloseTo(3.0 * 100 / 1110, within(1e-3));
  }

  @Test
  void theLimitLightShinesWhileTheCapacitorsFill() {
    Parts parts =
        KitMaker.kit()
            .resistor("R1", "2.5k")
            .line("c", PartKind.CAPACITOR_POLARISED, "1000u", "radial-5x11", null, "C1")
            .net("IN", "R1.1", "C1.1")
            .net("GND", "R1.2", "C1.2")
            .supply("s", 5, 500, "IN", "GND")
            .state("on", "s")
            .parts();
    // 1 mF at 5 V through the 18 mA that 20 mA leave beside the board's own 2 mA.
    assertThat(stage(parts).inrushS()).isCloseTo(5e-3 / 18e-3, within(1e-3));
  }

  @Test
  void aPartWithoutAModelIsTold() {
    Parts parts =
        KitMaker.kit()
            .line("m", PartKind.MODULE, "", "dip-8", null, "M1")
            .resistor("R1", "1k")
            .net("IN", "M1.8", "R1.1")
            .net("GND", "M1.4", "R1.2")
            .supply("s", 5, 500, "IN", "GND")
            .state("on", "s")
            .state("without", "s", "M1")
            .parts();
    PowerReckoning power = new PowerReckoning(parts);
    PoweredStage on = power.stage(parts.kit().states().get(0), () -> false).orElseThrow();
    PoweredStage without = power.stage(parts.kit().states().get(1), () -> false).orElseThrow();
    assertThat(on.unmodelled()).containsExactly("M1");
    assertThat(without.unmodelled()).isEmpty();
    assertThat(power.warnings(List.of(on, without), parts.kit().states()))
        .containsExactly(new PowerReckoning.Warning.Unknown("on", List.of("M1")));
  }

  @Test
  void aRegulatorIsAsHotAsTheHighestSupplyMakesIt() {
    KitMaker kit =
        KitMaker.kit()
            .line(
                "u",
                PartKind.REGULATOR,
                "5",
                "tab-3-upright",
                new Model.Regulator(5, 1.7, 500, 0, 65, "1", "2", "3"),
                "U1")
            .resistor("R1", "25")
            .net("IN", "U1.1")
            .net("GND", "U1.2", "R1.2")
            .net("OUT", "U1.3", "R1.1")
            .state("on", "s");
    PoweredStage stage = stage(kit.supply("s", 9, 900, "IN", "GND", new Band(8, 12)).parts());
    // (12 − 5) V × 200 mA.
    assertThat(stage.heats().getFirst().watts()).isCloseTo(1.4, within(0.02));
  }

  private static Expectation gate(Measured measure, String... at) {
    Parts parts = two("470").gate(measure, "g", "on", at).parts();
    return new GateReckoning(parts).of(parts.kit().gates().getFirst()).orElseThrow();
  }

  @Test
  void aGateOfCurrentAsksForWhatTheSupplyGives() {
    Expectation current = gate(Measured.CURRENT);
    // 5 V/470 Ω, and about (5 − 2) V/330 Ω.
    assertThat(current.nominal()).isCloseTo(0.0197, within(0.0005));
    assertThat(current.window().low()).isBetween(0.0180, current.nominal());
    assertThat(current.window().high()).isBetween(current.nominal(), 0.0215);
    assertThat(current.power().orElseThrow().currentMa().low())
        .isCloseTo(1000 * current.window().low(), within(0.2));
  }

  @Test
  void gatesWithoutPowerAskForOhmsOrForABeep() {
    Expectation ohms = gate(Measured.RESISTANCE, "IN", "GND");
    assertThat(ohms.nominal()).isCloseTo(470, within(1.0));
    assertThat(ohms.power()).isEmpty();
    // Five per cent is two and a half σ; 95 boards in a hundred lie within 1.96 σ.
    assertThat(ohms.window().low()).isCloseTo(470 * (1 - 1.96 * 0.02), within(1.0));
    assertThat(ohms.window().high()).isCloseTo(470 * (1 + 1.96 * 0.02), within(1.0));
    assertThat(gate(Measured.CONTINUITY, "IN", "GND").window()).isEqualTo(Measured.OPEN_OHM);
    assertThat(gate(Measured.CONTINUITY, "R1.1", "R2.1").window()).isEqualTo(Measured.JOINED_OHM);
  }
}
