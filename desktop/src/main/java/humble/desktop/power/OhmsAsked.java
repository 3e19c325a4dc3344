package humble.desktop.power;

import humble.core.kit.BoardState;
import humble.core.kit.Gate;
import humble.core.mend.Measure;
import humble.core.mend.Observation;
import humble.core.power.OhmsBefore;
import humble.desktop.session.OpenBuild;
import java.util.Optional;

/** The ohms across what feeds a board in a state, asked before power comes to it. */
record OhmsAsked(BoardState state, OhmsBefore means) {
  String plus() {
    return means.red();
  }

  String minus() {
    return means.black();
  }

  double least() {
    return means.least();
  }

  Measure.Ohms measure() {
    return new Measure.Ohms(plus(), minus());
  }

  /** Asks once in every state that a gate is read in, and again after something was mended. */
  static Optional<OhmsAsked> open(OpenBuild open, Gate gate) {
    return open.kit()
        .state(gate.state())
        .flatMap(state ->
            open.powered(state)
                .found()
                .flatMap(stage -> stage.ohmsBefore())
                .map(before -> new OhmsAsked(state, before)))
        .filter(asked -> !asked.read(open));
  }

  /**
   * Tells whether it was read and is no bridge. The last reading counts: a board that was mended is
   * read again.
   */
  boolean read(OpenBuild open) {
    return open.build().observed(state.id()).reversed().stream()
        .flatMap(text -> Observation.reading(text, open.built(), state).stream())
        .filter(seen ->
            seen instanceof Observation.Reading reading && reading.measure().equals(measure()))
        .map(seen -> ((Observation.Reading) seen).value() >= least())
        .findFirst()
        .orElse(false);
  }
}
