package humble.core.marking;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;

/**
 * Reads the colour bands of small inductors, the way of IEC 60062:2016 applied to microhenries: two
 * digits, a multiplier, and a tolerance where a fourth band is painted (20 % where none is, or
 * where it is black). Bands are read from both ends.
 */
public final class InductorBands {
  private static final double NONE_PCT = 20;

  private InductorBands() {}

  /**
   * One reading.
   *
   * @param henries inductance, in henries
   * @param tolerancePct tolerance, in per cent
   * @param bands the bands in the order read
   * @param reversed whether they were read from the other end
   * @param preferred coarsest series of preferred numbers that holds the value, or empty
   */
  public record Reading(
      double henries,
      double tolerancePct,
      List<BandColour> bands,
      boolean reversed,
      String preferred) {
    public Reading {
      bands = List.copyOf(bands);
    }
  }

  /**
   * Gives every legal reading, the preferred numbers first.
   *
   * @param bands three or four colours
   * @throws IllegalArgumentException for another number of bands
   */
  public static List<Reading> read(List<BandColour> bands) {
    if (bands.size() != 3 && bands.size() != 4) {
      throw new IllegalArgumentException("An inductor has 3 or 4 bands, not " + bands.size() + ".");
    }
    List<Reading> readings = new ArrayList<>();
    oneWay(bands, false).ifPresent(readings::add);
    List<BandColour> turned = new ArrayList<>(bands);
    Collections.reverse(turned);
    if (!turned.equals(bands)) {
      oneWay(turned, true).ifPresent(readings::add);
    }
    readings.sort(
        Comparator.comparing((Reading reading) -> !reading.preferred().matches("E(3|6|12|24)"))
            .thenComparing(Reading::reversed));
    return readings;
  }

  private static Optional<Reading> oneWay(List<BandColour> bands, boolean reversed) {
    BandColour first = bands.get(0);
    BandColour second = bands.get(1);
    if (!first.isDigit() || !second.isDigit() || first == BandColour.BLACK) {
      return Optional.empty();
    }
    double tolerance = NONE_PCT;
    if (bands.size() == 4 && bands.get(3) != BandColour.BLACK) {
      if (!bands.get(3).isTolerance()) {
        return Optional.empty();
      }
      tolerance = bands.get(3).tolerancePct();
    }
    double henries =
        BigDecimal.valueOf(first.digit() * 10L + second.digit())
            .scaleByPowerOfTen(bands.get(2).exponent() - 6)
            .doubleValue();
    String series = PreferredNumbers.coarsestSeries(henries).orElse("");
    return Optional.of(new Reading(henries, tolerance, bands, reversed, series));
  }
}
