package humble.core.kit;

import humble.core.trim.Ear;
import humble.core.trim.Goal;
import humble.core.trim.Knob;
import humble.core.trim.TrimState;
import humble.core.units.Band;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/**
 * What is trimmed until a reading is as it should be: a null, a peak, or a value.
 *
 * @param id name within the kit
 * @param title what people call it
 * @param knobs one to four screws that pull at the reading
 * @param reading what is read
 * @param hint what its author says of it, or empty
 * @param after gates, peripherals, trims and calibrations that come before
 */
public record Trim(
    String id, String title, List<Screw> knobs, Reading reading, String hint, List<String> after) {
  public Trim {
    knobs = List.copyOf(knobs);
    after = List.copyOf(after);
  }

  /**
   * A screw, knob, or anything else that is turned or shifted.
   *
   * @param knob its ends and its finest setting
   * @param ref the part, or empty
   * @param turns from end to end; 0 for what is shifted and not turned
   */
  public record Screw(Knob knob, String ref, double turns) {}

  /** How a reading is told. */
  public enum Shown {
    /** As a number. */
    NUMBER,
    /** As bars that light, counted. */
    BARS,
    /** By ear or eye alone: more, the same, less. */
    EAR;

    /** Gives the one of that name in a kit file. */
    public static Optional<Shown> named(String name) {
      return java.util.Arrays.stream(values()).filter(each -> each.text().equals(name)).findFirst();
    }

    /** Gives the name used in kit files. */
    public String text() {
      return name().toLowerCase(java.util.Locale.ROOT);
    }
  }

  /**
   * What is read.
   *
   * @param what where it is read
   * @param unit its unit, or empty
   * @param goal what is wanted of it
   * @param step the last digit, in its unit; 0 where it has none
   * @param noise how much it wavers, one standard deviation, in its unit
   * @param window from where to where it is good, null where only the best will do
   * @param shown how it is told
   */
  public record Reading(
      String what,
      String unit,
      Goal goal,
      double step,
      double noise,
      @Nullable Band window,
      Shown shown) {
    /** Gives from where to where it is good; empty where only the best will do. */
    public Optional<Band> good() {
      return Optional.ofNullable(window);
    }
  }

  /** Gives what is known of it after such tries. */
  public TrimState state(List<TrimState.Try> tries) {
    TrimState state =
        new TrimState(
            knobs.stream().map(Screw::knob).toList(),
            reading.unit(),
            reading.goal(),
            reading.step(),
            reading.noise(),
            tries);
    if (reading.shown() != Shown.EAR) {
      return state;
    }
    // An ear tells shares of what it hears, not so much of anything.
    double best = state.best().map(each -> Math.abs(each.reads())).orElse(Ear.FIRST);
    return new TrimState(state.knobs(), "", state.goal(), Ear.STEP * best, Ear.NOISE * best, tries);
  }

  /**
   * Tells whether a reading is good enough by itself: it lies in the window. Where there is none,
   * only the best will do, and no reading is.
   */
  public boolean isGood(double reads) {
    return reading.good().filter(band -> band.holds(reads)).isPresent();
  }
}
