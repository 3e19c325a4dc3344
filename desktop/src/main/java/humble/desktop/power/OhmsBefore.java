package humble.desktop.power;

import humble.core.kit.BoardState;
import humble.core.kit.Gate;
import humble.core.kit.Supply;
import humble.core.mend.Measure;
import humble.core.mend.Observation;
import humble.core.power.PoweredStage;
import humble.desktop.session.OpenBuild;
import java.util.Optional;
import java.util.OptionalDouble;

/**
 * The ohms between a supply's two nets, before power comes to them.
 *
 * @param expected what a board as designed shows, empty for open
 * @param least below this it is not powered, in ohms
 */
record OhmsBefore(
    BoardState state, String plus, String minus, OptionalDouble expected, double least) {
  Measure.Ohms measure() {
    return new Measure.Ohms(plus, minus);
  }

  /** Asks once in every state that a gate is read in, and again after something was mended. */
  static Optional<OhmsBefore> open(OpenBuild open, Gate gate) {
    BoardState state = open.kit().state(gate.state()).orElse(null);
    String id = state == null ? null : state.supply();
    Supply supply = id == null ? null : open.kit().supply(id).orElse(null);
    if (state == null || supply == null) {
      return Optional.empty();
    }
    PoweredStage stage = open.powered(state).found().orElse(null);
    String plus = open.built().net(supply.plus()).orElse("");
    String minus = open.built().net(supply.minus()).orElse("");
    if (stage == null || plus.isEmpty() || minus.isEmpty()) {
      return Optional.empty();
    }
    OhmsBefore before = new OhmsBefore(state, plus, minus, stage.ohmsBefore(), stage.leastOhms());
    return before.read(open) ? Optional.empty() : Optional.of(before);
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
        .map(seen -> ((Observation.Reading) seen).value() >= least)
        .findFirst()
        .orElse(false);
  }
}
