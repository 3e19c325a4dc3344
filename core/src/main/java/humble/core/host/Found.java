package humble.core.host;

import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

/** What is found at a place of a board that was there before. */
public enum Found {
  /** Nothing sits there. */
  EMPTY,
  /** A part sits there. */
  THERE,
  /** It is burnt, or the board under it is. */
  BURNT;

  /** Gives the one of that name. */
  public static Optional<Found> named(String name) {
    return Arrays.stream(values()).filter(each -> each.text().equals(name)).findFirst();
  }

  /** Gives the names of all. */
  public static List<String> names() {
    return Arrays.stream(values()).map(Found::text).toList();
  }

  /** Gives the name used in journals and output. */
  public String text() {
    return name().toLowerCase(Locale.ROOT);
  }
}
