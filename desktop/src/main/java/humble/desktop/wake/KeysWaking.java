package humble.desktop.wake;

import humble.bench.PracticeBench;
import humble.core.kit.BoardState;
import humble.core.kit.Peripheral;
import humble.core.wake.GhostKeys;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * Keys: each is pressed, those that nothing answers to are marked, and a row or a column that they
 * are all of is told. Facts: {@code silent}, {@code twice} (one press counts twice), {@code others}
 * (others seem pressed with it), each with its numbers.
 */
final class KeysWaking extends MarkedWaking {
  private final Peripheral.Buttons keys;

  private KeysWaking(WakeBench bench, Peripheral.Buttons keys) {
    super(bench, keys, "keys", List.of("silent", "twice", "others"), keys.refs());
    this.keys = keys;
  }

  static Optional<WakeHand> of(WakeBench bench, Peripheral peripheral) {
    return peripheral instanceof Peripheral.Buttons keys && !keys.refs().isEmpty()
        ? Optional.of(new KeysWaking(bench, keys))
        : Optional.empty();
  }

  @Override
  protected Map<String, Set<Integer>> failing(PracticeBench practice, BoardState powered) {
    return Map.of("silent", practice.wake().silentKeys(keys, powered));
  }

  @Override
  protected boolean isSeen() {
    return false;
  }

  @Override
  protected List<String> told(Map<String, Set<Integer>> numbers) {
    List<String> told = new ArrayList<>();
    if (!keys.rows().isEmpty()) {
      new GhostKeys(keys.rows().size(), keys.columns().size(), keys.diodes())
          .common(numbers.getOrDefault("silent", Set.of()))
          .forEach(all ->
              told.add(
                  say(
                      all.row() ? "wake.keys.row" : "wake.keys.column",
                      (all.row() ? keys.rows() : keys.columns()).get(all.index()))));
    }
    if (!numbers.getOrDefault("twice", Set.of()).isEmpty()) {
      told.add(say("wake.keys.bounce"));
    }
    if (!numbers.getOrDefault("others", Set.of()).isEmpty()) {
      told.add(
          say(
              keys.rows().isEmpty()
                  ? "wake.keys.joined"
                  : keys.diodes() ? "wake.keys.diode" : "wake.keys.no-diode"));
    }
    return told;
  }
}
