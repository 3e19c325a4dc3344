package humble.core.practice;

import humble.core.build.Build;
import humble.core.build.BuildEvent;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;

/**
 * A drill that was answered.
 *
 * @param seconds how long it took
 * @param at when
 */
public record Answered(Skill skill, boolean right, double seconds, Instant at) {
  /** Gives the drills among the entries of a bench, in their order; unknown skills stay out. */
  public static List<Answered> of(Build bench) {
    List<Answered> all = new ArrayList<>();
    for (BuildEvent.Entry entry : bench.inForce()) {
      if (entry.event() instanceof BuildEvent.Drilled drilled) {
        Skill.named(drilled.skill())
            .ifPresent(skill ->
                all.add(new Answered(skill, drilled.right(), drilled.seconds(), entry.at())));
      }
    }
    return all;
  }
}
