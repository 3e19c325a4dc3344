package humble.bench;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import humble.core.circuit.Fault;
import humble.core.kit.BoardState;
import humble.core.kit.Parts;
import humble.core.mend.Diagnosis;
import humble.core.mend.Habits;
import humble.core.mend.Measure;
import humble.core.mend.Observation;
import humble.core.mend.Predictions;
import humble.core.mend.Sight;
import humble.core.mend.Suspect;
import humble.core.mend.Suspects;
import humble.core.mend.Trial;
import humble.core.stock.Meter;
import humble.formats.kit.KitFolder;
import humble.formats.kit.KitRead;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class SimulatedBoardTest {
  private static Parts kit(String name) {
    Path folder = Path.of(System.getProperty("humble.root", ".."), "kits", name);
    return Parts.of(((KitRead.Opened) KitFolder.at(folder).read()).kit());
  }

  private static final Parts BADGE = kit("glowmoth");
  private static final BoardState LIT = BADGE.kit().state("lamp1").orElseThrow();

  private static double volts(SimulatedBoard board, String point) {
    return ((Observation.Reading) board.answer(new Measure.Volts(point))).value();
  }

  /** Nobody's solder: a console that is not switched on, and a badge whose plug is not home. */
  @ParameterizedTest
  @CsvSource({"tidepool,running,off:S1", "glowmoth,idle,off:supply"})
  void whatIsNotSwitchedOnIsTriedBeforeTheIron(String name, String id, String fault) {
    Parts parts = kit(name);
    BoardState state = parts.kit().state(id).orElseThrow();
    List<Suspect> suspects = Suspects.of(parts, state, Habits.usual());
    assertThat(suspects.stream().map(Suspect::name)).contains(fault);
    SimulatedBoard off =
        SimulatedBoard.of(parts, state, List.of(Fault.parse(fault).orElseThrow()), 3).orElseThrow();
    Measure rail = new Measure.Volts("3V3");
    assertThat(((Observation.Reading) off.answer(rail)).value()).isLessThan(0.1);
    Diagnosis.Known known =
        new Diagnosis(
                new Predictions(parts, state, suspects, () -> false),
                Meter.parse("0.5%+2@1m").orElseThrow())
            .after(List.of(off.answer(rail)));
    Trial first =
        Trial.ranked(parts, known).stream()
            .filter(trial -> trial.act() != Trial.Act.MEASURE)
            .findFirst()
            .orElseThrow();
    assertThat(first.act()).isEqualTo(Trial.Act.SWITCH_ON);
    assertThat("off:" + first.what()).isEqualTo(fault);
    Random random = new Random(1);
    for (int i = 0; i < 300; i++) {
      assertThat(Suspects.drawn(suspects, random).name()).doesNotStartWith("off:");
    }
  }

  @Test
  void theMeterIsOffByNoMoreThanHalfAPerCentAndTwoCounts() {
    Set<Double> shown = new HashSet<>();
    for (int seed = 0; seed < 30; seed++) {
      SimulatedBoard board = SimulatedBoard.of(BADGE, LIT, List.of(), seed).orElseThrow();
      double volts = volts(board, "VBUS");
      assertThat(volts).isCloseTo(5, within(0.005 * 5 + 2 * 0.01));
      shown.add(volts);
    }
    assertThat(shown).hasSizeGreaterThan(3);
  }

  @Test
  void theSameSeedIsTheSameBoardAndTheSameMeter() {
    for (String net : List.of("VBUS", "3V3", "P3")) {
      assertThat(volts(SimulatedBoard.of(BADGE, LIT, List.of(), 7).orElseThrow(), net))
          .isEqualTo(volts(SimulatedBoard.of(BADGE, LIT, List.of(), 7).orElseThrow(), net));
    }
  }

  @Test
  void aBridgedRailPutsTheSupplyAtItsLimitAndTheContinuityTestBeeps() {
    Fault bridge = Fault.parse("short:C1.1-C1.2").orElseThrow();
    SimulatedBoard board = SimulatedBoard.of(BADGE, LIT, List.of(bridge), 1).orElseThrow();
    SimulatedBoard sound = SimulatedBoard.of(BADGE, LIT, List.of(), 1).orElseThrow();
    String rail = BADGE.net("C1.1").orElseThrow();

    assertThat(board.limited()).isTrue();
    assertThat(board.supplyAmps()).isGreaterThan(10 * sound.supplyAmps());
    assertThat(board.continuity(rail, "GND")).isTrue();
    assertThat(sound.continuity(rail, "GND")).isFalse();
    assertThat(sound.limited()).isFalse();
  }

  @Test
  void theDiodeTestKnowsTheTwoWaysRound() {
    SimulatedBoard sound = SimulatedBoard.of(BADGE, LIT, List.of(), 1).orElseThrow();
    String anode = BADGE.net("D1.2").orElseThrow();
    String cathode = BADGE.net("D1.1").orElseThrow();
    assertThat(sound.diode(anode, cathode))
        .hasValueSatisfying(v -> assertThat(v).isBetween(0.1, 0.8));
    assertThat(sound.diode(cathode, anode).filter(v -> v < 0.8)).isEmpty();
  }

  @Test
  void aMissingLightIsDark() {
    String light =
        SimulatedBoard.of(BADGE, LIT, List.of(), 1).stream()
            .flatMap(board ->
                BADGE.all().stream()
                    .map(part -> part.ref())
                    .filter(ref -> ref.startsWith("LED") && board.look(ref) == Sight.LIT))
            .findFirst()
            .orElseThrow();
    SimulatedBoard without =
        SimulatedBoard.of(BADGE, LIT, List.of(new Fault.Missing(light)), 1).orElseThrow();
    assertThat(without.look(light)).isEqualTo(Sight.DARK);
  }

  private static Optional<HiddenFault> hide(
      Predictions predictions, Diagnosis diagnosis, int seed) {
    return HiddenFault.at(predictions, diagnosis, 1 + seed % 3, seed, seed, number -> true);
  }

  @Test
  void hiddenFaultsComeAtTheirLevelAndAreFoundByTheAdvice() {
    Parts parts = kit("weathercock");
    BoardState state = parts.kit().state("north").orElseThrow();
    Predictions predictions =
        new Predictions(parts, state, Suspects.of(parts, state, Habits.usual()), () -> false);
    Diagnosis diagnosis = new Diagnosis(predictions, Meter.parse("0.5%+2@1m").orElseThrow());
    int found = 0;
    int trials = 30;
    for (int seed = 1; seed <= trials; seed++) {
      HiddenFault hidden = hide(predictions, diagnosis, seed).orElseThrow();
      assertThat(hide(predictions, diagnosis, seed).orElseThrow().fault())
          .isEqualTo(hidden.fault());
      List<Observation> seen = new ArrayList<>();
      Diagnosis.Known known = diagnosis.after(seen);
      while (known.next().isPresent() && seen.size() < 60) {
        seen.add(hidden.board().answer(known.next().get().measure()));
        known = diagnosis.after(seen);
      }
      found += known.suspects().getFirst().group().contains(hidden.fault().toString()) ? 1 : 0;
    }
    assertThat(found).isGreaterThanOrEqualTo(trials * 85 / 100);
  }

  @Test
  void noSuspectIsWithoutAPointOnTheDemoKits() {
    for (String name : List.of("glowmoth", "weathercock")) {
      Parts parts = kit(name);
      for (BoardState state : parts.kit().states()) {
        List<Suspect> suspects = Suspects.of(parts, state, Habits.usual());
        humble.core.circuit.FaultSweep sweep =
            new humble.core.circuit.FaultSweep(
                parts, new humble.core.circuit.StateSolver(parts, state));
        assertThat(
                sweep.of(suspects.stream().flatMap(s -> s.fault().stream()).toList(), () -> false))
            .as(name + " " + state.id())
            .allSatisfy((fault, board) -> assertThat(board).as(fault.toString()).isPresent());
      }
    }
  }
}
