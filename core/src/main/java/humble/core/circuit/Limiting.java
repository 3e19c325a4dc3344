package humble.core.circuit;

/**
 * Step limiting of an exponential junction, after L. W. Nagel, SPICE2, memorandum ERL-M520, 1975,
 * appendix.
 */
final class Limiting {
  private Limiting() {}

  /** Gives the voltage at which the junction's curve is most bent, in volts. */
  static double criticalV(double saturationA, double slopeV) {
    return slopeV * Math.log(slopeV / (Math.sqrt(2) * saturationA));
  }

  /**
   * Gives a voltage between {@code oldV} and {@code newV} at which the exponential does not run
   * away.
   */
  static double limited(double newV, double oldV, double slopeV, double criticalV) {
    if (newV <= criticalV || Math.abs(newV - oldV) <= 2 * slopeV) {
      return newV;
    }
    if (oldV > 0) {
      double arg = 1 + (newV - oldV) / slopeV;
      return arg > 0 ? oldV + slopeV * Math.log(arg) : criticalV;
    }
    return slopeV * Math.log(newV / slopeV);
  }
}
