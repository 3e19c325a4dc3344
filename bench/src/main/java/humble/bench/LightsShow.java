package humble.bench;

import humble.core.circuit.DcOutcome;
import humble.core.circuit.DcResult;
import humble.core.circuit.DcSolver;
import humble.core.circuit.Fault;
import humble.core.kit.BoardState;
import humble.core.kit.Parts;
import humble.core.kit.Peripheral;
import humble.core.wake.LightScan;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import org.jspecify.annotations.Nullable;

/**
 * What the lights of a matrix show on a simulated board: every light at its own turn, the whole
 * board solved at every step.
 */
public final class LightsShow {
  /** A light with less than this share of its usual current looks weak. */
  private static final double WEAK = 0.65;

  private final Parts parts;
  private final Peripheral.Matrix matrix;
  private final BoardState idle;

  /** What every light takes at its own turn on a sound board, in milliamperes. */
  private final double[] sound;

  /**
   * Makes it.
   *
   * @param idle the state in which the chip runs and drives nothing
   */
  public LightsShow(Parts parts, Peripheral.Matrix matrix, BoardState idle) {
    this.parts = parts;
    this.matrix = matrix;
    this.idle = idle;
    this.sound = new double[matrix.lights().size()];
    for (int light = 1; light <= sound.length; light++) {
      sound[light - 1] = ma(turn(light, List.of()), light);
    }
  }

  private DcOutcome turn(int light, List<Fault> faults) {
    Peripheral.Light lines = matrix.lights().get(light - 1);
    return new DcSolver(parts)
        .solve(idle.withDrive(Map.of(lines.anodePin(), "high", lines.cathodePin(), "low")), faults);
  }

  private double ma(DcOutcome outcome, int light) {
    DcResult.PartCurrent current = current(outcome, light);
    return current == null ? 0 : Math.abs(current.ma());
  }

  private DcResult.@Nullable PartCurrent current(DcOutcome outcome, int light) {
    return outcome instanceof DcOutcome.Solved solved
        ? solved.result().parts().get(matrix.lights().get(light - 1).ref())
        : null;
  }

  private boolean isLit(DcOutcome outcome, int light) {
    DcResult.PartCurrent current = current(outcome, light);
    return current != null && Boolean.TRUE.equals(current.lit());
  }

  /** Gives what a scan shows with {@code faults} on the board. */
  public LightScan with(List<Fault> faults) {
    Set<Integer> dark = new TreeSet<>();
    Set<Integer> ghosts = new TreeSet<>();
    Set<Integer> dim = new TreeSet<>();
    for (int turn = 1; turn <= sound.length; turn++) {
      DcOutcome outcome = turn(turn, faults);
      if (!isLit(outcome, turn)) {
        dark.add(turn);
      } else if (ma(outcome, turn) < WEAK * sound[turn - 1]) {
        dim.add(turn);
      }
      for (int other = 1; other <= sound.length; other++) {
        if (other != turn && isLit(outcome, other)) {
          ghosts.add(other);
        }
      }
    }
    return new LightScan(dark, ghosts, dim);
  }
}
