package humble.core.stock;

import humble.core.route.Plan;
import humble.core.route.Step;
import java.util.HashSet;
import java.util.List;
import java.util.Set;

/**
 * How far a build gets with what is in the bag.
 *
 * @param steps steps of the whole plan that can be done
 * @param minutes their minutes
 * @param allSteps steps of the whole plan
 * @param allMinutes minutes of the whole plan
 * @param waiting ids of steps that wait, in the order of the whole plan
 */
public record Reach(
    int steps, double minutes, int allSteps, double allMinutes, List<String> waiting) {
  public Reach {
    waiting = List.copyOf(waiting);
  }

  /**
   * Compares the plan of what is there with the plan of everything.
   *
   * @param whole the plan with nothing lacking
   * @param now the plan without what is lacking
   */
  public static Reach of(Plan whole, Plan now) {
    Set<String> done = new HashSet<>();
    now.steps().forEach(step -> done.add(step.id()));
    List<String> waiting =
        whole.steps().stream()
            .filter(step -> step.act() != Step.Act.TURN && !done.contains(step.id()))
            .map(Step::id)
            .toList();
    return new Reach(
        now.steps().size(), now.minutes(), whole.steps().size(), whole.minutes(), waiting);
  }
}
