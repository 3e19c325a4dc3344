package humble.core.route;

import humble.core.kit.Kit;
import humble.core.kit.LeadClass;
import humble.core.kit.Parts;
import humble.core.kit.Place;
import humble.core.kit.SheetEntry;
import humble.core.words.Phrase;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.BitSet;
import java.util.Collections;
import java.util.Comparator;
import java.util.Deque;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import org.jspecify.annotations.Nullable;

/**
 * Plans the order of fitting: hard facts from {@link Work}, the order between them from {@link
 * OrderSearch}, and for every step the fact or measure that binds it.
 *
 * <p>Longer than other classes: it is the list of reasons, one short method for each.
 */
public final class Planner {

  private final Parts parts;
  private final Kit kit;
  private final School school;
  private final Work work;
  private final Blocks blocks;
  private final List<Plan.Blocked> blocked = new ArrayList<>();
  private final List<Phrase> repairs = new ArrayList<>();

  private Planner(
      Parts parts, School school, Map<String, String> choices, Set<String> lacking, Pace pace) {
    this.blocks = new Blocks(parts.kit());
    this.parts = parts;
    this.kit = parts.kit();
    this.school = school;
    this.work =
        new Work(
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
    if (school == School.SHEET) {
      return planner.finish(planner.moved(planner.bySheet(), moves), minutes);
    }
    OrderSearch.Outcome found = new OrderSearch(planner.work, school).run();
    if (found.order().size() < planner.work.nodes().size()) {
      throw new NoPlan(planner.circle(found.order()));
    }
    return planner.finish(planner.moved(found, moves), minutes);
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
    Work all = new Work(parts, choices, Set.of(), apart(lacking), Map.of(), Pace.USUAL);
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
        forgotten.add(Phrase.of("route.sheet-forgets", SheetOrder.name(node)));
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
    SheetOrder repaired =
        SheetOrder.of(work, rank).orElseThrow(() -> new NoPlan(circle(List.of())));
    repairs.addAll(repaired.moved());
    repairs.addAll(forgotten);
    Cost cost = measured(repaired.order(), repaired.moved().size());
    return new OrderSearch.Outcome(repaired.order(), cost, true, cost.score(school));
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

  private static Cost measured(List<Node> order, int moves) {
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

  private List<Phrase> circle(List<Node> order) {
    BitSet done = new BitSet();
    order.forEach(node -> done.set(node.index()));
    Set<Phrase> facts = new HashSet<>();
    for (Node node : work.nodes()) {
      if (!done.get(node.index())) {
        work.facts()
            .before(node.index())
            .forEach((first, because) -> {
              if (!done.get(first)) {
                facts.add(because);
              }
            });
      }
    }
    return facts.stream().sorted(Comparator.comparing(Phrase::toString)).toList();
  }

  private Plan finish(OrderSearch.Outcome found, double minutes) {
    List<Step> steps = new ArrayList<>();
    Node lastFit = null;
    int[] order = found.order().stream().mapToInt(Node::index).toArray();
    for (int i = 0; i < order.length; i++) {
      Node node = work.nodes().get(order[i]);
      if (node.isFit() && lastFit != null && lastFit.face() != node.face()) {
        steps.add(turn(steps.size() + 1, lastFit, node));
      }
      steps.add(
          new Step(
              steps.size() + 1,
              node.act(),
              node.refs(),
              node.id(),
              node.board(),
              node.side(),
              node.heightMm(),
              node.minutes(),
              node.joints(),
              because(order, i, lastFit)));
      lastFit = node.isFit() ? node : lastFit;
    }
    return new Plan(
        school,
        steps,
        found.cost(),
        found.exact(),
        Arrays.stream(found.bound()).boxed().toList(),
        sessions(steps, minutes),
        blocked,
        violations(),
        repairs);
  }

  private static Step turn(int n, Node last, Node node) {
    Phrase because =
        last.board().equals(node.board())
            ? Phrase.of("route.turn", node.refs().getFirst())
            : Phrase.of("route.take-up", node.refs().getFirst(), node.board());
    return new Step(
        n,
        Step.Act.TURN,
        List.of(),
        "turn:" + n,
        node.board(),
        node.side(),
        0,
        Minutes.TURN,
        0,
        List.of(because));
  }

  /**
   * The fact that binds it from below, the fact that binds it from above, and what the school says
   * in between.
   */
  private List<Phrase> because(int[] order, int at, @Nullable Node lastFit) {
    Node node = work.nodes().get(order[at]);
    List<Phrase> reasons = new ArrayList<>();
    Map<Integer, Phrase> before = work.facts().before(node.index());
    for (int i = at - 1; i >= 0 && reasons.isEmpty(); i--) {
      Phrase fact = before.get(order[i]);
      if (fact != null) {
        reasons.add(fact);
      }
    }
    for (int i = at + 1; i < order.length && reasons.size() < 2; i++) {
      Phrase fact = work.facts().before(order[i]).get(node.index());
      if (fact != null) {
        reasons.add(fact);
        break;
      }
    }
    if (node.isFit()) {
      reasons.add(measure(order, at, node, lastFit));
    } else if (reasons.isEmpty()) {
      reasons.add(Phrase.of("route.free"));
    }
    return reasons;
  }

  private Phrase measure(int[] order, int at, Node node, @Nullable Node lastFit) {
    if (school == School.SHEET) {
      return Phrase.of("route.sheet");
    }
    if (work.jigOf(node) >= 0) {
      return Phrase.of("route.jig");
    }
    if (school == School.BLOCKS && lastFit != null && lastFit.block() != node.block()) {
      return node.block() == Node.NO_BLOCK
          ? Phrase.of("route.no-block")
          : Phrase.of("route.block", blocks.title(node.block()));
    }
    if (school == School.STURDY && node.fragile()) {
      return Phrase.of("route.fragile", node.joints());
    }
    Node next = null;
    for (int i = at + 1; i < order.length && next == null; i++) {
      Node later = work.nodes().get(order[i]);
      next = later.isFit() ? later : null;
    }
    if (node.lead() == LeadClass.SMD) {
      return Phrase.of("route.smd", node.refs().getFirst());
    }
    if (lastFit == null || lastFit.heightMm() > node.heightMm() + OrderSearch.TALLER_MM) {
      return Phrase.of("route.lowest", node.heightMm());
    }
    if (next == null) {
      return Phrase.of("route.tallest", node.heightMm());
    }
    if (Math.abs(lastFit.heightMm() - node.heightMm()) <= OrderSearch.TALLER_MM) {
      return Phrase.of(
          lastFit.lead() == node.lead() ? "route.same-tool" : "route.same-height", node.heightMm());
    }
    return Phrase.of("route.rises", lastFit.heightMm(), node.heightMm());
  }

  /** Evenings end after the last whole step that fits; every end of a step is a safe stop. */
  private List<Plan.Session> sessions(List<Step> steps, double minutes) {
    List<Plan.Session> sessions = new ArrayList<>();
    if (minutes <= 0) {
      return sessions;
    }
    int from = 1;
    double sum = 0;
    for (Step step : steps) {
      if (sum > 0 && sum + step.minutes() > minutes && !isHeld(steps, step)) {
        sessions.add(new Plan.Session(from, step.n() - 1, sum));
        from = step.n();
        sum = 0;
      }
      sum += step.minutes();
    }
    if (!steps.isEmpty()) {
      sessions.add(new Plan.Session(from, steps.size(), sum));
    }
    return sessions;
  }

  /** Jig mates are held by each other: no evening ends between them. */
  private boolean isHeld(List<Step> steps, Step step) {
    Set<Integer> begun = new HashSet<>();
    for (Step each : steps) {
      Node node = work.byName().get(each.id());
      int jig = node == null ? -1 : work.jigOf(node);
      if (each.n() < step.n()) {
        begun.add(jig);
      } else if (jig >= 0 && begun.contains(jig)) {
        return true;
      }
    }
    return false;
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
