package humble.core.route;

import humble.core.kit.Kit;
import humble.core.kit.LeadClass;
import humble.core.words.Phrase;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.Collections;
import java.util.List;
import java.util.Map;

/**
 * Says for every node of an order why it stands where it stands: the fact that binds it from below,
 * the fact that binds it from above, and for a fit what the school says in between. Every sentence
 * is worked out from the order it stands in.
 */
final class Reasons {
  private static final double SAME_MM = OrderSearch.TALLER_MM;

  private final Work work;
  private final Kit kit;
  private final School school;
  private final Blocks blocks;
  private final Map<Integer, Planner.SheetWord> sheetSays;
  private final List<Node> order;
  private final List<Node> fits;
  private final BitSet[] after;
  private final int[] score;

  Reasons(
      Work work,
      Kit kit,
      School school,
      Blocks blocks,
      Map<Integer, Planner.SheetWord> sheetSays,
      List<Node> order) {
    this.work = work;
    this.kit = kit;
    this.school = school;
    this.blocks = blocks;
    this.sheetSays = sheetSays;
    this.order = order;
    this.fits = order.stream().filter(Node::isFit).toList();
    this.after = work.facts().closure(work.nodes().size());
    this.score = Planner.measured(order, 0).score(school);
  }

  /** Gives the reasons of the node at a place of the order, at least one. */
  List<Phrase> of(int at) {
    Node node = order.get(at);
    List<Phrase> reasons = new ArrayList<>();
    Map<Integer, Phrase> before = work.facts().before(node.index());
    for (int i = at - 1; i >= 0 && reasons.isEmpty(); i--) {
      Phrase fact = before.get(order.get(i).index());
      if (fact != null) {
        reasons.add(fact);
      }
    }
    for (int i = at + 1; i < order.size(); i++) {
      Phrase fact = work.facts().before(order.get(i).index()).get(node.index());
      if (fact != null) {
        if (!reasons.contains(fact)) {
          reasons.add(fact);
        }
        break;
      }
    }
    if (node.isFit()) {
      Phrase said = measure(node);
      if (!reasons.contains(said)) {
        reasons.add(said);
      }
    } else if (reasons.isEmpty()) {
      reasons.add(Phrase.of("route.free"));
    }
    return reasons;
  }

  private Phrase measure(Node node) {
    int at = fits.indexOf(node);
    if (school == School.SHEET) {
      return switch (sheetSays.get(node.index())) {
        case MOVED -> Phrase.of("route.sheet-elsewhere", SheetOrder.name(kit, node));
        case FORGOTTEN -> Phrase.of("route.sheet-forgets", SheetOrder.name(kit, node));
        case null -> Phrase.of("route.sheet");
      };
    }
    if (work.jigOf(node) >= 0) {
      return Phrase.of(isTogether(node) ? "route.jig" : "route.jig-apart");
    }
    if (school == School.BLOCKS && (at == 0 || fits.get(at - 1).block() != node.block())) {
      return block(node, at);
    }
    if (school == School.STURDY && node.fragile()) {
      int joints = fits.subList(at + 1, fits.size()).stream().mapToInt(Node::joints).sum();
      return Phrase.of("route.fragile", joints);
    }
    if (node.lead() == LeadClass.SMD) {
      return Phrase.of("route.smd", node.name());
    }
    return height(node, at);
  }

  /** Tells whether nothing at all stands between the parts of a jig. */
  private boolean isTogether(Node node) {
    List<Integer> jigs = order.stream().map(work::jigOf).toList();
    int jig = work.jigOf(node);
    return jigs.lastIndexOf(jig) - jigs.indexOf(jig) + 1 == Collections.frequency(jigs, jig);
  }

  private Phrase block(Node node, int at) {
    if (node.block() == Node.NO_BLOCK) {
      boolean last =
          fits.subList(at, fits.size()).stream().allMatch(fit -> fit.block() == Node.NO_BLOCK);
      return Phrase.of(last ? "route.no-block" : "route.blockless");
    }
    String title = blocks.title(node.block());
    boolean begun = fits.subList(0, at).stream().anyMatch(fit -> fit.block() == node.block());
    if (begun) {
      return Phrase.of("route.block-again", title);
    }
    boolean earlierLeft =
        fits.subList(at, fits.size()).stream().anyMatch(fit -> fit.block() < node.block());
    if (at == 0 || earlierLeft) {
      return Phrase.of("route.block", title);
    }
    int placed = order.indexOf(node);
    boolean measured =
        order.stream().anyMatch(each -> isGateBefore(each, node))
            && order.subList(placed, order.size()).stream()
                .noneMatch(each -> isGateBefore(each, node));
    return Phrase.of(measured ? "route.block-measured" : "route.block-fitted", title);
  }

  private static boolean isGateBefore(Node each, Node node) {
    return each.act() == Step.Act.GATE && each.block() < node.block();
  }

  private Phrase height(Node node, int at) {
    List<Node> later = sameFace(fits.subList(at + 1, fits.size()), node);
    List<Node> all = sameFace(fits, node);
    if (node.droppedIn() && !later.isEmpty()) {
      double lowest = later.stream().mapToDouble(Node::heightMm).min().orElse(0);
      double last = at == 0 ? -1 : fits.get(at - 1).heightMm();
      boolean follows = at > 0 && isBeside(fits.get(at - 1), node);
      if (follows && Math.abs(last - node.heightMm()) <= SAME_MM) {
        return Phrase.of(
            fits.get(at - 1).lead() == node.lead() ? "route.same-tool" : "route.same-height",
            node.heightMm());
      }
      if (lowest >= node.heightMm()) {
        return Phrase.of("route.lowest", node.heightMm());
      }
      if (follows && last < node.heightMm()) {
        return Phrase.of("route.rises", last, node.heightMm());
      }
    }
    boolean tallest =
        node.droppedIn()
            && later.isEmpty()
            && all.stream().anyMatch(fit -> fit.heightMm() < node.heightMm() - SAME_MM)
            && all.stream().allMatch(fit -> fit.heightMm() <= node.heightMm());
    if (tallest) {
      return Phrase.of("route.tallest", node.heightMm());
    }
    return at == fits.size() - 1 ? Phrase.of("route.last-fit") : against(node, fits.get(at + 1));
  }

  private static List<Node> sameFace(List<Node> among, Node node) {
    return among.stream().filter(fit -> isBeside(fit, node)).toList();
  }

  private static boolean isBeside(Node fit, Node node) {
    return fit.droppedIn() && fit.face() == node.face();
  }

  /** What would be worse, measure by measure, if the next fit came first. */
  private Phrase against(Node node, Node next) {
    String name = SheetOrder.name(kit, next);
    if (after[node.index()].get(next.index())) {
      return Phrase.of("route.chain", name);
    }
    if (work.jigOf(next) >= 0) {
      return Phrase.of("route.swap-jig", name);
    }
    List<Node> swapped = new ArrayList<>(fits);
    Collections.swap(swapped, fits.indexOf(node), fits.indexOf(next));
    int[] other = Planner.measured(swapped, 0).score(school);
    String[] measures = measures();
    for (int i = 0; i < score.length; i++) {
      if (other[i] > score[i]) {
        return Phrase.of("route.swap-" + measures[i], name, other[i], score[i]);
      }
      if (other[i] < score[i]) {
        return Phrase.of("route.found");
      }
    }
    return Phrase.of("route.alike", name);
  }

  /** The measures in the order of {@link Cost#score}. */
  private String[] measures() {
    return switch (school) {
      case LOW -> new String[] {"inversions", "turns", "tools", "exposure", "changes"};
      case STURDY -> new String[] {"exposure", "inversions", "turns", "tools", "changes"};
      case SHEET -> new String[] {"moves", "inversions", "turns", "tools", "exposure", "changes"};
      case BLOCKS -> new String[] {"breaks", "inversions", "turns", "tools", "exposure", "changes"};
    };
  }
}
