package humble.core.wake;

import java.util.ArrayList;
import java.util.List;

/**
 * How long a key bounces.
 *
 * @param presses how often it was pressed
 * @param longestMs longest bounce seen, in milliseconds
 * @param nearlyAllMs 99.9th percentile of the bounces seen; the longest one below a thousand
 */
public record Bounce(int presses, double longestMs, double nearlyAllMs) {
  /** A pause that no bounce has, in milliseconds. */
  private static final double QUIET_MS = 50;

  /**
   * Gives it from the moments at which the level changed, in milliseconds and rising: changes that
   * follow each other within 50 ms are one press or one release.
   */
  public static Bounce of(List<Double> edgesMs) {
    List<Double> lengths = new ArrayList<>();
    for (int i = 0; i < edgesMs.size(); ) {
      int last = i;
      while (last + 1 < edgesMs.size() && edgesMs.get(last + 1) - edgesMs.get(last) < QUIET_MS) {
        last++;
      }
      lengths.add(edgesMs.get(last) - edgesMs.get(i));
      i = last + 1;
    }
    lengths.sort(null);
    if (lengths.isEmpty()) {
      return new Bounce(0, 0, 0);
    }
    int at = (int) Math.min(lengths.size() - 1, Math.ceil(0.999 * lengths.size()) - 1);
    return new Bounce((lengths.size() + 1) / 2, lengths.getLast(), lengths.get(at));
  }

  /** Gives how long to wait before a level is believed: twice nearly all of them, 5 ms at least. */
  public double waitMs() {
    return Math.max(5, 2 * nearlyAllMs);
  }
}
