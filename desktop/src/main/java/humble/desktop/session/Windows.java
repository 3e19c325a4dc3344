package humble.desktop.session;

import humble.core.kit.AsBuilt;
import humble.core.kit.BoardState;
import humble.core.kit.Gate;
import humble.core.kit.Parts;
import humble.core.power.Expectation;
import humble.core.power.GateReckoning;
import humble.core.power.PowerReckoning;
import humble.core.power.PoweredStage;
import java.util.Objects;
import java.util.Optional;

/**
 * What supplies, rails and gates should read, by how the board is built: a row or an option that
 * changes is another board, and nothing worked out for the old one is said of it.
 */
final class Windows {
  private final Recall<OfState, Optional<PoweredStage>> stages;
  private final Recall<OfGate, Optional<Expectation>> gates;

  /** Equal by how the board is built and by the state, whichever index of parts carries it. */
  private record OfState(Parts parts, BoardState state) {
    private AsBuilt built() {
      return parts.built();
    }

    @Override
    public boolean equals(Object other) {
      return other instanceof OfState o && built().equals(o.built()) && state.equals(o.state);
    }

    @Override
    public int hashCode() {
      return Objects.hash(built(), state);
    }
  }

  private record OfGate(Parts parts, Gate gate) {
    private AsBuilt built() {
      return parts.built();
    }

    @Override
    public boolean equals(Object other) {
      return other instanceof OfGate o && built().equals(o.built()) && gate.equals(o.gate);
    }

    @Override
    public int hashCode() {
      return Objects.hash(built(), gate);
    }
  }

  Windows(Works works) {
    stages =
        new Recall<>(
            works,
            asked ->
                calledOff -> new PowerReckoning(asked.parts()).stage(asked.state(), calledOff));
    gates =
        new Recall<>(
            works, asked -> calledOff -> new GateReckoning(asked.parts()).of(asked.gate()));
  }

  Known<PoweredStage> powered(Parts parts, BoardState state) {
    return known(stages, new OfState(parts, state));
  }

  Known<Expectation> expected(Parts parts, Gate gate) {
    return known(gates, new OfGate(parts, gate));
  }

  private static <K, V> Known<V> known(Recall<K, Optional<V>> from, K key) {
    Optional<String> failed = from.failed(key);
    if (failed.isPresent()) {
      return new Known.Failed<>(failed.get());
    }
    return from.ask(key)
        .<Known<V>>map(found -> found.<Known<V>>map(Known.Is::new).orElseGet(Known.Nothing::new))
        .orElseGet(Known.Waiting::new);
  }

  void again() {
    stages.again();
    gates.again();
  }
}
