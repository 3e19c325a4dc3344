package humble.core.trim;

import java.util.Comparator;
import java.util.List;
import java.util.Optional;

/**
 * All that is known while something is trimmed.
 *
 * @param knobs one to four screws
 * @param unit unit of the reading
 * @param goal what is wanted of it
 * @param meterStep the display's last digit, in its unit; 0 where it has none
 * @param noise how much the reading wavers, one standard deviation, in its unit
 * @param tries what was tried, in order
 */
public record TrimState(
    List<Knob> knobs, String unit, Goal goal, double meterStep, double noise, List<Try> tries) {
  public TrimState {
    knobs = List.copyOf(knobs);
    tries = List.copyOf(tries);
  }

  /**
   * A setting that was tried.
   *
   * @param at the setting of each knob, in the order of the knobs
   * @param reads what was read there
   */
  public record Try(List<Double> at, double reads) {
    public Try {
      at = List.copyOf(at);
    }
  }

  /** Gives the best try so far, the latest of those that are as good; empty before the first. */
  public Optional<Try> best() {
    return tries.reversed().stream()
        .min(Comparator.comparingDouble(each -> goal.off(each.reads())));
  }

  /** Gives this state with one more try. */
  public TrimState with(Try more) {
    List<Try> all = new java.util.ArrayList<>(tries);
    all.add(more);
    return new TrimState(knobs, unit, goal, meterStep, noise, all);
  }

  /** Gives what a reading cannot tell apart, in its unit: half a digit, and how much it wavers. */
  public double blurred() {
    return Math.hypot(meterStep / Math.sqrt(12), noise);
  }
}
