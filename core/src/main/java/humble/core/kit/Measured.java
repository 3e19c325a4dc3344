package humble.core.kit;

import humble.core.units.Band;
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

  /** Ohms at which a tester beeps. */
  public static final Band JOINED_OHM = new Band(0, 50);

  /** Ohms at which a tester says nothing. */
  public static final Band OPEN_OHM = new Band(50, Double.POSITIVE_INFINITY);

  /** Gives the unit its readings are in. */
  public String unit() {
    return switch (this) {
      case VOLTAGE -> "V";
      case CURRENT -> "A";
      case RESISTANCE, CONTINUITY -> "Ω";
    };
  }

  /** Gives the one of that name in a kit file. */
  public static Optional<Measured> named(String name) {
    return Arrays.stream(values()).filter(each -> each.text().equals(name)).findFirst();
  }

  /** Gives the names of all, in the order told to people. */
  public static List<String> names() {
    return Arrays.stream(values()).map(Measured::text).toList();
  }

  /** Tells whether the board is powered while it is measured. */
  public boolean isPowered() {
    return this == VOLTAGE || this == CURRENT;
  }

  /** Gives the name used in kit files. */
  public String text() {
    return name().toLowerCase(Locale.ROOT).replace('_', '-');
  }
}
