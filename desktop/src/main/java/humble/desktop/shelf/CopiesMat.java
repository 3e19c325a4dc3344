package humble.desktop.shelf;

import humble.desktop.draw.Mat;
import humble.desktop.draw.Pen;
import humble.desktop.draw.Token;
import java.util.List;

/**
 * The journal lying open on its plank, and its copies standing behind it, the newest at the left.
 */
record CopiesMat(String title, String journal, boolean damaged, List<String> copies, int chosen)
    implements Mat {
  private static final double SPINE = 44;
  private static final double TALL = 190;

  CopiesMat {
    copies = List.copyOf(copies);
  }

  @Override
  public void paint(Pen pen, double w, double h) {
    pen.text(title, 20, 26, 16, Token.INK_SOFT, Pen.Hang.LEFT);
    book(pen, w / 2, h * 0.27);
    double plank = h * 0.86;
    pen.box(40, plank, w - 80, 6, 2, Token.COPPER_PALE, null);
    double step = Math.min(SPINE + 12, (w - 120) / Math.max(1, copies.size()));
    for (int i = 0; i < copies.size(); i++) {
      double x = 60 + i * step;
      double tall = TALL - (i % 3) * 12;
      boolean now = i == chosen;
      double y = plank - tall - (now ? 22 : 0);
      pen.box(x, y, SPINE, tall, 3, now ? Token.CARD : Token.PAPER, Token.INK);
      pen.line(x + 6, y + 16, x + SPINE - 6, y + 16, Token.COPPER_PALE, 3);
      pen.line(x + 6, y + tall - 16, x + SPINE - 6, y + tall - 16, Token.COPPER_PALE, 3);
      pen.bold(Integer.toString(i + 1), x + SPINE / 2, y + 46, 18, Token.INK, Pen.Hang.MIDDLE);
      pen.spot("copy:" + i, x, y, SPINE, tall);
      if (now) {
        pen.text(copies.get(i), Math.max(x, 60), y - 12, 16, Token.INK, Pen.Hang.LEFT);
      }
    }
  }

  /** Two pages; a damaged one has a torn corner. */
  private void book(Pen pen, double x, double y) {
    double wide = 210;
    double tall = 150;
    pen.box(x - wide, y - tall / 2, wide - 4, tall, 3, Token.PAPER, Token.INK);
    pen.box(x + 4, y - tall / 2, wide - 4, tall, 3, Token.PAPER, Token.INK);
    for (int line = 1; line < 7; line++) {
      double at = y - tall / 2 + line * tall / 7;
      double end = damaged && line < 3 ? 0.55 : 0.9;
      pen.line(x - wide + 18, at, x - 22, at, Token.COPPER_PALE, 2);
      pen.line(x + 22, at, x + wide * end, at, Token.COPPER_PALE, 2);
    }
    if (damaged) {
      double edge = x + wide;
      pen.line(edge - 66, y - tall / 2, edge - 48, y - tall / 2 + 22, Token.ALARM, 2.5);
      pen.line(edge - 48, y - tall / 2 + 22, edge - 34, y - tall / 2 + 16, Token.ALARM, 2.5);
      pen.line(edge - 34, y - tall / 2 + 16, edge - 18, y - tall / 2 + 44, Token.ALARM, 2.5);
      pen.line(edge - 18, y - tall / 2 + 44, edge, y - tall / 2 + 52, Token.ALARM, 2.5);
    }
    pen.bold(journal, x, y + tall / 2 + 30, 20, Token.INK, Pen.Hang.MIDDLE);
  }

  @Override
  public String spoken() {
    return title + ": " + journal + ". " + String.join(", ", copies);
  }
}
