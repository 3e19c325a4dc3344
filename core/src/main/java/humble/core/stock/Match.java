package humble.core.stock;

import humble.core.kit.Kit;
import humble.core.kit.Line;
import humble.core.kit.PartKind;
import humble.core.units.Band;
import humble.core.units.Quantity;
import humble.core.units.QuantityText;
import humble.core.units.Spread;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;

/**
 * Which line of a kit a reading belongs to.
 *
 * @param value the reading, in the base unit
 * @param interval what it stands for with this meter
 * @param lines every line of the kind, most likely first
 * @param decision the line it belongs to; empty when nothing fits or two are too close
 */
public record Match(double value, Band interval, List<Candidate> lines, Optional<String> decision) {
  private static final double USUAL_TOLERANCE_PCT = 5;
  private static final double DECISIVE_ODDS = 20;

  public Match {
    lines = List.copyOf(lines);
  }

  /**
   * One line against the reading.
   *
   * @param line the line
   * @param nominal its nominal value
   * @param verdict by the decision rule, against nominal ± tolerance
   * @param likelihood density of the reading under the line's spread and the meter's, per unit of
   *     the reading
   */
  public record Candidate(Line line, double nominal, Verdict verdict, double likelihood) {}

  /**
   * Judges a reading. Spread of a line: normal, σ = tolerance/2.5; of the meter: even over its
   * interval, as a normal of the same variance. A decision needs 20:1 over the runner-up and a line
   * the reading is not outside of.
   */
  public static Match of(Kit kit, PartKind kind, double value, double lastDigit, Meter meter) {
    double half = meter.uncertainty(value, lastDigit);
    Band interval = Band.around(value, half);
    List<Candidate> candidates = new ArrayList<>();
    for (Line line : kit.bagged()) {
      if (line.kind() == kind && Quantity.parse(line.value()) instanceof QuantityText.Read read) {
        candidates.add(candidate(line, read.value(), value, half, interval));
      }
    }
    candidates.sort(
        Comparator.comparingDouble(Candidate::likelihood)
            .reversed()
            .thenComparing(c -> c.line().id()));
    return new Match(value, interval, candidates, decide(candidates));
  }

  private static Candidate candidate(
      Line line, double nominal, double value, double half, Band interval) {
    Double given = line.tolerancePct();
    double tolerance = Math.abs(nominal) * (given == null ? USUAL_TOLERANCE_PCT : given) / 100;
    double sigma = Math.hypot(Spread.sigma(tolerance), half / Math.sqrt(3));
    double z = (value - nominal) / Math.max(sigma, Double.MIN_NORMAL);
    double likelihood = Math.exp(-z * z / 2) / (sigma * Math.sqrt(2 * Math.PI));
    return new Candidate(
        line, nominal, Verdict.of(interval, Band.around(nominal, tolerance)), likelihood);
  }

  private static Optional<String> decide(List<Candidate> candidates) {
    if (candidates.isEmpty() || candidates.getFirst().verdict() == Verdict.OUTSIDE) {
      return Optional.empty();
    }
    Candidate best = candidates.getFirst();
    boolean clear =
        candidates.size() == 1
            || best.likelihood() >= DECISIVE_ODDS * candidates.get(1).likelihood();
    return clear ? Optional.of(best.line().id()) : Optional.empty();
  }

  /**
   * Gives the lines that the reading does not rule out against the best one; empty when there is a
   * decision.
   */
  public List<String> ambiguous() {
    if (decision.isPresent() || lines.isEmpty() || lines.getFirst().verdict() == Verdict.OUTSIDE) {
      return List.of();
    }
    double least = lines.getFirst().likelihood() / DECISIVE_ODDS;
    return lines.stream().filter(c -> c.likelihood() > least).map(c -> c.line().id()).toList();
  }
}
