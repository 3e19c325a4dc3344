package humble.core.route;

import humble.core.words.Phrase;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/** The hard facts between nodes: what must come before what, and why. */
final class Facts {
  private final Map<Integer, Map<Integer, Phrase>> before = new LinkedHashMap<>();

  /**
   * Adds that {@code first} comes before {@code then}. Within one node it is kept too: such a node
   * is to be taken apart.
   */
  void add(Node first, Node then, Phrase because) {
    before
        .computeIfAbsent(then.index(), key -> new LinkedHashMap<>())
        .putIfAbsent(first.index(), because);
  }

  /** Gives the nodes that must come before {@code node}, with the reasons. */
  Map<Integer, Phrase> before(int node) {
    return before.getOrDefault(node, Map.of());
  }

  /** Tells whether everything before {@code node} is in {@code done}. */
  boolean ready(int node, BitSet done) {
    return before(node).keySet().stream().allMatch(done::get);
  }

  /** Gives, for every one of {@code n} nodes, all that must come after it through any chain. */
  BitSet[] closure(int n) {
    BitSet[] after = new BitSet[n];
    for (int i = 0; i < n; i++) {
      after[i] = new BitSet();
    }
    before.forEach((then, firsts) -> firsts.keySet().forEach(first -> after[first].set(then)));
    boolean grown = true;
    while (grown) {
      grown = false;
      for (BitSet set : after) {
        int size = set.cardinality();
        BitSet more = (BitSet) set.clone();
        set.stream().forEach(k -> more.or(after[k]));
        set.or(more);
        grown |= set.cardinality() > size;
      }
    }
    return after;
  }

  /** Tells whether {@code first} comes before {@code then} through any chain of facts. */
  boolean precedes(int first, int then) {
    BitSet seen = new BitSet();
    List<Integer> open = new ArrayList<>(List.of(then));
    while (!open.isEmpty()) {
      int node = open.removeLast();
      for (int each : before(node).keySet()) {
        if (each == first) {
          return true;
        }
        if (!seen.get(each)) {
          seen.set(each);
          open.add(each);
        }
      }
    }
    return false;
  }

  /** Gives the facts of nodes that wait for themselves, in a fixed order; empty when none does. */
  List<Phrase> circle(int n) {
    BitSet[] after = closure(n);
    List<Phrase> circle = new ArrayList<>();
    for (int then = 0; then < n; then++) {
      for (Map.Entry<Integer, Phrase> fact : before(then).entrySet()) {
        if (after[then].get(fact.getKey()) && !circle.contains(fact.getValue())) {
          circle.add(fact.getValue());
        }
      }
    }
    circle.sort(Comparator.comparing(Phrase::toString));
    return circle;
  }
}
