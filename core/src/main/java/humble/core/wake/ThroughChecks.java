package humble.core.wake;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;

/**
 * The fewest checks by a meter that beeps which prove that what belongs together is joined and that
 * nothing else is. What is joined is a tree of checks: one fewer than its points. That n of them
 * are apart takes ⌈log₂ n⌉ checks between two bunches: every two of them are in different bunches
 * of at least one.
 *
 * @param groups points that belong together, in the order of the kit
 */
public record ThroughChecks(List<List<String>> groups) {
  public ThroughChecks {
    groups = groups.stream().map(List::copyOf).toList();
  }

  /** One check. */
  public sealed interface Check {
    /** It beeps between these two. */
    record Through(String a, String b) implements Check {}

    /** It stays silent between two bunches, each clipped together at one point of every group. */
    record Apart(List<String> one, List<String> other) implements Check {}
  }

  /** Makes them from pairs that go through: pairs that share a point belong together. */
  public static ThroughChecks of(List<List<String>> pairs) {
    Map<String, Set<String>> of = new LinkedHashMap<>();
    for (List<String> pair : pairs) {
      Set<String> all = new LinkedHashSet<>();
      pair.forEach(point -> all.addAll(of.getOrDefault(point, Set.of(point))));
      all.forEach(point -> of.put(point, all));
    }
    Set<Set<String>> groups = new LinkedHashSet<>(of.values());
    return new ThroughChecks(groups.stream().map(List::copyOf).toList());
  }

  /** Gives the checks: what is joined first, then what is apart. */
  public List<Check> checks() {
    List<Check> all = new ArrayList<>();
    for (List<String> group : groups) {
      group.stream().skip(1).forEach(point -> all.add(new Check.Through(group.getFirst(), point)));
    }
    for (int bit = 0; bit < bits(); bit++) {
      List<String> one = new ArrayList<>();
      List<String> other = new ArrayList<>();
      for (int i = 0; i < groups.size(); i++) {
        ((i >> bit & 1) == 0 ? one : other).add(groups.get(i).getFirst());
      }
      all.add(new Check.Apart(one, other));
    }
    return all;
  }

  private int bits() {
    return groups.size() < 2 ? 0 : 32 - Integer.numberOfLeadingZeros(groups.size() - 1);
  }

  /**
   * Gives the pairs of groups that one bridge may be between, by a point of each; where no single
   * one accounts for it, all that may take part.
   *
   * @param beeped the checks between bunches that did beep, from 0
   */
  public List<List<String>> bridged(Set<Integer> beeped) {
    int pattern = beeped.stream().mapToInt(bit -> 1 << bit).sum();
    List<List<String>> exactly = pairs(pattern, true);
    return pattern == 0 ? List.of() : exactly.isEmpty() ? pairs(pattern, false) : exactly;
  }

  private List<List<String>> pairs(int pattern, boolean exactly) {
    List<List<String>> all = new ArrayList<>();
    for (int i = 0; i < groups.size(); i++) {
      for (int k = i + 1; k < groups.size(); k++) {
        int differs = i ^ k;
        if (exactly ? differs == pattern : (differs & ~pattern) == 0) {
          all.add(List.of(groups.get(i).getFirst(), groups.get(k).getFirst()));
        }
      }
    }
    return all;
  }
}
