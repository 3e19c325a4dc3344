package humble.core.craft;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.offset;

import humble.core.KitMaker;
import humble.core.kit.ModuleRows;
import humble.core.kit.PartKind;
import humble.core.kit.Parts;
import humble.core.kit.PinRef;
import humble.core.kit.PointMm;
import humble.core.kit.Winding;
import humble.core.kit.WireRun;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Coils, wires and modules. */
class HandworkTest {
  private static Winding ring(double wireMm, Winding.Coil... coils) {
    return new Winding(
        "L1", "L1", new Winding.Core(12.7, 7.7, 4.8, 40, "blue"), wireMm, 40, List.of(coils));
  }

  private static Winding.Coil coil(String id, int turns) {
    return new Winding.Coil(id, turns, null, "cw");
  }

  @Test
  void aRingOfTwoCoilsAddsItsTurnsAndItsWire() {
    WindingPlan plan = WindingPlan.of(ring(0.5, coil("a", 20), coil("b", 5)));
    // One turn: (12.7 − 7.7 + 2 × 4.8) × 1.06 mm = 15.476 mm.
    assertThat(plan.turns()).isEqualTo(25);
    assertThat(plan.coils().getFirst().wireMm()).isCloseTo(20 * 15.476 + 40, offset(1e-9));
    assertThat(plan.wireMm()).isCloseTo(25 * 15.476 + 80, offset(1e-9));
    assertThat(plan.coils().getFirst().inductanceH()).isCloseTo(16e-6, offset(1e-12));
    assertThat(plan.layers()).isEqualTo(1);
    assertThat(plan.fits()).isTrue();
  }

  @Test
  void turnsFollowFromTheInductanceWanted() {
    WindingPlan plan = WindingPlan.of(ring(0.5, new Winding.Coil("a", 0, 16.2e-6, "ccw")));
    assertThat(plan.turns()).isEqualTo(20);
    assertThat(plan.coils().getFirst().sense()).isEqualTo("ccw");
  }

  @Test
  void aSecondLayerBeginsWhereTheFirstIsFull() {
    // Layer 1 holds ⌊π × (7.7 − 0.5)/0.5⌋ = 45 turns, layer 2 ⌊π × (7.7 − 1.5)/0.5⌋ = 38.
    assertThat(WindingPlan.of(ring(0.5, coil("a", 45))).layers()).isEqualTo(1);
    assertThat(WindingPlan.of(ring(0.5, coil("a", 46))).layers()).isEqualTo(2);
    assertThat(WindingPlan.of(ring(0.5, coil("a", 83))).layers()).isEqualTo(2);
    assertThat(WindingPlan.of(ring(0.5, coil("a", 84))).layers()).isEqualTo(3);
  }

  @Test
  void aCoilHasTheResistanceOfItsCopper() {
    // A metre of 0.5 mm copper has 87.8 mΩ by the wire tables; the wire here is 0.5 mm bare.
    WindingPlan.Coil coil = WindingPlan.of(ring(0.5 / 0.9, coil("a", 20))).coils().getFirst();
    assertThat(coil.ohms()).isCloseTo(coil.wireMm() * 87.8e-6, offset(coil.ohms() * 0.001));
    assertThat(coil.mostOhms()).isGreaterThan(coil.ohms() + 0.5).isLessThan(2);
  }

  @Test
  void aHoleThatClosesFirstDoesNotFit() {
    WindingPlan plan = WindingPlan.of(ring(2.0, coil("a", 60)));
    assertThat(plan.fits()).isFalse();
    assertThat(plan.layers()).isZero();
  }

  private static final List<ModuleRows.Row> ROWS =
      List.of(
          new ModuleRows.Row("A", List.of("GND", "VCC", "SCL", "SDA"), new PointMm(0, 0)),
          new ModuleRows.Row("B", List.of("VCC", "GND", "SCL", "SDA"), new PointMm(0, 2.54)));

  @Test
  void aModuleGoesIntoTheRowWhoseLabelsAreItsOwn() {
    assertThat(ModuleFit.of(ROWS, List.of("vdd", "gnd", "sck", "sda")))
        .isEqualTo(new ModuleFit.Row(ROWS.get(1)));
  }

  @Test
  void aModuleThatMeetsNoRowMustNotBePluggedIn() {
    assertThat(ModuleFit.of(ROWS, List.of("SDA", "VCC", "SCL", "GND")))
        .isEqualTo(
            new ModuleFit.DoNotPlug(
                ROWS.getFirst(),
                List.of(
                    new ModuleFit.Meeting(1, "SDA", "GND"),
                    new ModuleFit.Meeting(4, "GND", "SDA"))));
  }

  @Test
  void aLoneSupplyPinIsTheSupplyButOfTwoEachIsItsOwn() {
    ModuleRows.Row lone = new ModuleRows.Row("A", List.of("GND", "5V", "TXD"), new PointMm(0, 0));
    ModuleRows.Row two = new ModuleRows.Row("A", List.of("GND", "5V", "3V3"), new PointMm(0, 0));
    assertThat(ModuleFit.of(List.of(lone), List.of("GND", "VCC", "TX")))
        .isInstanceOf(ModuleFit.Row.class);
    assertThat(ModuleFit.of(List.of(two), List.of("GND", "3V3", "5V")))
        .isInstanceOf(ModuleFit.DoNotPlug.class);
  }

  @Test
  void inTheOtherRowEveryPinIsOnTheNetOfItsLabelAndSitsThere() {
    Parts parts =
        KitMaker.kit()
            .line("m", PartKind.MODULE, "", "sip-4", null, "M1")
            .place("M1", 20, 20)
            .net("GND", "M1.1")
            .net("5V", "M1.2")
            .net("CLOCK", "M1.3")
            .net("DATA", "M1.4")
            .parts();
    ModuleRows module = new ModuleRows("M1", ROWS);
    Parts moved = Parts.of(ModuleFit.inRow(parts.kit(), module, ROWS.get(1)));
    assertThat(moved.netOf(new PinRef("M1", "1"))).contains("5V");
    assertThat(moved.netOf(new PinRef("M1", "2"))).contains("GND");
    assertThat(moved.netOf(new PinRef("M1", "3"))).contains("CLOCK");
    assertThat(moved.get("M1").placed().orElseThrow().at()).isEqualTo(new PointMm(20, 22.54));
    assertThat(ModuleFit.inRow(parts.kit(), module, ROWS.getFirst())).isEqualTo(parts.kit());
  }

  @Test
  void aModuleWithAnotherNumberOfPinsIsAMistakeOfTheCaller() {
    assertThatThrownBy(() -> ModuleFit.of(ROWS, List.of("GND")))
        .isInstanceOf(IllegalArgumentException.class)
        .hasMessageContaining("1 holes");
  }

  private static Parts wired() {
    return KitMaker.kit()
        .line("j", PartKind.HEADER, "", "header-1x4", null, "J1")
        .place("J1", 20, 20)
        .net("9V", "J1.1")
        .net("GND", "J1.2")
        .net("SAY", "J1.3")
        .supply("s", 9, 100, "9V", "GND")
        .parts();
  }

  private static WireRun wire(String colour, String to) {
    return new WireRun("W1", colour, "the plug", to, "join", 80);
  }

  @Test
  void aColourThatMeansWhatItUsuallyMeansIsNotSpokenOf() {
    assertThat(
            WireTable.of(
                wired(), List.of(wire("red", "J1.1"), wire("black", "J1.2"), wire("blue", "J1.3"))))
        .allSatisfy(row -> assertThat(row.warning()).isEmpty())
        .extracting(WireTable.Row::function)
        .containsExactly("9V", "GND", "SAY");
  }

  @ParameterizedTest
  @ValueSource(strings = {"red J1.2", "red J1.3", "black J1.1", "green-yellow J1.2"})
  void aColourThatUsuallyMeansSomethingElseIsWarnedOf(String wire) {
    String[] colourAndPin = wire.split(" ");
    assertThat(WireTable.of(wired(), List.of(wire(colourAndPin[0], colourAndPin[1]))))
        .singleElement()
        .satisfies(row -> assertThat(row.warning()).isPresent());
  }
}
