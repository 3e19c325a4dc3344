package humble.desktop.fit;

import humble.core.craft.WindingPlan;
import humble.core.kit.Winding;
import humble.desktop.draw.Mat;
import humble.desktop.draw.Pen;
import humble.desktop.draw.Token;
import java.util.List;

/** The ring from above with the turns it has, the next one dashed, and the sense as an arrow. */
record WindMat(
    Winding winding, WindingPlan plan, WindingPlan.Coil coil, int wound, String title, String sense)
    implements Mat {
  /** The ends of a coil stay this far apart. */
  private static final double MOST_DEG = 320;

  @Override
  public void paint(Pen pen, double w, double h) {
    pen.text(title, 20, 26, 16, Token.INK_SOFT, Pen.Hang.LEFT);
    double outer = Math.min(w, h - 120) * 0.36;
    double inner = outer * winding.core().idMm() / winding.core().odMm();
    double x = w / 2;
    double y = h / 2 + 6;
    pen.disc(x, y, outer, Token.TIN, Token.INK, 2);
    pen.disc(x, y, inner, Token.MAT, Token.INK, 2);
    double step = Math.min(MOST_DEG / Math.max(1, coil.turns()), 24);
    int way = coil.sense().equals("cw") ? 1 : -1;
    for (int i = 0; i < wound; i++) {
      turn(pen, x, y, inner, outer, -90 + way * (20 + i * step), way * step * 0.45, Token.COPPER);
    }
    if (wound < coil.turns()) {
      double angle = Math.toRadians(-90 + way * (20 + wound * step));
      pen.dashed(
          x + inner * 0.86 * Math.cos(angle),
          y + inner * 0.86 * Math.sin(angle),
          x + outer * 1.06 * Math.cos(angle),
          y + outer * 1.06 * Math.sin(angle),
          Token.FLUX,
          4);
    }
    arrow(pen, x, y, outer * 1.2, way);
    pen.bold(Integer.toString(wound), x, y - 10, 64, Token.INK, Pen.Hang.MIDDLE);
    pen.text("/ " + coil.turns(), x, y + 40, 24, Token.INK_SOFT, Pen.Hang.MIDDLE);
    pen.bold(sense, x, h - 30, 18, Token.INK, Pen.Hang.MIDDLE);
  }

  /** One pass: over the ring and back through the hole, drawn a little slanted. */
  private static void turn(
      Pen pen,
      double x,
      double y,
      double inner,
      double outer,
      double degrees,
      double slant,
      Token token) {
    double from = Math.toRadians(degrees);
    double to = Math.toRadians(degrees + slant);
    pen.line(
        x + inner * 0.94 * Math.cos(from),
        y + inner * 0.94 * Math.sin(from),
        x + outer * 1.03 * Math.cos(to),
        y + outer * 1.03 * Math.sin(to),
        token,
        6);
  }

  private static void arrow(Pen pen, double x, double y, double radius, int way) {
    double lastX = 0;
    double lastY = 0;
    double beforeX = 0;
    double beforeY = 0;
    for (int i = 0; i <= 10; i++) {
      double angle = Math.toRadians(-90 + way * (10 + i * 7));
      double px = x + radius * Math.cos(angle);
      double py = y + radius * Math.sin(angle);
      if (i > 0) {
        pen.line(lastX, lastY, px, py, Token.INK, 3);
      }
      beforeX = lastX;
      beforeY = lastY;
      lastX = px;
      lastY = py;
    }
    double dx = lastX - beforeX;
    double dy = lastY - beforeY;
    double length = Math.max(1, Math.hypot(dx, dy));
    double ux = dx / length;
    double uy = dy / length;
    pen.shape(
        List.of(
            new double[] {lastX + 16 * ux, lastY + 16 * uy},
            new double[] {lastX - 9 * uy, lastY + 9 * ux},
            new double[] {lastX + 9 * uy, lastY - 9 * ux}),
        Token.INK,
        null);
  }

  @Override
  public String spoken() {
    return title + ": " + wound + " / " + coil.turns();
  }
}
