package humble.desktop.unpack;

import humble.core.kit.Line;
import humble.desktop.draw.Mat;
import humble.desktop.draw.PartIcon;
import humble.desktop.draw.Pen;
import humble.desktop.draw.Token;
import java.util.List;
import org.jspecify.annotations.Nullable;

/** Cups, one for each kind of part; the ring of a cup fills to the needed number. */
record CupsMat(String title, List<Cup> cups) implements Mat {
  /** One cup; {@code counted} is null before it was counted. */
  record Cup(
      String id,
      String label,
      @Nullable Line line,
      int needed,
      @Nullable Integer counted,
      boolean now) {}

  @Override
  public void paint(Pen pen, double w, double h) {
    pen.text(title, 20, 26, 16, Token.INK_SOFT, Pen.Hang.LEFT);
    int columns = Math.max(4, (int) Math.ceil(Math.sqrt(cups.size() * w / h * 0.9)));
    int rows = (cups.size() + columns - 1) / columns;
    double cw = (w - 24) / columns;
    double ch = (h - 50) / Math.max(1, rows);
    for (int i = 0; i < cups.size(); i++) {
      double x = 12 + (i % columns + 0.5) * cw;
      double y = 46 + Math.floorDiv(i, columns) * ch;
      cup(pen, cups.get(i), x, y, Math.min(cw * 0.86, 128), Math.min(ch - 8, 148));
    }
  }

  private static void cup(Pen pen, Cup cup, double x, double y, double w, double h) {
    double top = y + h * 0.18;
    double bottom = y + h * 0.74;
    double half = w / 2;
    pen.spot("cup:" + cup.id(), x - half, y, w, h);
    Integer counted = cup.counted();
    boolean isShort = counted != null && counted < cup.needed();
    Token fill = cup.now() ? Token.FLUX_PALE : Token.CARD;
    pen.shape(
        List.of(
            new double[] {x - half, top},
            new double[] {x + half, top},
            new double[] {x + half * 0.82, bottom},
            new double[] {x - half * 0.82, bottom}),
        fill,
        Token.INK_SOFT);
    pen.oval(x, top, half, h * 0.1, Token.PAPER, Token.INK_SOFT, 1.5);
    if (cup.line() != null) {
      PartIcon.draw(pen, cup.line(), x, top, w * 0.42);
    } else {
      pen.bold("…", x, top, 18, Token.INK, Pen.Hang.MIDDLE);
    }
    double cy = (top + bottom) / 2 + h * 0.06;
    double radius = Math.min(h * 0.17, 22);
    double share =
        counted == null || cup.needed() == 0 ? 0 : Math.min(1, counted / (double) cup.needed());
    boolean full = share >= 1;
    pen.disc(x, cy, radius, Token.CARD, full ? Token.COPPER : Token.LINE, 5);
    if (share > 0 && !full) {
      pen.arc(x, cy, radius, share, Token.ALARM, 5);
    }
    String number = counted == null ? (cup.now() ? "?" : "") : counted.toString();
    pen.bold(number, x, cy, 15, Token.INK, Pen.Hang.MIDDLE);
    if (isShort) {
      pen.diamond(x + half * 0.86, top - h * 0.06, 9, Token.ALARM);
    }
    if (cup.now()) {
      pen.box(x - half - 5, y - 2, w + 10, h + 2, 8, null, Token.INK);
    }
    String label = Pen.fitted(cup.label() + " ×" + cup.needed(), 14, w + 6);
    if (cup.now() || isShort) {
      pen.bold(label, x, y + h * 0.87, 14, isShort ? Token.ALARM : Token.INK, Pen.Hang.MIDDLE);
    } else {
      pen.text(label, x, y + h * 0.87, 14, Token.INK, Pen.Hang.MIDDLE);
    }
  }

  @Override
  public String spoken() {
    long done = cups.stream().filter(cup -> cup.counted() != null).count();
    return title + ": " + done + " / " + cups.size();
  }
}
