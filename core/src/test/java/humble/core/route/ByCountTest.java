package humble.core.route;

import static org.assertj.core.api.Assertions.assertThat;

import humble.core.KitMaker;
import humble.core.kit.PartKind;
import humble.core.stock.Stocktake;
import humble.core.words.Words;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

/** A list without designators is planned by name and number. */
class ByCountTest {
  private static final Words WORDS = Words.core(Locale.ENGLISH);

  private static KitMaker lamp() {
    return KitMaker.kit()
        .byCount("can", PartKind.CAPACITOR_POLARISED, "100u", "radial-6x11", 1)
        .byCount("chip", PartKind.IC, "", "dip-8", 1)
        .byCount("1k", PartKind.RESISTOR, "1k", "axial-quarter-watt", 4)
        .byCount("socket", PartKind.SOCKET, "", "socket-dip-8", 1)
        .byCount("screw", PartKind.MECHANICAL, "M3", "axial-quarter-watt", 4);
  }

  private static Plan plan(KitMaker kit, Set<String> lacking) throws NoPlan {
    return Planner.plan(kit.parts(), School.LOW, Map.of(), 0, lacking);
  }

  private static List<String> ids(Plan plan) {
    return plan.steps().stream().map(Step::id).toList();
  }

  @Test
  void everyLineIsAStepTheLowestFirstAndTheChipIntoItsSocket() throws NoPlan {
    Plan plan = plan(lamp(), Set.of());
    assertThat(ids(plan)).containsExactly("fit:1k", "fit:socket", "fit:can", "fit:chip");
    assertThat(plan.steps()).allSatisfy(step -> assertThat(step.refs()).isEmpty());
    assertThat(plan.steps().stream().map(Step::count)).containsExactly(4, 1, 1, 1);
    assertThat(plan.steps().get(3).act()).isEqualTo(Step.Act.INSERT);
    assertThat(plan.steps().stream().map(Step::joints)).containsExactly(8, 8, 2, 0);
    assertThat(plan.optimal()).isTrue();
    assertThat(WORDS.say(plan.steps().get(3).because().getFirst())).contains("chip", "socket");
  }

  @Test
  void minutesAreThoseOfAsManyPartsWithDesignators() throws NoPlan {
    Plan named =
        plan(
            KitMaker.kit()
                .line("1k", PartKind.RESISTOR, "1k", "axial-quarter-watt", null, "R1", "R2"),
            Set.of());
    Plan counted =
        plan(
            KitMaker.kit().byCount("1k", PartKind.RESISTOR, "1k", "axial-quarter-watt", 2),
            Set.of());
    assertThat(counted.minutes()).isEqualTo(named.minutes());
  }

  @Test
  void aChipWithoutASocketOfItsSizeIsSoldered() throws NoPlan {
    Plan plan =
        plan(
            KitMaker.kit()
                .byCount("chip", PartKind.IC, "", "dip-8", 2)
                .byCount("socket", PartKind.SOCKET, "", "socket-dip-8", 1)
                .byCount("wide", PartKind.SOCKET, "", "socket-dip-14", 2),
            Set.of());
    assertThat(plan.steps()).allSatisfy(s -> assertThat(s.act()).isEqualTo(Step.Act.FIT));
  }

  @Test
  void whatIsNotInTheBagIsLeftOutAndTheChipWaitsForItsSocket() throws NoPlan {
    Set<String> missing =
        Stocktake.missingRefs(lamp().make(), Map.of(), Map.of("socket", 0, "1k", 3));
    assertThat(missing).containsExactly("fit:socket");
    Plan plan = plan(lamp(), missing);
    assertThat(ids(plan)).containsExactly("fit:1k", "fit:can");
    assertThat(plan.blocked()).contains(new Plan.Blocked("fit:chip", "fit:socket"));
  }

  @ParameterizedTest
  @EnumSource(
      value = School.class,
      names = {"LOW", "STURDY"})
  void partsWithAndWithoutDesignatorsAreOneOrder(School school) throws NoPlan {
    KitMaker kit =
        KitMaker.kit()
            .resistor("R1", "2k")
            .line("d", PartKind.DIODE, "", "axial-small-glass", null, "D1")
            .byCount("can", PartKind.CAPACITOR_POLARISED, "100u", "radial-6x11", 2)
            .byCount("link", PartKind.LINK, "", "axial-small-glass", 3);
    Plan plan = Planner.plan(kit.parts(), school, Map.of(), 0, Set.of());
    assertThat(ids(plan)).containsExactlyInAnyOrder("fit:R1", "fit:D1", "fit:can", "fit:link");
    assertThat(plan.steps().getLast().id()).isEqualTo("fit:can");
    assertThat(plan.steps()).allSatisfy(step -> assertThat(step.because()).isNotEmpty());
  }
}
