package humble.core.stock;

import humble.core.units.Quantity;
import humble.core.units.QuantityText;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * A meter with its ranges: each holds for readings up to its end.
 *
 * @param id name used in the journal
 * @param ranges ranges with rising ends; the last one has no end
 */
public record MeterProfile(String id, List<Range> ranges) {
  /** One range: it holds for readings up to {@code upTo}, in the unit of the reading. */
  public record Range(double upTo, Meter meter) {}

  public MeterProfile {
    ranges = List.copyOf(ranges);
    if (ranges.isEmpty()) {
      throw new IllegalArgumentException("a meter has at least one range");
    }
    for (int i = 1; i < ranges.size(); i++) {
      if (!(ranges.get(i).upTo() > ranges.get(i - 1).upTo())) {
        throw new IllegalArgumentException("the ranges of a meter rise");
      }
    }
  }

  private static Range range(double upTo, double percent, double counts, double resolution) {
    return new Range(upTo, new Meter(percent, counts, resolution));
  }

  /**
   * Meters as they commonly are, in ohms: 0.5 % and two of the last digit written; a pocket meter
   * of 2000 counts; a bench meter of 60,000 counts; a component tester that reads within 2 %.
   */
  public static final List<MeterProfile> COMMON =
      List.of(
          new MeterProfile("usual", List.of(new Range(Double.POSITIVE_INFINITY, Meter.USUAL))),
          new MeterProfile(
              "pocket",
              List.of(
                  range(200, 0.8, 5, 0.1),
                  range(2e3, 0.8, 3, 1),
                  range(20e3, 0.8, 3, 10),
                  range(200e3, 0.8, 3, 100),
                  range(2e6, 1.0, 5, 1e3),
                  range(Double.POSITIVE_INFINITY, 2.0, 10, 10e3))),
          new MeterProfile(
              "bench",
              List.of(
                  range(600, 0.1, 10, 0.01),
                  range(6e3, 0.05, 5, 0.1),
                  range(60e3, 0.05, 5, 1),
                  range(600e3, 0.05, 5, 10),
                  range(6e6, 0.2, 5, 100),
                  range(Double.POSITIVE_INFINITY, 1.0, 5, 1e3))),
          new MeterProfile(
              "tester",
              List.of(
                  range(2e3, 2, 3, 1),
                  range(20e3, 2, 3, 10),
                  range(Double.POSITIVE_INFINITY, 2, 3, 1e3))));

  /** The meter that is taken where nobody said which one it is. */
  public static final MeterProfile USUAL = COMMON.getFirst();

  /** Gives the common meter of that name. */
  public static Optional<MeterProfile> named(String id) {
    return COMMON.stream().filter(profile -> profile.id().equals(id)).findFirst();
  }

  /**
   * Reads {@code 200:0.8%+3@0.1,2k:0.8%+1@1,0.8%+1@10}: ranges by their ends, the last one without;
   * or one meter without ranges, {@code 0.8%+3@1}; or the name of a common one.
   */
  public static Optional<MeterProfile> parse(String text) {
    Optional<MeterProfile> common = named(text.strip());
    if (common.isPresent()) {
      return common;
    }
    List<Range> ranges = new ArrayList<>();
    for (String piece : text.split(",")) {
      int colon = piece.indexOf(':');
      Optional<Meter> meter = Meter.parse(piece.substring(colon + 1).strip());
      double upTo = Double.POSITIVE_INFINITY;
      if (colon >= 0) {
        if (!(Quantity.parse(piece.substring(0, colon).strip()) instanceof QuantityText.Read end)) {
          return Optional.empty();
        }
        upTo = end.value();
      }
      if (meter.isEmpty() || (!ranges.isEmpty() && !(upTo > ranges.getLast().upTo()))) {
        return Optional.empty();
      }
      ranges.add(new Range(upTo, meter.get()));
    }
    return Optional.of(new MeterProfile("own", ranges));
  }

  /** Gives what it is worth where its ranges are not told: its usual error, by the last digit. */
  public Meter anyRange() {
    Meter middle = at(1000);
    return new Meter(middle.percent(), middle.counts(), 0);
  }

  /** Gives the meter as it is in the range that {@code reading} falls into. */
  public Meter at(double reading) {
    for (Range range : ranges) {
      if (Math.abs(reading) <= range.upTo()) {
        return range.meter();
      }
    }
    return ranges.getLast().meter();
  }
}
