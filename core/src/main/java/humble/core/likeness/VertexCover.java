package humble.core.likeness;

import java.util.ArrayList;
import java.util.BitSet;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * A smallest set of nodes that touches every edge. Exact up to forty nodes with edges, by branching
 * on a node of most edges: it is in the cover, or all its neighbours are; O(1.47ⁿ) at worst, far
 * less on graphs of look-alikes. Beyond, the node of most edges is taken again and again, and the
 * outcome says that it is not proved.
 *
 * @param nodes the cover, in the order of the nodes given
 * @param smallest whether no smaller one exists
 */
record VertexCover(List<String> nodes, boolean smallest) {
  private static final int MOST_EXACT = 40;

  VertexCover {
    nodes = List.copyOf(nodes);
  }

  /** Two nodes that must not both be left out. */
  record Edge(String a, String b) {}

  static VertexCover of(List<String> nodes, List<Edge> edges) {
    int n = nodes.size();
    BitSet[] neighbours = new BitSet[n];
    for (int i = 0; i < n; i++) {
      neighbours[i] = new BitSet(n);
    }
    BitSet touched = new BitSet(n);
    for (Edge edge : edges) {
      int a = nodes.indexOf(edge.a());
      int b = nodes.indexOf(edge.b());
      if (a != b) {
        neighbours[a].set(b);
        neighbours[b].set(a);
        touched.set(a);
        touched.set(b);
      }
    }
    Search search = new Search(neighbours);
    boolean exact = touched.cardinality() <= MOST_EXACT;
    BitSet cover = exact ? search.exact(touched) : search.greedy(touched);
    List<String> taken = new ArrayList<>();
    for (int i = cover.nextSetBit(0); i >= 0; i = cover.nextSetBit(i + 1)) {
      taken.add(nodes.get(i));
    }
    return new VertexCover(taken, exact);
  }

  private static final class Search {
    private final BitSet[] neighbours;
    private @Nullable BitSet best;

    Search(BitSet[] neighbours) {
      this.neighbours = neighbours;
    }

    BitSet exact(BitSet open) {
      best = greedy(open);
      branch((BitSet) open.clone(), new BitSet());
      return best;
    }

    BitSet greedy(BitSet all) {
      BitSet open = (BitSet) all.clone();
      BitSet cover = new BitSet();
      for (int node = busiest(open); node >= 0; node = busiest(open)) {
        cover.set(node);
        open.clear(node);
      }
      return cover;
    }

    private void branch(BitSet open, BitSet cover) {
      int node = busiest(open);
      BitSet known = best;
      if (node < 0) {
        if (known == null || cover.cardinality() < known.cardinality()) {
          best = (BitSet) cover.clone();
        }
        return;
      }
      if (known != null && cover.cardinality() + 1 >= known.cardinality()) {
        return;
      }
      take(open, cover, node);
      BitSet around = (BitSet) neighbours[node].clone();
      around.and(open);
      BitSet rest = (BitSet) open.clone();
      BitSet more = (BitSet) cover.clone();
      rest.clear(node);
      rest.andNot(around);
      more.or(around);
      branch(rest, more);
    }

    private void take(BitSet open, BitSet cover, int node) {
      BitSet rest = (BitSet) open.clone();
      BitSet more = (BitSet) cover.clone();
      rest.clear(node);
      more.set(node);
      branch(rest, more);
    }

    /** Gives the node of most open edges, the first of equals; −1 when no edge is open. */
    private int busiest(BitSet open) {
      int node = -1;
      int most = 0;
      for (int i = open.nextSetBit(0); i >= 0; i = open.nextSetBit(i + 1)) {
        BitSet edges = (BitSet) neighbours[i].clone();
        edges.and(open);
        if (edges.cardinality() > most) {
          most = edges.cardinality();
          node = i;
        }
      }
      return node;
    }
  }
}
