package humble.core.power;

import humble.core.circuit.Feed;
import humble.core.circuit.OhmBench;
import humble.core.kit.BoardState;
import humble.core.kit.Measured;
import humble.core.kit.Parts;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;

/** What a meter says across the feed of a board before power comes to it. */
public sealed interface OhmsBefore {
  /** Gives the net of the red probe: plus of what feeds. */
  String red();

  /** Gives the net of the black probe. */
  String black();

  /** Gives the ohms below which the board is not powered. */
  double least();

  /**
   * A reading that no junction decides.
   *
   * @param ohms what a board as designed shows; infinite for open
   * @param least below this it is not powered: a tenth of what is expected; of an open board, what
   *     alone would take the smallest limit
   */
  record Ohms(String red, String black, double ohms, double least) implements OhmsBefore {}

  /** Junctions decide what is shown, but no good board beeps. */
  record NoBeep(String red, String black) implements OhmsBefore {
    @Override
    public double least() {
      return Measured.JOINED_OHM.high();
    }
  }

  /** Below this part of what is expected a board is not powered. */
  double LEAST_PART = 0.1;

  /** A continuity tester gives no more than this. */
  double BEEP_V = 3;

  /** Nor more than this. */
  double BEEP_A = 1e-3;

  /** A good board stays so many times above the beep. */
  double CLEAR_OF_BEEP = 3;

  /** Gives what to measure; empty where a meter would say nothing of a good board. */
  static Optional<OhmsBefore> of(Parts parts, BoardState state, Feed feed) {
    String red = parts.net(feed.plus()).orElse("");
    String black = parts.net(feed.minus()).orElse("");
    if (red.isEmpty() || black.isEmpty() || red.equals(black)) {
      return Optional.empty();
    }
    OhmWindow window = new OhmWindow(parts, state, red, black);
    Optional<OhmBench.Tested> tested =
        new OhmBench(parts, state).tested(red, black, BEEP_V, BEEP_A, List.of());
    OptionalDouble ohms = window.nominal();
    if (ohms.isPresent() && !window.isDecidedByJunction(tested)) {
      double reads = ohms.getAsDouble();
      double least =
          Double.isInfinite(reads) ? feed.volts() / SupplyLimit.LEAST_A : LEAST_PART * reads;
      return Optional.of(new Ohms(red, black, reads, least));
    }
    return tested
        .filter(at ->
            at.amps() < BEEP_A / 2
                || at.volts() / at.amps() >= CLEAR_OF_BEEP * Measured.JOINED_OHM.high())
        .map(at -> new NoBeep(red, black));
  }
}
