package humble.core.wake;

import java.util.HashMap;
import java.util.Map;

/**
 * How a display is set up.
 *
 * @param pose turn and mirror applied to what is sent
 * @param swapRedBlue whether red and blue change places
 * @param invert whether light and dark change places
 * @param xOffsetPx columns to the right
 * @param yOffsetPx rows down
 */
public record DisplaySetting(
    Pose pose, boolean swapRedBlue, boolean invert, int xOffsetPx, int yOffsetPx) {
  /** Nothing changed. */
  public static final DisplaySetting PLAIN = new DisplaySetting(Pose.UPRIGHT, false, false, 0, 0);

  /**
   * How a figure sent upright came out.
   *
   * @param pose how it lies
   * @param redLooksBlue whether red came out blue
   * @param inverted whether black came out white
   * @param shiftXPx columns it stands too far right
   * @param shiftYPx rows it stands too far down
   */
  public record Seen(
      Pose pose, boolean redLooksBlue, boolean inverted, int shiftXPx, int shiftYPx) {}

  /** Gives the setting as facts; {@link #of(Map)} reads them. */
  public Map<String, String> facts() {
    return Map.of(
        "turn-deg", Integer.toString(pose.rotateDeg()),
        "mirror", Boolean.toString(pose.mirror()),
        "swap-red-blue", Boolean.toString(swapRedBlue),
        "invert", Boolean.toString(invert),
        "x-offset-px", Integer.toString(xOffsetPx),
        "y-offset-px", Integer.toString(yOffsetPx));
  }

  /** Reads a setting from facts; what they do not say, or say wrongly, is as in {@link #PLAIN}. */
  public static DisplaySetting of(Map<String, String> facts) {
    int turn = whole(facts, "turn-deg");
    return new DisplaySetting(
        new Pose(turn % 90 == 0 ? turn : 0, flag(facts, "mirror")),
        flag(facts, "swap-red-blue"),
        flag(facts, "invert"),
        whole(facts, "x-offset-px"),
        whole(facts, "y-offset-px"));
  }

  /** Gives how a display is set up: what was sent to it, else what its kit says. */
  public static DisplaySetting of(Map<String, String> config, Map<String, String> facts) {
    Map<String, String> all = new HashMap<>(config);
    all.putAll(facts);
    return of(all);
  }

  private static int whole(Map<String, String> facts, String name) {
    String text = facts.getOrDefault(name, "0");
    return text.matches("-?[0-9]{1,5}") ? Integer.parseInt(text) : 0;
  }

  private static boolean flag(Map<String, String> facts, String name) {
    return Boolean.parseBoolean(facts.getOrDefault(name, ""));
  }

  /**
   * Gives the setting for which the figure stands upright: seen = mounting ∘ present, so needed =
   * present ∘ seen⁻¹ in the group of the square.
   */
  public DisplaySetting neededFor(Seen seen) {
    return new DisplaySetting(
        pose.after(seen.pose().inverse()),
        swapRedBlue != seen.redLooksBlue(),
        invert != seen.inverted(),
        xOffsetPx - seen.shiftXPx(),
        yOffsetPx - seen.shiftYPx());
  }
}
