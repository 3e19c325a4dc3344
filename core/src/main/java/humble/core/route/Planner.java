package humble.core.route;

import humble.core.kit.Kit;
import humble.core.kit.LeadClass;
import humble.core.kit.Parts;
import humble.core.kit.SheetEntry;
import humble.core.words.Phrase;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import org.jspecify.annotations.Nullable;

/**
 * Plans the order of fitting.
 *
 * <p>Hard facts come from {@link Work}. Between them a beam search runs over the groups to fit, one
 * more in each round; orders that have fitted the same groups and ended on the same one are one
 * state, and only the best of them is kept, which is exact dynamic programming (Held and Karp 1962)
 * for as long as the beam drops nothing: then the plan says that it is optimal. What is not fitted
 * (choices, tasks, gates, insertions) goes in when nothing else can, choices and inspections first
 * of all.
 */
public final class Planner {
  private static final int BEAM = 600;
  private static final double TALLER_MM = 0.5;

  private final Parts parts;
  private final Kit kit;
  private final School school;
  private final Work work;
  private final List<Plan.Blocked> blocked = new ArrayList<>();

  private Planner(Parts parts, School school, Map<String, String> choices, Set<String> lacking) {
    this.parts = parts;
    this.kit = parts.kit();
    this.school = school;
    this.work = new Work(parts, choices, withDependants(choices, lacking));
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
    return planner.finish(planner.search(), minutes);
  }

  /**
   * What hangs on a part that is not there: the chip for its socket, what it covers nothing for,
   * the rest of its gate.
   */
  private Set<String> withDependants(Map<String, String> choices, Set<String> lacking) {
    Set<String> out = new TreeSet<>(lacking);
    if (lacking.isEmpty()) {
      return out;
    }
    Work all = new Work(parts, choices, Set.of());
    lacking.forEach(ref -> blocked.add(new Plan.Blocked(ref, ref)));
    for (Node node : all.nodes()) {
      for (String ref : node.refs()) {
        parts
            .socketOf(ref)
            .filter(out::contains)
            .ifPresent(socket -> {
              if (out.add(ref)) {
                blocked.add(new Plan.Blocked(ref, socket));
              }
            });
      }
    }
    return out;
  }

  private record State(
      BitSet done, @Nullable Node last, Cost cost, @Nullable State before, int node) {}

  private record Key(BitSet done, int last) {}

  private record Found(State state, boolean exact) {}

  private Found search() throws NoPlan {
    List<State> beam = List.of(settle(new State(new BitSet(), null, Cost.NONE, null, -1)));
    boolean exact = true;
    while (true) {
      Map<Key, State> next = new HashMap<>();
      boolean ended = false;
      for (State state : beam) {
        boolean grew = false;
        for (Node node : work.nodes()) {
          if (node.isFit()
              && !state.done().get(node.index())
              && work.facts().ready(node.index(), state.done())) {
            grew = true;
            State more = settle(fit(state, node));
            next.merge(
                new Key(more.done(), node.index()),
                more,
                (a, b) -> order().compare(a, b) <= 0 ? a : b);
          }
        }
        ended |= !grew;
      }
      if (ended) {
        break;
      }
      List<State> sorted = new ArrayList<>(next.values());
      sorted.sort(order());
      exact &= sorted.size() <= BEAM;
      beam = List.copyOf(sorted.subList(0, Math.min(BEAM, sorted.size())));
    }
    State best = beam.stream().min(order()).orElseThrow();
    if (best.done().cardinality() < work.nodes().size()) {
      throw new NoPlan(circle(best.done()));
    }
    return new Found(best, exact);
  }

  private Comparator<State> order() {
    return Comparator.comparing((State s) -> s.cost().score(school), java.util.Arrays::compare)
        .thenComparing(s -> sequence(s), java.util.Arrays::compare);
  }

  private static int[] sequence(State state) {
    int[] nodes = new int[state.done().cardinality()];
    int at = nodes.length;
    for (State s = state; s != null && s.node() >= 0; s = s.before()) {
      nodes[--at] = s.node();
    }
    return nodes;
  }

  /**
   * Books what the node costs against everything still to come, so that the beam sees a debt when
   * it is made.
   */
  private State fit(State state, Node node) {
    Node last = state.last();
    Cost before = state.cost();
    int inversions = 0;
    int jointsAfter = 0;
    for (Node other : work.nodes()) {
      if (!state.done().get(other.index()) && other.isFit() && other.index() != node.index()) {
        boolean above = node.droppedIn() && other.droppedIn() && other.side() == node.side();
        inversions += above && node.heightMm() > other.heightMm() + TALLER_MM ? 1 : 0;
        jointsAfter += other.joints();
      }
    }
    Cost cost =
        new Cost(
            before.turns() + (last != null && last.side() != node.side() ? 1 : 0),
            before.toolChanges() + (last != null && last.lead() != node.lead() ? 1 : 0),
            before.changes() + (last != null && last.kind() != node.kind() ? 1 : 0),
            before.inversions() + inversions,
            before.exposure() + (node.fragile() ? jointsAfter : 0));
    return new State(with(state.done(), node.index()), node, cost, state, node.index());
  }

  /**
   * Takes in what is not fitted: choices and inspections at once, the rest when no fit is open any
   * more.
   */
  private State settle(State start) {
    State state = start;
    while (true) {
      Node next = null;
      boolean fitOpen = false;
      for (Node node : work.nodes()) {
        if (state.done().get(node.index()) || !work.facts().ready(node.index(), state.done())) {
          continue;
        }
        if (node.isFit()) {
          fitOpen = true;
        } else if (next == null || rank(node) < rank(next)) {
          next = node;
        }
      }
      if (next == null || (fitOpen && rank(next) > 0)) {
        return state;
      }
      state =
          new State(
              with(state.done(), next.index()), state.last(), state.cost(), state, next.index());
    }
  }

  private int rank(Node node) {
    return switch (node.act()) {
      case CHOOSE -> 0;
      case TASK -> work.facts().before(node.index()).isEmpty() ? 0 : 2;
      case GATE -> 1;
      case INSERT -> 3;
      case FIT, TURN -> 4;
    };
  }

  private static BitSet with(BitSet done, int index) {
    BitSet more = (BitSet) done.clone();
    more.set(index);
    return more;
  }

  private List<Phrase> circle(BitSet done) {
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

  private Plan finish(Found found, double minutes) {
    List<Step> steps = new ArrayList<>();
    Node lastFit = null;
    int[] order = sequence(found.state());
    for (int i = 0; i < order.length; i++) {
      Node node = work.nodes().get(order[i]);
      if (node.isFit() && lastFit != null && lastFit.side() != node.side()) {
        steps.add(
            new Step(
                steps.size() + 1,
                Step.Act.TURN,
                List.of(),
                "turn:" + (steps.size() + 1),
                node.side(),
                0,
                Minutes.TURN,
                0,
                List.of(Phrase.of("route.turn", node.refs().getFirst()))));
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
        found.state().cost(),
        found.exact(),
        sessions(steps, minutes),
        blocked,
        violations());
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
    if (lastFit == null || lastFit.heightMm() > node.heightMm() + TALLER_MM) {
      return Phrase.of("route.lowest", node.heightMm());
    }
    if (next == null) {
      return Phrase.of("route.tallest", node.heightMm());
    }
    if (Math.abs(lastFit.heightMm() - node.heightMm()) <= TALLER_MM) {
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
