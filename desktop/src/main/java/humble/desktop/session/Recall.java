package humble.desktop.session;

import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;

/**
 * What is worked out in the background the first time it is asked for, and remembered for as long
 * as what it was worked out of is the same. Used on the interface thread only.
 *
 * @param <K> what is asked about; equal keys have equal answers
 * @param <V> the answer
 */
final class Recall<K, V> {
  private final Works works;
  private final Function<K, Job<V>> jobs;
  private final Map<K, Errand<V>> errands = new HashMap<>();
  private final Map<K, V> known = new HashMap<>();

  Recall(Works works, Function<K, Job<V>> jobs) {
    this.works = works;
    this.jobs = jobs;
  }

  /** Gives the answer once it is known; asks for it the first time. */
  Optional<V> ask(K key) {
    V now = known.get(key);
    if (now == null && !errands.containsKey(key)) {
      errands.put(key, works.start(jobs.apply(key), answer -> known.put(key, answer)));
    }
    return Optional.ofNullable(now);
  }

  /** Gives the answer where it is known; asks for nothing. */
  Optional<V> peek(K key) {
    return Optional.ofNullable(known.get(key));
  }

  /** Gives one sentence when the answer cannot be worked out. */
  Optional<String> failed(K key) {
    Errand<V> errand = errands.get(key);
    return errand == null ? Optional.empty() : errand.failed();
  }

  /** Lets what failed be asked for once more. */
  void again() {
    errands.values().removeIf(errand -> errand.failed().isPresent());
  }
}
