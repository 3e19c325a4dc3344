package humble.core.route;

import humble.core.kit.Kit;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.BitSet;
import java.util.Comparator;
import java.util.List;

/**
 * Puts choices, tasks, gates and insertions between fits whose order is decided. They cost nothing
 * by any measure, so that they go where they serve best: gates, insertions and what only has to
 * come before something as late as possible, what only has to come after something as early as
 * possible; in {@link School#BLOCKS} the gates of a block right after its last fit. Where it can be
 * helped none stands between parts that hold each other. Ties fall in the order of the nodes.
 *
 * <p>A slot is the number of fits done before. Late nodes take the last slot that their followers
 * leave, early ones the first that everything before them leaves; since a follower's slots never
 * end before those of what it follows, the two never contradict each other.
 */
final class Placement {
  private final List<Node> nodes;
  private final Work work;
  private final Kit kit;
  private final List<Node> fits;
  private final BitSet[] after;
  private final int[] earliest;
  private final int[] latest;
  private final int[] slot;

  private Placement(Work work, Kit kit, List<Node> fits) {
    this.work = work;
    this.kit = kit;
    this.nodes = work.nodes();
    this.fits = fits;
    this.after = work.facts().closure(nodes.size());
    this.earliest = new int[nodes.size()];
    this.latest = new int[nodes.size()];
    this.slot = new int[nodes.size()];
    Arrays.fill(slot, -1);
  }

  /** Gives the order of all nodes; the facts must not run in a circle. */
  static List<Node> of(Work work, Kit kit, School school, List<Node> fits) {
    Placement placement = new Placement(work, kit, fits);
    placement.bounds();
    if (school == School.BLOCKS) {
      placement.endBlocks();
    }
    placement.late();
    placement.early();
    return placement.merged();
  }

  private void bounds() {
    for (Node node : nodes) {
      int i = node.index();
      latest[i] = fits.size();
      for (int k = 0; k < fits.size(); k++) {
        int fit = fits.get(k).index();
        if (after[fit].get(i)) {
          earliest[i] = k + 1;
        }
        if (after[i].get(fit)) {
          latest[i] = Math.min(latest[i], k);
        }
      }
    }
  }

  /** A block ends with its gates: right after the last of its fits that need not follow them. */
  private void endBlocks() {
    List<Node> gates =
        nodes.stream()
            .filter(node -> node.act() == Step.Act.GATE && node.block() < Node.NO_BLOCK)
            .sorted(Comparator.comparingInt((Node node) -> preceding(node)))
            .toList();
    for (Node gate : gates) {
      int ended = earliest[gate.index()];
      for (int k = 0; k < fits.size(); k++) {
        Node fit = fits.get(k);
        if (fit.block() == gate.block() && !after[gate.index()].get(fit.index())) {
          ended = Math.max(ended, k + 1);
        }
      }
      for (Node other : gates) {
        if (after[other.index()].get(gate.index())) {
          ended = Math.max(ended, slot[other.index()]);
        }
      }
      slot[gate.index()] = Math.min(ended, latest[gate.index()]);
    }
  }

  private int preceding(Node node) {
    return (int) nodes.stream().filter(o -> after[o.index()].get(node.index())).count();
  }

  private void late() {
    for (Node node : nodes) {
      if (slot[node.index()] < 0 && !node.isFit() && !isEarly(node)) {
        int last = latest[node.index()];
        for (Node then : nodes) {
          boolean ended = then.act() == Step.Act.GATE && slot[then.index()] >= 0;
          if (ended && then.block() < Node.NO_BLOCK && after[node.index()].get(then.index())) {
            last = Math.min(last, slot[then.index()]);
          }
        }
        slot[node.index()] = outOfJig(last, earliest[node.index()], true, last);
      }
    }
  }

  private void early() {
    for (Node node : nodes) {
      if (slot[node.index()] < 0 && !node.isFit()) {
        int first = earliest[node.index()];
        for (Node before : nodes) {
          boolean isLate = !before.isFit() && !isEarly(before);
          if (isLate && after[before.index()].get(node.index())) {
            first = Math.max(first, slot[before.index()]);
          }
        }
        slot[node.index()] = outOfJig(first, first, false, latest[node.index()]);
      }
    }
  }

  private boolean isEarly(Node node) {
    return switch (node.act()) {
      case CHOOSE -> true;
      case TASK -> kit.task(node.id()).map(task -> HardFacts.isEarly(kit, task)).orElse(true);
      case FIT, INSERT, GATE, TURN, REMOVE -> false;
    };
  }

  /** Moves a slot out of a run of parts that hold each other, where its bounds allow. */
  private int outOfJig(int at, int low, boolean down, int high) {
    if (!isInJig(at)) {
      return at;
    }
    int moved = at;
    while (isInJig(moved)) {
      moved += down ? -1 : 1;
    }
    return moved >= low && moved <= high ? moved : at;
  }

  private boolean isInJig(int at) {
    return at > 0
        && at < fits.size()
        && work.jigOf(fits.get(at)) >= 0
        && work.jigOf(fits.get(at)) == work.jigOf(fits.get(at - 1));
  }

  private List<Node> merged() {
    List<Node> order = new ArrayList<>();
    BitSet done = new BitSet();
    for (int k = 0; k <= fits.size(); k++) {
      int now = k;
      List<Node> here =
          new ArrayList<>(
              nodes.stream().filter(n -> !n.isFit() && slot[n.index()] == now).toList());
      here.sort(Comparator.comparingInt(this::rank).thenComparingInt(Node::index));
      while (!here.isEmpty()) {
        Node next =
            here.stream()
                .filter(node -> work.facts().ready(node.index(), done))
                .findFirst()
                .orElseThrow(() -> new IllegalStateException("a fact is broken at slot " + now));
        here.remove(next);
        done.set(next.index());
        order.add(next);
      }
      if (k < fits.size()) {
        done.set(fits.get(k).index());
        order.add(fits.get(k));
      }
    }
    return order;
  }

  private int rank(Node node) {
    return switch (node.act()) {
      case CHOOSE -> 0;
      case TASK -> isEarly(node) ? 1 : 4;
      case GATE -> 2;
      case INSERT -> 3;
      case FIT, TURN, REMOVE -> 5;
    };
  }
}
