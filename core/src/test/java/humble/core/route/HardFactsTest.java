package humble.core.route;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import humble.core.KitMaker;
import humble.core.kit.Model;
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

/** What comes before what, kind of work by kind of work. */
class HardFactsTest {
  private static final Model CELL = new Model.Battery(3, 1, 200, 2);

  private static List<String> ids(KitMaker kit) throws NoPlan {
    return plan(kit).steps().stream().map(Step::id).toList();
  }

  private static Plan plan(KitMaker kit) throws NoPlan {
    return Planner.plan(kit.parts(), School.LOW, Map.of(), 0, Set.of());
  }

  private static KitMaker three() {
    return KitMaker.kit()
        .resistor("R1", "1k")
        .line("c", PartKind.CAPACITOR, "100n", "disc-5", null, "C1")
        .line("s", PartKind.SWITCH, "", "toggle-panel", new Model.Open(), "S1")
        .place("R1", 10, 10)
        .place("C1", 20, 10)
        .place("S1", 40, 10);
  }

  /** A toy that runs from one cell: its holder is soldered, the cell is put in. */
  private static KitMaker toy() {
    return KitMaker.kit()
        .resistor("R1", "330")
        .line("l", PartKind.LED, "", "led-3", null, "LED1")
        .line("h", PartKind.BATTERY_HOLDER, "", "coin-holder", new Model.Open(), "H1")
        .line("b", PartKind.BATTERY, "", "coin-holder", CELL, "BT1")
        .line("d", PartKind.CAPACITOR, "100n", "disc-5", null, "C9")
        .place("R1", 10, 10)
        .place("LED1", 30, 10)
        .place("H1", 40, 30)
        .place("BT1", Side.TOP, 40, 30, 0, Mount.SOCKETED, 0, null)
        .place("C9", 60, 40)
        .net("P", "BT1.1", "R1.1")
        .net("A", "R1.2", "LED1.2")
        .net("GND", "LED1.1", "BT1.2")
        .state("on", null);
  }

  @Test
  void aTaskThatOnlyComesBeforeSomethingComesJustBeforeIt() throws NoPlan {
    assertThat(ids(three().task("front", "prepare", List.of(), List.of("S1"))))
        .containsExactly("fit:R1", "fit:C1", "front", "fit:S1");
  }

  @Test
  void aTaskThatOnlyComesAfterSomethingComesRightAfterIt() throws NoPlan {
    assertThat(ids(three().task("cut", "trim", List.of("R1"), List.of())))
        .containsExactly("fit:R1", "cut", "fit:C1", "fit:S1");
  }

  @Test
  void everyKindOfTaskStandsInThePlanAndTheCaseComesLast() throws NoPlan {
    KitMaker kit =
        three()
            .task("shut", "case", List.of(), List.of())
            .task("lacquer", "coat", List.of("R1"), List.of())
            .task("send", "load", List.of(), List.of())
            .task("hear", "test", List.of(), List.of())
            .task("look", "inspect", List.of(), List.of())
            .task("scrub", "clean", List.of(), List.of())
            .task("hang", "wire", List.of("S1"), List.of());
    assertThat(ids(kit))
        .containsExactly(
            "look", "fit:R1", "fit:C1", "fit:S1", "scrub", "hang", "send", "hear", "lacquer",
            "shut");
  }

  @Test
  void nothingIsWashedWithAWireOrACellOnIt() throws NoPlan {
    List<String> ids =
        ids(
            toy()
                .task("scrub", "clean", List.of("soldering"), List.of())
                .task("hang", "wire", List.of("R1"), List.of()));
    assertThat(ids.indexOf("scrub")).isLessThan(ids.indexOf("hang"));
    assertThat(ids.indexOf("scrub")).isLessThan(ids.indexOf("insert:BT1"));
    assertThat(ids.getLast()).isEqualTo("insert:BT1");
  }

  @Test
  void nothingIsLacqueredOrHungOnWithACellInIt() throws NoPlan {
    List<String> ids =
        ids(
            toy()
                .task("hang", "wire", List.of(), List.of())
                .task("coat", "coat", List.of(), List.of())
                .task("shut", "case", List.of(), List.of()));
    assertThat(ids.subList(ids.size() - 4, ids.size()))
        .containsExactly("hang", "coat", "insert:BT1", "shut");
  }

  @Test
  void whatIsReflowedOnOneSideIsOneStep() throws NoPlan {
    KitMaker kit =
        KitMaker.kit()
            .pasted("r", PartKind.RESISTOR, "1k", "R1", "R2")
            .pasted("c", PartKind.CAPACITOR, "100n", "C1")
            .resistor("R9", "1k")
            .place("R1", 10, 10)
            .place("R2", Side.BOTTOM, 20, 10, 0, Mount.FLUSH, 0, null)
            .place("C1", 30, 10)
            .place("R9", 50, 10);
    List<Step> fits =
        plan(kit).steps().stream().filter(step -> step.act() == Step.Act.FIT).toList();
    assertThat(fits.stream().map(Step::refs))
        .containsExactlyInAnyOrder(List.of("C1", "R1"), List.of("R2"), List.of("R9"));
    assertThat(fits.getLast().refs()).containsExactly("R9");
  }

  @Test
  void aCellGoesInForAGateAndComesOutAgain() throws NoPlan {
    Plan plan = plan(toy().gate("glow", "on", "P", "GND", "C9"));
    assertThat(plan.steps())
        .extracting(Step::id)
        .containsExactly(
            "fit:R1",
            "fit:LED1",
            "fit:H1",
            "insert:BT1@glow",
            "glow",
            "remove:BT1@fit:C9",
            "fit:C9",
            "insert:BT1");
    assertThat(plan.steps().get(5).act()).isEqualTo(Step.Act.REMOVE);
    assertThat(plan.steps().get(5).switchOff()).isTrue();
    assertThat(plan.steps().get(6).switchOff()).isFalse();
  }

  @Test
  void aCellThatIsNotInTheWayOfAnythingStaysIn() throws NoPlan {
    assertThat(ids(toy().gate("glow", "on", "P", "GND")))
        .containsExactly("fit:R1", "fit:C9", "fit:LED1", "fit:H1", "insert:BT1", "glow");
  }

  @Test
  void whatAStateLacksComesAfterItsGate() throws NoPlan {
    KitMaker kit =
        KitMaker.kit()
            .resistor("R1", "1k")
            .resistor("R2", "1k")
            .line("c", PartKind.CAPACITOR, "100n", "disc-5", null, "C1")
            .place("R1", 10, 10)
            .place("R2", 20, 10)
            .place("C1", 30, 10)
            .net("V", "R1.1", "R2.1", "C1.1")
            .net("GND", "R1.2", "R2.2", "C1.2")
            .supply("s", 5, 100, "V", "GND")
            .state("half", "s", "R2")
            .gate("g", "half", "V", "GND");
    assertThat(ids(kit)).containsExactly("fit:R1", "g", "fit:R2", "fit:C1");
  }

  /** One bag holds what the gate needs and what its state lacks: it is opened twice. */
  @Test
  void aGroupThatAGateTearsIsFittedInTwoParts() throws NoPlan {
    KitMaker kit =
        KitMaker.kit()
            .line("r", PartKind.RESISTOR, "1k", "axial-quarter-watt", null, "R1", "R2", "R3")
            .place("R1", 10, 10)
            .place("R2", 20, 10)
            .place("R3", 30, 10)
            .net("V", "R1.1", "R2.1", "R3.1")
            .net("GND", "R1.2", "R2.2", "R3.2")
            .supply("s", 5, 100, "V", "GND")
            .state("half", "s", "R2")
            .gate("g", "half", "V", "GND");
    Plan plan = plan(kit);
    assertThat(plan.steps())
        .extracting(Step::refs)
        .containsExactly(List.of("R1", "R3"), List.of(), List.of("R2"));
  }

  @Test
  void aGateOfOhmsWaitsForWhatItsReadingHangsOn() throws NoPlan {
    KitMaker kit =
        three()
            .net("A", "R1.1", "C1.1")
            .net("B", "R1.2")
            .net("C", "C1.2", "S1.1")
            .state("bare", null)
            .gate(humble.core.kit.Measured.RESISTANCE, "ohms", "bare", "A", "B");
    assertThat(ids(kit).indexOf("fit:R1")).isLessThan(ids(kit).indexOf("ohms"));
    assertThat(plan(kit.rule("ohms", "C1", "so it is")).steps())
        .extracting(Step::id)
        .containsExactly("fit:R1", "ohms", "fit:C1", "fit:S1");
  }

  @Test
  void partsOfAPanelAreSolderedOneAfterTheOtherWithThePanelOn() throws NoPlan {
    KitMaker kit =
        KitMaker.kit()
            .line("l", PartKind.LED, "", "led-3", null, "LED1")
            .line("s", PartKind.SWITCH, "", "toggle-panel", new Model.Open(), "S1")
            .line("c", PartKind.CAPACITOR, "100n", "disc-5", null, "C1")
            .line("e", PartKind.CAPACITOR_POLARISED, "10u", "radial-5x11", null, "C2")
            .place(behind("LED1", 10))
            .place(behind("S1", 30))
            .place("C1", 50, 10)
            .place("C2", 60, 10)
            .task("front", "fit-panel", List.of(), List.of());
    List<String> ids = ids(kit);
    assertThat(ids.indexOf("front")).isEqualTo(ids.indexOf("fit:LED1") - 1);
    assertThat(ids.indexOf("fit:S1")).isEqualTo(ids.indexOf("fit:LED1") + 1);
  }

  private static Place behind(String ref, double x) {
    return new Place(
        ref,
        "main",
        Side.TOP,
        new PointMm(x, 10),
        0,
        Mount.FLUSH,
        0,
        null,
        null,
        null,
        "front",
        List.of(),
        List.of(),
        0,
        1);
  }

  @Test
  void aMateThatServesAsAJigIsPluggedOnAndTakenOffAgain() throws NoPlan {
    KitMaker kit =
        KitMaker.kit()
            .line("m", PartKind.MODULE, "", "sip-4", new Model.Open(), "M1")
            .line("h", PartKind.HEADER, "", "receptacle-1x4", new Model.Open(), "J1")
            .line("e", PartKind.CAPACITOR_POLARISED, "10u", "radial-5x11", null, "C2")
            .place("M1", Side.TOP, 10, 10, 0, Mount.SOCKETED, 0, null)
            .held("J1", 10, 10, "M1")
            .place("C2", 60, 10);
    assertThat(ids(kit))
        .containsExactly("insert:M1@fit:J1", "fit:J1", "remove:M1@fit:C2", "fit:C2", "insert:M1");
  }

  @Test
  void theKitsOwnSheetMayLeaveThingsOut() throws NoPlan {
    Parts parts =
        three()
            .task("a", "prepare", List.of("b"), List.of("S1"))
            .task("b", "prepare", List.of("C1"), List.of())
            .sheet("fit", "", "C1")
            .sheet("fit", "", "R1")
            .parts();
    Plan plan = Planner.plan(parts, School.SHEET, Map.of(), 0, Set.of());
    assertThat(plan.steps())
        .extracting(Step::id)
        .containsSubsequence("fit:C1", "fit:R1")
        .containsSubsequence("fit:C1", "b", "a", "fit:S1");
  }

  @Test
  void surfaceMountComesFirstOnItsOwnBoardAlone() throws NoPlan {
    KitMaker kit =
        KitMaker.kit()
            .resistor("R1", "1k")
            .line("u", PartKind.CONNECTOR, "", "usb-edge", new Model.Open(), "J1")
            .place("R1", 10, 10)
            .place(behind("J1", 20).onBoardNamed("other"))
            .rule("R1", "J1", "so it is");
    assertThat(ids(kit)).containsExactly("fit:R1", "turn:2", "fit:J1");
  }

  /** Half an hour of drying fills with what does not wait for it. */
  @Test
  void whatDriesByItselfCountsInTheEveningWhereNothingElseCanBeDone() throws NoPlan {
    KitMaker dries = three().task("dry", "prepare", 30, List.of("R1"), List.of("S1"));
    Plan plan = Planner.plan(dries.parts(), School.LOW, Map.of(), 600, Set.of());
    double bench = plan.minutes();
    double between =
        plan.steps().stream()
            .filter(step -> step.id().equals("fit:C1"))
            .mapToDouble(Step::minutes)
            .sum();
    assertThat(plan.steps())
        .extracting(Step::id)
        .containsExactly("fit:R1", "fit:C1", "dry", "fit:S1");
    assertThat(plan.sessions()).hasSize(1);
    assertThat(plan.sessions().getFirst().minutes()).isCloseTo(bench + 30, within(1e-9));
    KitMaker early =
        three().task("dry", "prepare", 30, List.of("R1"), List.of()).rule("dry", "S1", "it dries");
    Plan filled = Planner.plan(early.parts(), School.LOW, Map.of(), 600, Set.of());
    assertThat(filled.steps())
        .extracting(Step::id)
        .containsExactly("fit:R1", "dry", "fit:C1", "fit:S1");
    assertThat(filled.sessions().getFirst().minutes())
        .isCloseTo(bench + 30 - between, within(1e-9));
  }
}
