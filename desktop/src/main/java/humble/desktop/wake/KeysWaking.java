package humble.desktop.wake;

import humble.bench.PracticeBench;
import humble.core.kit.BoardState;
import humble.core.kit.Peripheral;
import humble.core.wake.GhostKeys;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/**
 * Keys: each is pressed, those that nothing answers to are marked, and a row or a column that they
 * are all of is told. Fact {@code silent}: their numbers.
 */
final class KeysWaking extends MarkedWaking {
  private final Peripheral.Buttons keys;

  private KeysWaking(WakeBench bench, Peripheral.Buttons keys) {
    super(bench, keys, "keys", "silent", keys.refs());
    this.keys = keys;
  }

  static Optional<WakeHand> of(WakeBench bench, Peripheral peripheral) {
    return peripheral instanceof Peripheral.Buttons keys && !keys.refs().isEmpty()
        ? Optional.of(new KeysWaking(bench, keys))
        : Optional.empty();
  }

  @Override
  protected Set<Integer> failing(PracticeBench practice, BoardState powered) {
    return practice.wake().silentKeys(keys, powered);
  }

  @Override
  protected boolean isSeen() {
    return false;
  }

  @Override
  protected List<String> told(Set<Integer> numbers) {
    if (keys.rows().isEmpty()) {
      return List.of();
    }
    return new GhostKeys(keys.rows().size(), keys.columns().size(), keys.diodes())
        .common(numbers).stream()
            .map(all ->
                say(
                    all.row() ? "wake.keys.row" : "wake.keys.column",
                    (all.row() ? keys.rows() : keys.columns()).get(all.index())))
            .toList();
  }
}
