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
 * best of them is kept: dynamic programming over subsets (Held and Karp 1962). A beam keeps the
 * best states of each round; while it drops nothing the outcome is exact. What a group costs
 * against everything still to come is booked when it is fitted, so that the beam sees a debt when
 * it is made. Ties fall in the order of the nodes. O(beam · n²) for n groups.
 */
final class OrderSearch {
  static final double TALLER_MM = 0.5;
  private static final int BEAM = 300;

  private final List<Node> nodes;
  private final School school;
  private final BitSet[] before;
  private final boolean[] firstOfAll;

  OrderSearch(Work work, School school) {
    this.nodes = work.nodes();
    this.school = school;
    this.before = new BitSet[nodes.size()];
    this.firstOfAll = new boolean[nodes.size()];
    for (Node node : nodes) {
      BitSet set = new BitSet();
      work.facts().before(node.index()).keySet().forEach(set::set);
      before[node.index()] = set;
      firstOfAll[node.index()] =
          node.act() == Step.Act.CHOOSE || (node.act() == Step.Act.TASK && set.isEmpty());
    }
  }

  /**
   * What the search found.
   *
   * @param order nodes in order; fewer than all when the facts run in a circle
   * @param cost its measures
   * @param exact whether nothing was dropped on the way
   */
  record Outcome(List<Node> order, Cost cost, boolean exact) {}

  /** One more group fitted; {@code tie} is the rank of the state it grew from. */
  private record State(
      BitSet done,
      @Nullable Node last,
      Cost cost,
      int[] score,
      int tie,
      @Nullable State from,
      int[] added) {}

  private record Key(BitSet done, int last) {}

  Outcome run() {
    List<State> beam =
        List.of(settled(new State(new BitSet(), null, Cost.NONE, new int[0], 0, null, new int[0])));
    boolean exact = true;
    while (true) {
      Map<Key, State> next = new HashMap<>();
      for (int rank = 0; rank < beam.size(); rank++) {
        grow(beam.get(rank), rank, next);
      }
      if (next.isEmpty()) {
        break;
      }
      List<State> sorted = new ArrayList<>(next.values());
      sorted.sort(BETTER);
      exact &= sorted.size() <= BEAM;
      beam = sorted.stream().limit(BEAM).map(this::settled).toList();
    }
    State best = beam.getFirst();
    return new Outcome(order(best), best.cost(), exact);
  }

  private static final Comparator<State> BETTER =
      Comparator.comparing(State::score, Arrays::compare)
          .thenComparingInt(State::tie)
          .thenComparingInt(state -> state.added()[0]);

  private void grow(State state, int rank, Map<Key, State> next) {
    for (Node node : nodes) {
      if (node.isFit() && open(node, state.done())) {
        BitSet done = (BitSet) state.done().clone();
        done.set(node.index());
        Cost cost = cost(state, node);
        State more =
            new State(done, node, cost, cost.score(school), rank, state, new int[] {node.index()});
        next.merge(new Key(done, node.index()), more, (a, b) -> BETTER.compare(a, b) <= 0 ? a : b);
      }
    }
  }

  private boolean open(Node node, BitSet done) {
    if (done.get(node.index())) {
      return false;
    }
    BitSet needs = before[node.index()];
    for (int i = needs.nextSetBit(0); i >= 0; i = needs.nextSetBit(i + 1)) {
      if (!done.get(i)) {
        return false;
      }
    }
    return true;
  }

  private Cost cost(State state, Node node) {
    Node last = state.last();
    Cost cost = state.cost();
    int inversions = 0;
    int jointsAfter = 0;
    for (Node other : nodes) {
      if (other.isFit() && other != node && !state.done().get(other.index())) {
        boolean above = node.droppedIn() && other.droppedIn() && other.side() == node.side();
        inversions += above && node.heightMm() > other.heightMm() + TALLER_MM ? 1 : 0;
        jointsAfter += other.joints();
      }
    }
    return new Cost(
        cost.turns() + (last != null && last.side() != node.side() ? 1 : 0),
        cost.toolChanges() + (last != null && last.lead() != node.lead() ? 1 : 0),
        cost.changes() + (last != null && last.kind() != node.kind() ? 1 : 0),
        cost.inversions() + inversions,
        cost.exposure() + (node.fragile() ? jointsAfter : 0));
  }

  /**
   * Takes in what is not fitted: choices and inspections at once, the rest when no fit is open any
   * more.
   */
  private State settled(State state) {
    BitSet done = (BitSet) state.done().clone();
    List<Integer> added = new ArrayList<>();
    for (int index : state.added()) {
      added.add(index);
    }
    while (true) {
      Node next = null;
      boolean fitOpen = false;
      for (Node node : nodes) {
        if (open(node, done)) {
          fitOpen |= node.isFit();
          next = !node.isFit() && (next == null || rank(node) < rank(next)) ? node : next;
        }
      }
      if (next == null || (fitOpen && rank(next) > 0)) {
        int[] all = added.stream().mapToInt(Integer::intValue).toArray();
        return new State(
            done, state.last(), state.cost(), state.score(), state.tie(), state.from(), all);
      }
      done.set(next.index());
      added.add(next.index());
    }
  }

  private int rank(Node node) {
    return switch (node.act()) {
      case CHOOSE -> 0;
      case TASK -> firstOfAll[node.index()] ? 0 : 2;
      case GATE -> 1;
      case INSERT -> 3;
      case FIT, TURN -> 4;
    };
  }

  private List<Node> order(State end) {
    List<Node> order = new ArrayList<>();
    for (State state = end; state != null; state = state.from()) {
      for (int i = state.added().length - 1; i >= 0; i--) {
        order.addFirst(nodes.get(state.added()[i]));
      }
    }
    return order;
  }
}
