package humble.core.trim;

/**
 * A screw, or anything else that is turned.
 *
 * @param id its name
 * @param low least setting
 * @param high greatest setting
 * @param step finest setting that a hand can make; 0 for any
 */
public record Knob(String id, double low, double high, double step) {
  /** Gives the share, 0 to 1, of a setting between its ends. */
  public double share(double setting) {
    return (setting - low) / (high - low);
  }

  /** Gives the setting of a share that a hand can make. */
  double setting(double share) {
    double at = low + Math.clamp(share, 0, 1) * (high - low);
    double made = step > 0 ? low + Math.round((at - low) / step) * step : at;
    return Math.clamp(made, low, high);
  }
}
