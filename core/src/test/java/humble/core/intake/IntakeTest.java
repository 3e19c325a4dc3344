package humble.core.intake;

import static org.assertj.core.api.Assertions.assertThat;

import humble.core.kit.KitCheck;
import humble.core.kit.Line;
import humble.core.kit.PartKind;
import humble.core.kit.Side;
import humble.core.words.Words;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class IntakeTest {
  private static PartRow row(Object... columnsAndTexts) {
    Map<Column, String> cells = new EnumMap<>(Column.class);
    for (int i = 0; i < columnsAndTexts.length; i += 2) {
      cells.put((Column) columnsAndTexts[i], (String) columnsAndTexts[i + 1]);
    }
    return new PartRow("list line 2", cells);
  }

  private static PartRow part(String refs, String value, String pack, String words) {
    return row(
        Column.REFS, refs, Column.VALUE, value, Column.PACKAGE, pack, Column.DESCRIPTION, words);
  }

  private static Draft draft(PartRow... rows) {
    return Intake.draft("Tide clock", List.of(rows), List.of(), Map.of());
  }

  private static List<String> problems(Draft draft) {
    return draft.problems().stream().map(p -> p.level() + " " + p).toList();
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      nullValues = "-",
      textBlock =
          """
          R1   | 10k        | axial 0207   | ''             | resistor            | axial-quarter-watt
          R1   | 10k        | ''           | 0.5W           | resistor            | axial-half-watt
          C1   | 100n       | disc 2.5 mm  | ''             | capacitor           | disc-2.5
          C1   | 100n       | disc 5 mm    | ''             | capacitor           | disc-5
          C1   | 100n       | C_0805       | ''             | capacitor           | chip-0805
          C1   | 10u        | ''           | ''             | capacitor-polarised | radial-5x11
          C1   | 470uF/16V  | 8x12         | ''             | capacitor-polarised | radial-8x12
          C1   | 4u7        | ''           | film           | capacitor           | film-5
          D1   | ''         | DO-35        | ''             | diode               | axial-small-glass
          D1   | ''         | DO-41        | rectifier      | diode               | axial-power-diode
          D1   | red        | 3mm          | ''             | led                 | led-3
          D1   | ''         | ''           | zener 5.1V     | zener               | axial-small-glass
          LED1 | ''         | 5 mm         | ''             | led                 | led-5
          Q1   | ''         | TO-92        | NPN            | transistor-npn      | half-round-3
          Q1   | ''         | TO-220       | n-channel      | mosfet-n            | tab-3-upright
          U1   | ''         | DIP-28       | ''             | ic                  | dip-28
          U1   | ''         | DIL 40       | ''             | ic                  | dip-40-wide
          U1   | ''         | SO-8         | ''             | ic                  | so-8
          U1   | ''         | TO-92        | regulator      | regulator           | half-round-3
          SK1  | ''         | DIP-28       | ''             | socket              | socket-dip-28
          Y1   | 16 MHz     | HC-49/US     | ''             | crystal             | crystal-low
          X1   | 8M         | ''           | resonator      | resonator           | crystal-low
          S1   | ''         | 6x6          | ''             | button              | tact-6
          SW1  | ''         | ''           | slide switch   | switch              | slide-3
          J1   | ''         | 1x06         | pin header     | header              | header-1x6
          J1   | ''         | 2x5          | pin header     | header              | header-2x5
          J1   | ''         | 1x4          | pin receptacle | header              | receptacle-1x4
          RV1  | 10k        | ''           | trimmer        | trimmer             | trimmer-6
          LDR1 | ''         | ''           | ''             | ldr                 | disc-5
          BZ1  | ''         | ''           | ''             | buzzer              | buzzer-12
          BT1  | ''         | coin         | holder         | battery-holder      | coin-holder
          L1   | 10uH       | ''           | ''             | inductor            | axial-quarter-watt
          RN1  | 10k        | SIP-9        | ''             | resistor-network    | sip-9
          """)
  void kindsAndPackagesAreTold(
      String refs, String value, String pack, String words, String kind, String packageId) {
    Line line = draft(part(refs, value, pack, words)).kit().lines().getFirst();
    assertThat(line.kind().text() + " " + line.packageId()).isEqualTo(kind + " " + packageId);
  }

  @Test
  void rowsOfTheSameKindBecomeOneLineEvenWhenWrittenDifferently() {
    Draft draft =
        draft(part("R1-R3", "10k", "", ""), part("R7", "10 kΩ", "", ""), part("R9", "10K", "", ""));
    assertThat(draft.kit().lines()).hasSize(1);
    assertThat(draft.kit().lines().getFirst().refs()).containsExactly("R1", "R2", "R3", "R7", "R9");
    assertThat(draft.kit().lines().getFirst().id()).isEqualTo("r10k");
  }

  @Test
  void everyGuessNamesItsReasonAndABeliefBetweenNoughtAndOne() {
    Draft draft =
        draft(part("R1", "10k", "", ""), part("U1", "HL-1", "", ""), part("LED1", "", "", ""));
    assertThat(draft.guesses()).isNotEmpty();
    assertThat(draft.guesses())
        .allSatisfy(guess -> {
          assertThat(Words.core(Locale.ENGLISH).sentence(guess.because()))
              .endsWith(".")
              .hasSizeGreaterThan(10);
          assertThat(guess.confidence()).isBetween(0.01, 0.99);
        });
  }

  @Test
  void whatTheListNamesItselfIsNoGuess() {
    Draft draft =
        draft(
            row(
                Column.REFS,
                "R1",
                Column.VALUE,
                "10k",
                Column.KIND,
                "resistor",
                Column.PACKAGE,
                "axial-half-watt",
                Column.TOLERANCE,
                "1%",
                Column.PIECES,
                "1"));
    assertThat(draft.guesses()).extracting(Guess::key).containsExactly("bands");
    assertThat(draft.kit().lines().getFirst().tolerancePct()).isEqualTo(1.0);
  }

  @Test
  void aBareNumberOnACapacitorIsItsPrintedCode() {
    Draft draft = draft(part("C1", "104", "", "ceramic"));
    assertThat(draft.kit().lines().getFirst().value()).isEqualTo("100n");
    assertThat(draft.guesses())
        .anySatisfy(guess -> {
          assertThat(guess.key()).isEqualTo("value");
          assertThat(Words.core(Locale.ENGLISH).sentence(guess.because()))
              .contains("104")
              .contains("code");
        });
  }

  @Test
  void aBareNumberOnAResistorIsOhmsWhenItIsAPreferredNumber() {
    assertThat(draft(part("R1", "470", "", "")).kit().lines().getFirst().value()).isEqualTo("470");
    assertThat(draft(part("R1", "473", "", "")).kit().lines().getFirst().value()).isEqualTo("47k");
  }

  @Test
  void malformedRowsAreToldAndNothingIsBent() {
    Draft draft =
        draft(
            part("R1", "abc", "", ""),
            part("R2-C9", "1k", "", ""),
            part("R1", "2k2", "", ""),
            row(Column.REFS, "R5", Column.VALUE, "1k", Column.PIECES, "many"),
            row(Column.REFS, "R6 R7", Column.VALUE, "1k5", Column.PIECES, "1"),
            row(Column.REFS, "R8", Column.VALUE, "3k3", Column.TOLERANCE, "lots"));
    assertThat(problems(draft))
        .containsExactly(
            "ERROR list line 2: The value cannot be read: \"abc\": a number needs a digit, at"
                + " character 1. Line 'r-abc' is kept as 'other' until it is mended.",
            "ERROR list line 2: 'R2-C9' runs from one kind of designator to another.",
            "ERROR list line 2: R1 stands in the list already, at list line 2.",
            "ERROR list line 2: 'many' is no number of pieces.",
            "WARNING list line 2: The list gives 1 pieces for 2 places: R6, R7.",
            "ERROR list line 2: 'lots' is no tolerance in per cent.");
    assertThat(KitCheck.of(draft.kit())).noneMatch(finding -> finding.isError());
  }

  @Test
  void rowsToLeaveOutAreLeftOut() {
    Draft draft =
        draft(
            row(Column.REFS, "R1", Column.VALUE, "1k", Column.LEAVE_OUT, "DNF"),
            row(Column.REFS, "R2", Column.VALUE, "1k", Column.LEAVE_OUT, ""));
    assertThat(draft.kit().lines())
        .singleElement()
        .satisfies(line -> assertThat(line.refs()).containsExactly("R2"));
    assertThat(problems(draft)).singleElement().asString().startsWith("NOTE");
  }

  @Test
  void placesLandOnABoardLargeEnoughForEveryPad() {
    List<PartRow> places =
        List.of(
            row(Column.REFS, "R1", Column.X, "-10", Column.Y, "5", Column.ROTATION, "90°"),
            row(Column.REFS, "R2", Column.X, "1in", Column.Y, "500mil", Column.SIDE, "Bottom"),
            row(Column.REFS, "R9", Column.X, "1", Column.Y, "1"),
            row(Column.REFS, "R3", Column.X, "far", Column.Y, "1"));
    Draft draft =
        Intake.draft("Tide clock", List.of(part("R1-R3", "1k", "", "")), places, Map.of());
    assertThat(draft.kit().places()).extracting(p -> p.ref()).containsExactly("R1", "R2");
    assertThat(draft.kit().places().get(1).side()).isEqualTo(Side.BOTTOM);
    assertThat(draft.kit().places().get(1).at().xMm() - draft.kit().places().get(0).at().xMm())
        .isEqualTo(35.4);
    assertThat(problems(draft))
        .anyMatch(p -> p.contains("'far' is no length for x"))
        .anyMatch(p -> p.contains("No row of the parts list has R9"))
        .anyMatch(p -> p.contains("R3 has no place"))
        .anyMatch(p -> p.contains("moved by 15.000, 5.080"));
    var board = draft.kit().boards().getFirst();
    draft
        .kit()
        .places()
        .forEach(place ->
            draft
                .kit()
                .packageNamed("axial-quarter-watt")
                .orElseThrow()
                .pins()
                .forEach(pin -> {
                  assertThat(place.onBoard(pin.at()).xMm()).isBetween(0.0, board.widthMm());
                  assertThat(place.onBoard(pin.at()).yMm()).isBetween(0.0, board.heightMm());
                }));
  }

  @Test
  void aReviewAsksTheLeastCertainFirstAndOnceForLikeLines() {
    List<PartRow> rows = new ArrayList<>();
    rows.add(part("U1", "HL-1", "", ""));
    for (int i = 1; i <= 9; i++) {
      rows.add(part("R" + i, i + "k", "axial 0207", ""));
    }
    Review review = new Review("Tide clock", rows, List.of(), Map.of());
    List<Question> open = review.open();
    assertThat(open).isSortedAccordingTo((a, b) -> Double.compare(a.confidence(), b.confidence()));
    assertThat(open)
        .filteredOn(q -> q.key().equals("tolerance_pct"))
        .singleElement()
        .satisfies(q -> assertThat(q.lines()).hasSize(9));
    Question first = review.next().orElseThrow();
    assertThat(first.key()).isEqualTo("package");
    assertThat(first.lines()).containsExactly("u-hl-1");
    review.decide(first, "dip-14");
    assertThat(review.draft().kit().line("u-hl-1").orElseThrow().packageId()).isEqualTo("dip-14");
    assertThat(review.open())
        .noneMatch(q -> q.lines().contains("u-hl-1") && q.key().equals("package"));
    while (review.next().isPresent()) {
      Question next = review.next().orElseThrow();
      int left = review.open().size();
      review.decide(next, next.value());
      assertThat(review.open()).hasSizeLessThan(left);
    }
  }

  @Test
  void decidingAKindDecidesWhatFollowsFromIt() {
    Review review = new Review("x", List.of(part("S1", "", "", "")), List.of(), Map.of());
    Question kind =
        review.open().stream().filter(q -> q.key().equals("kind")).findFirst().orElseThrow();
    assertThat(kind.others()).isNotEmpty();
    review.decide(kind, "button");
    Line line = review.draft().kit().lines().getFirst();
    assertThat(line.kind()).isEqualTo(PartKind.BUTTON);
    assertThat(line.packageId()).isEqualTo("tact-6");
  }
}
