package humble.core.route;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import humble.core.KitMaker;
import humble.core.kit.LeadClass;
import humble.core.kit.Mount;
import humble.core.kit.PackagePin;
import humble.core.kit.PartKind;
import humble.core.kit.PartPackage;
import humble.core.kit.Parts;
import humble.core.kit.PointMm;
import humble.core.kit.Side;
import humble.core.stock.Reach;
import humble.core.words.Words;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.stream.IntStream;
import net.jqwik.api.Assume;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import org.junit.jupiter.api.Test;

class PlannerTest {
  private static final Words WORDS = Words.core(Locale.ENGLISH);

  private static Plan plan(Parts parts, School school) throws NoPlan {
    return Planner.plan(parts, school, Map.of(), 0, Set.of());
  }

  private static List<String> ids(Plan plan) {
    return plan.steps().stream().map(Step::id).toList();
  }

  private static KitMaker threeHeights() {
    return KitMaker.kit()
        .resistor("R1", "1k")
        .line("c", PartKind.CAPACITOR, "100n", "disc-2.5", null, "C1")
        .line("e", PartKind.CAPACITOR_POLARISED, "10u", "radial-5x11", null, "C2")
        .place("C2", 10, 10)
        .place("C1", 20, 10)
        .place("R1", 30, 10);
  }

  @Test
  void theLowestPartGoesFirst() throws NoPlan {
    Plan plan = plan(threeHeights().parts(), School.LOW);
    assertThat(ids(plan)).containsExactly("fit:R1", "fit:C1", "fit:C2");
    assertThat(plan.cost().inversions()).isZero();
    assertThat(plan.optimal()).isTrue();
    assertThat(plan.steps()).allSatisfy(step -> assertThat(step.because()).isNotEmpty());
    assertThat(plan.minutes()).isPositive();
  }

  @Test
  void theSturdySchoolFitsTheDelicateLast() throws NoPlan {
    Parts parts =
        KitMaker.kit()
            .line("x", PartKind.CRYSTAL, "8M", 5.0, "crystal-low", null, List.of("shock"), "Y1")
            .line("e", PartKind.CAPACITOR_POLARISED, "10u", "radial-5x11", null, "C2")
            .place("Y1", 10, 10)
            .place("C2", 20, 10)
            .parts();
    assertThat(ids(plan(parts, School.LOW))).containsExactly("fit:Y1", "fit:C2");
    assertThat(ids(plan(parts, School.STURDY))).containsExactly("fit:C2", "fit:Y1");
  }

  @Test
  void whatHidesUnderSomethingGoesBeforeIt() throws NoPlan {
    Parts parts =
        KitMaker.kit()
            .line("e", PartKind.CAPACITOR_POLARISED, "10u", "radial-5x11", null, "C2")
            .line("d", PartKind.DISPLAY, "", "header-1x4", null, "DISP1")
            .place("C2", Side.TOP, 10, 10, 0, Mount.FLUSH, 0, "DISP1")
            .place("DISP1", 20, 10)
            .parts();
    Plan plan = plan(parts, School.LOW);
    assertThat(ids(plan)).containsExactly("fit:C2", "fit:DISP1");
    assertThat(plan.steps().getFirst().because().stream().map(WORDS::say).toList())
        .anySatisfy(text -> assertThat(text).contains("C2").contains("DISP1"));
  }

  @Test
  void socketThenGateThenChip() throws NoPlan {
    Parts parts =
        KitMaker.kit()
            .line("s", PartKind.SOCKET, "", "socket-dip-8", null, "SK1")
            .line("u", PartKind.IC, "", "dip-8", null, "U1")
            .line("e", PartKind.CAPACITOR_POLARISED, "10u", "radial-5x11", null, "C2")
            .resistor("R1", "1k")
            .place("SK1", 20, 20)
            .place("U1", Side.TOP, 20, 20, 0, Mount.SOCKETED, 0, null)
            .place("C2", 40, 20)
            .place("R1", 60, 20)
            .net("V", "U1.8", "C2.+", "R1.1")
            .net("GND", "U1.4", "C2.-", "R1.2")
            .supply("s", 5, 100, "V", "GND")
            .state("empty", "s", "U1")
            .gate("rail", "empty", "U1.8", "U1.4", "U1")
            .parts();
    for (School school : List.of(School.LOW, School.STURDY)) {
      List<String> ids = ids(plan(parts, school));
      assertThat(ids.indexOf("fit:SK1")).isLessThan(ids.indexOf("rail"));
      assertThat(ids.indexOf("fit:R1")).as("carries current").isLessThan(ids.indexOf("rail"));
      assertThat(ids.indexOf("fit:C2")).isLessThan(ids.indexOf("rail"));
      assertThat(ids.indexOf("rail")).isLessThan(ids.indexOf("insert:U1"));
    }
  }

  @Test
  void theWashComesAfterSolderingAndBeforeWhatHatesWater() throws NoPlan {
    Parts parts =
        threeHeights()
            .line("d", PartKind.DISPLAY, "", 5.0, "header-1x4", null, List.of("water"), "DISP1")
            .place("DISP1", 50, 10)
            .task("wash", "clean", List.of("soldering"), List.of())
            .parts();
    List<String> ids = ids(plan(parts, School.LOW));
    assertThat(ids).containsExactly("fit:R1", "fit:C1", "fit:C2", "wash", "fit:DISP1");
  }

  @Test
  void aBoardThatIsTurnedIsSaidSo() throws NoPlan {
    Parts parts =
        KitMaker.kit()
            .resistor("R1", "1k")
            .resistor("R2", "2k")
            .place("R1", 10, 10)
            .place("R2", Side.BOTTOM, 10, 10, 0, Mount.FLUSH, 0, null)
            .parts();
    Plan plan = plan(parts, School.LOW);
    assertThat(plan.cost().turns()).isEqualTo(1);
    assertThat(plan.steps()).extracting(Step::act).contains(Step.Act.TURN);
  }

  @Test
  void surfaceMountComesBeforeThroughHole() throws NoPlan {
    Parts parts =
        KitMaker.kit()
            .resistor("R1", "1k")
            .line("j", PartKind.CONNECTOR, "", "usb-edge", null, "J1")
            .place("R1", 10, 10)
            .place("J1", 30, 3)
            .parts();
    assertThat(ids(plan(parts, School.LOW))).containsExactly("fit:J1", "fit:R1");
  }

  @Test
  void factsThatRunInACircleAreNoPlanAndAreNamed() {
    Parts parts =
        threeHeights().rule("R1", "C1", "first reason").rule("C1", "R1", "second reason").parts();
    assertThatThrownBy(() -> plan(parts, School.LOW))
        .isInstanceOfSatisfying(
            NoPlan.class,
            no ->
                assertThat(no.circle().stream().map(WORDS::say).toList())
                    .anySatisfy(t -> assertThat(t).contains("first reason"))
                    .anySatisfy(t -> assertThat(t).contains("second reason")));
  }

  @Test
  void theSheetsOwnBreachesAreListed() throws NoPlan {
    Parts parts =
        threeHeights()
            .rule("R1", "C2", "the long part hides it")
            .sheet("fit", "", "C2")
            .sheet("fit", "", "R1")
            .parts();
    assertThat(plan(parts, School.LOW).violations().stream().map(WORDS::say).toList())
        .singleElement()
        .satisfies(text -> assertThat(text).contains("the long part hides it"));
  }

  @Test
  void eveningsAreFilledWithWholeSteps() throws NoPlan {
    Parts parts = threeHeights().parts();
    double longest =
        plan(parts, School.LOW).steps().stream().mapToDouble(Step::minutes).max().orElseThrow();
    Plan plan = Planner.plan(parts, School.LOW, Map.of(), longest + 0.01, Set.of());
    assertThat(plan.sessions().getFirst().from()).isEqualTo(1);
    assertThat(plan.sessions().getLast().to()).isEqualTo(plan.steps().size());
    for (int i = 1; i < plan.sessions().size(); i++) {
      assertThat(plan.sessions().get(i).from()).isEqualTo(plan.sessions().get(i - 1).to() + 1);
    }
    assertThat(plan.sessions().stream().mapToDouble(Plan.Session::minutes).sum())
        .isCloseTo(plan.minutes(), org.assertj.core.api.Assertions.within(1e-9));
  }

  @Test
  void whatIsLackingBlocksItselfAndTheChipOfItsSocket() throws NoPlan {
    Parts parts =
        KitMaker.kit()
            .line("s", PartKind.SOCKET, "", "socket-dip-8", null, "SK1")
            .line("u", PartKind.IC, "", "dip-8", null, "U1")
            .resistor("R1", "1k")
            .place("SK1", 20, 20)
            .place("U1", Side.TOP, 20, 20, 0, Mount.SOCKETED, 0, null)
            .place("R1", 40, 20)
            .parts();
    Plan plan = Planner.plan(parts, School.LOW, Map.of(), 0, Set.of("SK1"));
    assertThat(ids(plan)).containsExactly("fit:R1");
    assertThat(plan.blocked())
        .containsExactly(new Plan.Blocked("SK1", "SK1"), new Plan.Blocked("U1", "SK1"));
  }

  @Test
  void whatIsLackingBlocksWhatWouldCoverItAndWhatARulePutsAfterIt() throws NoPlan {
    Parts parts =
        KitMaker.kit()
            .resistor("R1", "1k")
            .resistor("R2", "1k")
            .resistor("R3", "1k")
            .resistor("R4", "1k")
            .place("R1", 10, 20)
            .place("R2", 20, 20)
            .place("R3", 30, 20)
            .place("R4", 40, 20)
            .rule("R1", "R3", "so it is")
            .rule("R3", "R4", "so it is")
            .parts();
    Plan plan = Planner.plan(parts, School.LOW, Map.of(), 0, Set.of("R1"));
    assertThat(ids(plan)).containsExactly("fit:R2");
    assertThat(plan.blocked())
        .containsExactly(
            new Plan.Blocked("R1", "R1"),
            new Plan.Blocked("R3", "R1"),
            new Plan.Blocked("R4", "R3"));
    Reach reach = Reach.of(Planner.plan(parts, School.LOW, Map.of(), 0, Set.of()), plan);
    assertThat(reach.waiting()).containsExactly("fit:R1", "fit:R3", "fit:R4");
    assertThat(reach.minutes()).isLessThan(reach.allMinutes());
  }

  @Test
  void partsWithoutAPlacementListAreStillPlanned() throws NoPlan {
    Parts parts =
        KitMaker.kit()
            .line("c", PartKind.CAPACITOR_POLARISED, "10u", "radial-5x11", null, "C1")
            .line("r", PartKind.RESISTOR, "1k", "axial-quarter-watt", null, "R1")
            .parts();
    assertThat(ids(plan(parts, School.LOW))).containsExactly("fit:R1", "fit:C1");
  }

  @Test
  void untakenChoicesAreNotFitted() throws NoPlan {
    Parts parts = threeHeights().option("o", "R1", "C1").parts();
    assertThat(ids(plan(parts, School.LOW))).containsExactly("o", "fit:R1", "fit:C2");
    assertThat(ids(Planner.plan(parts, School.LOW, Map.of("o", "second"), 0, Set.of())))
        .containsExactly("o", "fit:C1", "fit:C2");
  }

  /** Small random kits, every order tried: the search finds a best one. */
  @Property(tries = 60)
  void noOrderOfTheSchoolIsBetterThanTheOneFound(@ForAll long seed, @ForAll School school)
      throws NoPlan {
    Assume.that(school != School.SHEET);
    Random random = new Random(seed);
    Parts made = randomKit(random, 3 + random.nextInt(5)).parts();
    Plan found = plan(made, school);
    int[] best = null;
    Work work = work(made, school);
    for (List<Node> order : orders(work, new ArrayList<>())) {
      int[] score = measured(order).score(school);
      best = best == null || Arrays.compare(score, best) < 0 ? score : best;
    }
    assertThat(found.optimal()).isTrue();
    assertThat(found.cost().score(school)).isEqualTo(best);
    assertThat(found.bound()).containsExactly(Arrays.stream(best).boxed().toArray(Integer[]::new));
    assertThat(measured(fits(work, found)).score(school)).isEqualTo(best);
  }

  private static Work work(Parts parts, School school) {
    Map<String, Integer> blocks =
        school == School.BLOCKS ? new Blocks(parts.kit()).numbers() : Map.of();
    return Work.of(parts, Map.of(), Set.of(), Map.of(), blocks, Pace.USUAL);
  }

  private static KitMaker randomKit(Random random, int parts) {
    KitMaker maker = KitMaker.kit();
    PartKind[] kinds = {PartKind.RESISTOR, PartKind.CAPACITOR, PartKind.CONNECTOR};
    List<List<String>> blocks = List.of(new ArrayList<>(), new ArrayList<>());
    for (int i = 1; i <= parts; i++) {
      double height = 1 + random.nextInt(4);
      LeadClass lead = random.nextBoolean() ? LeadClass.THIN : LeadClass.TAB;
      maker.pack(
          new PartPackage(
              "p" + i,
              height,
              List.of(
                  new PackagePin("1", new PointMm(0, 0)), new PackagePin("2", new PointMm(2, 0))),
              lead));
      maker.line(
          "l" + i,
          kinds[random.nextInt(3)],
          "1k",
          5.0,
          "p" + i,
          null,
          random.nextInt(3) == 0 ? List.of("heat") : List.of(),
          "X" + i);
      maker.place(
          "X" + i,
          random.nextInt(3) == 0 ? Side.BOTTOM : Side.TOP,
          i * 12,
          5,
          0,
          Mount.FLUSH,
          0,
          null);
      blocks.get(random.nextInt(2)).add("X" + i);
    }
    maker.block("b", List.of(), List.of(), blocks.get(1).toArray(String[]::new));
    maker.block("a", List.of(), List.of("b"), blocks.get(0).toArray(String[]::new));
    for (int i = random.nextInt(3); i > 0; i--) {
      int first = 1 + random.nextInt(parts - 1);
      int then = first + 1 + random.nextInt(parts - first);
      maker.rule("X" + then, "X" + first, "so it is");
    }
    return maker;
  }

  @Property(tries = 100)
  void theSheetIsRepairedWithTheFewestMoves(@ForAll long seed) throws NoPlan {
    Random random = new Random(seed);
    int parts = 3 + random.nextInt(4);
    KitMaker maker = randomKit(random, parts);
    List<Integer> sheet = new ArrayList<>(IntStream.rangeClosed(1, parts).boxed().toList());
    Collections.shuffle(sheet, random);
    sheet.forEach(i -> maker.sheet("fit", "", "X" + i));
    Parts made = maker.parts();
    Plan found = plan(made, School.SHEET);
    List<String> wanted = sheet.stream().map(i -> "fit:X" + i).toList();
    Work work = work(made, School.SHEET);
    int most =
        orders(work, new ArrayList<>()).stream()
            .mapToInt(order -> common(order.stream().map(Node::id).toList(), wanted))
            .max()
            .orElseThrow();
    assertThat(found.cost().moves()).isEqualTo(parts - most);
    assertThat(found.repairs()).hasSize(parts - most);
    assertThat(common(ids(found).stream().filter(id -> id.startsWith("fit")).toList(), wanted))
        .isEqualTo(most);
    List<Node> order = fits(work, found);
    for (int i = 0; i < order.size(); i++) {
      for (int k = i + 1; k < order.size(); k++) {
        assertThat(work.facts().precedes(order.get(k).index(), order.get(i).index())).isFalse();
      }
    }
  }

  /** Length of the longest common subsequence: what stays where it was. */
  private static int common(List<String> a, List<String> b) {
    int[][] length = new int[a.size() + 1][b.size() + 1];
    for (int i = 1; i <= a.size(); i++) {
      for (int k = 1; k <= b.size(); k++) {
        length[i][k] =
            a.get(i - 1).equals(b.get(k - 1))
                ? length[i - 1][k - 1] + 1
                : Math.max(length[i - 1][k], length[i][k - 1]);
      }
    }
    return length[a.size()][b.size()];
  }

  @Test
  void aKitWithoutSheetOrBlocksHasNoSuchPlan() {
    Parts parts = threeHeights().parts();
    assertThatThrownBy(() -> plan(parts, School.SHEET))
        .isInstanceOf(NoPlan.class)
        .hasMessageContaining("no sheet");
    assertThatThrownBy(() -> plan(parts, School.BLOCKS))
        .isInstanceOf(NoPlan.class)
        .hasMessageContaining("no blocks");
  }

  @Test
  void aStepIsMovedUnlessAHardFactForbidsIt() throws NoPlan {
    Parts parts =
        KitMaker.kit()
            .resistor("R1", "1k")
            .resistor("R2", "2k")
            .resistor("R3", "3k")
            .place("R1", 10, 10)
            .place("R2", 20, 20)
            .place("R3", 30, 30)
            .rule("R1", "R2", "so it is")
            .parts();
    Plan plan = plan(parts, School.LOW);
    Move legal = new Move("fit:R3", "fit:R1");
    Move illegal = new Move("fit:R2", "fit:R1");
    assertThat(Planner.refusal(parts, plan, Map.of(), Set.of(), legal)).isEmpty();
    assertThat(Planner.refusal(parts, plan, Map.of(), Set.of(), illegal).orElseThrow().key())
        .isEqualTo("route.rule");
    Plan moved =
        Planner.plan(
            parts,
            School.LOW,
            Map.of(),
            0,
            Set.of(),
            List.of(legal, illegal, new Move("fit:R1", "")),
            Pace.USUAL);
    assertThat(ids(moved)).containsExactly("fit:R3", "fit:R1", "fit:R2");
  }

  @Test
  void jigMatesStandTogetherAndNoEveningEndsBetweenThem() throws NoPlan {
    Parts parts =
        KitMaker.kit()
            .line("d", PartKind.DISPLAY, "", "radial-10x16", null, "DISP1")
            .line("a", PartKind.CONNECTOR, "", "disc-5", null, "J1")
            .line("b", PartKind.CAPACITOR, "1n", "radial-5x11", null, "C1")
            .resistor("R1", "1k")
            .place("DISP1", 10, 10)
            .held("J1", 20, 20, "DISP1")
            .place("C1", 30, 30)
            .place("R1", 40, 40)
            .parts();
    List<String> order = ids(plan(parts, School.LOW));
    assertThat(Math.abs(order.indexOf("fit:J1") - order.indexOf("fit:DISP1"))).isEqualTo(1);
    Plan evenings = Planner.plan(parts, School.LOW, Map.of(), 0.1, Set.of());
    int held = 1 + Math.min(order.indexOf("fit:J1"), order.indexOf("fit:DISP1"));
    assertThat(evenings.sessions()).noneMatch(session -> session.to() == held);
    assertThat(evenings.sessions()).hasSize(3);
  }

  @Test
  void aBlockEndsWithItsGateBeforeTheNextBegins() throws NoPlan {
    Parts parts =
        KitMaker.kit()
            .resistor("R1", "1k")
            .resistor("R2", "2k")
            .place("R1", 10, 10)
            .place("R2", 20, 20)
            .net("A", "R1.1")
            .net("B", "R1.2")
            .state("on", null)
            .gate("g", "on", "A", "B")
            .block("second", List.of(), List.of(), "R1")
            .block("first", List.of("g"), List.of("second"), "R2")
            .parts();
    assertThat(ids(plan(parts, School.BLOCKS))).containsExactly("fit:R2", "g", "fit:R1");
  }

  /** Eighteen free groups that differ in everything: the answer is proved, not hoped for. */
  @Test
  void eighteenFreeGroupsAreExact() throws NoPlan {
    Random random = new Random(5);
    Parts parts = randomKit(random, OrderSearch.EXACT_GROUPS).parts();
    assertThat(plan(parts, School.LOW).optimal()).isTrue();
    assertThat(plan(parts, School.STURDY).optimal()).isTrue();
  }

  private static List<Node> fits(Work work, Plan plan) {
    return plan.steps().stream()
        .filter(s -> s.act() == Step.Act.FIT)
        .map(s -> work.byName().get(s.id()))
        .toList();
  }

  private static List<List<Node>> orders(Work work, List<Node> begun) {
    if (begun.size() == work.nodes().size()) {
      return List.of(List.copyOf(begun));
    }
    List<List<Node>> all = new ArrayList<>();
    for (Node node : work.nodes()) {
      boolean open =
          !begun.contains(node)
              && work.facts().before(node.index()).keySet().stream()
                  .allMatch(i -> begun.contains(work.nodes().get(i)));
      if (open) {
        begun.add(node);
        all.addAll(orders(work, begun));
        begun.removeLast();
      }
    }
    return all;
  }

  /** The measures by their definitions, over a whole order. */
  private static Cost measured(List<Node> order) {
    int turns = 0;
    int tools = 0;
    int changes = 0;
    int inversions = 0;
    int exposure = 0;
    int breaks = 0;
    for (int i = 0; i < order.size(); i++) {
      Node node = order.get(i);
      if (i > 0) {
        Node last = order.get(i - 1);
        turns += last.side() != node.side() ? 1 : 0;
        tools += last.lead() != node.lead() ? 1 : 0;
        changes += last.kind() != node.kind() ? 1 : 0;
      }
      for (Node later : order.subList(i + 1, order.size())) {
        inversions +=
            node.side() == later.side() && node.heightMm() > later.heightMm() + 0.5 ? 1 : 0;
        exposure += node.fragile() ? later.joints() : 0;
        breaks += node.block() > later.block() ? 1 : 0;
      }
    }
    return new Cost(turns, tools, changes, inversions, exposure, breaks, 0);
  }
}
