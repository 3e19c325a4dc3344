package humble.core.firmware;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;

/**
 * What rows that read otherwise have in common: a line that hangs or two that touch, rather than
 * slips of a finger. Said only where every row that was read agrees and at least two rows show it.
 */
public final class SheetLines {
  private static final int BITS = 8;
  private static final int LEAST_ROWS = 2;

  private SheetLines() {}

  /** What is wrong with a line. */
  public sealed interface Wrong {
    /** The bit reads the same whatever was put in. */
    record Stuck(int bit, boolean high, int rows) implements Wrong {}

    /** Two bits read the same although other things were put in. */
    record Joined(int bit, int other, int rows) implements Wrong {}
  }

  /**
   * Finds them.
   *
   * @param put what was put in, by address
   * @param read what was read back, by address
   */
  public static List<Wrong> of(Map<Long, Integer> put, Map<Long, Integer> read) {
    List<int[]> pairs = new ArrayList<>();
    read.forEach((address, value) -> {
      Integer wrote = put.get(address);
      if (wrote != null) {
        pairs.add(new int[] {wrote, value});
      }
    });
    List<Wrong> found = new ArrayList<>();
    for (int bit = 0; bit < BITS; bit++) {
      stuck(bit, pairs, found);
    }
    if (found.isEmpty()) {
      for (int bit = 0; bit < BITS; bit++) {
        for (int other = bit + 1; other < BITS; other++) {
          joined(bit, other, pairs, found);
        }
      }
    }
    return found;
  }

  private static int bit(int value, int bit) {
    return value >> bit & 1;
  }

  private static void stuck(int bit, List<int[]> pairs, List<Wrong> found) {
    for (int level = 0; level <= 1; level++) {
      int is = level;
      boolean always = pairs.stream().allMatch(pair -> bit(pair[1], bit) == is);
      int rows = (int) pairs.stream().filter(pair -> bit(pair[0], bit) != is).count();
      if (always && rows >= LEAST_ROWS) {
        found.add(new Wrong.Stuck(bit, level == 1, rows));
      }
    }
  }

  private static void joined(int bit, int other, List<int[]> pairs, List<Wrong> found) {
    boolean same = pairs.stream().allMatch(pair -> bit(pair[1], bit) == bit(pair[1], other));
    boolean elseRight =
        pairs.stream()
            .filter(pair -> bit(pair[0], bit) == bit(pair[0], other))
            .allMatch(pair -> bit(pair[0], bit) == bit(pair[1], bit));
    int rows =
        (int) pairs.stream().filter(pair -> bit(pair[0], bit) != bit(pair[0], other)).count();
    if (same && elseRight && rows >= LEAST_ROWS) {
      found.add(new Wrong.Joined(bit, other, rows));
    }
  }
}
