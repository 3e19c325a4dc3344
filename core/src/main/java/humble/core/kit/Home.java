package humble.core.kit;

import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

/** Where the parts of a line belong. */
public enum Home {
  /** On a place of a board. */
  BOARD,
  /** Between two pins, without a place. */
  BETWEEN_PINS,
  /** Nowhere that the kit says. */
  NONE;

  /** Gives the one of that name in a kit file. */
  public static Optional<Home> named(String name) {
    return Arrays.stream(values()).filter(each -> each.text().equals(name)).findFirst();
  }

  /** Gives the names of all, in the order told to people. */
  public static List<String> names() {
    return Arrays.stream(values()).map(Home::text).toList();
  }

  /** Gives the name used in kit files. */
  public String text() {
    return name().toLowerCase(Locale.ROOT).replace('_', '-');
  }
}
