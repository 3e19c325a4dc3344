package humble.bench;

import static org.assertj.core.api.Assertions.assertThat;

import humble.core.circuit.Fault;
import humble.core.craft.WindingPlan;
import humble.core.kit.Gate;
import humble.core.kit.Kit;
import humble.core.kit.PartKind;
import humble.core.kit.Parts;
import humble.core.kit.Peripheral;
import humble.core.kit.Winding;
import humble.core.power.Expectation;
import humble.core.power.GateReckoning;
import humble.core.stock.Match;
import humble.core.stock.Meter;
import humble.core.wake.DisplaySetting;
import humble.core.wake.LightMatrix;
import humble.core.wake.LightScan;
import humble.core.wake.Pose;
import humble.formats.kit.KitFolder;
import humble.formats.kit.KitRead;
import java.nio.file.Path;
import java.util.List;
import java.util.Set;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** The answers of the practice bench come from the circuit: a fault in it changes them. */
class PracticeBenchTest {
  private static final Kit KIT = read();
  private static final Parts PARTS = Parts.of(KIT);

  private static Kit read() {
    Path path = Path.of(System.getProperty("humble.root", ".."), "kits", "glowmoth");
    return switch (KitFolder.at(path).read()) {
      case KitRead.Opened opened -> opened.kit();
      case KitRead.Refused refused -> throw new AssertionError(refused.findings().toString());
    };
  }

  private static PracticeBench bench(long seed, String... faults) {
    return new PracticeBench(
        PARTS,
        seed,
        java.util.Arrays.stream(faults).map(f -> Fault.parse(f).orElseThrow()).toList());
  }

  private static Gate gate() {
    return KIT.gate("rail33").orElseThrow();
  }

  @Property(tries = 100)
  void aCoilReadsItsCopperAndTheLeads(@ForAll long seed) {
    Winding ring =
        new Winding(
            "w",
            "L1",
            new Winding.Core(12.7, 7.7, 4.8, 40, "blue"),
            0.1,
            50,
            List.of(new Winding.Coil("a", 60, null, "cw", List.of("1", "2"))));
    WindingPlan.Coil coil = WindingPlan.of(ring).coils().getFirst();
    assertThat(coil.ohms()).isGreaterThan(2);
    double read = bench(seed).measureCoil(coil);
    assertThat(read).isBetween(coil.ohms() * 0.95 + 0.1, coil.ohms() * 1.05 + 0.35);
    assertThat(read).isLessThan(coil.mostOhms());
    assertThat(read * 10).as("tenths").isEqualTo(Math.rint(read * 10));
  }

  @Property(tries = 25)
  void aHealthyBoardReadsAsExpectedWithTheMetersOwnError(@ForAll long seed) {
    Expectation expected = new GateReckoning(PARTS).of(gate()).orElseThrow();
    Expectation.Powered power = expected.power().orElseThrow();
    PracticeBench.Shown shown = bench(seed).read(gate(), power.limitMa()).orElseThrow();
    // A display that shows hundredths shows half of one too much, or too little.
    assertThat(shown.reading())
        .as(shown + " " + expected)
        .isBetween(expected.window().low() - 0.005, expected.window().high() + 0.005);
    assertThat(shown.limited()).isFalse();
    assertThat(power.currentMa().low() - 0.2).isLessThan(shown.supplyMa());
    assertThat(power.currentMa().high() + 0.2).isGreaterThan(shown.supplyMa());
  }

  @ParameterizedTest
  @CsvSource({"open:D1.k,0.0", "reversed:U2,0.0", "short:C1.1-C1.2,0.0"})
  void aFaultChangesWhatTheMeterSays(String fault, double notAbove) {
    PracticeBench.Shown shown = bench(1, fault).read(gate(), 20.0).orElseThrow();
    assertThat(Math.abs(shown.reading() - 3.3)).isGreaterThan(0.3);
    assertThat(notAbove).isNotNaN();
  }

  @Test
  void theSameSeedIsTheSameBench() {
    assertThat(bench(5).measureLine("r11k")).isEqualTo(bench(5).measureLine("r11k"));
    assertThat(bench(5).figure(screen(), DisplaySetting.PLAIN))
        .isEqualTo(bench(5).figure(screen(), DisplaySetting.PLAIN));
  }

  @Property(tries = 100)
  void partsLieInsideTheirToleranceAndMatchTheirLine(@ForAll long seed) {
    for (String line : List.of("r220", "r2k2", "r1k", "r10k", "r11k")) {
      double read = bench(seed).measureLine(line).orElseThrow();
      Match match = Match.of(KIT, PartKind.RESISTOR, read, read / 1000, Meter.USUAL);
      assertThat(match.lines().getFirst().line().id()).isEqualTo(line);
    }
    assertThat(bench(seed).measureLine("sock28")).isEmpty();
  }

  private static Peripheral.Matrix lamps() {
    return (Peripheral.Matrix) KIT.peripherals().getFirst();
  }

  private static Peripheral.Display screen() {
    return (Peripheral.Display) KIT.peripherals().get(1);
  }

  @Test
  void everyLightOfAHealthyBoardShines() {
    assertThat(bench(1).lights(lamps(), KIT.state("idle").orElseThrow()).isSound()).isTrue();
  }

  @ParameterizedTest
  @CsvSource({"reversed:LED7,7", "missing:LED12,12", "open:LED20.k,20"})
  void aFaultyLightStaysDarkAndTheMatrixSuspectsIt(String fault, int light) {
    Set<Integer> dark = bench(1, fault).lights(lamps(), KIT.state("idle").orElseThrow()).dark();
    assertThat(dark).containsExactly(light);
    assertThat(new LightMatrix(lamps()).suspects(dark, Set.of()).getFirst().explains())
        .containsExactly(light);
  }

  /** A joint of some hundred ohms leaves its light on, and weak. */
  @Test
  void aColdJointDimsItsLightAndTheMatrixSuspectsIt() {
    LightScan seen = bench(1, "cold:LED5.k=300").lights(lamps(), KIT.state("idle").orElseThrow());
    assertThat(seen).isEqualTo(new LightScan(Set.of(), Set.of(), Set.of(5)));
    assertThat(new LightMatrix(Parts.of(KIT), lamps()).suspects(seen).getFirst().group())
        .contains("cold:LED5.1", "cold:LED5.2")
        .doesNotContain("open:LED5.1", "dead:5");
  }

  /** Solder across a light's own pads joins its two lines: more than that light tells of it. */
  @Test
  void aBridgeAcrossALightIsNamedWhereOthersShowItToo() {
    LightScan seen =
        bench(1, "short:LED5.1-LED5.2").lights(lamps(), KIT.state("idle").orElseThrow());
    assertThat(seen.dark()).contains(5).hasSizeGreaterThan(1);
    assertThat(new LightMatrix(Parts.of(KIT), lamps()).suspects(seen).getFirst().group())
        .contains("short:LED5.1-LED5.2");
  }

  @Test
  void anOpenDriveResistorDarkensEveryLightOfItsPin() {
    Set<Integer> dark =
        bench(1, "open:R3.1").lights(lamps(), KIT.state("idle").orElseThrow()).dark();
    assertThat(dark).hasSize(8);
    assertThat(new LightMatrix(lamps()).suspects(dark, Set.of()).getFirst().fault())
        .isEqualTo("open:U1.3");
  }

  @Test
  void theDisplayIsMountedSomehowAndTheRightSettingTurnsItUpright() {
    boolean inverted = false;
    boolean shifted = false;
    for (long seed = 0; seed < 20; seed++) {
      PracticeBench bench = bench(seed);
      DisplaySetting.Seen seen = bench.figure(screen(), DisplaySetting.PLAIN);
      assertThat(seen.pose()).isNotEqualTo(Pose.UPRIGHT);
      assertThat(seen.redLooksBlue()).as("it shows no colours").isFalse();
      DisplaySetting needed = DisplaySetting.PLAIN.neededFor(seen);
      assertThat(bench.figure(screen(), needed))
          .isEqualTo(new DisplaySetting.Seen(Pose.UPRIGHT, false, false, 0, 0));
      inverted |= seen.inverted();
      shifted |= seen.shiftXPx() > 0 && seen.shiftYPx() > 0;
    }
    assertThat(inverted).isTrue();
    assertThat(shifted).isTrue();
  }

  @Test
  void aDisplayWithoutItsSupplyShowsNothing() {
    assertThat(bench(1).displayPowered(screen(), KIT.state("idle").orElseThrow())).isTrue();
    assertThat(bench(1, "open:DISP1.2").displayPowered(screen(), KIT.state("idle").orElseThrow()))
        .isFalse();
  }
}
