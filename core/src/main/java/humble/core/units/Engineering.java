package humble.core.units;

import java.math.BigDecimal;
import java.math.MathContext;
import java.math.RoundingMode;

/**
 * Prints values in engineering notation: three significant digits and a prefix, {@code 4.7 kΩ},
 * {@code 3.29 V}.
 */
public final class Engineering {
  private static final String[] PREFIXES = {"f", "p", "n", "µ", "m", "", "k", "M", "G"};
  private static final int UNIT_INDEX = 5;

  private Engineering() {}

  /**
   * Gives {@code value} with trailing zeros dropped, as nominal values are written: {@code 4.7 µF}.
   */
  public static String nominal(double value, String unit) {
    return print(value, unit, true);
  }

  /** Gives {@code value} with all three digits, as readings are written: {@code 4.70 V}. */
  public static String reading(double value, String unit) {
    return print(value, unit, false);
  }

  private static String print(double value, String unit, boolean strip) {
    if (value == 0) {
      return "0" + (unit.isEmpty() ? "" : " " + unit);
    }
    if (!Double.isFinite(value)) {
      return "— " + unit;
    }
    BigDecimal rounded = new BigDecimal(value).round(new MathContext(3, RoundingMode.HALF_UP));
    int magnitude = rounded.precision() - rounded.scale() - 1;
    int step =
        Math.clamp(Math.floorDiv(magnitude, 3), -UNIT_INDEX, PREFIXES.length - 1 - UNIT_INDEX);
    BigDecimal scaled = rounded.scaleByPowerOfTen(-3 * step);
    int decimals = Math.max(0, 2 - (scaled.precision() - scaled.scale() - 1));
    BigDecimal shown = scaled.setScale(decimals, RoundingMode.HALF_UP);
    if (strip) {
      shown = shown.stripTrailingZeros();
    }
    String gap = unit.isEmpty() && PREFIXES[step + UNIT_INDEX].isEmpty() ? "" : " ";
    return shown.toPlainString() + gap + PREFIXES[step + UNIT_INDEX] + unit;
  }
}
