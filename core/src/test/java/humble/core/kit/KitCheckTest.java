package humble.core.kit;

import static org.assertj.core.api.Assertions.assertThat;

import humble.core.KitMaker;
import java.util.List;
import org.junit.jupiter.api.Test;

class KitCheckTest {
  private static List<String> findings(Kit kit) {
    return KitCheck.of(kit).stream().map(f -> f.level() + " " + f).toList();
  }

  @Test
  void aWholeKitHasNoFindings() {
    assertThat(
            findings(
                KitMaker.kit()
                    .resistor("R1", "1k")
                    .place("R1", 10, 10)
                    .net("A", "R1.1")
                    .net("GND", "R1.2")
                    .supply("s", 5, 100, "R1.1", "GND")
                    .state("on", "s")
                    .gate("g", "on", "A", "GND")
                    .make()))
        .isEmpty();
  }

  @Test
  void everyProblemComesAtOnceWithItsPointer() {
    Kit kit =
        KitMaker.kit()
            .resistor("R1", "1k")
            .line("again", PartKind.RESISTOR, "x", "axial-quarter-watt", null, "R1")
            .line("odd", PartKind.IC, "", "dip-7", null, "U1")
            .place("R1", 10, 10)
            .place("R1", 12, 10)
            .place("R9", 12, 10)
            .place("U1", Side.TOP, 1, 1, 0, Mount.FLUSH, 0, "R77")
            .net("A", "R1.1", "R1.3", "Q5.1")
            .net("B", "R1.1")
            .supply("s", 5, 100, "C", "A")
            .state("on", "nothing", "R8")
            .gate("g", "off", "A", "Z", "R7")
            .rule("R1", "R66", "why not")
            .make();
    assertThat(findings(kit))
        .contains(
            "ERROR kit.json#/lines/1/refs/0: R1 already belongs to line 'line-R1'.",
            "ERROR kit.json#/lines/2/package: There is no package 'dip-7'.",
            "ERROR kit.json#/places/1/ref: R1 is placed twice.",
            "ERROR kit.json#/places/2/ref: No line lists R9.",
            "ERROR kit.json#/places/3/under: No line lists R77.",
            "ERROR kit.json#/nets/A/1: The package axial-quarter-watt of R1 has no pin '3'.",
            "ERROR kit.json#/nets/A/2: No line lists Q5.",
            "ERROR kit.json#/nets/B/0: R1.1 is already on net A.",
            "ERROR kit.json#/supplies/0/plus: 'C' is neither a net nor a pin on a net.",
            "ERROR kit.json#/states/0/supply: There is no supply 'nothing'.",
            "ERROR kit.json#/gates/0/state: There is no state 'off'.",
            "ERROR kit.json#/gates/0/at/1: 'Z' is neither a net nor a pin on a net.")
        .anySatisfy(
            f -> assertThat(f).startsWith("ERROR kit.json#/lines/1/value: ").contains("\"x\""))
        .anySatisfy(f -> assertThat(f).contains("/rules/0/then/0").contains("R66"));
  }

  @Test
  void tooFewSuppliedIsAWarning() {
    Line line =
        new Line(
            "r",
            PartKind.RESISTOR,
            "1k",
            5.0,
            4,
            "axial-quarter-watt",
            List.of("R1", "R2"),
            1,
            "",
            "",
            false,
            List.of(),
            List.of(),
            Home.BOARD,
            List.of(),
            0,
            null,
            null);
    Kit kit = KitMaker.kit().make().withLines(List.of(line));
    assertThat(findings(kit))
        .containsExactly(
            "WARNING kit.json#/lines/0/supplied: Line 'r' supplies 1 but its places need 2.");
  }

  @Test
  void rulesThatRunInACircleAreNamedWithTheCircle() {
    Kit kit =
        KitMaker.kit()
            .resistor("R1", "1k")
            .resistor("R2", "1k")
            .resistor("R3", "1k")
            .rule("R1", "R2", "a")
            .rule("R2", "R3", "b")
            .rule("R3", "R1", "c")
            .make();
    assertThat(findings(kit))
        .contains(
            "ERROR kit.json#/rules: The rules run in a circle: R1 before R2 before R3 before R1.");
  }

  @Test
  void aRowMustHaveRoomForItsHeader() {
    Place place =
        new Place(
            "J1",
            "main",
            Side.TOP,
            new PointMm(10, 10),
            0,
            Mount.FLUSH,
            0,
            null,
            null,
            null,
            null,
            List.of("9"),
            List.of(),
            14,
            10);
    Kit kit =
        KitMaker.kit().line("h", PartKind.HEADER, "", "header-1x6", null, "J1").place(place).make();
    assertThat(findings(kit))
        .contains(
            "ERROR kit.json#/places/0/row: J1 does not fit into 14 holes from hole 10.",
            "ERROR kit.json#/places/0/leave_empty/0: J1 has no pin '9'.");
  }

  @Test
  void partsOfUntakenChoicesAreLeftOut() {
    Kit kit =
        KitMaker.kit().resistor("R1", "1k").resistor("R2", "1k").option("o", "R1", "R2").make();
    assertThat(Choices.leftOut(kit, java.util.Map.of())).containsExactly("R2");
    assertThat(Choices.leftOut(kit, java.util.Map.of("o", "second"))).containsExactly("R1");
  }

  @Test
  void namesThatAreTooLongOrHoldWhatNobodySeesAreErrors() {
    Kit kit =
        KitMaker.kit()
            .resistor("R\u202e1", "1k")
            .resistor("R" + "9".repeat(70), "1k")
            .resistor("R2", "1k")
            .net("A\nV9 1 0 DC 9", "R2.1")
            .net("N".repeat(65), "R2.2")
            .make();
    assertThat(findings(kit))
        .contains(
            "ERROR kit.json#/lines/0/refs/0: The ref 'R‹202E›1' holds a character that cannot be"
                + " seen; type it anew.",
            "ERROR kit.json#/nets/A\nV9 1 0 DC 9: The net 'A V9 1 0 DC 9' holds a character that"
                + " cannot be seen; type it anew.")
        .anyMatch(text -> text.contains("/lines/1/refs/0") && text.contains("71 characters"))
        .anyMatch(text -> text.contains("65 characters"));
  }

  @Test
  void namesThatCannotLeaveAsTheyAreAreWarnings() {
    Kit kit =
        KitMaker.kit()
            .resistor("R(1)", "1k")
            .resistor("R 2", "1k")
            .net("A=(b)", "R(1).1", "R 2.1")
            .net("POWER-LIGHT", "R(1).2", "R 2.2")
            .make();
    assertThat(findings(kit))
        .filteredOn(text -> text.contains("leaves the kit"))
        .hasSize(3)
        .allMatch(text -> text.startsWith("WARNING"))
        .noneMatch(text -> text.contains("POWER-LIGHT"));
  }

  @Test
  void idsBeginWithALetterOrADigit() {
    for (String id : List.of("a", "7", "glow.moth_2-b", "x".repeat(64))) {
      assertThat(NameRule.id(id)).as(id).isEmpty();
    }
    for (String id : List.of("", "-a", ".a", "../a", "a b", "a\n", "ä", "x".repeat(65))) {
      assertThat(NameRule.id(id)).as(id).isPresent();
    }
  }

  @Test
  void aCautionThatNothingBearsIsAnError() {
    Kit kit =
        KitMaker.kit()
            .resistor("R1", "1k")
            .net("A", "R1.1")
            .caution("R1", "x")
            .caution("A", "x")
            .caution("power", "x")
            .caution("null", "x")
            .caution("R99", "x")
            .finishing(new Finishing(List.of(TrimTest.nullOf("null", "")), List.of(), List.of()))
            .make();
    assertThat(KitCheck.of(kit).stream().map(Finding::where))
        .containsExactly("kit.json#/cautions/4/at");
  }

  @Test
  void aModelWhosePinsThePackageLacksIsAnError() {
    Kit kit =
        KitMaker.kit()
            .line(
                "q",
                PartKind.TRANSISTOR_NPN,
                "",
                "half-round-3",
                new Model.Bipolar(true, 200, "2", "1", "9"),
                "Q1")
            .make();
    assertThat(findings(kit))
        .contains(
            "ERROR kit.json#/lines/0/model: The model names pin '9', which the package half-round-3"
                + " lacks.");
  }
}
