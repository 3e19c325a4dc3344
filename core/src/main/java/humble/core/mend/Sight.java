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

  private static final double DARK_A = 1e-4;
  private static final double USUAL_LIGHT_A = 5e-3;

  /** A light that passes less than this part of what it should is seen to be dim. */
  private static final double DIM_PART = 0.35;

  /**
   * Gives how a light looks.
   *
   * @param amps current through it, in amperes
   * @param designedAmps current through it on a board as designed; where that leaves it dark, a
   *     usual one counts
   */
  public static Sight of(double amps, double designedAmps) {
    double full = designedAmps >= DARK_A ? designedAmps : USUAL_LIGHT_A;
    return amps < DARK_A ? DARK : amps < DIM_PART * full ? DIM : LIT;
  }

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
