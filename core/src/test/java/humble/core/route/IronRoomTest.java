package humble.core.route;

import static org.assertj.core.api.Assertions.assertThat;

import humble.core.KitMaker;
import humble.core.kit.LeadClass;
import humble.core.kit.Model;
import humble.core.kit.Mount;
import humble.core.kit.PackagePin;
import humble.core.kit.PartKind;
import humble.core.kit.PartPackage;
import humble.core.kit.PointMm;
import humble.core.kit.Side;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** What would stand in the way of the iron comes after the joint it would wall in. */
class IronRoomTest {
  private static PartPackage pack(String id, double heightMm, LeadClass lead) {
    return new PartPackage(
        id,
        heightMm,
        List.of(new PackagePin("1", new PointMm(-2, 0)), new PackagePin("2", new PointMm(2, 0))),
        lead);
  }

  /** A part on the bottom, and a low one dropped in from the top, {@code apart} mm away. */
  private static KitMaker farSide(double heightMm, double apart) {
    return farSide(heightMm, 1.8, apart);
  }

  private static KitMaker farSide(double heightMm, double near, double apart) {
    return KitMaker.kit()
        .pack(pack("far", heightMm, LeadClass.PIN))
        .pack(pack("near", near, LeadClass.PIN))
        .line("f", PartKind.CONNECTOR, "", "far", new Model.Open(), "J1")
        .line("n", PartKind.CONNECTOR, "", "near", new Model.Open(), "J2")
        .place("J1", Side.BOTTOM, 20, 20, 0, Mount.FLUSH, 0, null)
        .place("J2", Side.TOP, 20 + apart, 20, 0, Mount.FLUSH, 0, null);
  }

  private static List<String> order(KitMaker kit) throws NoPlan {
    return plan(kit).steps().stream()
        .filter(step -> step.act() == Step.Act.FIT)
        .map(Step::id)
        .toList();
  }

  private static Plan plan(KitMaker kit) throws NoPlan {
    return Planner.plan(kit.parts(), School.LOW, Map.of(), 0, Set.of());
  }

  @ParameterizedTest
  @CsvSource({
    // Pads at 18 and 22; the body of J1 reaches to 23.2, the nearest pad of J2 stands at 20+a−2.
    "8, 6, true",
    "8, 9, true",
    "8, 10.3, false",
    "3, 6, true",
    "3, 8.5, false",
    "1.5, 6, false"
  })
  void aBodyOnTheSolderedSideWaitsWhereItIsNearerThanItIsHigh(
      double heightMm, double apart, boolean walled) throws NoPlan {
    Plan plan = plan(farSide(heightMm, apart));
    boolean told =
        plan.steps().stream()
            .flatMap(step -> step.because().stream())
            .anyMatch(phrase -> phrase.key().equals("route.room"));
    assertThat(told).isEqualTo(walled);
    if (walled) {
      assertThat(order(farSide(heightMm, apart))).containsExactly("fit:J2", "fit:J1");
    }
  }

  @Test
  void aRuleOfTheKitHasTheLastWord() throws NoPlan {
    assertThat(order(farSide(8, 6).rule("J1", "J2", "the lid holds J1")))
        .containsExactly("fit:J1", "fit:J2");
  }

  @Test
  void ofTwoThatWallEachOtherInNoneHasToWait() throws NoPlan {
    assertThat(plan(farSide(8, 9, 6)).steps().stream().flatMap(step -> step.because().stream()))
        .noneMatch(phrase -> phrase.key().equals("route.room"));
  }
}
