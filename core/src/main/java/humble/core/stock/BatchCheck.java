package humble.core.stock;

import humble.core.words.Phrase;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * The running check across a batch: five readings in a row, all off the same way by more than the
 * meter's own error allows, speak against the meter or its leads, not against the parts.
 */
public final class BatchCheck {
  /** Readings in a row that speak. */
  public static final int RUN = 5;

  private static final double ALIKE = 0.35;

  private BatchCheck() {}

  /**
   * One reading of a part of known nominal value.
   *
   * @param nominal nominal value
   * @param value what was read, in the same unit
   * @param meterError how far the meter may be off at this reading
   */
  public record Reading(double nominal, double value, double meterError) {
    double off() {
      return value - nominal;
    }

    boolean isOff() {
      return Math.abs(off()) > meterError;
    }
  }

  /** Gives what the last five readings say against the meter or its leads; empty when nothing. */
  public static Optional<Phrase> suspect(List<Reading> readings) {
    if (readings.size() < RUN) {
      return Optional.empty();
    }
    List<Reading> run = readings.subList(readings.size() - RUN, readings.size());
    boolean up = run.getFirst().off() > 0;
    if (!run.stream().allMatch(reading -> reading.isOff() && (reading.off() > 0) == up)) {
      return Optional.empty();
    }
    List<Double> absolute = new ArrayList<>(run.stream().map(Reading::off).sorted().toList());
    List<Double> percent =
        new ArrayList<>(run.stream().map(r -> r.off() / r.nominal() * 100).sorted().toList());
    double ohms = absolute.get(RUN / 2);
    double share = percent.get(RUN / 2);
    if (up && spread(absolute) < ALIKE && spread(absolute) < spread(percent)) {
      return Optional.of(Phrase.of("stock.batch.leads", ohms));
    }
    return Optional.of(Phrase.of("stock.batch.meter", Math.abs(share), up ? 1 : 0));
  }

  /** Range of sorted numbers against their median. */
  private static double spread(List<Double> sorted) {
    return (sorted.getLast() - sorted.getFirst()) / Math.abs(sorted.get(sorted.size() / 2));
  }
}
