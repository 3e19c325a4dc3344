package humble.core.kit;

import java.util.List;
import java.util.Optional;

/**
 * How an instrument is calibrated: short, open, a reference part; cold and warm.
 *
 * @param id name within the kit
 * @param title what people call it
 * @param steps what is done, in order
 * @param after gates, peripherals and trims that come before
 */
public record Calibration(String id, String title, List<Step> steps, List<String> after) {
  public Calibration {
    steps = List.copyOf(steps);
    after = List.copyOf(after);
  }

  /** What is done with the terminals, or waited for. */
  public enum Doing {
    SHORT,
    OPEN,
    REFERENCE,
    COLD,
    WARM;

    /** Gives the one of that name in a kit file. */
    public static Optional<Doing> named(String name) {
      return java.util.Arrays.stream(values()).filter(each -> each.text().equals(name)).findFirst();
    }

    /** Gives the name used in kit files. */
    public String text() {
      return name().toLowerCase(java.util.Locale.ROOT);
    }
  }

  /**
   * A step.
   *
   * @param doing what is done
   * @param say what its author says of it, or empty
   * @param loose the loose part that it needs, or empty
   * @param waitS how long it settles before it is read, in seconds
   * @param unit unit of what is read; empty where nothing is
   * @param within how far the mean may be off, in that unit, 0 where the kit does not say
   * @param readings how many readings at the least, 0 where nothing is read
   * @param nominal what should be read, in that unit; 0 where nothing, or where nobody says
   */
  public record Step(
      Doing doing,
      String say,
      String loose,
      double waitS,
      String unit,
      double within,
      int readings,
      double nominal) {}
}
