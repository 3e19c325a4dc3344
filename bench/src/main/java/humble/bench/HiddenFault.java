package humble.bench;

import humble.core.circuit.Cancelled;
import humble.core.circuit.Fault;
import humble.core.mend.Diagnosis;
import humble.core.mend.Observation;
import humble.core.mend.Predictions;
import humble.core.mend.Suspect;
import humble.core.mend.Suspects;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.function.IntPredicate;

/**
 * A fault hidden on a simulated board: drawn as often as its kind comes, of a level that is
 * measured by how many measurements the advice itself needs to find it. The same seed hides the
 * same fault.
 *
 * @param fault what is wrong
 * @param board the board with it
 * @param leastMeasurements measurements that the advice needs
 */
public record HiddenFault(Fault fault, SimulatedBoard board, int leastMeasurements) {
  private static final int MOST_MEASUREMENTS = 25;
  private static final int EASY = 3;
  private static final int FAIR = 6;

  /** Levels are 1 to 3: up to three measurements, up to six, more. */
  public static final int LEVELS = 3;

  /** Faults that are drawn, at most, before the nearest in difficulty is taken. */
  public static final int MOST_TRIES = 16;

  /**
   * Hides a fault; empty when no fault of this state shows in any measurement.
   *
   * @param level 1 to 3
   * @param seed what the fault is drawn from
   * @param bench what the board's parts and the meter are drawn from
   * @param goOn is asked before each try, with its number from 1
   * @throws Cancelled when {@code goOn} says no
   */
  public static Optional<HiddenFault> at(
      Predictions predictions,
      Diagnosis diagnosis,
      int level,
      long seed,
      long bench,
      IntPredicate goOn) {
    Random random = new Random(seed);
    HiddenFault nearest = null;
    for (int i = 0; i < MOST_TRIES; i++) {
      if (!goOn.test(i + 1)) {
        throw new Cancelled();
      }
      Suspect suspect = Suspects.drawn(predictions.suspects(), random);
      Fault fault = suspect.fault().orElse(null);
      if (fault == null || !diagnosis.shows(suspect)) {
        continue;
      }
      SimulatedBoard board =
          SimulatedBoard.of(predictions.parts(), predictions.state(), List.of(fault), bench)
              .orElse(null);
      if (board == null) {
        continue;
      }
      HiddenFault found = new HiddenFault(fault, board, advised(diagnosis, board, level));
      if (level(found.leastMeasurements) == level) {
        return Optional.of(found);
      }
      boolean nearer =
          nearest == null
              || Math.abs(level(found.leastMeasurements) - level)
                  < Math.abs(level(nearest.leastMeasurements) - level);
      nearest = nearer ? found : nearest;
    }
    return Optional.ofNullable(nearest);
  }

  private static int level(int measurements) {
    return measurements <= EASY ? 1 : measurements <= FAIR ? 2 : LEVELS;
  }

  /** Counts no further than what shows that the fault is too hard for the level asked for. */
  private static int advised(Diagnosis diagnosis, SimulatedBoard board, int level) {
    int most = level == LEVELS ? MOST_MEASUREMENTS : FAIR + 1;
    List<Observation> seen = new ArrayList<>();
    while (seen.size() < most) {
      Diagnosis.Next next = diagnosis.after(seen).next().orElse(null);
      if (next == null) {
        break;
      }
      seen.add(board.answer(next.measure()));
    }
    return seen.size();
  }
}
