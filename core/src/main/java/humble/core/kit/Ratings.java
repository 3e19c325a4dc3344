package humble.core.kit;

import org.jspecify.annotations.Nullable;

/**
 * What a part is made to bear.
 *
 * @param volts most volts across it, null where nobody says
 * @param celsius most heat, in degrees Celsius, null where nobody says
 */
public record Ratings(@Nullable Double volts, @Nullable Double celsius) {
  /** Nothing is said. */
  public static final Ratings NONE = new Ratings(null, null);
}
