package humble.core.casing;

import humble.core.kit.Enclosure;
import humble.core.units.Band;
import humble.core.words.Phrase;
import java.util.List;
import java.util.Optional;
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

  /** What a screw of another length would do. */
  public enum Judged {
    /** It holds, and does not bottom. */
    FITS,
    /** Its thread does not hold enough. */
    SHORT,
    /** It bottoms before it clamps; it can be cut. */
    LONG,
    /** It bottoms, and what could be cut off leaves no thread to begin with. */
    TOO_LONG
  }

  /** A screw can be cut to no less than this. */
  private static final double LEAST_MM = 3;

  /** Judges a screw that is so long, in millimetres. */
  public Judged judge(double lengthMm) {
    if (lengthMm < tooShortMm - ROUNDING_MM) {
      return Judged.SHORT;
    }
    if (tooLongMm == null || lengthMm <= tooLongMm + ROUNDING_MM) {
      return Judged.FITS;
    }
    return tooLongMm >= Math.max(LEAST_MM, tooShortMm) - ROUNDING_MM
        ? Judged.LONG
        : Judged.TOO_LONG;
  }

  /** Gives the next length given below that which is chosen, of those that are too short. */
  public Optional<Double> shorterMm() {
    return screw.lengthsMm().stream()
        .filter(length -> length < tooShortMm - ROUNDING_MM)
        .max(Double::compare);
  }

  /** Gives the next length given that bottoms. */
  public Optional<Double> longerMm() {
    return tooLongMm == null
        ? Optional.empty()
        : screw.lengthsMm().stream()
            .filter(length -> length > tooLongMm + ROUNDING_MM)
            .min(Double::compare);
  }

  /** Gives how tight it is turned, by what it clamps and what its thread is in. */
  public static Phrase tight(Enclosure casing, Enclosure.Screw screw) {
    List<Enclosure.Layer> through =
        casing.layers().stream().filter(l -> screw.through().contains(l.id())).toList();
    String into =
        casing.layers().stream()
            .filter(l -> l.id().equals(screw.into()))
            .map(Enclosure.Layer::material)
            .findFirst()
            .orElseGet(() -> screw.into().equals(NUT) ? NUT : "");
    boolean brittle =
        through.stream().anyMatch(l -> l.material().matches("(?i).*(acryl|glass|polystyrene).*"));
    // What lies under the head alone bends; the rest is held by what it lies on.
    boolean thin =
        through.stream()
            .filter(l -> screw.through().getFirst().equals(l.id()))
            .anyMatch(l ->
                l.thicknessMm().high() < THIN_MM
                    && l.kind().orElse(Enclosure.LayerKind.PLATE) == Enclosure.LayerKind.PLATE
                    && !l.material().matches("(?i).*(steel|brass|alumin|metal).*"));
    boolean plastic = into.matches("(?i).*(plastic|nylon|abs|pla|petg|print).*");
    if (brittle) {
      return Phrase.of("case.tight.brittle");
    }
    if (plastic) {
      return Phrase.of("case.tight.plastic");
    }
    return Phrase.of(
        thin ? "case.tight.thin" : into.isEmpty() ? "case.tight.unsaid" : "case.tight.metal");
  }

  private static final String NUT = "nut";

  /** A panel below this bends under a screw that is turned hard. */
  private static final double THIN_MM = 2.2;

  /** Sums of tenths are rounded to the nanometre-and-a-bit so that 2.8 + 6 reads 8.8. */
  private static double round(double mm) {
    return Math.round(mm * 1e6) / 1e6;
  }
}
