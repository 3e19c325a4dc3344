package humble.core.route;

import humble.core.casing.CaseFit;
import humble.core.casing.Misfit;
import humble.core.casing.Tails;
import humble.core.kit.Kit;
import humble.core.kit.Parts;
import humble.core.kit.Place;
import humble.core.kit.SheetEntry;
import humble.core.words.Phrase;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.BitSet;
import java.util.Collections;
import java.util.Deque;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;

/**
 * Plans the order of fitting: hard facts from {@link Work}, the order between them from {@link
 * OrderSearch}, and for every step the fact or measure that binds it.
 *
 * <p>Longer than other classes: it is the list of reasons, one short method for each.
 */
public final class Planner {

  private final Parts parts;
  private final Kit kit;
  private final Map<String, String> choices;
  private final School school;
  private final Work work;
  private final Blocks blocks;
  private final List<Plan.Blocked> blocked = new ArrayList<>();
  private final List<Phrase> repairs = new ArrayList<>();
  private final Map<Integer, SheetWord> sheetSays = new HashMap<>();

  private Planner(
      Parts parts, School school, Map<String, String> choices, Set<String> lacking, Pace pace) {
    this.blocks = new Blocks(parts.kit());
    this.parts = parts;
    this.kit = parts.kit();
    this.choices = choices;
    this.school = school;
    this.work =
        Work.of(
            parts,
            choices,
            withDependants(choices, lacking),
            split(),
            school == School.BLOCKS ? blocks.numbers() : Map.of(),
            pace);
  }

  /**
   * Plans a kit.
   *
   * @param parts the kit
   * @param school the school to follow
   * @param choices choice by option; defaults where none is given
   * @param minutes length of an evening, 0 for no evenings
   * @param lacking refs that are not in the bag
   * @throws NoPlan when the hard facts run in a circle, or the kit has no sheet or blocks to go by
   */
  public static Plan plan(
      Parts parts, School school, Map<String, String> choices, double minutes, Set<String> lacking)
      throws NoPlan {
    return plan(parts, school, choices, minutes, lacking, List.of(), Pace.USUAL);
  }

  /**
   * Plans a kit, then moves steps as somebody wished. A move that breaks a hard fact, or names what
   * the plan does not have, is left out.
   *
   * @param pace whose minutes are reckoned with; the order does not hang on them
   * @throws NoPlan when the hard facts run in a circle, or the kit has no sheet or blocks to go by
   */
  public static Plan plan(
      Parts parts,
      School school,
      Map<String, String> choices,
      double minutes,
      Set<String> lacking,
      List<Move> moves,
      Pace pace)
      throws NoPlan {
    boolean unknown =
        school == School.SHEET && parts.kit().sheet().isEmpty()
            || school == School.BLOCKS && parts.kit().blocks().isEmpty();
    if (unknown) {
      throw new NoPlan(
          school == School.SHEET ? "The kit brings no sheet of its own." : "The kit has no blocks.",
          List.of());
    }
    Planner planner = new Planner(parts, school, choices, lacking, pace);
    List<Phrase> circle = planner.work.facts().circle(planner.work.nodes().size());
    if (!circle.isEmpty()) {
      throw new NoPlan(circle);
    }
    OrderSearch.Outcome found = school == School.SHEET ? planner.bySheet() : planner.bySearch();
    return planner.finish(planner.moved(found, moves), minutes);
  }

  /**
   * Gives the hard facts of a kit that run in a circle, as designed and with its usual choices;
   * empty when it can be planned.
   */
  public static List<Phrase> circleOf(Parts parts) {
    Work work = Work.of(parts, Map.of(), Set.of(), Map.of(), Map.of(), Pace.USUAL);
    return work.facts().circle(work.nodes().size());
  }

  private OrderSearch.Outcome bySearch() throws NoPlan {
    OrderSearch.Outcome found = new OrderSearch(work, school).run();
    if (found.order().size() < work.nodes().stream().filter(Node::isFit).count()) {
      throw new NoPlan(List.of(Phrase.of("route.jig-parted")));
    }
    return new OrderSearch.Outcome(
        Placement.of(work, kit, school, found.order()), found.cost(), found.exact(), found.bound());
  }

  /** Facts that make a step impossible when the part before it is not there; others only order. */
  private static final Set<String> BINDING =
      Set.of(
          "route.under",
          "route.panel",
          "route.socket",
          "route.rule",
          "route.task-before",
          "route.task-after",
          "route.gate-needs",
          "route.gate-absent",
          "route.gate-before");

  /**
   * What hangs on a part that is not there: the chip for its socket, what would cover its place,
   * what it is held by, the gate that needs it and what that gate is for.
   */
  private Set<String> withDependants(Map<String, String> choices, Set<String> lacking) {
    Set<String> out = new TreeSet<>(lacking);
    if (lacking.isEmpty()) {
      return out;
    }
    Work all = Work.of(parts, choices, Set.of(), apart(lacking), Map.of(), Pace.USUAL);
    lacking.forEach(ref -> blocked.add(new Plan.Blocked(ref, ref)));
    Deque<String> open = new ArrayDeque<>(out);
    while (!open.isEmpty()) {
      String missing = open.removeFirst();
      Node first = all.byName().get(missing);
      for (Node node : all.nodes()) {
        Phrase fact = first == null ? null : all.facts().before(node.index()).get(first.index());
        if (fact != null && BINDING.contains(fact.key())) {
          (node.refs().isEmpty() ? List.of(node.id()) : node.refs())
              .forEach(name -> block(name, missing, out, open));
        }
      }
      for (Place place : kit.places()) {
        if (missing.equals(place.jig())) {
          block(place.ref(), missing, out, open);
        }
      }
    }
    return out;
  }

  private void block(String name, String missing, Set<String> out, Deque<String> open) {
    if (out.add(name)) {
      blocked.add(new Plan.Blocked(name, missing));
      open.add(name);
    }
  }

  private static Map<String, String> apart(Set<String> refs) {
    Map<String, String> apart = new HashMap<>();
    refs.forEach(ref -> apart.put(ref, "apart"));
    return apart;
  }

  /** The sheet may fit parts of one line at different times: they are then different steps. */
  private Map<String, String> split() {
    Map<String, String> split = new HashMap<>();
    if (school == School.SHEET) {
      for (int i = 0; i < kit.sheet().size(); i++) {
        for (String ref : kit.sheet().get(i).refs()) {
          split.putIfAbsent(ref, Integer.toString(i));
        }
      }
    }
    return split;
  }

  /**
   * The kit's own order. What it does not name stands where it does least harm: choices before what
   * they change, the rest after everything named.
   */
  private OrderSearch.Outcome bySheet() throws NoPlan {
    int[] rank = new int[work.nodes().size()];
    Map<Integer, Integer> named = sheetPlaces();
    int beyond = kit.sheet().size();
    List<Phrase> forgotten = new ArrayList<>();
    for (Node node : work.nodes()) {
      Integer at = named.get(node.index());
      boolean choice = node.act() == Step.Act.CHOOSE;
      rank[node.index()] = at != null ? 2 * at : choice ? -1 : 2 * beyond;
      if (at == null && !choice) {
        forgotten.add(Phrase.of("route.sheet-forgets", SheetOrder.name(kit, node)));
      }
    }
    BitSet[] after = work.facts().closure(rank.length);
    for (Node node : work.nodes()) {
      if (named.get(node.index()) == null && node.act() != Step.Act.CHOOSE) {
        after[node.index()].stream()
            .filter(named::containsKey)
            .map(later -> rank[later] - 1)
            .min()
            .ifPresent(soonest -> rank[node.index()] = soonest);
      }
    }
    SheetOrder repaired = SheetOrder.of(work, kit, rank);
    repairs.addAll(repaired.moved());
    repairs.addAll(forgotten);
    repaired.movedNodes().forEach(node -> sheetSays.put(node.index(), SheetWord.MOVED));
    work.nodes().stream()
        .filter(node -> !named.containsKey(node.index()))
        .forEach(node -> sheetSays.put(node.index(), SheetWord.FORGOTTEN));
    Cost cost = measured(repaired.order(), repaired.moved().size());
    int[] score = cost.score(school);
    int[] bound = new int[score.length];
    bound[0] = repaired.fewest();
    // Only where every fit stands as the sheet has it is there no other order with as few moves.
    boolean whole =
        cost.moves() == 0 && work.nodes().stream().allMatch(n -> !n.isFit() || isAlone(n, named));
    boolean exact = whole || Arrays.equals(score, bound);
    return new OrderSearch.Outcome(repaired.order(), cost, exact, exact ? score : bound);
  }

  /** Tells whether the sheet names a node, and no other fit in the same entry. */
  private boolean isAlone(Node node, Map<Integer, Integer> named) {
    Integer at = named.get(node.index());
    return at != null
        && work.nodes().stream()
            .noneMatch(o -> o != node && o.isFit() && at.equals(named.get(o.index())));
  }

  /** What the sheet says of a node that does not stand where it has it. */
  enum SheetWord {
    MOVED,
    FORGOTTEN
  }

  /**
   * Gives the steps of a plan that may be done now, out of their order where the hard facts allow.
   *
   * @param plan the plan as it stands
   * @param done ids of the steps that are done
   */
  public static List<Step> mayComeNow(
      Parts parts, Plan plan, Map<String, String> choices, Set<String> lacking, Set<String> done) {
    Work work = new Planner(parts, plan.school(), choices, lacking, Pace.USUAL).work;
    BitSet over = new BitSet();
    done.stream()
        .map(work.byName()::get)
        .filter(Objects::nonNull)
        .forEach(n -> over.set(n.index()));
    return plan.steps().stream()
        .filter(step -> !done.contains(step.id()))
        .filter(step -> {
          Node node = work.byName().get(step.id());
          return node != null
              && node.id().equals(step.id())
              && work.facts().ready(node.index(), over)
              && work.guestsOf(node).isEmpty();
        })
        .toList();
  }

  /** Moves steps one after the other, those that the facts let. */
  private OrderSearch.Outcome moved(OrderSearch.Outcome found, List<Move> moves) {
    List<Node> order = found.order();
    for (Move move : moves) {
      List<Node> next = moved(order, move);
      order = broken(next).isEmpty() ? next : order;
    }
    if (order.equals(found.order())) {
      return found;
    }
    Cost cost = measured(order, found.cost().moves());
    boolean same = Arrays.equals(cost.score(school), found.cost().score(school));
    return new OrderSearch.Outcome(order, cost, found.exact() && same, found.bound());
  }

  private List<Node> moved(List<Node> order, Move move) {
    Node node = work.byName().get(move.step());
    Node before = work.byName().get(move.before());
    List<Node> next = new ArrayList<>(order);
    if (node == null || node == before || (before == null && !move.before().isEmpty())) {
      return next;
    }
    next.remove(node);
    next.add(before == null ? next.size() : next.indexOf(before), node);
    return next;
  }

  /** Gives the first hard fact that an order breaks. */
  private Optional<Phrase> broken(List<Node> order) {
    BitSet done = new BitSet();
    for (int i = 0; i < order.size(); i++) {
      Node node = order.get(i);
      for (Map.Entry<Integer, Phrase> fact : work.facts().before(node.index()).entrySet()) {
        if (!done.get(fact.getKey())) {
          return Optional.of(fact.getValue());
        }
      }
      done.set(node.index());
    }
    List<Integer> jigs = order.stream().filter(Node::isFit).map(work::jigOf).toList();
    for (int i = 0; i < jigs.size(); i++) {
      int jig = jigs.get(i);
      boolean apart =
          jig >= 0
              && jigs.lastIndexOf(jig) - jigs.indexOf(jig) + 1 > Collections.frequency(jigs, jig);
      if (apart) {
        return Optional.of(Phrase.of("route.jig"));
      }
    }
    return Optional.empty();
  }

  /**
   * Gives the hard fact that forbids a move; empty when it may be made.
   *
   * @param plan the plan as it stands
   */
  public static Optional<Phrase> refusal(
      Parts parts, Plan plan, Map<String, String> choices, Set<String> lacking, Move move) {
    Planner planner = new Planner(parts, plan.school(), choices, lacking, Pace.USUAL);
    List<Node> order = new ArrayList<>();
    for (Step step : plan.steps()) {
      Node node = planner.work.byName().get(step.id());
      if (node != null) {
        order.add(node);
      }
    }
    return planner.broken(planner.moved(order, move));
  }

  static Cost measured(List<Node> order, int moves) {
    List<Node> fits = order.stream().filter(Node::isFit).toList();
    Cost cost = new Cost(0, 0, 0, 0, 0, 0, moves);
    for (int i = 0; i < fits.size(); i++) {
      Node a = fits.get(i);
      Node last = i == 0 ? a : fits.get(i - 1);
      int inversions = 0;
      int joints = 0;
      int breaks = 0;
      for (Node b : fits.subList(i + 1, fits.size())) {
        boolean above = a.droppedIn() && b.droppedIn() && a.face() == b.face();
        inversions += above && a.heightMm() > b.heightMm() + OrderSearch.TALLER_MM ? 1 : 0;
        joints += b.joints();
        breaks += a.block() > b.block() ? 1 : 0;
      }
      cost =
          cost.plus(
              new Cost(
                  last.face() == a.face() ? 0 : 1,
                  last.lead() == a.lead() ? 0 : 1,
                  last.kind() == a.kind() ? 0 : 1,
                  inversions,
                  a.fragile() ? joints : 0,
                  breaks,
                  0));
    }
    return cost;
  }

  private Plan finish(OrderSearch.Outcome found, double minutes) {
    CaseFit fit = CaseFit.of(parts, choices);
    List<Step> steps =
        new StepList(work, kit, found.order(), reasons(found))
            .steps().stream().map(step -> withCase(step, fit)).toList();
    return new Plan(
        school,
        steps,
        found.cost(),
        found.exact(),
        Arrays.stream(found.bound()).boxed().toList(),
        new Evenings(work, steps).of(minutes),
        blocked,
        violations(),
        repairs,
        fit.misfits().stream().map(Misfit::said).toList());
  }

  /** What the case will decide is said at the joint that cannot be undone. */
  private static Step withCase(Step step, CaseFit fit) {
    if (step.act() != Step.Act.FIT && step.act() != Step.Act.INSERT) {
      return step;
    }
    List<Phrase> also = new ArrayList<>();
    for (String ref : step.refs()) {
      fit.of(ref).forEach(misfit -> also.add(misfit.said()));
      fit.cut(ref).map(Tails::said).ifPresent(also::add);
    }
    return also.isEmpty() ? step : step.also(also);
  }

  private Reasons reasons(OrderSearch.Outcome found) {
    return new Reasons(work, kit, school, blocks, sheetSays, found.order());
  }

  /** Pairs of the kit's own sheet that stand the wrong way round. */
  private List<Phrase> violations() {
    Map<Integer, Integer> sheet = sheetPlaces();
    List<Phrase> broken = new ArrayList<>();
    for (Node node : work.nodes()) {
      work.facts()
          .before(node.index())
          .forEach((first, because) -> {
            Integer a = sheet.get(first);
            Integer b = sheet.get(node.index());
            if (a != null && b != null && a > b) {
              broken.add(because);
            }
          });
    }
    return broken;
  }

  /** The entry of the kit's own sheet by node, for those it names. */
  private Map<Integer, Integer> sheetPlaces() {
    Map<Integer, Integer> sheet = new HashMap<>();
    for (int i = 0; i < kit.sheet().size(); i++) {
      SheetEntry entry = kit.sheet().get(i);
      List<String> names = entry.refs().isEmpty() ? List.of(entry.id()) : entry.refs();
      for (String name : names) {
        Node node = work.byName().get(name);
        if (node != null) {
          sheet.putIfAbsent(node.index(), i);
        }
      }
    }
    return sheet;
  }
}
