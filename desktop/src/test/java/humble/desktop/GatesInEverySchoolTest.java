package humble.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import humble.bench.PracticeBench;
import humble.core.craft.BuiltBoard;
import humble.core.kit.AsBuilt;
import humble.core.kit.Choices;
import humble.core.kit.Gate;
import humble.core.kit.Kit;
import humble.core.kit.Part;
import humble.core.kit.Parts;
import humble.core.power.Expectation;
import humble.core.power.FirstPower;
import humble.core.power.GateReckoning;
import humble.core.route.NoPlan;
import humble.core.route.Planner;
import humble.core.route.School;
import humble.core.route.Step;
import humble.core.words.Words;
import humble.formats.kit.KitFolder;
import humble.formats.kit.KitRead;
import java.nio.file.Path;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;

/**
 * In the order that each school gives, a healthy board as far as it is built then reads at every
 * gate what the board as designed should.
 */
class GatesInEverySchoolTest {
  private static final List<String> KITS =
      List.of(
          "kits/glowmoth",
          "kits/lockkeeper",
          "kits/weathercock",
          "desktop/src/test/resources/kits/skiff",
          "desktop/src/test/resources/kits/gull",
          "desktop/src/test/resources/kits/twinlight",
          "desktop/src/test/resources/kits/metronome",
          "desktop/src/test/resources/kits/foghorn",
          "desktop/src/test/resources/kits/buoy");

  static Stream<Arguments> kitsAndSchools() {
    return KITS.stream()
        .flatMap(kit ->
            Stream.of(School.values())
                .filter(school -> has(kit(kit), school))
                .map(school -> Arguments.of(kit, school)));
  }

  private static boolean has(Kit kit, School school) {
    return switch (school) {
      case SHEET -> !kit.sheet().isEmpty();
      case BLOCKS -> !kit.blocks().isEmpty();
      case LOW, STURDY -> true;
    };
  }

  private static Kit kit(String folder) {
    Path at = BenchInTest.root().resolve(folder);
    if (KitFolder.at(at).read() instanceof KitRead.Opened opened) {
      return FirstPower.given(opened.kit(), Words.core(Locale.ENGLISH));
    }
    throw new AssertionError(folder + " cannot be read");
  }

  @ParameterizedTest
  @MethodSource("kitsAndSchools")
  void everyGateReadsAsExpectedOnTheBoardAsFarAsItIsBuilt(String folder, School school)
      throws NoPlan {
    Kit kit = kit(folder);
    Parts parts = Parts.of(kit);
    Set<String> fitted = new HashSet<>();
    Set<String> gates = new HashSet<>();
    for (Step step : Planner.plan(parts, school, Map.of(), 0, Set.of()).steps()) {
      if (step.act() == Step.Act.GATE) {
        gates.add(step.id());
        reads(kit, parts, kit.gate(step.id()).orElseThrow(), fitted);
      } else if (step.act() == Step.Act.REMOVE) {
        step.refs().forEach(fitted::remove);
      } else {
        fitted.addAll(step.refs());
      }
    }
    assertThat(gates)
        .as("every gate stands in the plan")
        .isEqualTo(kit.gates().stream().map(Gate::id).collect(Collectors.toSet()));
  }

  private static void reads(Kit kit, Parts parts, Gate gate, Set<String> fitted) {
    Set<String> waits =
        parts.all().stream()
            .map(Part::ref)
            .filter(ref -> !fitted.contains(ref))
            .collect(Collectors.toSet());
    waits.removeAll(Choices.leftOut(kit, Map.of()));
    Parts soFar = BuiltBoard.of(kit, new AsBuilt(Map.of(), Map.of(), waits));
    Expectation expected = new GateReckoning(parts).of(gate).orElseThrow();
    Double limit = expected.power().map(Expectation.Powered::limitMa).orElse(null);
    for (long seed = 1; seed <= 3; seed++) {
      PracticeBench.Shown shown =
          new PracticeBench(soFar, seed, List.of()).read(gate, limit).orElseThrow();
      boolean open = Double.isInfinite(shown.reading());
      assertThat(open ? expected.window().high() >= 10e6 : expected.window().holds(shown.reading()))
          .as("%s reads %s, expected %s", gate.id(), shown, expected.window())
          .isTrue();
      assertThat(shown.limited()).as("limit light at %s: %s", gate.id(), shown).isFalse();
    }
  }
}
