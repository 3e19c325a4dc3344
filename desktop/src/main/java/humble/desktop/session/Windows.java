package humble.desktop.session;

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
  private final Recall<About<BoardState>, Optional<PoweredStage>> stages;
  private final Recall<About<Gate>, Optional<Expectation>> gates;

  /** Equal by how the board is built and by what is asked, whichever index of parts carries it. */
  private record About<T>(Parts parts, T what) {
    @Override
    public boolean equals(Object other) {
      return other instanceof About<?> o
          && parts.built().equals(o.parts.built())
          && what.equals(o.what);
    }

    @Override
    public int hashCode() {
      return Objects.hash(parts.built(), what);
    }
  }

  Windows(Works works) {
    stages =
        new Recall<>(
            works,
            asked -> calledOff -> new PowerReckoning(asked.parts()).stage(asked.what(), calledOff));
    gates =
        new Recall<>(
            works, asked -> calledOff -> new GateReckoning(asked.parts()).of(asked.what()));
  }

  Known<PoweredStage> powered(Parts parts, BoardState state) {
    return known(stages, new About<>(parts, state));
  }

  Known<Expectation> expected(Parts parts, Gate gate) {
    return known(gates, new About<>(parts, gate));
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
