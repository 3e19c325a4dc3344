package humble.desktop.fit;

import humble.core.kit.Line;
import humble.desktop.draw.Mat;
import humble.desktop.draw.PartIcon;
import humble.desktop.draw.Pen;
import humble.desktop.draw.Token;
import java.util.List;

/** The part with its two leads, and at each the marks that speak for it. */
record CuesMat(
    String title, Line line, List<String> left, List<String> right, int lead, String pole)
    implements Mat {

  @Override
  public void paint(Pen pen, double w, double h) {
    pen.text(title, 20, 26, 16, Token.INK_SOFT, Pen.Hang.LEFT);
    PartIcon.draw(pen, line, w / 2, h * 0.32, Math.min(w, h) * 0.5);
    double foot = h * 0.5;
    pen.line(w * 0.46, foot, w * 0.34, h * 0.62 - 30, Token.INK_SOFT, 1.5);
    pen.line(w * 0.54, foot, w * 0.66, h * 0.62 - 30, Token.INK_SOFT, 1.5);
    side(pen, left, w * 0.34, h * 0.62, lead == 0);
    side(pen, right, w * 0.66, h * 0.62, lead == 1);
  }

  private void side(Pen pen, List<String> marks, double x, double y, boolean named) {
    pen.disc(x, y - 30, 14, named ? Token.FLUX_PALE : Token.CARD, Token.INK, 2);
    if (named) {
      pen.tag(pole, x, y - 64, 20, Token.INK, Token.FLUX_PALE, Pen.Hang.MIDDLE);
    }
    for (int i = 0; i < marks.size(); i++) {
      pen.tag(marks.get(i), x, y + 14 + i * 38, 18, Token.INK, Token.CARD, Pen.Hang.MIDDLE);
    }
  }

  @Override
  public String spoken() {
    return title + ": " + String.join(", ", left) + " / " + String.join(", ", right);
  }
}
