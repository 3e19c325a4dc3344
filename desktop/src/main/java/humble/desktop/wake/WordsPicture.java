package humble.desktop.wake;

import humble.core.words.Words;
import humble.desktop.draw.Pen;
import humble.desktop.draw.Token;
import java.util.List;

/**
 * Words as rows of bits, the highest bit left: what is written, and where something else was read.
 *
 * @param read what was read so far
 * @param reading whether words are read already
 */
record WordsPicture(WordTest test, List<Long> read, boolean reading, Words words)
    implements Waking.Picture {
  private static final int MOST_ROWS = 16;
  private static final double MOST_ROW_PX = 26;

  @Override
  public void paint(Pen pen, double x, double y, double w, double h) {
    int rows = test.accesses().size();
    int columns = (rows + MOST_ROWS - 1) / MOST_ROWS;
    int tall = (rows + columns - 1) / columns;
    double wide = w / columns;
    double row = Math.min(MOST_ROW_PX, (h - 50) / tall);
    for (int i = 0; i < rows; i++) {
      row(pen, i, x + i / tall * wide, y + 30 + (i % tall + 0.5) * row, wide, row);
    }
    for (int column = 0; column < columns && !test.first(); column++) {
      names(pen, x + column * wide, y + 14, wide);
    }
    pen.text(
        words.say("wake.words.legend"), x + w / 2, y + h - 8, 15, Token.INK_SOFT, Pen.Hang.MIDDLE);
  }

  private double bit(double x, double wide, int bit) {
    double left = test.first() ? 150 : 90;
    return x + wide - 24 - bit * (wide - left - 40) / Math.max(1, test.bits() - 1);
  }

  private void names(Pen pen, double x, double y, double wide) {
    for (int bit = 0; bit < test.bits(); bit++) {
      pen.text(test.names().get(bit), bit(x, wide, bit), y, 13, Token.INK_SOFT, Pen.Hang.MIDDLE);
    }
  }

  private void row(Pen pen, int i, double x, double y, double wide, double tall) {
    WordTest.Access access = test.accesses().get(i);
    boolean now = reading && i == read.size();
    boolean done = i < read.size();
    if (now) {
      pen.box(x, y - tall / 2, wide - 6, tall, 4, Token.FLUX_PALE, null);
    }
    Token ink = now || done ? Token.INK : Token.INK_SOFT;
    if (!access.at().isEmpty()) {
      pen.mono(access.at(), x + 14, y, 15, ink, Pen.Hang.LEFT);
    }
    pen.mono(
        test.shown(done ? read.get(i) : access.word()),
        x + (access.at().isEmpty() ? 14 : 90),
        y,
        15,
        ink,
        Pen.Hang.LEFT);
    for (int bit = 0; bit < test.bits(); bit++) {
      boolean wrote = (access.word() >> bit & 1) == 1;
      boolean wrong = done && (read.get(i) >> bit & 1) == 1 != wrote;
      double at = bit(x, wide, bit);
      double radius = Math.min(8, tall * 0.32);
      if (wrong) {
        pen.diamond(at, y, radius + 3, Token.ALARM);
      } else {
        pen.disc(
            at, y, radius, wrote ? done ? Token.COPPER : Token.TIN : Token.CARD, Token.INK, 1.2);
      }
    }
  }
}
