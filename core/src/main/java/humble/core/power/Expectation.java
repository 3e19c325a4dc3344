package humble.core.power;

import humble.core.units.Band;
import java.util.List;

/**
 * What a gate should read, and what to set for it.
 *
 * @param nominal reading of a board with every part at its nominal value, in volts
 * @param window readings that are as expected, in volts
 * @param currentMa what the supply should show, in milliamperes
 * @param limitMa current limit to set, in milliamperes
 * @param supplyVolts voltage to set
 * @param otherwise what likely mistakes would read instead
 */
public record Expectation(
    double nominal,
    Band window,
    Band currentMa,
    double limitMa,
    double supplyVolts,
    List<IfInstead> otherwise) {
  public Expectation {
    otherwise = List.copyOf(otherwise);
  }

  /**
   * What a mistake would make the meter and the supply say.
   *
   * @param fault the mistake
   * @param volts reading, in volts
   * @param ma supply current, in milliamperes
   * @param limited whether the limit light comes on
   */
  public record IfInstead(
      humble.core.circuit.Fault fault, double volts, double ma, boolean limited) {
    private static final double ALIKE_V = 0.05;

    /** Tells whether no meter tells it from another. */
    boolean readsLike(IfInstead other) {
      return Math.abs(volts - other.volts) < ALIKE_V && limited == other.limited;
    }
  }
}
