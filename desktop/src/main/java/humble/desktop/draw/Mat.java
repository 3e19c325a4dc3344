package humble.desktop.draw;

/** A picture that fills the mat, drawn from what the core computed. */
public interface Mat {
  /** Draws the picture into {@code widthPx} × {@code heightPx}. */
  void paint(Pen pen, double widthPx, double heightPx);

  /** Says the picture in one sentence, for those who hear the screen. */
  String spoken();
}
