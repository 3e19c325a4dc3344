package humble.core.marking;

import humble.core.kit.Line;
import humble.core.kit.PartKind;
import humble.core.units.Quantity;
import humble.core.units.QuantityText;
import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.function.DoublePredicate;
import org.jspecify.annotations.Nullable;

/**
 * Reads and paints the colour bands of resistors, IEC 60062:2016 clause 3: three bands (20 %),
 * four, five or six, and a single black band for a link. Bands are read from both ends.
 */
public final class ResistorBands {
  private ResistorBands() {}

  /**
   * Gives every legal reading, best first: of a preferred series of its tolerance, then in the kit,
   * then as given.
   *
   * @param bands one, three, four, five or six colours
   * @param inKit tells whether the kit has a resistor of so many ohms
   * @throws IllegalArgumentException for another number of bands
   */
  public static List<BandReading> read(List<BandColour> bands, DoublePredicate inKit) {
    if (bands.size() != 1 && (bands.size() < 3 || bands.size() > 6)) {
      throw new IllegalArgumentException(
          "A resistor has 1, 3, 4, 5 or 6 bands, not " + bands.size() + ".");
    }
    List<BandReading> readings = new ArrayList<>();
    oneWay(bands, false).ifPresent(readings::add);
    List<BandColour> turned = new ArrayList<>(bands);
    Collections.reverse(turned);
    if (!turned.equals(bands)) {
      oneWay(turned, true).ifPresent(readings::add);
    }
    readings.sort(
        Comparator.comparing((BandReading reading) -> !isPreferred(reading))
            .thenComparing(reading -> !inKit.test(reading.ohms()))
            .thenComparing(BandReading::reversed));
    return readings;
  }

  private static boolean isPreferred(BandReading reading) {
    if (reading.ohms() == 0) {
      return true;
    }
    return switch (reading.preferred()) {
      case "E3", "E6", "E12", "E24" -> true;
      case "E48" -> reading.tolerancePct() <= 2;
      case "E96" -> reading.tolerancePct() <= 1;
      case "E192" -> reading.tolerancePct() <= 0.5;
      default -> false;
    };
  }

  private static Optional<BandReading> oneWay(List<BandColour> bands, boolean reversed) {
    if (bands.size() == 1) {
      return bands.getFirst() == BandColour.BLACK
          ? Optional.of(new BandReading(0, 0, null, bands, reversed, ""))
          : Optional.empty();
    }
    int digits = bands.size() >= 5 ? 3 : 2;
    BigDecimal value = BigDecimal.ZERO;
    for (int i = 0; i < digits; i++) {
      if (!bands.get(i).isDigit()) {
        return Optional.empty();
      }
      value = value.multiply(BigDecimal.TEN).add(BigDecimal.valueOf(bands.get(i).digit()));
    }
    if (bands.getFirst() == BandColour.BLACK) {
      return Optional.empty();
    }
    double tolerance = 20;
    if (bands.size() > 3) {
      BandColour colour = bands.get(digits + 1);
      if (!colour.isTolerance()) {
        return Optional.empty();
      }
      tolerance = colour.tolerancePct();
    }
    Integer tempco = null;
    if (bands.size() == 6) {
      if (!bands.get(5).isTempco()) {
        return Optional.empty();
      }
      tempco = bands.get(5).tempcoPpm();
    }
    double ohms = value.scaleByPowerOfTen(bands.get(digits).exponent()).doubleValue();
    String series = PreferredNumbers.coarsestSeries(ohms).orElse("");
    return Optional.of(new BandReading(ohms, tolerance, tempco, bands, reversed, series));
  }

  /**
   * Gives the bands of a resistor; empty when so many bands cannot say the value or the tolerance.
   *
   * @param ohms resistance, in ohms
   * @param tolerancePct tolerance, null for none painted
   * @param count three, four or five bands
   */
  public static Optional<List<BandColour>> paint(
      double ohms, @Nullable Double tolerancePct, int count) {
    int digits = count >= 5 ? 3 : 2;
    if (!(ohms > 0) || count < 3 || count > 5) {
      return Optional.empty();
    }
    int exponent = (int) Math.floor(Math.log10(ohms) + 1e-9) - digits + 1;
    BigDecimal mantissa = BigDecimal.valueOf(ohms).scaleByPowerOfTen(-exponent);
    BigDecimal whole = mantissa.setScale(0, RoundingMode.HALF_UP);
    if (mantissa.subtract(whole).abs().doubleValue() > 1e-6) {
      return Optional.empty();
    }
    List<BandColour> bands = new ArrayList<>();
    for (char digit : whole.toPlainString().toCharArray()) {
      bands.add(BandColour.values()[digit - '0']);
    }
    Optional<BandColour> multiplier = first(colour -> colour.exponent() == exponent);
    Optional<BandColour> tolerance =
        tolerancePct == null
            ? Optional.empty()
            : first(colour -> colour.tolerancePct() == tolerancePct);
    if (bands.size() != digits || multiplier.isEmpty() || (count > 3 && tolerance.isEmpty())) {
      return Optional.empty();
    }
    bands.add(multiplier.get());
    if (count > 3) {
      tolerance.ifPresent(bands::add);
    }
    return Optional.of(bands);
  }

  /** Gives the bands of a resistor line of a kit, when it has any. */
  public static Optional<List<BandColour>> of(Line line) {
    return line.kind() == PartKind.RESISTOR
            && line.bands() > 0
            && Quantity.parse(line.value()) instanceof QuantityText.Read read
        ? paint(read.value(), line.tolerancePct(), line.bands())
        : Optional.empty();
  }

  private static Optional<BandColour> first(java.util.function.Predicate<BandColour> test) {
    for (BandColour colour : BandColour.values()) {
      if (test.test(colour)) {
        return Optional.of(colour);
      }
    }
    return Optional.empty();
  }
}
