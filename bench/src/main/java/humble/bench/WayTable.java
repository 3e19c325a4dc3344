package humble.bench;

import java.util.HashMap;
import java.util.Map;
import java.util.function.IntUnaryOperator;

/**
 * What eight lines make of a byte, found by asking for few of the 256: every bit that arrives
 * depends on the bits that move it, from all low or from all high.
 */
final class WayTable {
  private static final int BITS = 8;
  private static final int ALL = 0xff;

  private final IntUnaryOperator asked;
  private final Map<Integer, Integer> answers = new HashMap<>();
  private final int[] movers = new int[BITS];
  private boolean learnt;

  /**
   * Makes one.
   *
   * @param asked gives what arrives of a byte; it costs something
   */
  WayTable(IntUnaryOperator asked) {
    this.asked = asked;
  }

  /** Gives what arrives of a byte. */
  synchronized int of(int value) {
    if (!learnt) {
      learn();
      learnt = true;
    }
    int arrives = 0;
    for (int bit = 0; bit < BITS; bit++) {
      arrives |= answer(value & movers[bit]) & 1 << bit;
    }
    return arrives;
  }

  private void learn() {
    for (int flipped = 0; flipped < BITS; flipped++) {
      int from = answer(0) ^ answer(1 << flipped);
      int down = answer(ALL) ^ answer(ALL & ~(1 << flipped));
      for (int bit = 0; bit < BITS; bit++) {
        movers[bit] |= ((from | down) >> bit & 1) << flipped;
      }
    }
  }

  private int answer(int value) {
    return answers.computeIfAbsent(value, asked::applyAsInt);
  }
}
