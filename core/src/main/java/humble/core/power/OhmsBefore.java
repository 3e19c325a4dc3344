package humble.core.power;

import humble.core.circuit.Feed;
import humble.core.circuit.OhmBench;
import humble.core.kit.BoardState;
import humble.core.kit.Parts;
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
   */
  record Ohms(String red, String black, double ohms) implements OhmsBefore {
    /** Below this part of what is expected a board is not powered. */
    private static final double LEAST_PART = 0.1;

    @Override
    public double least() {
      return Double.isInfinite(ohms) ? LEAST_PART * OhmBench.OPEN_OHM : LEAST_PART * ohms;
    }
  }

  /** Junctions decide what is shown, but no good board beeps. */
  record NoBeep(String red, String black) implements OhmsBefore {
    @Override
    public double least() {
      return BEEP_OHM;
    }
  }

  /** Ohms at which a continuity tester beeps. */
  double BEEP_OHM = 50;

  /** A continuity tester gives no more than this. */
  double BEEP_V = 3;

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
    OptionalDouble ohms = window.nominal();
    if (ohms.isPresent() && !window.isDecidedByJunction()) {
      return Optional.of(new Ohms(red, black, ohms.getAsDouble()));
    }
    return new OhmBench(parts, state)
        .tested(red, black, BEEP_V, BEEP_A, java.util.List.of())
        .filter(tested ->
            tested.amps() < BEEP_A / 2
                || tested.volts() / tested.amps() >= CLEAR_OF_BEEP * BEEP_OHM)
        .map(tested -> new NoBeep(red, black));
  }
}
