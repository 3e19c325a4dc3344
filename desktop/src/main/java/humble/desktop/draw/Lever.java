package humble.desktop.draw;

/** A lever of a front panel: up, down, or nobody knows. */
public final class Lever {
  /** Nobody knows how it stands. */
  public static final int UNKNOWN = -1;

  private Lever() {}

  /**
   * Draws a lever about a point.
   *
   * @param stands 1 for up, 0 for down, {@link #UNKNOWN}
   * @param odd whether it should stand otherwise
   */
  public static void draw(Pen pen, double x, double y, int stands, boolean odd) {
    draw(pen, x, y, 1, stands, odd);
  }

  /** Draws a lever so many times as large. */
  public static void draw(Pen pen, double x, double y, double size, int stands, boolean odd) {
    if (odd) {
      pen.diamond(x, y, 40 * size, Token.ALARM_PALE);
    }
    pen.box(x - 7 * size, y - 26 * size, 14 * size, 52 * size, 7 * size, Token.FIELD, Token.INK);
    if (stands == UNKNOWN) {
      return;
    }
    double knob = stands == 1 ? y - 17 * size : y + 17 * size;
    pen.box(x - 4 * size, Math.min(y, knob), 8 * size, Math.abs(knob - y), 2, Token.INK_SOFT, null);
    pen.disc(x, knob, 12 * size, odd ? Token.ALARM : Token.COPPER, Token.INK, 1.5);
  }
}
