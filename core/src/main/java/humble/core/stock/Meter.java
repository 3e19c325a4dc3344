package humble.core.stock;

import humble.core.units.Band;
import humble.core.units.Quantity;
import humble.core.units.QuantityText;
import java.util.Optional;

/**
 * How far a meter may be off: a part of the reading and some counts of its last digit.
 *
 * @param percent per cent of the reading
 * @param counts counts of the last digit
 * @param resolution worth of one count, in the unit of the reading; 0 for the last digit written
 */
public record Meter(double percent, double counts, double resolution) {
  /** 0.5 % and two counts of the last digit written. */
  public static final Meter USUAL = new Meter(0.5, 2, 0);

  public Meter {
    if (!(percent >= 0) || !(counts >= 0) || !(resolution >= 0)) {
      throw new IllegalArgumentException("a meter's error is not negative");
    }
  }

  /** Reads {@code 0.8%+3@1}: per cent of reading, counts, and what a count is worth. */
  public static Optional<Meter> parse(String text) {
    int sign = text.indexOf("%+");
    int at = text.indexOf('@', Math.max(0, sign));
    if (sign < 0 || at < 0) {
      return Optional.empty();
    }
    String last = text.substring(at + 1);
    if (Quantity.parse(text.substring(0, sign)) instanceof QuantityText.Read percent
        && Quantity.parse(text.substring(sign + 2, at)) instanceof QuantityText.Read counts
        && percent.value() >= 0
        && counts.value() >= 0) {
      if (last.isEmpty()) {
        return Optional.of(new Meter(percent.value(), counts.value(), 0));
      }
      if (Quantity.parse(last) instanceof QuantityText.Read resolution && resolution.value() >= 0) {
        return Optional.of(new Meter(percent.value(), counts.value(), resolution.value()));
      }
    }
    return Optional.empty();
  }

  /** Gives how far the true value may be from {@code reading}. */
  public double uncertainty(double reading, double lastDigit) {
    double count = resolution > 0 ? resolution : lastDigit;
    return percent / 100 * Math.abs(reading) + counts * count;
  }

  /** Gives the interval that {@code reading} stands for. */
  public Band interval(double reading, double lastDigit) {
    return Band.around(reading, uncertainty(reading, lastDigit));
  }
}
