package humble.core.wake;

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
