package humble.core.circuit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import humble.core.KitMaker;
import humble.core.kit.BoardState;
import humble.core.kit.Model;
import humble.core.kit.PartKind;
import humble.core.kit.Parts;
import java.util.List;
import java.util.Map;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;
import net.jqwik.api.constraints.IntRange;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class DcSolverTest {
  private static final double VT = 0.0258649;

  private static DcOutcome.Solved solved(Parts parts, String state, Fault... faults) {
    DcOutcome outcome =
        new DcSolver(parts).solve(parts.kit().state(state).orElseThrow(), List.of(faults));
    assertThat(outcome).isInstanceOf(DcOutcome.Solved.class);
    return (DcOutcome.Solved) outcome;
  }

  private static DcResult result(Parts parts, String state, Fault... faults) {
    return solved(parts, state, faults).result();
  }

  private static KitMaker divider(double top, double bottom) {
    return KitMaker.kit()
        .resistor("R1", Double.toString(top))
        .resistor("R2", Double.toString(bottom))
        .net("IN", "R1.1")
        .net("MID", "R1.2", "R2.1")
        .net("GND", "R2.2")
        .supply("s", 5, 500, "IN", "GND")
        .state("on", "s");
  }

  @Property
  void aDividerDivides(
      @ForAll @DoubleRange(min = 10, max = 1e6) double top,
      @ForAll @DoubleRange(min = 10, max = 1e6) double bottom) {
    DcResult result = result(divider(top, bottom).parts(), "on");
    double expected = 5 * bottom / (top + bottom);
    assertThat(result.volts("MID")).isCloseTo(expected, within(1e-4 * 5 + 1e-6));
    assertThat(result.parts().get("R1").ma())
        .isCloseTo(5000 / (top + bottom), within(5000 / (top + bottom) * 1e-3 + 1e-6));
  }

  @Test
  void aLedTakesTheCurrentOfShockleysEquation() {
    Parts parts =
        KitMaker.kit()
            .resistor("R1", "150")
            .line("led", PartKind.LED, "", "led-3", null, "LED1")
            .net("IN", "R1.1")
            .net("A", "R1.2", "LED1.a")
            .net("GND", "LED1.k")
            .supply("s", 3.3, 500, "IN", "GND")
            .state("on", "s")
            .parts();
    DcResult result = result(parts, "on");
    double amps = result.parts().get("LED1").ma() / 1000;
    double saturation = 0.01 / Math.expm1(2.0 / (2 * VT));
    double forward = 2 * VT * Math.log1p(amps / saturation);
    assertThat(3.3 - forward).isCloseTo(amps * 150, within(1e-4));
    assertThat(result.parts().get("LED1").lit()).isTrue();
  }

  @Test
  void aReversedLedStaysDark() {
    Parts parts =
        KitMaker.kit()
            .resistor("R1", "150")
            .line("led", PartKind.LED, "", "led-3", null, "LED1")
            .net("IN", "R1.1")
            .net("A", "R1.2", "LED1.a")
            .net("GND", "LED1.k")
            .supply("s", 3.3, 500, "IN", "GND")
            .state("on", "s")
            .parts();
    DcResult result = result(parts, "on", new Fault.Reversed("LED1"));
    assertThat(result.parts().get("LED1").lit()).isFalse();
    assertThat(result.volts("A")).isCloseTo(3.3, within(1e-3));
  }

  private static KitMaker regulated(double volts, double loadOhms, double limitMa) {
    return KitMaker.kit()
        .line(
            "reg",
            PartKind.REGULATOR,
            "3.3",
            "half-round-3",
            new Model.Regulator(3.3, 0.35, 250, 1.5, 160, "3", "1", "2"),
            "U2")
        .resistor("R1", Double.toString(loadOhms))
        .net("VIN", "U2.3")
        .net("3V3", "U2.2", "R1.1")
        .net("GND", "U2.1", "R1.2")
        .supply("s", volts, limitMa, "VIN", "GND")
        .state("on", "s");
  }

  @Test
  void aRegulatorHoldsItsOutputAndGetsWarm() {
    DcResult result = result(regulated(5, 33, 500).parts(), "on");
    assertThat(result.volts("3V3")).isCloseTo(3.299, within(0.002));
    DcResult.RegulatorHeat heat = result.regulators().get("U2");
    assertThat(heat.inDropout()).isFalse();
    assertThat(heat.watts()).isCloseTo(1.701 * 0.09997 + 5 * 0.0015, within(0.002));
    assertThat(heat.junctionC()).isCloseTo(25 + heat.watts() * 160, within(1e-6));
    assertThat(result.supply().ma()).isCloseTo(99.97 + 1.5, within(0.1));
  }

  @Test
  void belowItsDropoutTheOutputFollowsTheInput() {
    DcResult result = result(regulated(3.4, 330, 500).parts(), "on");
    assertThat(result.volts("3V3")).isCloseTo(3.05, within(0.002));
    assertThat(result.regulators().get("U2").inDropout()).isTrue();
  }

  @Test
  void aSupplyAtItsLimitGivesThatMuchAndNoMore() {
    DcResult result = result(regulated(5, 10, 60).parts(), "on");
    assertThat(result.supply().limited()).isTrue();
    assertThat(result.supply().ma()).isCloseTo(60, within(0.1));
    assertThat(result.supply().volts()).isLessThan(4.5);
  }

  @Test
  void aRegulatorsOwnLimitHolds() {
    DcResult result = result(regulated(5, 3, 2000).parts(), "on");
    assertThat(result.volts("3V3")).isCloseTo(0.75, within(0.01));
  }

  @Test
  void aNetThatNothingHoldsHasNoVoltage() {
    Parts parts =
        divider(1000, 1000).resistor("R3", "1k").net("LOOSE", "R3.1").net("END", "R3.2").parts();
    DcResult result = result(parts, "on");
    assertThat(result.volts("LOOSE")).isNull();
    assertThat(result.volts("MID")).isCloseTo(2.5, within(1e-3));
  }

  @ParameterizedTest
  @CsvSource({"0.3,false", "2.0,true"})
  void anNpnSwitchesItsLoad(double base, boolean on) {
    Parts parts =
        KitMaker.kit()
            .line(
                "q",
                PartKind.TRANSISTOR_NPN,
                "",
                "half-round-3",
                new Model.Bipolar(true, 180, "2", "1", "3"),
                "Q1")
            .resistor("R1", "330")
            .resistor("R2", "1k")
            .net("IN", "R1.1")
            .net("C", "R1.2", "Q1.1")
            .net("B", "Q1.2", "R2.2")
            .net("DRIVE", "R2.1")
            .net("GND", "Q1.3")
            .supply("s", 5, 500, "IN", "GND")
            .state(
                new BoardState(
                    "on",
                    "on",
                    "s",
                    List.of(),
                    List.of(),
                    Map.of(),
                    Map.of(),
                    Map.of(),
                    Map.of("DRIVE", base)))
            .parts();
    Double collector = result(parts, "on").volts("C");
    if (on) {
      assertThat(collector).isBetween(0.0, 0.3);
    } else {
      assertThat(collector).isCloseTo(5, within(0.01));
    }
  }

  @Test
  void anNmosFollowsTheSquareLaw() {
    Parts parts =
        KitMaker.kit()
            .line(
                "m",
                PartKind.MOSFET_N,
                "",
                "half-round-3",
                new Model.Mosfet(true, 2.0, 0.1, "1", "2", "3"),
                "Q1")
            .resistor("R1", "10")
            .net("IN", "R1.1")
            .net("D", "R1.2", "Q1.2")
            .net("G", "Q1.1")
            .net("GND", "Q1.3")
            .supply("s", 10, 1000, "IN", "GND")
            .state(
                new BoardState(
                    "on",
                    "on",
                    "s",
                    List.of(),
                    List.of(),
                    Map.of(),
                    Map.of(),
                    Map.of(),
                    Map.of("G", 3.0)))
            .parts();
    // Saturated: k/2·(Vgs − Vth)² = 50 mA through 10 Ω.
    assertThat(result(parts, "on").volts("D")).isCloseTo(9.5, within(0.002));
  }

  @Test
  void aZenerClampsBackwards() {
    Parts parts =
        KitMaker.kit()
            .line("z", PartKind.ZENER, "5.1", "axial-small-glass", null, "D1")
            .resistor("R1", "680")
            .net("IN", "R1.1")
            .net("OUT", "R1.2", "D1.k")
            .net("GND", "D1.a")
            .supply("s", 9, 500, "IN", "GND")
            .state("on", "s")
            .parts();
    assertThat(result(parts, "on").volts("OUT")).isCloseTo(5.1, within(0.03));
  }

  @Test
  void aBatterySagsOnItsOwnResistance() {
    Parts parts =
        KitMaker.kit()
            .line(
                "b", PartKind.BATTERY, "", "coin-holder", new Model.Battery(3, 12, 220, 2.2), "BT1")
            .resistor("R1", "138")
            .net("V", "BT1.+", "R1.1")
            .net("GND", "BT1.-", "R1.2")
            .state("on", null)
            .parts();
    assertThat(result(parts, "on").volts("V")).isCloseTo(3 * 138 / 150.0, within(1e-3));
  }

  @Test
  void faultsAreEditsOfTheCircuit() {
    Parts parts = divider(1000, 1000).parts();
    assertThat(result(parts, "on", Fault.parse("open:R2.2").orElseThrow()).volts("MID"))
        .isCloseTo(5, within(1e-3));
    assertThat(result(parts, "on", Fault.parse("value:R2=4k").orElseThrow()).volts("MID"))
        .isCloseTo(4, within(1e-3));
    assertThat(result(parts, "on", Fault.parse("short:R2.1-R2.2").orElseThrow()).volts("MID"))
        .isCloseTo(0, within(1e-4));
    assertThat(result(parts, "on", Fault.parse("missing:R1").orElseThrow()).volts("MID"))
        .isCloseTo(0, within(1e-4));
    Parts uneven = divider(1000, 4000).parts();
    assertThat(result(uneven, "on", Fault.parse("swapped:R1-R2").orElseThrow()).volts("MID"))
        .isCloseTo(1, within(1e-3));
  }

  @ParameterizedTest
  @CsvSource({
    "open:R3.2",
    "short:U1.9-U1.10",
    "reversed:D1",
    "swapped:R1-R2",
    "value:R3=1k",
    "missing:C1",
    "dead:U1"
  })
  void aFaultIsWrittenAsItIsRead(String text) {
    assertThat(Fault.parse(text).orElseThrow()).hasToString(text);
  }

  @ParameterizedTest
  @CsvSource({"open:R3", "short:U1.9", "value:R3", "value:R3=x", "lost:R1", "R1"})
  void whatIsNoFaultIsNotRead(String text) {
    assertThat(Fault.parse(text)).isEmpty();
  }

  @Test
  void aFaultOfAnUnknownPartIsTheInputsFault() {
    Parts parts = divider(1000, 1000).parts();
    assertThatThrownBy(() -> result(parts, "on", new Fault.Missing("R9")))
        .isInstanceOf(CircuitInput.class)
        .hasMessageContaining("R9");
    assertThatThrownBy(() -> result(parts, "on", Fault.parse("open:R1.7").orElseThrow()))
        .isInstanceOf(CircuitInput.class)
        .hasMessageContaining("R1.7");
  }

  @Test
  void aButtonJoinsItsPairsWhenPressed() {
    Parts parts =
        KitMaker.kit()
            .line("s", PartKind.BUTTON, "", "tact-6", null, "S1")
            .resistor("R1", "10k")
            .net("IN", "R1.1")
            .net("KEY", "R1.2", "S1.1")
            .net("GND", "S1.3")
            .supply("s", 5, 500, "IN", "GND")
            .state("up", "s")
            .state(KitMaker.state("down", "s", List.of(), List.of("S1"), Map.of()))
            .parts();
    assertThat(result(parts, "up").volts("KEY")).isCloseTo(5, within(1e-3));
    assertThat(result(parts, "down").volts("KEY")).isCloseTo(0, within(1e-3));
  }

  /** Ladders of junctions and resistors: the sums at the nodes are the certificate. */
  @Property(tries = 60)
  void everySolvedCircuitAddsUpAtEveryNode(
      @ForAll @IntRange(min = 1, max = 8) int rungs,
      @ForAll @DoubleRange(min = 20, max = 20_000) double ohms,
      @ForAll @DoubleRange(min = 0.5, max = 24) double volts) {
    KitMaker maker = KitMaker.kit();
    for (int i = 1; i <= rungs; i++) {
      maker.resistor("R" + i, Double.toString(ohms * i));
      maker.line("d" + i, i % 2 == 0 ? PartKind.LED : PartKind.DIODE, "", "led-3", null, "D" + i);
      maker.net(
          "N" + i,
          "R" + i + ".2",
          "D" + i + ".a",
          i < rungs ? "R" + (i + 1) + ".1" : "D" + i + ".a");
    }
    maker.net("IN", "R1.1");
    maker.net(
        "GND",
        java.util.stream.IntStream.rangeClosed(1, rungs)
            .mapToObj(i -> "D" + i + ".k")
            .toArray(String[]::new));
    maker.supply("s", volts, 1000, "IN", "GND").state("on", "s");
    assertThat(solved(maker.parts(), "on").worstNodeA()).isLessThan(1e-6);
  }
}
