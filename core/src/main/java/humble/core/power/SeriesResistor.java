package humble.core.power;

import humble.core.marking.PreferredNumbers;

/**
 * The resistor in the plus lead that limits where the supply does not: a charger, a cell, a block.
 * Of E12, as large as lets a good board have nine tenths of the volts, and a short circuit draws 20
 * mA at least.
 *
 * @param ohms its resistance
 * @param watts what it has to stand when the board is a short circuit
 * @param goVolts at most so many volts across it: go on without it
 * @param stopVolts more than so many volts across it: switch off
 */
public record SeriesResistor(double ohms, double watts, double goVolts, double stopVolts) {
  private static final double MOST_DROP_PART = 0.1;

  /** Resistors of five per cent, as lie about on every bench. */
  private static final double TOLERANCE = 0.05;

  /** Less than this a meter does not show in its range of volts. */
  private static final double DIGIT_V = 0.01;

  /** A short circuit puts all volts across it, a good board a tenth. */
  private static final double STOP_PART = 0.25;

  /**
   * Gives the resistor for a board that takes up to {@code highMa} at {@code volts}.
   *
   * @param highMa the most that good boards take, in milliamperes
   */
  static SeriesResistor of(double volts, double highMa) {
    double amps = highMa / 1000;
    double most =
        Math.min(
            amps > 0 ? MOST_DROP_PART * volts / amps : Double.POSITIVE_INFINITY,
            volts / SupplyLimit.LEAST_A);
    double ohms = PreferredNumbers.largestE12(most);
    return new SeriesResistor(
        ohms,
        volts * volts / ohms,
        Math.max(amps * ohms * (1 + TOLERANCE), DIGIT_V),
        STOP_PART * volts);
  }
}
