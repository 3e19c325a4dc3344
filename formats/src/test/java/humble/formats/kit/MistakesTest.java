package humble.formats.kit;

import static org.assertj.core.api.Assertions.assertThat;

import humble.core.circuit.Fault;
import humble.core.circuit.FaultSweep;
import humble.core.circuit.Snapshot;
import humble.core.circuit.StateSolver;
import humble.core.kit.BoardState;
import humble.core.kit.Model;
import humble.core.kit.Part;
import humble.core.kit.Parts;
import humble.core.mend.Habits;
import humble.core.mend.Suspects;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/** The circuit of a mistake: nothing but what feeds gives energy, whatever is wrong. */
class MistakesTest {
  private static final double LEAST_W = -1e-9;
  private static final int DOUBLES = 1000;

  /** A board of hundreds of parts is tried on every so manieth fault here. */
  private static final int LARGE = 1500;

  private static final int EVERY = 11;

  static Stream<Path> kits() {
    Path small = DemoKits.root().resolve("desktop/src/test/resources/kits");
    return Stream.concat(
        DemoKits.all().stream(),
        Stream.of("skiff", "twinlight", "metronome", "foghorn", "buoy").map(small::resolve));
  }

  private static Parts parts(Path kit) {
    return Parts.of(((KitRead.Opened) KitFolder.at(kit).read()).kit());
  }

  /** Every suspect of Mend, and every part of two or more leads turned round. */
  private static List<Fault> faults(Parts parts, BoardState state) {
    List<Fault> faults =
        new ArrayList<>(
            Suspects.of(parts, state, Habits.usual()).stream()
                .flatMap(suspect -> suspect.fault().stream())
                .toList());
    parts.all().stream()
        .filter(part -> part.pack().pins().size() > 1 && parts.isOn(part.ref(), state))
        .forEach(part -> faults.add(new Fault.Reversed(part.ref())));
    return faults;
  }

  private static boolean feeds(Part part) {
    return part.model() instanceof Model.Battery;
  }

  private static void nothingGivesEnergy(Parts parts, Snapshot board, String as) {
    for (Part part : parts.all()) {
      if (!feeds(part)) {
        assertThat(board.watts(part.ref())).as("%s, %s", part.ref(), as).isGreaterThan(LEAST_W);
      }
    }
  }

  @ParameterizedTest
  @MethodSource("kits")
  void nothingGivesEnergyWhateverSingleThingIsWrong(Path kit) {
    Parts parts = parts(kit);
    for (BoardState state : parts.kit().states()) {
      List<Fault> all = faults(parts, state);
      int step = all.size() > LARGE ? EVERY : 1;
      List<Fault> some = new ArrayList<>();
      for (int i = 0; i < all.size(); i += step) {
        some.add(all.get(i));
      }
      Map<Fault, Optional<Snapshot>> solved =
          new FaultSweep(parts, new StateSolver(parts, state)).of(some, () -> false);
      solved.forEach((fault, board) -> {
        String as = kit.getFileName() + " " + state.id() + " " + fault;
        assertThat(board).as(as + " has an operating point").isPresent();
        nothingGivesEnergy(parts, board.orElseThrow(), as);
      });
    }
  }

  @Test
  void nothingGivesEnergyWhateverTwoThingsAreWrong() {
    // A kit that was told, and not written, has no state of its own yet.
    List<Path> kits = kits().filter(kit -> !parts(kit).kit().states().isEmpty()).toList();
    Random random = new Random(20);
    int solvedPairs = 0;
    for (Path kit : kits) {
      Parts parts = parts(kit);
      BoardState state = parts.kit().states().getLast();
      List<Fault> all = faults(parts, state);
      StateSolver solver = new StateSolver(parts, state);
      for (int i = 0; i < DOUBLES / kits.size(); i++) {
        Fault one = all.get(random.nextInt(all.size()));
        Fault other = all.get(random.nextInt(all.size()));
        Optional<Snapshot> board = solver.with(List.of(one, other));
        solvedPairs += board.isPresent() ? 1 : 0;
        board.ifPresent(found ->
            nothingGivesEnergy(parts, found, kit.getFileName() + " " + one + ", " + other));
      }
    }
    assertThat(solvedPairs).isGreaterThan(DOUBLES * 98 / 100 - kits.size());
  }

  private static Parts badge() {
    return parts(DemoKits.root().resolve("kits/glowmoth"));
  }

  private static Snapshot board(Parts parts, String state, String... faults) {
    return new StateSolver(parts, parts.kit().state(state).orElseThrow())
        .with(Stream.of(faults).map(fault -> Fault.parse(fault).orElseThrow()).toList())
        .orElseThrow();
  }

  @Test
  void aReversedRegulatorConductsThroughItsOwnDiode() {
    Parts parts = badge();
    Snapshot turned = board(parts, "sockets-empty", "reversed:U2");
    // From what was its output to what was its input a diode is in forward: the rail is fed
    // through it, a diode's drop below, and nothing is regulated.
    double in = turned.openVolts("VIN").orElseThrow();
    double rail = turned.openVolts("3V3").orElseThrow();
    assertThat(in - rail).isBetween(0.2, 1.1);
    assertThat(turned.watts("U2")).isPositive();
  }

  @Test
  void aReversedChipTakesItsSupplyDown() {
    Parts parts = parts(DemoKits.root().resolve("desktop/src/test/resources/kits/foghorn"));
    Snapshot whole = board(parts, "idle");
    Snapshot turned = board(parts, "idle", "reversed:U1");
    assertThat(turned.supplyA()).isGreaterThan(whole.supplyA() + 0.02);
    assertThat(turned.limited()).isTrue();
  }

  @Test
  void aColdJointStandsInSeriesWithItsLead() {
    Parts parts = badge();
    double whole = board(parts, "lamp1").supplyA();
    double cold = board(parts, "lamp1", "cold:U2.3=300").supplyA();
    double usual = board(parts, "lamp1", "cold:U2.3").supplyA();
    assertThat(cold).isLessThan(usual - 1e-4);
    assertThat(usual).isLessThan(whole - 1e-4);
    assertThat(Fault.parse("cold:U2.3=100")).contains(Fault.parse("cold:U2.3").orElseThrow());
    assertThat(Fault.parse("cold:U2.3=0")).isEmpty();
  }

  @Test
  void aRibbonHasTwoSidesAndMayBeTurned() {
    Parts parts = parts(DemoKits.root().resolve("desktop/src/test/resources/kits/twinlight"));
    Snapshot whole = board(parts, "both");
    assertThat(whole.openVolts("5V-T").orElseThrow())
        .isCloseTo(
            whole.openVolts("5V").orElseThrow(), org.assertj.core.api.Assertions.within(0.01));
    for (String fault : List.of("open:J3.1", "open:J2.1", "missing:ribbon")) {
      Snapshot dark = board(parts, "both", fault);
      assertThat(dark.lit("LED1")).as(fault).isFalse();
      assertThat(dark.openVolts("5V").orElseThrow()).as(fault).isGreaterThan(4.7);
    }
    assertThat(board(parts, "both", "reversed:ribbon").lit("LED1")).isFalse();
    Set<String> names =
        Set.copyOf(
            Suspects.of(parts, parts.kit().state("both").orElseThrow(), Habits.usual()).stream()
                .map(suspect -> suspect.name())
                .toList());
    assertThat(names).contains("reversed:ribbon", "missing:ribbon", "cold:J3.1", "open:J2.2");
  }

  @Test
  void aDeadPartIsStillThereAndTakesNothing() {
    Parts parts = badge();
    Snapshot dead = board(parts, "lamp1", "dead:LED1");
    assertThat(dead.lights()).contains("LED1");
    assertThat(dead.lit("LED1")).isFalse();
    assertThat(dead.amps("LED1")).isZero();
    assertThat(board(parts, "lamp1", "missing:LED1").lights()).doesNotContain("LED1");
  }

  @Test
  void aReversedElectrolyticLeaksAboveAVolt() {
    Parts parts = badge();
    double whole = board(parts, "sockets-empty").supplyA();
    double turned = board(parts, "sockets-empty", "reversed:C1").supplyA();
    double held = board(parts, "sockets-empty").openVolts("VIN").orElseThrow();
    assertThat(turned - whole)
        .isCloseTo((held - 1) / 1000, org.assertj.core.api.Assertions.within(2e-4));
  }
}
