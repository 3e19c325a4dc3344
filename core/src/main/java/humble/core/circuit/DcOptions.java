package humble.core.circuit;

/**
 * What a solve may spend and how close it must come.
 *
 * @param relativeVoltageTolerance step below which a voltage counts as settled, relative
 * @param absoluteVoltageToleranceV the same, in volts
 * @param mostSteps Newton steps for each rung of the ladder
 */
public record DcOptions(
    double relativeVoltageTolerance, double absoluteVoltageToleranceV, int mostSteps) {
  /** Relative 1e-6, absolute 1 µV, 150 steps a rung. */
  public static final DcOptions USUAL = new DcOptions(1e-6, 1e-6, 150);
}
