package humble.core.kit;

import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * A program that is toggled in at the front panel; it is gone when the power goes.
 *
 * @param id name within the kit
 * @param title what it does
 * @param file its listing, relative to the kit
 * @param numbers the base of the listing: {@code hex}, {@code octal}, {@code split-octal}, {@code
 *     binary}
 * @param after peripherals and gates that come before it
 * @param normal what is no cause for worry
 * @param run what to say when it runs, in the author's words; empty where nothing is to say
 * @param switches how the switches stand when it is started, and then one after the other while it
 *     runs
 * @param shows what its lights mean when it stands still or shows something
 */
public record Toggled(
    String id,
    String title,
    String file,
    String numbers,
    List<String> after,
    List<String> normal,
    String run,
    List<Integer> switches,
    List<Shows> shows) {
  public Toggled {
    after = List.copyOf(after);
    normal = List.copyOf(normal);
    switches = List.copyOf(switches);
    shows = List.copyOf(shows);
  }

  /**
   * What the data lights mean.
   *
   * @param lights what they show, null for anything that no other names
   * @param say what that means
   * @param good whether it is as it should be
   */
  public record Shows(@Nullable Integer lights, String say, boolean good) {}

  /** Gives what the data lights mean; null where the kit does not say. */
  public @Nullable Shows meaning(int lights) {
    Shows other = null;
    for (Shows each : shows) {
      Integer wanted = each.lights();
      if (wanted != null && wanted == lights) {
        return each;
      }
      other = wanted == null ? each : other;
    }
    return other;
  }
}
