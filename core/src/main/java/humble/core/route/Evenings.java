package humble.core.route;

import java.util.ArrayList;
import java.util.BitSet;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;

/**
 * Cuts a plan into evenings. Each ends after the last whole step that fits, and every end of a step
 * is a place to stop, but where parts hold each other or a cell or a mate is in for one step only.
 * What dries or hardens by itself counts in the evening where nothing else can be done meanwhile.
 */
final class Evenings {
  private final Work work;
  private final List<Step> steps;
  private final BitSet[] after;

  Evenings(Work work, List<Step> steps) {
    this.work = work;
    this.steps = steps;
    this.after = work.facts().closure(work.nodes().size());
  }

  /** Gives the evenings of so many minutes; none for 0. */
  List<Plan.Session> of(double minutes) {
    List<Plan.Session> sessions = new ArrayList<>();
    if (minutes <= 0 || steps.isEmpty()) {
      return sessions;
    }
    int from = 1;
    double clock = 0;
    Map<Integer, Double> finished = new HashMap<>();
    for (Step step : steps) {
      double ends = begins(step, clock, finished) + step.minutes();
      if (clock > 0 && ends > minutes && !isHeld(step)) {
        sessions.add(new Plan.Session(from, step.n() - 1, clock));
        from = step.n();
        clock = 0;
        // Overnight everything dries.
        finished.clear();
        ends = step.minutes();
      }
      clock = ends;
      Node node = work.byName().get(step.id());
      if (node != null && step.unattended() > 0) {
        finished.put(node.index(), clock + step.unattended());
      }
    }
    sessions.add(new Plan.Session(from, steps.size(), clock));
    return sessions;
  }

  /** A step waits for what it depends on to be dry; others are done meanwhile. */
  private double begins(Step step, double clock, Map<Integer, Double> finished) {
    Node node = work.byName().get(step.id());
    double begins = clock;
    for (Map.Entry<Integer, Double> each : finished.entrySet()) {
      if (node == null || after[each.getKey()].get(node.index())) {
        begins = Math.max(begins, each.getValue());
      }
    }
    return begins;
  }

  /** Jig mates are held by each other: no evening ends between them. */
  private boolean isHeld(Step step) {
    Set<Integer> begun = new HashSet<>();
    int guests = 0;
    for (Step each : steps) {
      Node node = work.byName().get(each.id());
      int jig = node == null ? -1 : work.jigOf(node);
      if (each.n() < step.n()) {
        begun.add(jig);
        guests += each.id().startsWith("insert:") && each.id().contains("@") ? 1 : 0;
        guests -= each.act() == Step.Act.REMOVE ? 1 : 0;
      } else if (jig >= 0 && begun.contains(jig)) {
        return true;
      }
    }
    return guests > 0;
  }
}
