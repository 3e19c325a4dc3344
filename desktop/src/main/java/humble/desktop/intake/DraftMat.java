package humble.desktop.intake;

import humble.core.intake.Draft;
import humble.core.kit.Line;
import humble.core.words.Words;
import humble.desktop.draw.Mat;
import humble.desktop.draw.PartIcon;
import humble.desktop.draw.Pen;
import humble.desktop.draw.Token;
import humble.desktop.stage.LineNames;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;

/**
 * What the list has become so far: trays with drawn parts; a diamond where something is guessed.
 */
record DraftMat(
    String title, String empty, Draft draft, Set<String> now, Set<String> doubtful, Words words)
    implements Mat {
  private static final double LEAST_ROW_PX = 72;

  @Override
  public void paint(Pen pen, double w, double h) {
    pen.text(title, 20, 26, 16, Token.INK_SOFT, Pen.Hang.LEFT);
    List<Line> lines = draft.kit().lines();
    int loose = draft.kit().loose().size();
    int all = lines.size() + loose;
    if (all == 0) {
      sheet(pen, w, h);
      return;
    }
    int columns = 2;
    while ((all + columns - 1) / columns * LEAST_ROW_PX > h - 56) {
      columns++;
    }
    int rows = (all + columns - 1) / columns;
    double cw = (w - 32) / columns;
    double ch = Math.min((h - 56) / rows, 96);
    for (int i = 0; i < all; i++) {
      double x = 16 + i % columns * cw;
      double y = 46 + Math.floorDiv(i, columns) * ch;
      if (i < lines.size()) {
        tray(pen, lines.get(i), x, y, cw - 8, ch - 8);
      } else {
        loose(pen, i - lines.size(), x, y, cw - 8, ch - 8);
      }
    }
  }

  private void tray(Pen pen, Line line, double x, double y, double w, double h) {
    boolean lit = now.contains(line.id());
    pen.box(x, y, w, h, 8, lit ? Token.FLUX_PALE : Token.CARD, lit ? Token.INK : Token.LINE);
    double icon = Math.min(h * 0.86, 64);
    PartIcon.draw(pen, line, x + 8 + icon / 2, y + h / 2, icon);
    double textX = x + icon + 18;
    double room = w - icon - 30;
    pen.bold(
        Pen.fitted(line.supplied() + " × " + LineNames.single(words, line), 16, room - 12),
        textX,
        y + h * 0.34,
        16,
        Token.INK,
        Pen.Hang.LEFT);
    pen.text(Pen.fitted(places(line), 15, room), textX, y + h * 0.68, 15, Token.INK, Pen.Hang.LEFT);
    if (doubtful.contains(line.id())) {
      pen.diamond(x + w - 14, y + 14, 8, Token.ALARM);
    }
    pen.spot("line:" + line.id(), x, y, w, h);
  }

  /** Where its parts go, and for which version alone. */
  private String places(Line line) {
    List<String> of = new ArrayList<>();
    draft
        .kit()
        .options()
        .forEach(option ->
            option.choices().stream()
                .filter(choice -> line.refs().stream().anyMatch(choice.fit()::contains))
                .forEach(choice -> of.add(choice.label())));
    String refs = String.join(" ", line.refs());
    return of.isEmpty() ? refs : refs + " · " + words.say("intake.version", String.join(", ", of));
  }

  private void loose(Pen pen, int index, double x, double y, double w, double h) {
    pen.box(x, y, w, h, 8, null, Token.LINE);
    var item = draft.kit().loose().get(index);
    pen.bold(
        Pen.fitted(item.supplied() + " × " + item.name(), 16, w - 24),
        x + 14,
        y + h * 0.34,
        16,
        Token.INK,
        Pen.Hang.LEFT);
    pen.text(
        Pen.fitted(words.say("intake.beside"), 15, w - 24),
        x + 14,
        y + h * 0.68,
        15,
        Token.INK_SOFT,
        Pen.Hang.LEFT);
  }

  /** An empty sheet that says what goes on it. */
  private void sheet(Pen pen, double w, double h) {
    double sw = Math.min(w * 0.6, 520);
    double sh = Math.min(h * 0.72, 420);
    double x = (w - sw) / 2;
    double y = (h - sh) / 2;
    pen.box(x, y, sw, sh, 4, Token.CARD, Token.INK_SOFT);
    for (int i = 1; i < 10; i++) {
      pen.line(x + 32, y + i * sh / 10, x + sw - 32, y + i * sh / 10, Token.LINE, 1);
    }
    pen.mono("3 x 10k  R1 R4 R9", x + 40, y + sh * 0.17, 20, Token.INK_SOFT, Pen.Hang.LEFT);
    pen.mono("2 x 100n C1, C2", x + 40, y + sh * 0.27, 20, Token.INK_SOFT, Pen.Hang.LEFT);
    pen.mono("1 x 28-pin socket SK1", x + 40, y + sh * 0.37, 20, Token.INK_SOFT, Pen.Hang.LEFT);
    pen.text(empty, w / 2, y + sh + 30, 17, Token.INK, Pen.Hang.MIDDLE);
  }

  @Override
  public String spoken() {
    return title
        + ": "
        + String.join(
            "; ", draft.kit().lines().stream().map(l -> LineNames.single(words, l)).toList());
  }
}
