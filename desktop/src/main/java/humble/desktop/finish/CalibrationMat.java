package humble.desktop.finish;

import humble.core.kit.Calibration;
import humble.core.words.Words;
import humble.desktop.draw.Mat;
import humble.desktop.draw.Pen;
import humble.desktop.draw.Token;
import java.util.List;
import java.util.Locale;

/** The two terminals as they are for a step, and the readings about their mean. */
record CalibrationMat(String title, Calibration.Step step, List<Double> read, Words words)
    implements Mat {
  @Override
  public void paint(Pen pen, double w, double h) {
    pen.text(title, 20, 26, 16, Token.INK_SOFT, Pen.Hang.LEFT);
    double y = h * 0.3;
    double left = w * 0.36;
    double right = w * 0.64;
    pen.disc(left, y, 22, Token.TIN, Token.INK, 2);
    pen.disc(right, y, 22, Token.TIN, Token.INK, 2);
    switch (step.doing()) {
      case SHORT -> pen.line(left, y, right, y, Token.COPPER, 8);
      case OPEN -> {
        pen.line(left, y, left + 60, y - 60, Token.INK, 4);
        pen.line(right, y, right - 60, y - 60, Token.INK, 4);
      }
      case REFERENCE -> {
        pen.line(left, y, right, y, Token.INK, 3);
        pen.box(w / 2 - 46, y - 22, 92, 44, 8, Token.COPPER_PALE, Token.INK);
      }
      case COLD, WARM -> thermometer(pen, w / 2, y, step.doing() == Calibration.Doing.WARM);
    }
    pen.bold(
        words.say("calibrate." + step.doing().text()),
        w / 2,
        y + 90,
        22,
        Token.INK,
        Pen.Hang.MIDDLE);
    if (!read.isEmpty()) {
      readings(pen, w * 0.2, h * 0.62, w * 0.6, h * 0.2);
    }
  }

  private static void thermometer(Pen pen, double x, double y, boolean warm) {
    double top = warm ? y - 40 : y + 10;
    pen.box(x - 10, y - 60, 20, 96, 10, Token.CARD, Token.INK);
    pen.box(x - 5, top, 10, y + 40 - top, 4, Token.COPPER, null);
    pen.disc(x, y + 48, 18, Token.COPPER, Token.INK, 1.5);
  }

  private void readings(Pen pen, double x, double y, double w, double h) {
    double mean = read.stream().mapToDouble(each -> each).average().orElse(0);
    double most =
        read.stream().mapToDouble(each -> Math.abs(each - mean)).max().orElse(0) * 1.3
            + Math.max(step.within(), 1e-9);
    pen.box(x, y, w, h, 4, Token.CARD, Token.LINE);
    if (step.within() > 0) {
      double half = h / 2 * step.within() / most;
      pen.box(x + 1, y + h / 2 - half, w - 2, 2 * half, 0, Token.MASK_PALE, null);
    }
    pen.line(x, y + h / 2, x + w, y + h / 2, Token.COPPER, 2);
    pen.mono(
        String.format(Locale.ROOT, Math.abs(mean) >= 1000 ? "%.1f" : "%.3g", mean),
        x - 8,
        y + h / 2,
        15,
        Token.INK,
        Pen.Hang.RIGHT);
    for (int i = 0; i < read.size(); i++) {
      double px = x + w * (i + 1) / (read.size() + 1);
      pen.disc(px, y + h / 2 * (1 - (read.get(i) - mean) / most), 6, Token.INK, null, 0);
    }
  }

  @Override
  public String spoken() {
    return title + ": " + words.say("calibrate." + step.doing().text());
  }
}
