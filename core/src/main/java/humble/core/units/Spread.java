package humble.core.units;

/**
 * How the values of parts are spread about what is printed on them: normal, and so that a part's
 * tolerance is two and a half σ, as sorted parts are. What is said to hold of 95 boards in a
 * hundred reaches 1.96 σ to both sides.
 */
public final class Spread {
  private static final double SIGMAS_OF_TOLERANCE = 2.5;
  private static final double SIGMAS_OF_95_PERCENT = 1.96;

  private Spread() {}

  /** Gives one σ of a part with a tolerance, in the unit of the tolerance. */
  public static double sigma(double tolerance) {
    return tolerance / SIGMAS_OF_TOLERANCE;
  }

  /** Gives one σ of what lies within a half-width 95 times in a hundred, in its unit. */
  public static double sigmaOfHalf95(double halfWidth) {
    return halfWidth / SIGMAS_OF_95_PERCENT;
  }

  /** Gives the half-width that holds 95 in a hundred, in the unit of {@code sigma}. */
  public static double half95(double sigma) {
    return sigma * SIGMAS_OF_95_PERCENT;
  }
}
