package humble.core.practice;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import humble.core.kit.PointMm;
import humble.core.marking.BandColour;
import humble.core.picture.Piece;
import humble.core.picture.TopView;
import humble.core.units.QuantityText;
import humble.core.words.Words;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;

/** What is asked, and that what counts as right is right by other means. */
class QuestionsTest {
  private static final Words WORDS = Words.core(Locale.ENGLISH);

  /** The digits of the bands as anybody learns them, apart from the program's own table. */
  private static final List<String> DIGITS =
      List.of(
          "black", "brown", "red", "orange", "yellow", "green", "blue", "violet", "grey", "white");

  private static Stream<Question> many(Skill skill) {
    return IntStream.range(0, 200).mapToObj(seed -> new Questions(seed).of(skill));
  }

  @Test
  void bandsSayWhatIsWanted() {
    for (Skill skill : List.of(Skill.BANDS_FOUR, Skill.BANDS_FIVE)) {
      many(skill)
          .map(Question.Bands.class::cast)
          .forEach(question -> {
            List<String> names = question.bands().stream().map(BandColour::text).toList();
            int digits = names.size() - 2;
            double value = 0;
            for (int i = 0; i < digits; i++) {
              value = value * 10 + DIGITS.indexOf(names.get(i));
            }
            String by = names.get(digits);
            int exponent = by.equals("gold") ? -1 : by.equals("silver") ? -2 : DIGITS.indexOf(by);
            assertThat(question.wanted().value())
                .as(names.toString())
                .isCloseTo(value * Math.pow(10, exponent), within(value * 1e-6));
          });
    }
  }

  @Test
  void codesArePicofaradsWithNoughts() {
    many(Skill.CODES)
        .map(Question.Code.class::cast)
        .forEach(question ->
            assertThat(question.wanted().value() * 1e12)
                .as(question.printed())
                .isCloseTo(
                    Double.parseDouble(
                        question.printed().substring(0, 2)
                            + "0".repeat(question.printed().charAt(2) - '0')),
                    within(0.01)));
  }

  /** The mark that is drawn lies on the side of the pad that is wanted, or where it must not. */
  @Test
  void theMarkThatIsDrawnTellsTheAnswer() {
    for (Skill skill : List.of(Skill.CATHODE, Skill.PIN_ONE, Skill.PIN_ONE_BELOW)) {
      many(skill)
          .map(Question.Lying.class::cast)
          .forEach(question -> {
            PointMm mark = middleOfMarks(question);
            PointMm pad =
                question.pads().stream()
                    .filter(each -> question.wanted().isRight(each.key()))
                    .findFirst()
                    .orElseThrow()
                    .at();
            double along = mark.xMm() * pad.xMm() + mark.yMm() * pad.yMm();
            assertThat(along).as(skill + " " + question.wanted()).isGreaterThan(0);
          });
    }
    many(Skill.PLUS)
        .map(Question.Lying.class::cast)
        .forEach(question -> {
          PointMm mark = middleOfMarks(question);
          PointMm pad = question.pads().getFirst().at();
          assertThat(mark.xMm() * pad.xMm() + mark.yMm() * pad.yMm())
              .as("the stripe of a can is its minus")
              .isLessThan(0);
        });
  }

  private static PointMm middleOfMarks(Question.Lying question) {
    List<PointMm> points =
        TopView.of(question.part()).stream()
            .filter(piece -> piece.role() != Piece.Role.BODY)
            .flatMap(piece -> piece.corners().stream())
            .map(question::seen)
            .toList();
    // A light's flat is a piece that its round body lacks: the body's own middle lies away from it.
    List<PointMm> used =
        points.isEmpty()
            ? TopView.of(question.part()).getFirst().corners().stream().map(question::seen).toList()
            : points;
    double x = used.stream().mapToDouble(PointMm::xMm).average().orElseThrow();
    double y = used.stream().mapToDouble(PointMm::yMm).average().orElseThrow();
    return new PointMm(x, y);
  }

  /** Seen from below, left and right change places, and nothing else does. */
  @Test
  void belowIsAboveInAMirror() {
    Question.Lying above = (Question.Lying) many(Skill.PIN_ONE).findFirst().orElseThrow();
    Question.Lying below =
        new Question.Lying(
            Skill.PIN_ONE_BELOW, above.part(), true, above.pads(), above.wanted(), above.because());
    PointMm at = above.part().pack().pins().getFirst().at();
    assertThat(below.seen(at).xMm()).isEqualTo(-above.seen(at).xMm());
    assertThat(below.seen(at).yMm()).isEqualTo(above.seen(at).yMm());
  }

  @Test
  void keysLieAsOnAKeypad() {
    Map<Character, PointMm> keys = new HashMap<>();
    keys.put('7', new PointMm(-4, 5));
    keys.put('9', new PointMm(4, 5));
    keys.put('1', new PointMm(-4, -5));
    keys.put('3', new PointMm(4, -5));
    keys.put('4', new PointMm(-4, 0.2));
    keys.put('8', new PointMm(0, 3));
    keys.forEach((key, at) -> assertThat(Questions.key(at)).isEqualTo(key));
  }

  @Test
  void everyChoiceOfAPadIsAKeyOfItsOwn() {
    for (Skill skill : List.of(Skill.CATHODE, Skill.PLUS, Skill.PIN_ONE, Skill.PIN_ONE_BELOW)) {
      Set<Character> wanted = new HashSet<>();
      many(skill)
          .map(Question.Lying.class::cast)
          .forEach(question -> {
            List<Character> keys = question.pads().stream().map(Question.Pad::key).toList();
            assertThat(keys).doesNotHaveDuplicates().doesNotContain('5');
            wanted.add(question.wanted().key());
          });
      assertThat(wanted).as("it is not always the same key").hasSizeGreaterThan(3);
    }
  }

  @Test
  void rowsAreReadInTheirBase() {
    many(Skill.OCTAL)
        .map(Question.Row.class::cast)
        .forEach(row -> {
          String octal = Integer.toOctalString(row.value());
          assertThat(row.wanted().isRight(octal)).isTrue();
          assertThat(row.wanted().isRight("0" + octal)).isTrue();
          assertThat(row.wanted().isRight(octal + "0")).isFalse();
        });
    many(Skill.HEX)
        .map(Question.Row.class::cast)
        .forEach(row ->
            assertThat(
                    row.wanted().isRight(Integer.toHexString(row.value()).toUpperCase(Locale.ROOT)))
                .isTrue());
  }

  /** Ohm and Kirchhoff, by currents rather than by the formula that made the question. */
  @Test
  void whatAMeterReadsFollowsFromCurrents() {
    many(Skill.SIDE_BY_SIDE)
        .map(Question.Two.class::cast)
        .forEach(two -> {
          double amps = 1 / two.firstOhms() + 1 / two.secondOhms();
          assertThat(two.wanted().value() * amps).isCloseTo(1, within(1e-9));
          assertThat(two.wanted().value()).isLessThan(Math.min(two.firstOhms(), two.secondOhms()));
        });
    many(Skill.DIVIDER)
        .map(Question.Two.class::cast)
        .forEach(two -> {
          double above = (two.volts() - two.wanted().value()) / two.firstOhms();
          double below = two.wanted().value() / two.secondOhms();
          assertThat(above).isCloseTo(below, within(below * 1e-9));
        });
    many(Skill.LIGHT_CURRENT)
        .map(Question.Two.class::cast)
        .forEach(two ->
            assertThat(two.wanted().value() * two.firstOhms() + two.forwardVolts())
                .isCloseTo(two.volts(), within(1e-9)));
  }

  @Test
  void aPrefixBelongsToTheAnswer() {
    Question.Code code = (Question.Code) many(Skill.CODES).findFirst().orElseThrow();
    double nano = code.wanted().value() * 1e9;
    String typed = Double.toString(Math.round(nano * 1000) / 1000.0);
    assertThat(code.wanted().typed(typed, 0).value())
        .isInstanceOfSatisfying(
            QuantityText.Read.class,
            read -> assertThat(code.wanted().isRight(read.value())).isTrue());
    assertThat(code.wanted().typed(typed, 1).value())
        .as("the same figures in picofarads are something else")
        .isInstanceOfSatisfying(
            QuantityText.Read.class,
            read -> assertThat(code.wanted().isRight(read.value())).isFalse());
  }

  @Test
  void everySkillIsAskedAndExplained() {
    for (Skill skill : Skill.values()) {
      many(skill)
          .limit(20)
          .forEach(question -> {
            assertThat(question.skill()).isEqualTo(skill);
            assertThat(WORDS.sentence(question.because()))
                .endsWith(".")
                .doesNotContain("..", "{", "practice.");
          });
      assertThat(Skill.named(skill.text())).contains(skill);
    }
    assertThat(Skill.named("a skill of another version")).isEmpty();
  }
}
