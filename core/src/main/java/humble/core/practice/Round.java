package humble.core.practice;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;

/**
 * One round of practice, two minutes at most: what was answered in it, and what is asked next.
 *
 * @param began when it began
 * @param answers what was answered in it
 */
public record Round(Instant began, List<Answered> answers) {
  /** No round is longer. */
  public static final Duration LONGEST = Duration.ofMinutes(2);

  /** Nothing new is begun when less than this is left. */
  private static final Duration LEAST = Duration.ofSeconds(8);

  /** A skill that went wrong comes again after so many others. */
  private static final int OTHERS_BETWEEN = 2;

  /** Every so often something new is asked, however much is due. */
  private static final int NEW_EVERY = 3;

  /** So often at most, however it goes: the others have their turn too. */
  private static final int MOST_ASKED = 2;

  public Round {
    answers = List.copyOf(answers);
  }

  /** Gives a round that begins. */
  public static Round at(Instant now) {
    return new Round(now, List.of());
  }

  /** Gives this round with one more answer. */
  public Round with(Answered answer) {
    List<Answered> more = new ArrayList<>(answers);
    more.add(answer);
    return new Round(began, more);
  }

  /** Gives what is left of the two minutes. */
  public Duration left(Instant now) {
    Duration left = LONGEST.minus(Duration.between(began, now));
    return left.isNegative() ? Duration.ZERO : left;
  }

  /** Tells whether its time is up: whatever is asked is put away. */
  public boolean isOver(Instant now) {
    return left(now).isZero();
  }

  /** Tells whether there is time for one more. */
  public boolean hasTime(Instant now) {
    return left(now).compareTo(LEAST) >= 0;
  }

  /** Gives how many were right. */
  public long right() {
    return answers.stream().filter(Answered::right).count();
  }

  /**
   * Gives what is asked next: what went wrong in this round and had others between; every third
   * time something new; then what is due, the weakest first; then what is weakest. The same is
   * never asked twice in a row.
   */
  public Skill next(Spacing spacing, Instant now) {
    boolean newTurn = answers.size() % NEW_EVERY == NEW_EVERY - 1;
    List<Skill> all = new ArrayList<>(Arrays.asList(Skill.values()));
    if (!answers.isEmpty()) {
      all.remove(answers.getLast().skill());
    }
    return all.stream()
        .min(
            Comparator.comparing((Skill skill) -> !comesAgain(skill))
                .thenComparing(skill -> newTurn && spacing.recall(skill, now).isPresent())
                .thenComparing(skill -> !spacing.isDue(skill, now))
                .thenComparing(skill -> asked(skill))
                .thenComparing(skill -> spacing.recall(skill, now).orElse(1.0))
                .thenComparing(Comparator.naturalOrder()))
        .orElseThrow();
  }

  private long asked(Skill skill) {
    return answers.stream().filter(each -> each.skill() == skill).count();
  }

  private boolean comesAgain(Skill skill) {
    int last = -1;
    for (int i = 0; i < answers.size(); i++) {
      if (answers.get(i).skill() == skill) {
        last = i;
      }
    }
    return last >= 0
        && !answers.get(last).right()
        && answers.size() - 1 - last >= OTHERS_BETWEEN
        && asked(skill) < MOST_ASKED;
  }
}
