package humble.core.wake;

import java.util.List;
import java.util.OptionalInt;

/**
 * Aiming a beam by hand: how good each try was, and which way to turn next.
 *
 * @param readings what the sensor read, in the order of the tries; more is better
 * @param enough what is good enough
 */
public record Aim(List<Double> readings, double enough) {
  public Aim {
    readings = List.copyOf(readings);
  }

  /** What to do next. */
  public enum Next {
    /** Nothing was read yet. */
    BEGIN,
    /** It became better: on, the same way. */
    ON,
    /** It became worse: back, past the best so far, by half as much. */
    BACK,
    /** It is good enough: glue it, and go on to the next. */
    GLUE,
    /** Both ways are worse than the best, which is not enough: something else is wrong. */
    STUCK
  }

  /** Gives the number of the best try, from 0; empty before the first. */
  public OptionalInt best() {
    OptionalInt best = OptionalInt.empty();
    for (int i = 0; i < readings.size(); i++) {
      if (best.isEmpty() || readings.get(i) > readings.get(best.getAsInt())) {
        best = OptionalInt.of(i);
      }
    }
    return best;
  }

  /** Gives what to do next. */
  public Next next() {
    if (readings.isEmpty()) {
      return Next.BEGIN;
    }
    double last = readings.getLast();
    if (last >= enough) {
      return Next.GLUE;
    }
    int best = best().orElseThrow();
    int since = readings.size() - 1 - best;
    return since == 0 ? Next.ON : since >= MOST_WORSE ? Next.STUCK : Next.BACK;
  }

  /** So many tries after the best one tell that it does not get better by turning. */
  private static final int MOST_WORSE = 4;
}
