package humble.core.route;

import static org.assertj.core.api.Assertions.assertThat;

import humble.core.KitMaker;
import humble.core.kit.Mount;
import humble.core.kit.PartKind;
import humble.core.kit.Parts;
import humble.core.kit.Place;
import humble.core.kit.PointMm;
import humble.core.kit.Side;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.junit.jupiter.api.Test;

/** Two boards of one kit lie on the bench one after the other. */
class TwoBoardsTest {
  private static Place on(String board, String ref, double x) {
    return new Place(
        ref,
        board,
        Side.TOP,
        new PointMm(x, 10),
        0,
        Mount.FLUSH,
        0,
        null,
        null,
        null,
        null,
        List.of(),
        List.of(),
        0,
        1);
  }

  private static KitMaker kit() {
    return KitMaker.kit()
        .line("r1", PartKind.RESISTOR, "1k", "axial-quarter-watt", null, "R1")
        .line("r2", PartKind.RESISTOR, "2k", "axial-quarter-watt", null, "R2")
        .line("c1", PartKind.CAPACITOR, "100n", "disc-5", null, "C1")
        .line("c2", PartKind.CAPACITOR, "10n", "disc-5", null, "C2")
        .place(on("main", "R1", 10))
        .place(on("main", "C1", 40))
        .place(on("panel", "R2", 10))
        .place(on("panel", "C2", 40));
  }

  @Test
  void oneBoardIsFinishedBeforeTheOtherIsTakenUp() throws NoPlan {
    Plan plan = Planner.plan(kit().parts(), School.LOW, Map.of(), 0, Set.of());
    assertThat(plan.cost().turns()).isEqualTo(1);
    assertThat(plan.cost().inversions()).isZero();
    assertThat(plan.steps())
        .extracting(Step::board)
        .containsExactly("main", "main", "panel", "panel", "panel");
    assertThat(plan.steps().get(2).act()).isEqualTo(Step.Act.TURN);
  }

  @Test
  void aGateWaitsForTheCapacitorsOfThePoweredBoardAlone() throws NoPlan {
    Parts parts =
        kit()
            .line("e1", PartKind.CAPACITOR_POLARISED, "47u", "radial-6x11", null, "C8")
            .line("e2", PartKind.CAPACITOR_POLARISED, "47u", "radial-6x11", null, "C9")
            .line("u", PartKind.IC, "", "dip-8", null, "U1")
            .place(on("main", "C8", 60))
            .place(on("panel", "C9", 60))
            .place(on("panel", "U1", 70))
            .net("5V", "R1.1", "C8.1", "C9.1")
            .net("GND", "R1.2", "C8.2", "C9.2")
            .supply("usb", 5, 500, "5V", "GND")
            .state("on", "usb")
            .gate("rail", "on", "5V", "GND", "U1")
            .parts();
    List<String> ids =
        Planner.plan(parts, School.LOW, Map.of(), 0, Set.of()).steps().stream()
            .map(Step::id)
            .toList();
    assertThat(ids.indexOf("fit:C8")).isLessThan(ids.indexOf("rail"));
    assertThat(Planner.plan(parts, School.LOW, Map.of(), 0, Set.of("C9")).steps())
        .extracting(Step::id)
        .contains("rail");
  }
}
