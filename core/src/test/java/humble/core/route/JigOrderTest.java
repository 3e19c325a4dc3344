package humble.core.route;

import static org.assertj.core.api.Assertions.assertThat;

import humble.core.KitMaker;
import humble.core.kit.LeadClass;
import humble.core.kit.Mount;
import humble.core.kit.PackagePin;
import humble.core.kit.PartKind;
import humble.core.kit.PartPackage;
import humble.core.kit.Parts;
import humble.core.kit.PointMm;
import humble.core.kit.Side;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import org.junit.jupiter.api.Test;

/** Jig mates among free groups: every order that keeps them together is tried. */
class JigOrderTest {
  private static Parts kit(Random random, int parts) {
    KitMaker maker = KitMaker.kit();
    for (int i = 1; i <= parts; i++) {
      maker.pack(
          new PartPackage(
              "p" + i,
              1 + random.nextInt(4),
              List.of(
                  new PackagePin("1", new PointMm(0, 0)), new PackagePin("2", new PointMm(2, 0))),
              random.nextBoolean() ? LeadClass.THIN : LeadClass.TAB));
      maker.line("l" + i, PartKind.CONNECTOR, "", 5.0, "p" + i, null, List.of(), "X" + i);
      if (i == 1 || i == 2) {
        maker.held("X" + i, 5 * i, 5, "X3");
      } else {
        maker.place("X" + i, Side.TOP, 5 * i, 5, 0, Mount.FLUSH, 0, null);
      }
    }
    return maker.parts();
  }

  @Property(tries = 60)
  void noOrderThatKeepsTheMatesTogetherIsBetter(@ForAll long seed) throws NoPlan {
    Random random = new Random(seed);
    int parts = 4 + random.nextInt(3);
    Parts made = kit(random, parts);
    Plan plan = Planner.plan(made, School.LOW, Map.of(), 0, Set.of());
    List<String> order =
        plan.steps().stream()
            .filter(step -> step.act() == Step.Act.FIT)
            .map(step -> step.refs().getFirst())
            .toList();
    assertThat(isTogether(order)).isTrue();
    Work work = Work.of(made, Map.of(), Set.of(), Map.of(), Map.of(), Pace.USUAL);
    int[] best = null;
    for (List<String> each : orders(new ArrayList<>(), parts)) {
      if (isTogether(each)) {
        int[] score = score(work, each);
        best = best == null || Arrays.compare(score, best) < 0 ? score : best;
      }
    }
    assertThat(score(work, order)).isEqualTo(best);
    assertThat(plan.optimal()).isTrue();
  }

  private static boolean isTogether(List<String> order) {
    List<Integer> at =
        List.of(order.indexOf("X1"), order.indexOf("X2"), order.indexOf("X3")).stream()
            .sorted()
            .toList();
    return at.getLast() - at.getFirst() == 2;
  }

  private static int[] score(Work work, List<String> order) {
    int inversions = 0;
    int tools = 0;
    for (int i = 0; i < order.size(); i++) {
      Node a = work.byName().get(order.get(i));
      if (i > 0) {
        tools += work.byName().get(order.get(i - 1)).lead() == a.lead() ? 0 : 1;
      }
      for (String later : order.subList(i + 1, order.size())) {
        inversions += a.heightMm() > work.byName().get(later).heightMm() + 0.5 ? 1 : 0;
      }
    }
    return new int[] {inversions, tools};
  }

  private static List<List<String>> orders(List<String> begun, int parts) {
    if (begun.size() == parts) {
      return List.of(List.copyOf(begun));
    }
    List<List<String>> all = new ArrayList<>();
    for (int i = 1; i <= parts; i++) {
      if (!begun.contains("X" + i)) {
        begun.add("X" + i);
        all.addAll(orders(begun, parts));
        begun.removeLast();
      }
    }
    return all;
  }

  @Test
  void theKitsOwnSheetIsRepairedWhereItPartsWhatHoldsEachOther() throws NoPlan {
    Parts made =
        KitMaker.kit()
            .line("h", PartKind.HEADER, "", "header-1x6", null, "J1")
            .line("r", PartKind.HEADER, "", "receptacle-1x6", null, "J2")
            .resistor("R1", "1k")
            .place("R1", 60, 20)
            .place("J2", 20, 20)
            .held("J1", 20, 20, "J2")
            .sheet("fit", "", "J1")
            .sheet("fit", "", "R1")
            .sheet("fit", "", "J2")
            .parts();
    Plan plan = Planner.plan(made, School.SHEET, Map.of(), 0, Set.of());
    assertThat(plan.steps()).extracting(Step::id).containsExactly("fit:J1", "fit:J2", "fit:R1");
    assertThat(plan.repairs())
        .singleElement()
        .satisfies(repair -> assertThat(repair.key()).isEqualTo("route.sheet-jig"));
    assertThat(plan.cost().moves()).isEqualTo(1);
  }
}
