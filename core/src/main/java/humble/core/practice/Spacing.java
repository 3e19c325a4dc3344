package humble.core.practice;

import java.time.Duration;
import java.time.Instant;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * When a skill is asked for again. Each has a half-life: after so long one answer in two would be
 * right. A right answer lengthens it, the more the longer it was not asked for, a slow one less; a
 * wrong one shortens it. A skill is due when its chance has fallen below four in five.
 */
public final class Spacing {
  private static final Duration FIRST_RIGHT = Duration.ofDays(3);
  private static final Duration FIRST_WRONG = Duration.ofMinutes(3);
  private static final Duration LONGEST = Duration.ofDays(180);
  private static final double DUE = 0.8;
  private static final double GROWS = 1.6;
  private static final double GROWS_SLOW = 0.6;
  private static final double SHRINKS = 0.3;
  private static final double SLOW_SECONDS = 25;

  private final Map<Skill, Held> held = new EnumMap<>(Skill.class);

  /** How a skill is held. */
  private record Held(Duration halfLife, Instant last, boolean right) {
    /** What went wrong last is not held at all, however short a time ago. */
    double recall(Instant now) {
      return right ? kept(now) : 0;
    }

    /** How much of it is left by the time alone. */
    double kept(Instant now) {
      double passed = Math.max(0, Duration.between(last, now).toMillis());
      return Math.pow(2, -passed / halfLife.toMillis());
    }
  }

  private Spacing() {}

  /** Gives the spacing after some answers, in their order. */
  public static Spacing of(List<Answered> answers) {
    Spacing spacing = new Spacing();
    answers.forEach(spacing::take);
    return spacing;
  }

  private void take(Answered answer) {
    Held before = held.get(answer.skill());
    Duration next;
    if (before == null) {
      next = answer.right() ? FIRST_RIGHT : FIRST_WRONG;
    } else if (answer.right()) {
      double forgotten = 1 - before.kept(answer.at());
      double grows = answer.seconds() > SLOW_SECONDS ? GROWS_SLOW : GROWS;
      // What was asked for a moment ago proves nothing; what was nearly forgotten proves much.
      next = times(before.halfLife(), 1 + 2 * grows * forgotten);
      next = next.compareTo(FIRST_RIGHT.dividedBy(4)) < 0 ? FIRST_RIGHT.dividedBy(4) : next;
    } else {
      next = times(before.halfLife(), SHRINKS);
    }
    next = next.compareTo(LONGEST) > 0 ? LONGEST : next;
    next = next.compareTo(FIRST_WRONG) < 0 ? FIRST_WRONG : next;
    held.put(answer.skill(), new Held(next, answer.at(), answer.right()));
  }

  private static Duration times(Duration duration, double factor) {
    return Duration.ofMillis(Math.round(duration.toMillis() * factor));
  }

  /**
   * Gives the chance, 0 to 1, that a skill is answered right now; empty when it never was asked.
   */
  public Optional<Double> recall(Skill skill, Instant now) {
    return Optional.ofNullable(held.get(skill)).map(each -> each.recall(now));
  }

  /** Tells whether a skill should be asked for now: due, or never asked. */
  public boolean isDue(Skill skill, Instant now) {
    return recall(skill, now).map(chance -> chance < DUE).orElse(true);
  }

  /** Gives when a skill is due, at once where it went wrong; empty when it never was asked. */
  public Optional<Instant> due(Skill skill) {
    return Optional.ofNullable(held.get(skill))
        .map(
            each -> each.right() ? each.last().plusMillis(untilDue(each.halfLife())) : each.last());
  }

  private static long untilDue(Duration halfLife) {
    return Math.round(halfLife.toMillis() * Math.log(1 / DUE) / Math.log(2));
  }

  /** Gives when the next skill is due; empty while one is now, or nothing was ever asked. */
  public Optional<Instant> next(Instant now) {
    for (Skill skill : Skill.values()) {
      if (isDue(skill, now)) {
        return Optional.empty();
      }
    }
    return held.keySet().stream()
        .flatMap(skill -> due(skill).stream())
        .min(Comparator.naturalOrder());
  }
}
