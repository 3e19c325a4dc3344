package humble.core.route;

import humble.core.words.Phrase;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.BitSet;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * The kit's own order with its hard facts repaired by the fewest moves.
 *
 * <p>Two steps stand against each other when the sheet has them the other way round than the facts
 * demand. That relation is transitive, so the largest number of steps that may stay is an
 * antichain, found by a matching (Dilworth 1950, Fulkerson 1956); the others are moved, each no
 * further than the facts demand.
 *
 * @param order all nodes in order
 * @param moved what had to be moved, with the fact that demands it
 */
record SheetOrder(List<Node> order, List<Phrase> moved) {
  /**
   * Repairs an order.
   *
   * @param work nodes and facts
   * @param rank place in the sheet by node; nodes the sheet does not name have one between others
   * @return the order; empty when the facts run in a circle
   */
  static Optional<SheetOrder> of(Work work, int[] rank) {
    int n = work.nodes().size();
    BitSet[] after = work.facts().closure(n);
    for (int i = 0; i < n; i++) {
      if (after[i].get(i)) {
        return Optional.empty();
      }
    }
    boolean[] stays = largestQuietSet(n, rank, after);
    List<Node> order = merged(work, rank, stays);
    List<Phrase> moved = new ArrayList<>();
    for (Node node : order) {
      if (!stays[node.index()]) {
        moved.add(reason(work, rank, node));
      }
    }
    together(work, after, order, moved);
    return Optional.of(new SheetOrder(order, moved));
  }

  /**
   * Between parts that hold each other stands no other fit: the later one is moved to the earlier
   * one, or that to it where a fact stands between. This is done after the fewest moves were found,
   * so that the two together need not be the fewest.
   */
  private static void together(Work work, BitSet[] after, List<Node> order, List<Phrase> moved) {
    for (int i = 0; i < order.size(); i++) {
      Node first = order.get(i);
      int jig = work.jigOf(first);
      for (int k = i + 1; jig >= 0 && k < order.size(); k++) {
        Node mate = order.get(k);
        if (work.jigOf(mate) != jig) {
          continue;
        }
        List<Node> between = List.copyOf(order.subList(i + 1, k));
        if (between.stream().noneMatch(node -> isStranger(work, node, jig))) {
          continue;
        }
        if (between.stream().noneMatch(node -> after[node.index()].get(mate.index()))) {
          order.add(i + 1, order.remove(k));
          moved.add(Phrase.of("route.sheet-jig", name(mate), name(first)));
        } else if (between.stream().noneMatch(node -> after[first.index()].get(node.index()))) {
          order.add(k, first);
          order.remove(i);
          moved.add(Phrase.of("route.sheet-jig", name(first), name(mate)));
          i--;
          break;
        }
      }
    }
  }

  private static boolean isStranger(Work work, Node node, int jig) {
    return node.isFit() && work.jigOf(node) != jig;
  }

  /** Tells whether the sheet has {@code a} before {@code b} although {@code b} must come first. */
  private static boolean against(int[] rank, BitSet[] after, int a, int b) {
    return rank[a] < rank[b] && after[b].get(a);
  }

  /** A largest set of nodes of which no two stand against each other (Kőnig's theorem). */
  private static boolean[] largestQuietSet(int n, int[] rank, BitSet[] after) {
    int[] matchOfRight = new int[n];
    Arrays.fill(matchOfRight, -1);
    for (int a = 0; a < n; a++) {
      augment(a, n, rank, after, matchOfRight, new boolean[n]);
    }
    int[] matchOfLeft = new int[n];
    Arrays.fill(matchOfLeft, -1);
    for (int b = 0; b < n; b++) {
      if (matchOfRight[b] >= 0) {
        matchOfLeft[matchOfRight[b]] = b;
      }
    }
    boolean[] leftSeen = new boolean[n];
    boolean[] rightSeen = new boolean[n];
    for (int a = 0; a < n; a++) {
      if (matchOfLeft[a] < 0) {
        reach(a, n, rank, after, matchOfRight, leftSeen, rightSeen);
      }
    }
    boolean[] stays = new boolean[n];
    for (int i = 0; i < n; i++) {
      stays[i] = leftSeen[i] && !rightSeen[i];
    }
    return stays;
  }

  private static boolean augment(
      int a, int n, int[] rank, BitSet[] after, int[] matchOfRight, boolean[] tried) {
    for (int b = 0; b < n; b++) {
      if (!tried[b] && against(rank, after, a, b)) {
        tried[b] = true;
        if (matchOfRight[b] < 0 || augment(matchOfRight[b], n, rank, after, matchOfRight, tried)) {
          matchOfRight[b] = a;
          return true;
        }
      }
    }
    return false;
  }

  private static void reach(
      int a,
      int n,
      int[] rank,
      BitSet[] after,
      int[] matchOfRight,
      boolean[] leftSeen,
      boolean[] rightSeen) {
    leftSeen[a] = true;
    for (int b = 0; b < n; b++) {
      if (!rightSeen[b] && against(rank, after, a, b)) {
        rightSeen[b] = true;
        if (matchOfRight[b] >= 0 && !leftSeen[matchOfRight[b]]) {
          reach(matchOfRight[b], n, rank, after, matchOfRight, leftSeen, rightSeen);
        }
      }
    }
  }

  /** Those that stay keep their order; the others go in as near to their place as the facts let. */
  private static List<Node> merged(Work work, int[] rank, boolean[] stays) {
    List<Node> left = new ArrayList<>(work.nodes());
    left.sort(
        Comparator.comparingInt((Node node) -> rank[node.index()]).thenComparingInt(Node::index));
    List<Node> order = new ArrayList<>();
    BitSet done = new BitSet();
    while (!left.isEmpty()) {
      Node next = null;
      boolean stayerWaits = false;
      for (Node node : left) {
        boolean blocked = stays[node.index()] && stayerWaits;
        stayerWaits |= stays[node.index()];
        if (!blocked && work.facts().ready(node.index(), done)) {
          next = node;
          break;
        }
      }
      if (next == null) {
        throw new IllegalStateException("the facts run in a circle");
      }
      left.remove(next);
      done.set(next.index());
      order.add(next);
    }
    return order;
  }

  private static Phrase reason(Work work, int[] rank, Node node) {
    String name = name(node);
    for (Map.Entry<Integer, Phrase> fact : work.facts().before(node.index()).entrySet()) {
      if (rank[fact.getKey()] > rank[node.index()]) {
        return Phrase.of("route.sheet-later", name, fact.getValue());
      }
    }
    for (Node later : work.nodes()) {
      Phrase fact = work.facts().before(later.index()).get(node.index());
      if (fact != null && rank[later.index()] < rank[node.index()]) {
        return Phrase.of("route.sheet-earlier", name, fact);
      }
    }
    return Phrase.of("route.sheet-moved", name);
  }

  static String name(Node node) {
    return node.refs().isEmpty() ? node.id() : String.join(", ", node.refs());
  }
}
