package humble.core.mend;

import java.util.Locale;
import java.util.Optional;

/** What eyes, a finger held near and a nose say of a part. */
public enum Sight {
  LIT,
  DIM,
  DARK,
  FLICKER,
  HOT,
  SMELL;

  /** Gives the name used in commands. */
  public String text() {
    return name().toLowerCase(Locale.ROOT);
  }

  /** Gives the sight of that name. */
  public static Optional<Sight> named(String name) {
    for (Sight sight : values()) {
      if (sight.text().equals(name)) {
        return Optional.of(sight);
      }
    }
    return Optional.empty();
  }
}
