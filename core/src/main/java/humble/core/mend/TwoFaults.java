package humble.core.mend;

import humble.core.circuit.Cancelled;
import humble.core.circuit.CircuitInput;
import humble.core.circuit.Fault;
import humble.core.circuit.Snapshot;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.BooleanSupplier;

/**
 * Two faults at once, for when no single one explains what was read and seen: the faults that
 * explain most of it are put into the circuit two by two and solved. A search among the most
 * promising, not among all pairs there are.
 */
public final class TwoFaults {
  private static final int MOST_CANDIDATES = 60;
  private static final int MOST_SOLVED = 400;
  private static final int MOST_GIVEN = 5;

  private final Predictions predictions;
  private final Likelihood likelihood;
  private final double unexplained;

  TwoFaults(Predictions predictions, Likelihood likelihood, double unexplainedSigmas) {
    this.predictions = predictions;
    this.likelihood = likelihood;
    this.unexplained = unexplainedSigmas;
  }

  /**
   * Two faults that explain everything together.
   *
   * @param first the likelier of the two
   * @param second the other
   * @param belief belief among the pairs that explain everything, 0 to 1
   */
  public record Pair(Suspect first, Suspect second, double belief) {
    /** Gives both as the log writes them. */
    public String text() {
      return first.name() + SEPARATOR + second.name();
    }
  }

  /** Stands between two faults in text. */
  public static final String SEPARATOR = " + ";

  /** A suspect with the numbers of the observations that it explains. */
  private record Candidate(int suspect, Fault fault, Set<Integer> explains, double prior) {}

  private record Both(Candidate a, Candidate b, int covered) {}

  private record Weighed(Both both, double log) {}

  List<Pair> of(List<Observation> observations, BooleanSupplier cancelled) {
    List<Weighed> found =
        promising(observations).parallelStream()
            .flatMap(both -> weigh(both, observations, cancelled).stream())
            .sorted(Comparator.comparingDouble((Weighed w) -> -w.log()))
            .toList();
    if (found.isEmpty()) {
      return List.of();
    }
    double most = found.getFirst().log();
    double sum = found.stream().mapToDouble(w -> Math.exp(w.log() - most)).sum();
    return found.stream()
        .limit(MOST_GIVEN)
        .map(w -> pair(w.both(), Math.exp(w.log() - most) / sum))
        .toList();
  }

  private Pair pair(Both both, double belief) {
    boolean inOrder = both.a().prior() >= both.b().prior();
    Suspect a = predictions.suspects().get(both.a().suspect());
    Suspect b = predictions.suspects().get(both.b().suspect());
    return inOrder ? new Pair(a, b, belief) : new Pair(b, a, belief);
  }

  /** The pairs that explain most between them, the likeliest of these first. */
  private List<Both> promising(List<Observation> observations) {
    List<Candidate> candidates = candidates(observations);
    List<Both> pairs = new ArrayList<>();
    for (int i = 0; i < candidates.size(); i++) {
      for (int k = i + 1; k < candidates.size(); k++) {
        Candidate a = candidates.get(i);
        Candidate b = candidates.get(k);
        Set<Integer> covered = new HashSet<>(a.explains());
        covered.addAll(b.explains());
        boolean more = covered.size() > Math.max(a.explains().size(), b.explains().size());
        if (more && !sameParts(a.fault(), b.fault())) {
          pairs.add(new Both(a, b, covered.size()));
        }
      }
    }
    pairs.sort(
        Comparator.comparingInt((Both both) -> -both.covered())
            .thenComparingDouble(both -> -both.a().prior() * both.b().prior()));
    return pairs.subList(0, Math.min(MOST_SOLVED, pairs.size()));
  }

  /** One suspect for each edit of the circuit, those that explain most of what is odd first. */
  private List<Candidate> candidates(List<Observation> observations) {
    Set<Integer> odd = new HashSet<>();
    for (int i = 0; i < observations.size(); i++) {
      if (!agrees(Predictions.DESIGNED, observations.get(i))) {
        odd.add(i);
      }
    }
    Map<String, Candidate> byEdit = new HashMap<>();
    for (int s = 0; s < predictions.suspects().size(); s++) {
      Suspect suspect = predictions.suspects().get(s);
      Fault fault = suspect.fault().orElse(null);
      if (fault == null || !predictions.solved(s)) {
        continue;
      }
      Set<Integer> explains = new HashSet<>();
      for (int i : odd) {
        if (agrees(s, observations.get(i))) {
          explains.add(i);
        }
      }
      if (!explains.isEmpty()) {
        byEdit.merge(
            predictions.edit(s),
            new Candidate(s, fault, explains, suspect.prior()),
            (one, other) -> one.prior() >= other.prior() ? one : other);
      }
    }
    return byEdit.values().stream()
        .sorted(
            Comparator.comparingInt((Candidate c) -> -c.explains().size())
                .thenComparingDouble(c -> -c.prior())
                .thenComparingInt(Candidate::suspect))
        .limit(MOST_CANDIDATES)
        .toList();
  }

  private boolean agrees(int s, Observation seen) {
    return likelihood.sigmasOff(s, seen) < unexplained;
  }

  private static boolean sameParts(Fault a, Fault b) {
    Set<String> shared = new HashSet<>(a.refs());
    shared.retainAll(b.refs());
    return !shared.isEmpty();
  }

  private Optional<Weighed> weigh(
      Both both, List<Observation> observations, BooleanSupplier cancelled) {
    if (cancelled.getAsBoolean()) {
      throw new Cancelled();
    }
    List<Fault> faults = List.of(both.a().fault(), both.b().fault());
    Snapshot board;
    try {
      board = predictions.together(faults).orElse(null);
    } catch (CircuitInput e) {
      return Optional.empty();
    }
    if (board == null) {
      return Optional.empty();
    }
    double log = Math.log(both.a().prior()) + Math.log(both.b().prior());
    for (Observation seen : observations) {
      double each = log(both, faults, board, seen);
      if (Double.isNaN(each)) {
        return Optional.empty();
      }
      log += each;
    }
    return Optional.of(new Weighed(both, log));
  }

  /** Gives the logarithm of the likelihood; not a number where it is not explained at all. */
  private double log(Both both, List<Fault> faults, Snapshot board, Observation seen) {
    return switch (seen) {
      case Observation.Seen look -> {
        double chance = chance(both, board, look);
        yield chance < Likelihood.HARDLY_EVER ? Double.NaN : Math.log(chance);
      }
      case Observation.Reading read when read.measure() instanceof Measure.Ohms ohms -> {
        double predicted = predictions.exact(faults, ohms);
        yield likelihood.sigmasOff(predicted, read) < unexplained
            ? likelihood.ohms(predicted, read)
            : Double.NaN;
      }
      case Observation.Reading read -> {
        Predictions.Value value = value(board, read.measure());
        yield likelihood.sigmasOff(value, read) < unexplained
            ? likelihood.reading(value, read)
            : Double.NaN;
      }
    };
  }

  private static Predictions.Value value(Snapshot board, Measure measure) {
    return switch (measure) {
      case Measure.Volts m ->
          new Predictions.Value(board.meterVolts(m.point()).orElse(0), spread(board, m.point()));
      case Measure.Across m ->
          new Predictions.Value(
              board.meterVolts(m.red(), m.black()).orElse(0),
              Math.hypot(spread(board, m.red()), spread(board, m.black())));
      case Measure.Amps m -> {
        double squares = board.sourceSigmaA(m.source()) * board.sourceSigmaA(m.source());
        for (String shared : board.shared()) {
          squares += board.sharedAmps(shared, m.source()) * board.sharedAmps(shared, m.source());
        }
        yield new Predictions.Value(board.sourceA(m.source()), Math.sqrt(squares));
      }
      case Measure.Ohms m -> Predictions.Value.UNKNOWN;
      case Measure.Look m -> Predictions.Value.UNKNOWN;
    };
  }

  private static double spread(Snapshot board, String point) {
    double squares = board.sigmaVolts(point) * board.sigmaVolts(point);
    for (String shared : board.shared()) {
      squares += board.sharedVolts(shared, point) * board.sharedVolts(shared, point);
    }
    return Math.sqrt(squares);
  }

  private double chance(Both both, Snapshot board, Observation.Seen look) {
    return switch (look.sight()) {
      case LIT, DIM, DARK ->
          Likelihood.called(
              Sight.of(board.amps(look.ref()), predictions.designedAmps(look.ref())), look.sight());
      // What one of them stops does not run.
      case RUNNING ->
          Math.min(
              likelihood.chance(both.a().suspect(), look.sight(), look.ref()),
              likelihood.chance(both.b().suspect(), look.sight(), look.ref()));
      case FLICKER, HOT, SMELL, STILL, IDLE ->
          Math.max(
              likelihood.chance(both.a().suspect(), look.sight(), look.ref()),
              likelihood.chance(both.b().suspect(), look.sight(), look.ref()));
    };
  }
}
