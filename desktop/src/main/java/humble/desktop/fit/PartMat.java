package humble.desktop.fit;

import humble.core.kit.Line;
import humble.core.words.Words;
import humble.desktop.draw.Mat;
import humble.desktop.draw.PartIcon;
import humble.desktop.draw.Pen;
import humble.desktop.draw.Token;
import humble.desktop.stage.LineNames;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/** The part of this step, large, and the places it goes to: for kits of which no board is known. */
record PartMat(
    String title, Optional<Line> line, List<String> refs, Set<String> fitted, Words words)
    implements Mat {
  private static final int MOST_REFS = 40;

  @Override
  public void paint(Pen pen, double w, double h) {
    pen.text(title, 20, 26, 16, Token.INK_SOFT, Pen.Hang.LEFT);
    if (line.isEmpty()) {
      return;
    }
    PartIcon.draw(pen, line.get(), w / 2, h * 0.34, Math.min(w, h) * 0.5);
    pen.bold(
        Pen.fitted(LineNames.single(words, line.get()), 28, w - 60),
        w / 2,
        h * 0.66,
        28,
        Token.INK,
        Pen.Hang.MIDDLE);
    int columns = Math.max(1, (int) ((w - 80) / 96));
    for (int i = 0; i < Math.min(refs.size(), MOST_REFS); i++) {
      int row = i / columns;
      int inRow = Math.min(columns, refs.size() - row * columns);
      double x = w / 2 + (i % columns - (inRow - 1) / 2.0) * 96;
      double y = h * 0.76 + row * 40;
      boolean done = fitted.contains(refs.get(i));
      pen.tag(
          refs.get(i), x, y, 18, Token.INK, done ? Token.COPPER_PALE : Token.CARD, Pen.Hang.MIDDLE);
    }
  }

  @Override
  public String spoken() {
    return title + ": " + String.join(", ", refs);
  }
}
