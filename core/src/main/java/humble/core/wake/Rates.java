package humble.core.wake;

/** The arithmetic of clocks, tones, serial lines and aerials. */
public final class Rates {
  /** Speed of light, in metres a second. */
  private static final double LIGHT_M_PER_S = 299_792_458;

  private Rates() {}

  /** Gives how many hundredths of a semitone {@code hz} lies above {@code wanted}. */
  public static double cents(double hz, double wanted) {
    return 1200 * Math.log(hz / wanted) / Math.log(2);
  }

  /**
   * Gives the divider of a timer that toggles a pin, nearest in pitch, which is a ratio: half a
   * period is divider counts of the clock.
   */
  public static long toneDivider(double clockHz, double hz) {
    double exact = clockHz / (2 * hz);
    double below = Math.floor(exact);
    // Between two neighbours the ear changes over at their geometric mean.
    return Math.max(1, (long) (exact * exact <= below * (below + 1) ? below : below + 1));
  }

  /** Gives the tone that such a divider makes, in hertz. */
  public static double toneHz(double clockHz, long divider) {
    return clockHz / (2.0 * divider);
  }

  /**
   * Gives how far a clock drifts, in millionths: positive where it is fast.
   *
   * @param shownS seconds by which its display moved on
   * @param trueS seconds that went by
   */
  public static double ppm(double shownS, double trueS) {
    return (shownS / trueS - 1) * 1e6;
  }

  /**
   * Gives the word that corrects a drift, for a clock that takes one in steps of so many
   * millionths.
   */
  public static long correction(double ppm, double stepPpm) {
    return -Math.round(ppm / stepPpm);
  }

  /** The rate of a serial line as a divider makes it. */
  public record Serial(long divider, double baud, double offPct) {
    /** Most that both ends together may be off, in per cent. */
    public static final double MOST_PCT = 2;

    /** Tells whether both ends together stay within it. */
    public boolean agreesWith(double otherEndPct) {
      return Math.abs(offPct - otherEndPct) <= MOST_PCT;
    }
  }

  /** Gives the rate nearest to {@code baud} that a clock makes with {@code samples} a bit. */
  public static Serial serial(double clockHz, double baud, int samples) {
    long divider = Math.max(1, Math.round(clockHz / (samples * baud)));
    double made = clockHz / (samples * (double) divider);
    return new Serial(divider, made, (made / baud - 1) * 100);
  }

  /** Gives a quarter of the wavelength along a wire, in millimetres. */
  public static double quarterWaveMm(double hz, double velocityFactor) {
    return LIGHT_M_PER_S / hz / 4 * velocityFactor * 1000;
  }
}
