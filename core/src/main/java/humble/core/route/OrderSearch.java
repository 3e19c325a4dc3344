package humble.core.route;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.BitSet;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;

/**
 * The search for the best order of one school between hard facts.
 *
 * <p>Orders that have fitted the same groups and ended on the same one are one state, and only the
 * best of them is kept: dynamic programming over subsets (Held and Karp 1962). What a group costs
 * against everything still to come is booked when it is fitted. A first, narrow run gives an order;
 * the second drops only what provably cannot be better than that order: its cost so far and the
 * least that the rest must still cost (branch and bound, Land and Doig 1960). Groups that differ in
 * nothing that is measured stay in their natural order. Where so much is left that the second run
 * would take long it is narrowed too; the least of what was dropped is then the bound that is
 * given. Ties fall in the order of the nodes.
 *
 * <p>Longer than other classes: both runs share what a state is and what the rest must cost at
 * least, and each is a few lines without the other.
 */
final class OrderSearch {
  static final double TALLER_MM = 0.5;

  /** Free groups between two barriers up to which nothing is ever dropped. */
  static final int EXACT_GROUPS = 18;

  private static final int NARROW = 200;
  private static final int WIDE = 600;
  private static final int STATES = 30_000;

  private final List<Node> nodes;
  private final School school;
  private final Order order;
  private final int words;
  private final long[][] before;

  OrderSearch(Work work, School school) {
    this.nodes = work.nodes();
    this.school = school;
    this.words = (nodes.size() + 63) / 64;
    this.order = new Order(work);
    this.before = order.before;
  }

  /**
   * What the search found.
   *
   * @param order fits in order; of a whole plan all nodes
   * @param cost its measures
   * @param exact whether no order is better
   * @param bound score that no order undercuts; the score itself when {@code exact}
   */
  record Outcome(List<Node> order, Cost cost, boolean exact, int[] bound) {}

  /** One more group fitted; {@code tie} is the rank of the state it grew from. */
  private record State(
      long[] done, int last, Cost cost, int[] least, int tie, @Nullable State from) {}

  /** A set of nodes that can be looked up. */
  private static final class Bits {
    private final long[] words;
    private final int hash;

    Bits(long[] words) {
      this.words = words;
      this.hash = Arrays.hashCode(words);
    }

    @Override
    public boolean equals(@Nullable Object other) {
      return other instanceof Bits bits && hash == bits.hash && Arrays.equals(words, bits.words);
    }

    @Override
    public int hashCode() {
      return hash;
    }
  }

  /** All states of one round with the same groups fitted, and what only depends on these. */
  private static final class Reached {
    private final Order.Rest rest;
    private final State[] byLast;

    Reached(Order.Rest rest, int nodes) {
      this.rest = rest;
      this.byLast = new State[nodes];
    }
  }

  private static final Comparator<State> BETTER =
      Comparator.comparing(State::least, Arrays::compare)
          .thenComparingInt(State::tie)
          .thenComparingInt(State::last);

  Outcome run() {
    State quick = search(null, NARROW, 0, new int[1][]);
    int[][] dropped = new int[1][];
    boolean small = order.largestSegment() <= EXACT_GROUPS;
    int[] known = isWhole(quick) ? quick.cost().score(school) : null;
    State best =
        search(
            known, small ? Integer.MAX_VALUE : WIDE, small ? Integer.MAX_VALUE : STATES, dropped);
    // The narrowed run may lose sight of the order that the first one found.
    State end = !isWhole(best) && isWhole(quick) ? quick : best;
    int[] score = end.cost().score(school);
    if (isWhole(quick) && Arrays.compare(quick.cost().score(school), score) < 0) {
      end = quick;
      score = quick.cost().score(school);
    }
    boolean exact = dropped[0] == null || Arrays.compare(dropped[0], score) >= 0;
    return new Outcome(steps(end), end.cost(), exact, exact ? score : dropped[0]);
  }

  private boolean isWhole(State state) {
    return nodes.stream().allMatch(node -> !node.isFit() || has(state.done(), node.index()));
  }

  /**
   * Searches.
   *
   * @param known score of an order that is known, null when none is
   * @param width states kept of each round once the free ones are used up
   * @param free states kept before rounds are narrowed
   * @param dropped takes the least of what was dropped, where it could have been better
   */
  private State search(int @Nullable [] known, int width, int free, int[][] dropped) {
    List<State> round = List.of(new State(new long[words], -1, Cost.NONE, new int[0], 0, null));
    long kept = 0;
    while (true) {
      Map<Bits, Reached> next = new HashMap<>();
      for (int rank = 0; rank < round.size(); rank++) {
        grow(round.get(rank), rank, known, next);
      }
      List<State> sorted = new ArrayList<>();
      for (Reached reached : next.values()) {
        for (State state : reached.byLast) {
          if (state != null) {
            sorted.add(state);
          }
        }
      }
      if (sorted.isEmpty()) {
        return round.getFirst();
      }
      sorted.sort(BETTER);
      kept += sorted.size();
      if (kept > free && sorted.size() > width) {
        int[] least = sorted.get(width).least();
        if (dropped[0] == null || Arrays.compare(least, dropped[0]) < 0) {
          dropped[0] = least;
        }
        sorted = sorted.subList(0, width);
      }
      round = sorted;
    }
  }

  private void grow(State state, int rank, int @Nullable [] known, Map<Bits, Reached> next) {
    for (Node node : nodes) {
      int index = node.index();
      if (!node.isFit()
          || !open(index, state.done())
          || !order.allows(state.done(), state.last(), index)) {
        continue;
      }
      long[] done = state.done().clone();
      set(done, index);
      Reached reached =
          next.computeIfAbsent(
              new Bits(done), bits -> new Reached(order.rest(bits.words), nodes.size()));
      Cost cost = cost(state, node, done, reached.rest);
      int[] least = cost.plus(order.least(reached.rest, index)).score(school);
      if (known != null && Arrays.compare(least, known) > 0) {
        continue;
      }
      State more = new State(done, index, cost, least, rank, state);
      State before = reached.byLast[index];
      reached.byLast[index] = before == null || BETTER.compare(more, before) < 0 ? more : before;
    }
  }

  private boolean open(int index, long[] done) {
    if (has(done, index)) {
      return false;
    }
    for (int w = 0; w < words; w++) {
      if ((before[index][w] & ~done[w]) != 0) {
        return false;
      }
    }
    return true;
  }

  private Cost cost(State state, Node node, long[] done, Order.Rest rest) {
    Node last = state.last() < 0 ? null : nodes.get(state.last());
    Cost cost = state.cost();
    int i = node.index();
    return new Cost(
        cost.turns() + (last != null && last.face() != node.face() ? 1 : 0),
        cost.toolChanges() + (last != null && last.lead() != node.lead() ? 1 : 0),
        cost.changes() + (last != null && last.kind() != node.kind() ? 1 : 0),
        cost.inversions() + order.left(order.taller[i], done),
        cost.exposure() + (node.fragile() ? rest.joints() : 0),
        cost.blockBreaks() + order.left(order.earlierBlock[i], done),
        cost.moves());
  }

  private List<Node> steps(State end) {
    List<Node> order = new ArrayList<>();
    for (State state = end; state != null && state.last() >= 0; state = state.from()) {
      order.addFirst(nodes.get(state.last()));
    }
    return order;
  }

  static void set(long[] bits, int index) {
    bits[index >> 6] |= 1L << (index & 63);
  }

  static boolean has(long[] bits, int index) {
    return (bits[index >> 6] & 1L << (index & 63)) != 0;
  }

  /** What the nodes are to each other, worked out once. */
  private static final class Order {
    private final List<Node> nodes;
    private final Work work;
    private final int words;
    private final long[][] before;
    private final long[][] taller;
    private final long[][] earlierBlock;
    private final BitSet[] after;
    private final long[][] mustFollow;
    private final long[][] alikeBefore;
    private final long[][] mates;
    private final long[][] matesNeed;
    private final int[][] leastExposure;

    Order(Work work) {
      this.work = work;
      this.nodes = work.nodes();
      int n = nodes.size();
      this.words = (n + 63) / 64;
      this.before = new long[n][words];
      this.taller = new long[n][words];
      this.earlierBlock = new long[n][words];
      this.alikeBefore = new long[n][words];
      this.mates = new long[n][words];
      this.matesNeed = new long[n][words];
      this.leastExposure = new int[n][n];
      this.after = work.facts().closure(n);
      this.mustFollow = new long[n][words];
      for (int i = 0; i < n; i++) {
        long[] row = mustFollow[i];
        int first = i;
        after[i].stream()
            .filter(k -> nodes.get(k).isFit() && nodes.get(first).isFit())
            .forEach(k -> {
              set(row, k);
              set(before[k], first);
            });
      }
      pairs();
      alike();
      jigs();
    }

    private void pairs() {
      for (Node a : nodes) {
        for (Node b : nodes) {
          if (a != b && a.isFit() && b.isFit()) {
            pair(a, b);
          }
        }
      }
    }

    private void pair(Node a, Node b) {
      boolean above = a.droppedIn() && b.droppedIn() && a.face() == b.face();
      if (above && a.heightMm() > b.heightMm() + TALLER_MM) {
        set(taller[a.index()], b.index());
      }
      if (a.block() > b.block()) {
        set(earlierBlock[a.index()], b.index());
      }
      int aFirst = a.fragile() ? b.joints() : 0;
      int bFirst = b.fragile() ? a.joints() : 0;
      leastExposure[a.index()][b.index()] =
          after[a.index()].get(b.index())
              ? aFirst
              : after[b.index()].get(a.index()) ? bFirst : Math.min(aFirst, bFirst);
    }

    /** Groups that differ in nothing measured and are bound by the same facts. */
    private void alike() {
      for (Node a : nodes) {
        for (Node b : nodes) {
          boolean alike =
              a.index() < b.index()
                  && a.isFit()
                  && b.isFit()
                  && a.face() == b.face()
                  && a.kind() == b.kind()
                  && a.lead() == b.lead()
                  && a.heightMm() == b.heightMm()
                  && a.droppedIn() == b.droppedIn()
                  && a.fragile() == b.fragile()
                  && a.joints() == b.joints()
                  && a.block() == b.block()
                  && work.jigOf(a) < 0
                  && work.jigOf(b) < 0
                  && Arrays.equals(before[a.index()], before[b.index()])
                  && Arrays.equals(mustFollow[a.index()], mustFollow[b.index()]);
          if (alike) {
            set(alikeBefore[b.index()], a.index());
          }
        }
      }
    }

    /**
     * Parts held by each other while soldered, and the fits that have to be there before the first
     * of them. Where another fit has to stand between two of them no order can keep them together,
     * and they are not asked to be.
     */
    private void jigs() {
      for (Node node : nodes) {
        for (Node mate : nodes) {
          boolean together = work.jigOf(node) >= 0 && work.jigOf(node) == work.jigOf(mate);
          if (node.isFit() && mate.isFit() && together && !isParted(work.jigOf(node))) {
            set(mates[node.index()], mate.index());
          }
        }
      }
      for (Node node : nodes) {
        for (Node first : nodes) {
          boolean needed =
              first.isFit()
                  && !has(mates[node.index()], first.index())
                  && after[first.index()].stream().anyMatch(k -> has(mates[node.index()], k));
          if (needed) {
            set(matesNeed[node.index()], first.index());
          }
        }
      }
    }

    private boolean isParted(int jig) {
      List<Node> members = nodes.stream().filter(node -> work.jigOf(node) == jig).toList();
      return nodes.stream()
          .filter(node -> node.isFit() && work.jigOf(node) != jig)
          .anyMatch(node ->
              members.stream().anyMatch(m -> after[m.index()].get(node.index()))
                  && members.stream().anyMatch(m -> after[node.index()].get(m.index())));
    }

    /** Tells whether a fit may follow: alike groups in their order, jig mates together. */
    boolean allows(long[] done, int last, int node) {
      for (int w = 0; w < words; w++) {
        if ((alikeBefore[node][w] & ~done[w]) != 0) {
          return false;
        }
      }
      if (last >= 0 && leftOf(mates[last], done) && !has(mates[last], node)) {
        return false;
      }
      return !leftOf(matesNeed[node], done);
    }

    private boolean leftOf(long[] set, long[] done) {
      for (int w = 0; w < words; w++) {
        if ((set[w] & ~done[w]) != 0) {
          return true;
        }
      }
      return false;
    }

    int left(long[] set, long[] done) {
      int count = 0;
      for (int w = 0; w < words; w++) {
        count += Long.bitCount(set[w] & ~done[w]);
      }
      return count;
    }

    /** What everything still to come costs at least, whatever was fitted last. */
    record Rest(
        int joints, int inversions, int exposure, int breaks, int sides, int leads, long kinds) {}

    Rest rest(long[] done) {
      int joints = 0;
      int inversions = 0;
      int exposure = 0;
      int breaks = 0;
      int sides = 0;
      int leads = 0;
      long kinds = 0;
      for (Node a : nodes) {
        int i = a.index();
        if (!a.isFit() || has(done, i)) {
          continue;
        }
        joints += a.joints();
        sides |= bit(a);
        leads |= 1 << ordinal(a.lead());
        kinds |= 1L << ordinal(a.kind());
        for (int w = 0; w < words; w++) {
          inversions += Long.bitCount(taller[i][w] & mustFollow[i][w] & ~done[w]);
          breaks += Long.bitCount(earlierBlock[i][w] & mustFollow[i][w] & ~done[w]);
        }
        if (a.fragile()) {
          for (Node b : nodes) {
            boolean counted = b.fragile() && b.index() < i;
            if (b.isFit() && !has(done, b.index()) && b != a && !counted) {
              exposure += leastExposure[i][b.index()];
            }
          }
        }
      }
      return new Rest(joints, inversions, exposure, breaks, sides, leads, kinds);
    }

    /** The least that everything still to come must cost, measure by measure. */
    Cost least(Rest rest, int last) {
      Node node = nodes.get(last);
      return new Cost(
          Integer.bitCount(rest.sides() | bit(node)) - 1,
          Integer.bitCount(rest.leads() | 1 << ordinal(node.lead())) - 1,
          Long.bitCount(rest.kinds() | 1L << ordinal(node.kind())) - 1,
          rest.inversions(),
          rest.exposure(),
          rest.breaks(),
          0);
    }

    /**
     * One bit a face; boards beyond what an int holds share the last, which only loosens a bound.
     */
    private static int bit(Node node) {
      return 1 << Math.min(node.face(), Integer.SIZE - 2);
    }

    private static int ordinal(@Nullable Enum<?> value) {
      return value == null ? 0 : value.ordinal();
    }

    /** The largest number of fits between two barriers that every order passes. */
    int largestSegment() {
      List<Node> all = nodes.stream().filter(Node::isFit).toList();
      int largest = 0;
      int lastCut = 0;
      for (int k = 1; k <= all.size(); k++) {
        if (k == all.size() || isCut(all, k)) {
          largest = Math.max(largest, k - lastCut);
          lastCut = k;
        }
      }
      return largest;
    }

    /** Every order has fitted the same {@code k} groups after {@code k} of them. */
    private boolean isCut(List<Node> all, int k) {
      List<Node> first = new ArrayList<>();
      for (Node node : all) {
        long preceding =
            all.stream().filter(other -> after[other.index()].get(node.index())).count();
        if (preceding < k) {
          first.add(node);
        }
      }
      return first.size() == k
          && all.stream()
              .filter(node -> !first.contains(node))
              .allMatch(later -> first.stream().allMatch(f -> after[f.index()].get(later.index())));
    }
  }
}
