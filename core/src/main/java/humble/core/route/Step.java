package humble.core.route;

import humble.core.kit.Side;
import humble.core.words.Phrase;
import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * One step of a plan.
 *
 * @param n number, from 1
 * @param act what is done
 * @param refs parts handled, in natural order
 * @param line id of the line whose parts are handled, where they have no designators; else empty
 * @param count pieces handled, 0 where none are
 * @param id id of the task, gate or option, or the group's own; unique in the plan
 * @param board board it is done on, empty when it does not matter
 * @param side side it is done on, null when it does not matter
 * @param heightMm height over the board, 0 where nothing is fitted
 * @param minutes expected time at the bench
 * @param unattended minutes it is then left alone
 * @param joints joints soldered
 * @param because why it stands where it stands
 * @param switchOff whether the board was powered just before: off first, and wait until it is dark
 */
public record Step(
    int n,
    Act act,
    List<String> refs,
    String line,
    int count,
    String id,
    String board,
    @Nullable Side side,
    double heightMm,
    double minutes,
    double unattended,
    int joints,
    List<Phrase> because,
    boolean switchOff) {
  public Step {
    refs = List.copyOf(refs);
    because = List.copyOf(because);
  }

  /** Gives this step with more reasons behind its own. */
  Step also(List<Phrase> more) {
    List<Phrase> all = new ArrayList<>(because);
    all.addAll(more);
    return new Step(
        n,
        act,
        refs,
        line,
        count,
        id,
        board,
        side,
        heightMm,
        minutes,
        unattended,
        joints,
        all,
        switchOff);
  }

  /** Tells whether its parts are known by their line and number alone. */
  public boolean isByCount() {
    return !line.isEmpty();
  }

  /** What is done in a step. */
  public enum Act {
    FIT,
    INSERT,
    REMOVE,
    GATE,
    TASK,
    TURN,
    CHOOSE;

    /** Gives the name used in output. */
    public String text() {
      return name().toLowerCase(java.util.Locale.ROOT);
    }
  }
}
