package humble.core.circuit;

import humble.core.kit.BoardState;
import humble.core.kit.Parts;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/**
 * Computes operating points by nodal analysis (Ho, Ruehli, Brennan 1975; every device here is
 * controlled by voltage, so no branch equations are needed) and Newton's method with junction
 * limiting (Nagel 1975).
 *
 * <p>The ladder: plain Newton; then Gmin stepping, a conductance from every node to ground that is
 * taken away by decades; then short steps, in which no node moves by more than 0.3 V at a time and
 * one that swings to and fro by half as much each time. What no rung solves is reported as
 * unsolved.
 */
public final class DcSolver {
  private final Parts parts;
  private final DcOptions options;

  /** Makes a solver for one kit. */
  public DcSolver(Parts parts, DcOptions options) {
    this.parts = parts;
    this.options = options;
  }

  /** Makes a solver for one kit with the usual options. */
  public DcSolver(Parts parts) {
    this(parts, DcOptions.USUAL);
  }

  /**
   * Solves the kit in {@code state} with {@code faults}.
   *
   * @throws CircuitInput when a fault or the state names what the kit does not have
   */
  public DcOutcome solve(BoardState state, List<Fault> faults) {
    Settled settled = settle(state, faults);
    Newton run = settled.run;
    return run == null
        ? new DcOutcome.Unsolved(
            "No operating point was found in " + settled.steps + " steps.", settled.steps)
        : new DcOutcome.Solved(run.result(), settled.method, settled.steps, settled.worst);
  }

  /**
   * Gives the circuit as a SPICE deck, with the linear piece of each supply, regulator and load
   * that is in force at the operating point; empty when there is none.
   *
   * @param title first line
   * @throws CircuitInput when a fault or the state names what the kit does not have
   */
  public Optional<String> deck(BoardState state, List<Fault> faults, String title) {
    return Optional.ofNullable(settle(state, faults).run).map(run -> run.deck(title));
  }

  record Settled(@Nullable Newton run, String method, int steps, double worst) {}

  /** Climbs the ladder until a rung settles; chips that this leaves in reset drive nothing. */
  Settled settle(BoardState state, List<Fault> faults) {
    Settled first = climb(state, faults);
    List<Fault> held = first.run == null ? List.of() : new Running(parts, state).held(first.run);
    return held.isEmpty() ? first : climb(state, Running.with(faults, held));
  }

  private Settled climb(BoardState state, List<Fault> faults) {
    int spent = 0;
    for (String method : Newton.LADDER) {
      Newton run = new Newton(Circuit.of(parts, state, faults), options);
      boolean solved = run.by(method);
      spent += run.steps();
      if (solved) {
        return new Settled(run, method, spent, run.worstSum());
      }
    }
    return new Settled(null, "", spent, Double.POSITIVE_INFINITY);
  }
}
