package humble.core.route;

import java.util.Locale;
import java.util.Optional;

/** The schools of order that can be planned. */
public enum School {
  /** Lowest part first, so that each lies flat when the board is turned over. */
  LOW,
  /** Sturdiest first: whatever survives handling and heat goes early. */
  STURDY,
  /** The kit's own order, with hard facts repaired by the fewest moves. */
  SHEET,
  /** Block by block of the circuit, each ended by its gates; the lowest part first within. */
  BLOCKS;

  /** Gives the school of that name. */
  public static Optional<School> named(String name) {
    for (School school : values()) {
      if (school.text().equals(name)) {
        return Optional.of(school);
      }
    }
    return Optional.empty();
  }

  /** Gives the name used in commands. */
  public String text() {
    return name().toLowerCase(Locale.ROOT);
  }
}
