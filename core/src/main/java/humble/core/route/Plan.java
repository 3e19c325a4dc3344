package humble.core.route;

import humble.core.words.Phrase;
import java.util.List;

/**
 * An order of work.
 *
 * @param school school it follows
 * @param steps steps in order
 * @param cost its measures
 * @param optimal whether no order of that school is better
 * @param bound score that no order of the school undercuts
 * @param sessions evenings, when asked for
 * @param blocked parts that wait for something that is not there
 * @param violations where the kit's own sheet breaks a hard fact
 * @param repairs what was moved in the kit's own sheet, and what it forgets; of that school only
 * @param misfits what will not fit its case, whatever the order
 */
public record Plan(
    School school,
    List<Step> steps,
    Cost cost,
    boolean optimal,
    List<Integer> bound,
    List<Session> sessions,
    List<Blocked> blocked,
    List<Phrase> violations,
    List<Phrase> repairs,
    List<Phrase> misfits) {
  public Plan {
    misfits = List.copyOf(misfits);
    bound = List.copyOf(bound);
    repairs = List.copyOf(repairs);
    steps = List.copyOf(steps);
    sessions = List.copyOf(sessions);
    blocked = List.copyOf(blocked);
    violations = List.copyOf(violations);
  }

  /** An evening, from step to step, both included. */
  public record Session(int from, int to, double minutes) {}

  /** A part that has to wait, and what for. */
  public record Blocked(String ref, String waitsFor) {}

  /** Gives the expected time of all steps. */
  public double minutes() {
    return steps.stream().mapToDouble(Step::minutes).sum();
  }
}
