package humble.core.kit;

import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

/** What is measured at a gate. */
public enum Measured {
  /** Volts, powered. */
  VOLTAGE,
  /** What the supply gives, powered. */
  CURRENT,
  /** Ohms, unpowered. */
  RESISTANCE,
  /** Whether two points are joined, unpowered. */
  CONTINUITY;

  /** Gives the one of that name in a kit file. */
  public static Optional<Measured> named(String name) {
    return Arrays.stream(values()).filter(each -> each.text().equals(name)).findFirst();
  }

  /** Gives the names of all, in the order told to people. */
  public static List<String> names() {
    return Arrays.stream(values()).map(Measured::text).toList();
  }

  /** Gives the name used in kit files. */
  public String text() {
    return name().toLowerCase(Locale.ROOT).replace('_', '-');
  }
}
