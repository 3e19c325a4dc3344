package humble.core.stock;

import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;

/**
 * How to snap header strips: the needed lengths out of the fewest strips, then with the fewest
 * snaps. Exact: memory over what is still needed, so that like lengths are counted, not told apart.
 *
 * @param strips strips to take, each with the lengths that come out of it
 * @param snaps number of snaps
 * @param leftOver positions left of each strip, in the order of {@code strips}
 */
public record Snapping(List<List<Integer>> strips, int snaps, List<Integer> leftOver) {
  private static final int MOST_STATES = 400_000;

  public Snapping {
    strips = strips.stream().map(List::copyOf).toList();
    leftOver = List.copyOf(leftOver);
  }

  /** Fewest strips and, among those, fewest snaps; and how the first strip is cut. */
  private record Best(int strips, int snaps, List<Integer> first) {}

  /**
   * Finds the best way.
   *
   * @param lengths needed lengths, in positions
   * @param stripLength positions of a strip
   * @param lostPerCut positions that a cut destroys: 0 for pins that snap between two, 1 for
   *     receptacles cut through one
   * @return the way; empty when a length is longer than a strip
   * @throws IllegalArgumentException for lengths below one, or so many different ones that no exact
   *     answer can be found
   */
  public static Optional<Snapping> of(List<Integer> lengths, int stripLength, int lostPerCut) {
    if (stripLength < 1 || lostPerCut < 0 || lengths.stream().anyMatch(length -> length < 1)) {
      throw new IllegalArgumentException("a strip and its pieces have at least one position");
    }
    if (lengths.stream().anyMatch(length -> length > stripLength)) {
      return Optional.empty();
    }
    TreeMap<Integer, Integer> counts = new TreeMap<>(Comparator.reverseOrder());
    lengths.forEach(length -> counts.merge(length, 1, Integer::sum));
    Search search =
        new Search(
            counts.keySet().stream().mapToInt(Integer::intValue).toArray(),
            stripLength,
            lostPerCut);
    List<Integer> left = new ArrayList<>(counts.values());
    List<List<Integer>> strips = new ArrayList<>();
    List<Integer> over = new ArrayList<>();
    int snaps = search.best(left).snaps();
    while (left.stream().anyMatch(count -> count > 0)) {
      List<Integer> take = search.best(left).first();
      List<Integer> strip = new ArrayList<>();
      for (int i = 0; i < take.size(); i++) {
        strip.addAll(Collections.nCopies(take.get(i), search.lengths[i]));
        left.set(i, left.get(i) - take.get(i));
      }
      strips.add(strip);
      over.add(search.leftOver(strip.stream().mapToInt(Integer::intValue).sum(), strip.size()));
    }
    return Optional.of(new Snapping(strips, snaps, over));
  }

  /** Search over what is still needed, as a number for each length. */
  private static final class Search {
    private final int[] lengths;
    private final int strip;
    private final int lost;
    private final Map<List<Integer>, Best> known = new HashMap<>();

    Search(int[] lengths, int strip, int lost) {
      this.lengths = lengths;
      this.strip = strip;
      this.lost = lost;
    }

    Best best(List<Integer> need) {
      Best before = known.get(need);
      if (before != null) {
        return before;
      }
      if (known.size() > MOST_STATES) {
        throw new IllegalArgumentException("so many different lengths cannot be reckoned exactly");
      }
      int first = 0;
      while (first < need.size() && need.get(first) == 0) {
        first++;
      }
      Best best;
      if (first == need.size()) {
        best = new Best(0, 0, List.of());
      } else {
        List<Integer> take = new ArrayList<>(Collections.nCopies(need.size(), 0));
        take.set(first, 1);
        best =
            fill(need, take, first, lengths[first], 1, new Best(Integer.MAX_VALUE, 0, List.of()));
      }
      known.put(List.copyOf(need), best);
      return best;
    }

    /** The longest piece still needed lies on this strip; the others join it in every way. */
    private Best fill(
        List<Integer> need, List<Integer> take, int from, int sum, int pieces, Best bestSoFar) {
      Best best = bestSoFar;
      for (int i = from; i < need.size(); i++) {
        if (take.get(i) < need.get(i) && fits(sum + lengths[i], pieces + 1)) {
          take.set(i, take.get(i) + 1);
          best = fill(need, take, i, sum + lengths[i], pieces + 1, best);
          take.set(i, take.get(i) - 1);
        }
      }
      List<Integer> rest = new ArrayList<>(need);
      for (int i = 0; i < need.size(); i++) {
        rest.set(i, need.get(i) - take.get(i));
      }
      Best after = best(rest);
      int strips = after.strips() + 1;
      int snaps = after.snaps() + snaps(sum, pieces);
      if (strips < best.strips() || (strips == best.strips() && snaps < best.snaps())) {
        best = new Best(strips, snaps, List.copyOf(take));
      }
      return best;
    }

    /** The last piece needs no cut when it ends where the strip ends. */
    private boolean fits(int sum, int pieces) {
      return sum + (pieces - 1) * lost <= strip;
    }

    private int snaps(int sum, int pieces) {
      return sum + (pieces - 1) * lost == strip ? pieces - 1 : pieces;
    }

    int leftOver(int sum, int pieces) {
      return Math.max(0, strip - sum - snaps(sum, pieces) * lost);
    }
  }
}
