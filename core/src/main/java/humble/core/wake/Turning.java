package humble.core.wake;

import humble.core.kit.Trim;

/**
 * How a screw is turned to a setting.
 *
 * @param turns whole turns from its lower end
 * @param degrees and so far on, 0 to below 360
 * @param move degrees from where it stands; above 0 towards its upper end
 */
public record Turning(int turns, int degrees, int move) {
  private static final int ROUND = 360;

  /** Gives how a screw is turned from one setting to another. */
  public static Turning of(Trim.Screw screw, double from, double to) {
    double all = screw.turns() * ROUND;
    long there = Math.round(screw.knob().share(to) * all);
    long here = Math.round(screw.knob().share(from) * all);
    return new Turning((int) (there / ROUND), (int) (there % ROUND), (int) (there - here));
  }

  /** Tells whether the play of its thread matters: a setting is come up to from below. */
  public boolean comesFromAbove() {
    return move < 0;
  }
}
