package humble.desktop.wake;

import humble.desktop.draw.Pen;
import humble.desktop.draw.Token;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

/** The board above, and where there is a scale the readings on it below. */
record ReadingsPicture(TestPicture board, Optional<Scale> scale, List<Double> read)
    implements Waking.Picture {
  /**
   * A scale.
   *
   * @param low left end
   * @param high right end
   * @param good from where to where a reading is good: bands that are drawn
   */
  record Scale(double low, double high, List<double[]> good) {}

  private static final double TALL = 96;
  private static final double NEAR_PX = 16;

  @Override
  public void paint(Pen pen, double x, double y, double w, double h) {
    board.paint(pen, x, y, w, h - (scale.isPresent() ? TALL + 16 : 0));
    scale.ifPresent(s -> bar(pen, s, x + 30, y + h - TALL + 34, w - 60));
  }

  private void bar(Pen pen, Scale s, double x, double y, double w) {
    pen.box(x, y, w, 20, 4, Token.FIELD, Token.INK);
    for (double[] band : s.good()) {
      double from = at(s, band[0], x, w);
      double to = at(s, band[1], x, w);
      pen.box(from, y + 3, to - from, 14, 2, Token.COPPER_PALE, null);
    }
    label(pen, s.low(), x, y + 38);
    label(pen, s.high(), x + w, y + 38);
    for (int i = 0; i < read.size(); i++) {
      double px = at(s, read.get(i), x, w);
      pen.shape(
          List.of(
              new double[] {px, y}, new double[] {px - 9, y - 16}, new double[] {px + 9, y - 16}),
          Token.COPPER,
          Token.INK);
    }
    // Readings that stand at one place share one label.
    for (int i = 0; i < read.size(); i++) {
      double px = at(s, read.get(i), x, w);
      List<String> here = new ArrayList<>();
      boolean first = true;
      for (int k = 0; k < read.size(); k++) {
        if (Math.abs(at(s, read.get(k), x, w) - px) < NEAR_PX) {
          first &= k >= i;
          here.add(Integer.toString(k + 1));
        }
      }
      if (first) {
        pen.bold(String.join(", ", here), px, y - 26, 14, Token.INK, Pen.Hang.MIDDLE);
      }
    }
  }

  private static double at(Scale s, double value, double x, double w) {
    return x + Math.clamp((value - s.low()) / (s.high() - s.low()), 0, 1) * w;
  }

  private static void label(Pen pen, double value, double x, double y) {
    pen.mono(String.format(Locale.ROOT, "%.0f", value), x, y, 14, Token.INK_SOFT, Pen.Hang.MIDDLE);
  }
}
