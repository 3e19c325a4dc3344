package humble.core.route;

import humble.core.kit.Kit;
import humble.core.kit.RefOrder;
import humble.core.words.Phrase;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.BitSet;
import java.util.Comparator;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;

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
 * @param movedNodes the nodes that had to be moved
 * @param fewest moves that no order avoids
 */
record SheetOrder(List<Node> order, List<Phrase> moved, Set<Node> movedNodes, int fewest) {
  /**
   * Repairs an order.
   *
   * @param work nodes and facts, which do not run in a circle
   * @param rank place in the sheet by node; nodes the sheet does not name have one between others
   */
  static SheetOrder of(Work work, Kit kit, int[] rank) {
    int n = work.nodes().size();
    BitSet[] after = work.facts().closure(n);
    boolean[] stays = largestQuietSet(n, rank, after);
    List<Node> order = merged(work, rank, stays);
    List<Phrase> moved = new ArrayList<>();
    Set<Node> movedNodes = new LinkedHashSet<>();
    for (Node node : order) {
      if (!stays[node.index()]) {
        moved.add(reason(work, kit, rank, node));
        movedNodes.add(node);
      }
    }
    int fewest = moved.size();
    together(work, kit, after, order, moved, movedNodes);
    return new SheetOrder(order, moved, movedNodes, fewest);
  }

  /**
   * Between parts that hold each other stands no other fit: what has to come before one of them
   * goes before all, the rest after all; what has to stand between stays. This is done after the
   * fewest moves were found, so that the two together need not be the fewest.
   */
  private static void together(
      Work work,
      Kit kit,
      BitSet[] after,
      List<Node> order,
      List<Phrase> moved,
      Set<Node> movedNodes) {
    for (int jig : order.stream().mapToInt(work::jigOf).filter(j -> j >= 0).distinct().toArray()) {
      List<Node> members = order.stream().filter(node -> work.jigOf(node) == jig).toList();
      int from = order.indexOf(members.getFirst());
      int to = order.indexOf(members.getLast()) + 1;
      List<Node> span = List.copyOf(order.subList(from, to));
      if (span.stream().noneMatch(node -> isStranger(work, node, jig))) {
        continue;
      }
      List<Node> first = new ArrayList<>();
      List<Node> middle = new ArrayList<>();
      List<Node> last = new ArrayList<>();
      for (Node node : span) {
        boolean leads = members.stream().anyMatch(m -> after[node.index()].get(m.index()));
        boolean follows = members.stream().anyMatch(m -> after[m.index()].get(node.index()));
        List<Node> where = leads == follows && leads ? middle : leads ? first : last;
        (work.jigOf(node) == jig ? middle : where).add(node);
      }
      List<Node> next = new ArrayList<>(first);
      next.addAll(middle);
      next.addAll(last);
      for (Node node : leastMoved(span, next, members)) {
        Node mate = members.getFirst() == node ? members.getLast() : members.getFirst();
        moved.add(
            members.contains(node)
                ? Phrase.of("route.sheet-jig", name(kit, node), name(kit, mate))
                : Phrase.of("route.sheet-away", name(kit, node), name(kit, mate)));
        movedNodes.add(node);
      }
      for (int i = 0; i < next.size(); i++) {
        order.set(from + i, next.get(i));
      }
    }
  }

  /**
   * The fewest nodes whose moving makes {@code next} of {@code span}: all but a longest run in
   * their old order, of those one that rather moves what holds each other.
   */
  private static List<Node> leastMoved(List<Node> span, List<Node> next, List<Node> members) {
    int n = next.size();
    double[] best = new double[n];
    int[] from = new int[n];
    int end = 0;
    for (int i = 0; i < n; i++) {
      from[i] = -1;
      double own = members.contains(next.get(i)) ? 1 : 1 + 0.5 / n;
      best[i] = own;
      for (int k = 0; k < i; k++) {
        boolean rises = span.indexOf(next.get(k)) < span.indexOf(next.get(i));
        if (rises && best[k] + own > best[i]) {
          best[i] = best[k] + own;
          from[i] = k;
        }
      }
      end = best[i] > best[end] ? i : end;
    }
    List<Node> moved = new ArrayList<>(next);
    for (int i = end; i >= 0; i = from[i]) {
      moved.remove(next.get(i));
    }
    return moved;
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
      // Of those that stay none overtakes one that the sheet has before it; nodes of one entry may.
      int waits = Integer.MAX_VALUE;
      for (Node node : left) {
        boolean blocked = stays[node.index()] && rank[node.index()] > waits;
        if (!blocked && work.facts().ready(node.index(), done)) {
          next = node;
          break;
        }
        waits = stays[node.index()] ? Math.min(waits, rank[node.index()]) : waits;
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

  private static Phrase reason(Work work, Kit kit, int[] rank, Node node) {
    String name = name(kit, node);
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

  /** Gives what a person calls a node: its parts, or its title. */
  static String name(Kit kit, Node node) {
    List<String> refs = node.refs();
    return !refs.isEmpty()
        ? RefOrder.listed(refs)
        : node.line() != null ? node.name() : kit.titleOf(node.id());
  }
}
