package humble.core.route;

import humble.core.kit.Kit;
import humble.core.kit.LeadClass;
import humble.core.kit.Parts;
import humble.core.kit.Place;
import humble.core.kit.SheetEntry;
import humble.core.words.Phrase;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.Comparator;
import java.util.Deque;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import org.jspecify.annotations.Nullable;

/**
 * Plans the order of fitting: hard facts from {@link Work}, the order between them from {@link
 * OrderSearch}, and for every step the fact or measure that binds it.
 */
public final class Planner {

  private final Parts parts;
  private final Kit kit;
  private final School school;
  private final Work work;
  private final List<Plan.Blocked> blocked = new ArrayList<>();

  private Planner(Parts parts, School school, Map<String, String> choices, Set<String> lacking) {
    this.parts = parts;
    this.kit = parts.kit();
    this.school = school;
    this.work = new Work(parts, choices, withDependants(choices, lacking), Set.of());
  }

  /**
   * Plans a kit.
   *
   * @param parts the kit
   * @param school the school to follow
   * @param choices choice by option; defaults where none is given
   * @param minutes length of an evening, 0 for no evenings
   * @param lacking refs that are not in the bag
   * @throws NoPlan when the hard facts run in a circle
   */
  public static Plan plan(
      Parts parts, School school, Map<String, String> choices, double minutes, Set<String> lacking)
      throws NoPlan {
    Planner planner = new Planner(parts, school, choices, lacking);
    OrderSearch.Outcome found = new OrderSearch(planner.work, school).run();
    if (found.order().size() < planner.work.nodes().size()) {
      throw new NoPlan(planner.circle(found.order()));
    }
    return planner.finish(found, minutes);
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
    Work all = new Work(parts, choices, Set.of(), lacking);
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
      if (node.isFit() && lastFit != null && lastFit.side() != node.side()) {
        steps.add(turn(steps.size() + 1, node));
      }
      steps.add(
          new Step(
              steps.size() + 1,
              node.act(),
              node.refs(),
              node.id(),
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
        sessions(steps, minutes),
        blocked,
        violations());
  }

  private static Step turn(int n, Node node) {
    Phrase because = Phrase.of("route.turn", node.refs().getFirst());
    return new Step(
        n,
        Step.Act.TURN,
        List.of(),
        "turn:" + n,
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
  private static List<Plan.Session> sessions(List<Step> steps, double minutes) {
    List<Plan.Session> sessions = new ArrayList<>();
    if (minutes <= 0) {
      return sessions;
    }
    int from = 1;
    double sum = 0;
    for (Step step : steps) {
      if (sum > 0 && sum + step.minutes() > minutes) {
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

  /** Pairs of the kit's own sheet that stand the wrong way round. */
  private List<Phrase> violations() {
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
}
