package humble.core.circuit;

import humble.core.kit.BoardState;
import humble.core.kit.Parts;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/**
 * One board in one state, solved as designed and then with one fault after another: every fault
 * starts from the point of the board as designed, from which a few Newton steps lead, and falls
 * back on the whole ladder. Any number of threads may ask at once.
 */
public final class StateSolver {
  private final Parts parts;
  private final BoardState state;
  private final Running running;
  private final boolean feedVaries;
  private final @Nullable Snapshot designed;
  private final Map<String, Double> startOfNet = new HashMap<>();

  /**
   * Solves the board as designed.
   *
   * @throws CircuitInput when the state names what the kit does not have
   */
  public StateSolver(Parts parts, BoardState state) {
    this(parts, state, false);
  }

  /**
   * Solves the board as designed.
   *
   * @param feedVaries whether what feeds it stands anywhere in its range, and spreads all else
   * @throws CircuitInput when the state names what the kit does not have
   */
  public StateSolver(Parts parts, BoardState state, boolean feedVaries) {
    this.feedVaries = feedVaries;
    this.parts = parts;
    this.state = state;
    this.running = new Running(parts, state);
    this.designed = cold(List.of(), true);
    if (designed != null) {
      designed.fillNets(startOfNet);
    }
  }

  /** Gives the state. */
  public BoardState state() {
    return state;
  }

  /** Gives the board as designed; empty when it has no operating point. */
  public Optional<Snapshot> asDesigned() {
    return Optional.ofNullable(designed);
  }

  /**
   * Gives the board with {@code faults}; empty when no operating point was found.
   *
   * @throws CircuitInput when a fault names what the kit does not have
   */
  public Optional<Snapshot> with(List<Fault> faults) {
    if (faults.isEmpty()) {
      return asDesigned();
    }
    if (designed != null) {
      Circuit circuit = Circuit.of(parts, state, faults);
      Newton newton = new Newton(circuit, DcOptions.USUAL);
      boolean settled = newton.from(start(circuit));
      if (settled && !running.held(newton).isEmpty()) {
        return Optional.ofNullable(cold(faults, false));
      }
      if (settled) {
        return Optional.of(new Snapshot(parts, newton, false, feedVaries));
      }
    }
    return Optional.ofNullable(cold(faults, false));
  }

  private @Nullable Snapshot cold(List<Fault> faults, boolean keepsMoves) {
    Newton settled = new DcSolver(parts).settle(state, faults).run();
    return settled == null ? null : new Snapshot(parts, settled, keepsMoves, feedVaries);
  }

  /** Lifted leads begin at the voltage of the net that they were lifted off. */
  private double[] start(Circuit circuit) {
    double[] start = new double[circuit.nodeCount()];
    circuit
        .nodeOfNet()
        .forEach((net, node) -> {
          if (node >= 0) {
            start[node] = startOfNet.getOrDefault(net, 0.0);
          }
        });
    circuit
        .nodeOfPin()
        .forEach((pin, node) ->
            start[node] = parts.net(pin).map(net -> startOfNet.getOrDefault(net, 0.0)).orElse(0.0));
    return start;
  }
}
