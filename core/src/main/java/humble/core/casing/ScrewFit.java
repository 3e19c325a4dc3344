package humble.core.casing;

import humble.core.kit.Enclosure;
import humble.core.units.Band;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * Which length a screw must have; all in millimetres.
 *
 * @param screw the screw
 * @param stackMm thickness of what it passes
 * @param tooShortMm shorter than this does not hold
 * @param tooLongMm longer than this bottoms; null when it cannot
 * @param chooseMm the lengths to choose from that do neither, shortest first
 */
public record ScrewFit(
    Enclosure.Screw screw,
    Band stackMm,
    double tooShortMm,
    @Nullable Double tooLongMm,
    List<Double> chooseMm) {
  private static final double ROUNDING_MM = 1e-9;

  public ScrewFit {
    chooseMm = List.copyOf(chooseMm);
  }

  /**
   * Computes the fit of one screw of {@code enclosure}: at the thickest stack it must still hold,
   * at the thinnest not bottom.
   */
  public static ScrewFit of(Enclosure enclosure, Enclosure.Screw screw) {
    double low = 0;
    double high = 0;
    for (String through : screw.through()) {
      for (Enclosure.Layer layer : enclosure.layers()) {
        if (layer.id().equals(through)) {
          low += layer.thicknessMm().low();
          high += layer.thicknessMm().high();
        }
      }
    }
    Double depth = screw.depthMm();
    double tooShort = round(high + screw.engageMm());
    Double tooLong = depth == null ? null : (Double) round(low + depth);
    List<Double> choose =
        screw.lengthsMm().stream()
            .filter(length ->
                length >= tooShort - ROUNDING_MM
                    && (tooLong == null || length <= tooLong + ROUNDING_MM))
            .sorted()
            .toList();
    return new ScrewFit(screw, new Band(round(low), round(high)), tooShort, tooLong, choose);
  }

  /** Sums of tenths are rounded to the nanometre-and-a-bit so that 2.8 + 6 reads 8.8. */
  private static double round(double mm) {
    return Math.round(mm * 1e6) / 1e6;
  }
}
