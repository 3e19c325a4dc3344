package humble.core.practice;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Random;
import java.util.Set;
import org.junit.jupiter.api.Test;

/** When what is asked again. */
class SpacingTest {
  private static final Instant START = Instant.parse("2027-01-14T18:30:00Z");

  private static Answered answer(Skill skill, boolean right, Duration after) {
    return new Answered(skill, right, 5, START.plus(after));
  }

  private static Duration until(Spacing spacing, Instant last) {
    return Duration.between(last, spacing.due(Skill.CODES).orElseThrow());
  }

  @Test
  void whatWasNeverAskedIsDue() {
    Spacing none = Spacing.of(List.of());
    for (Skill skill : Skill.values()) {
      assertThat(none.isDue(skill, START)).isTrue();
      assertThat(none.recall(skill, START)).isEmpty();
    }
    assertThat(none.next(START)).isEmpty();
  }

  @Test
  void whatIsAnsweredRightWhenItIsDueComesLaterEveryTime() {
    List<Answered> answers = new ArrayList<>();
    Instant at = START;
    Duration before = Duration.ZERO;
    for (int i = 0; i < 8; i++) {
      answers.add(new Answered(Skill.CODES, true, 5, at));
      Duration next = until(Spacing.of(answers), at);
      assertThat(next).isGreaterThan(before);
      before = next;
      at = at.plus(next);
    }
    assertThat(before).isGreaterThan(Duration.ofDays(5));
  }

  @Test
  void askedAgainAtOnceItProvesNothing() {
    Answered first = answer(Skill.CODES, true, Duration.ZERO);
    Answered again = answer(Skill.CODES, true, Duration.ofSeconds(20));
    Duration once = until(Spacing.of(List.of(first)), first.at());
    Duration twice = until(Spacing.of(List.of(first, again)), again.at());
    assertThat(twice.minus(once)).isLessThan(Duration.ofMinutes(5));
  }

  @Test
  void whatWentWrongIsDueAtOnceAndSoonAfter() {
    Answered right = answer(Skill.CODES, true, Duration.ZERO);
    Answered wrong = answer(Skill.CODES, false, Duration.ofDays(2));
    Spacing spacing = Spacing.of(List.of(right, wrong));
    assertThat(spacing.isDue(Skill.CODES, wrong.at())).isTrue();
    assertThat(spacing.recall(Skill.CODES, wrong.at())).contains(0.0);
    Answered mended = answer(Skill.CODES, true, Duration.ofDays(2).plusMinutes(1));
    assertThat(until(Spacing.of(List.of(right, wrong, mended)), mended.at()))
        .as("right once more it is due sooner than it would have been")
        .isLessThan(
            until(
                Spacing.of(List.of(right, answer(Skill.CODES, true, Duration.ofDays(2)))),
                wrong.at()));
  }

  @Test
  void slowIsLessThanQuick() {
    Answered first = answer(Skill.CODES, true, Duration.ZERO);
    Instant later = START.plus(Duration.ofDays(2));
    Duration quick =
        until(Spacing.of(List.of(first, new Answered(Skill.CODES, true, 4, later))), later);
    Duration slow =
        until(Spacing.of(List.of(first, new Answered(Skill.CODES, true, 60, later))), later);
    assertThat(slow).isLessThan(quick);
  }

  @Test
  void aRoundIsNeverLongerThanTwoMinutes() {
    Round round = Round.at(START);
    assertThat(round.isOver(START.plusSeconds(119))).isFalse();
    assertThat(round.isOver(START.plusSeconds(120))).isTrue();
    assertThat(round.hasTime(START.plusSeconds(113))).isFalse();
    assertThat(round.left(START.plusSeconds(500))).isEqualTo(Duration.ZERO);
  }

  @Test
  void whatWentWrongComesAgainAfterTwoOthersAndNotForEver() {
    Round round = Round.at(START);
    List<Answered> all = new ArrayList<>();
    List<Skill> asked = new ArrayList<>();
    Instant at = START;
    for (int i = 0; i < 12; i++) {
      Skill next = round.next(Spacing.of(all), at);
      asked.add(next);
      Answered answer = new Answered(next, next != Skill.BANDS_FOUR, 5, at);
      all.add(answer);
      round = round.with(answer);
      at = at.plusSeconds(8);
    }
    assertThat(asked.getFirst()).isEqualTo(Skill.BANDS_FOUR);
    assertThat(asked.subList(1, 3)).doesNotContain(Skill.BANDS_FOUR);
    assertThat(asked.get(3)).isEqualTo(Skill.BANDS_FOUR);
    assertThat(asked.stream().filter(Skill.BANDS_FOUR::equals)).hasSize(2);
  }

  /** Whoever gets everything wrong still meets every skill; nothing is asked twice in a row. */
  @Test
  void howeverItGoesTheOthersHaveTheirTurn() {
    for (int seed = 0; seed < 20; seed++) {
      Random random = new Random(seed);
      double share = random.nextDouble();
      List<Answered> all = new ArrayList<>();
      Set<Skill> met = EnumSet.noneOf(Skill.class);
      Instant at = START;
      for (int evening = 0; evening < 4; evening++) {
        Round round = Round.at(at);
        Skill before = null;
        for (int i = 0; i < 9; i++) {
          Skill next = round.next(Spacing.of(all), at);
          assertThat(next).isNotEqualTo(before);
          before = next;
          met.add(next);
          Answered answer = new Answered(next, random.nextDouble() < share, 6, at);
          all.add(answer);
          round = round.with(answer);
          at = at.plusSeconds(10);
        }
        at = at.plus(Duration.ofHours(22));
      }
      assertThat(met).as("seed " + seed).hasSizeGreaterThan(9);
    }
  }
}
