package humble.desktop.shelf;

import humble.core.kit.Part;
import humble.core.kit.Parts;
import humble.core.kit.Place;
import humble.core.kit.Side;
import humble.desktop.draw.Mat;
import humble.desktop.draw.Pen;
import humble.desktop.draw.Token;
import java.util.List;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/** Boards on planks, seen edge-on: what is fitted stands on the board as tall as it is. */
record ShelfMat(
    String title,
    List<Item> items,
    String listName,
    String listState,
    String journalName,
    String journalState,
    boolean journalDamaged,
    int chosen)
    implements Mat {
  private static final double PLANK_MM = 110;
  private static final double NAME_PX = 20;
  private static final double LEAST_NAME_PX = 13;

  /** One board on the shelf. */
  record Item(
      String name,
      String state,
      @Nullable Parts parts,
      Set<String> fitted,
      double share,
      boolean broken) {}

  @Override
  public void paint(Pen pen, double w, double h) {
    pen.text(title, 20, 26, 16, Token.INK_SOFT, Pen.Hang.LEFT);
    double rowHeight = Math.clamp((h - 70) / (items.size() + 1), 84, 190);
    double half = (w - 96) / 2;
    for (int i = 0; i < items.size(); i++) {
      item(pen, items.get(i), i == chosen, 40, 52 + i * rowHeight, w - 80, rowHeight);
      pen.spot("shelf:" + i, 24, 52 + i * rowHeight, w - 48, rowHeight - 6);
    }
    double y = 52 + items.size() * rowHeight;
    sheet(pen, items.size() == chosen, 40, y, half, rowHeight);
    pen.spot("shelf:" + items.size(), 24, y, half + 24, rowHeight - 6);
    book(pen, items.size() + 1 == chosen, 56 + half, y, half, rowHeight);
    pen.spot("shelf:" + (items.size() + 1), 48 + half, y, half + 24, rowHeight - 6);
  }

  /** A sheet of paper on the plank: a list from which a kit can be made. */
  private void sheet(Pen pen, boolean now, double x, double y, double w, double h) {
    double plank = y + h - 22;
    if (now) {
      pen.box(x - 16, y, w + 32, h - 6, 8, Token.CARD, Token.INK);
    }
    pen.box(x, plank, w, 6, 2, Token.COPPER_PALE, null);
    double tall = Math.min(h - 40, 92);
    double wide = tall * 0.74;
    pen.box(x + 30, plank - tall, wide, tall, 2, Token.PAPER, Token.INK);
    for (int i = 1; i < 6; i++) {
      double at = plank - tall + i * tall / 6;
      pen.line(x + 40, at, x + 20 + wide * (i % 3 == 0 ? 0.7 : 1), at, Token.INK_SOFT, 1.5);
    }
    double textX = x + wide + 66;
    pen.bold(listName, textX, plank - 44, 20, Token.INK, Pen.Hang.LEFT);
    pen.text(listState, textX, plank - 18, 16, Token.INK_SOFT, Pen.Hang.LEFT);
  }

  /** The journal of the bench, lying closed. */
  private void book(Pen pen, boolean now, double x, double y, double w, double h) {
    double plank = y + h - 22;
    if (now) {
      pen.box(x - 8, y, w + 24, h - 6, 8, Token.CARD, Token.INK);
    }
    pen.box(x, plank, w, 6, 2, Token.COPPER_PALE, null);
    double tall = 22;
    double wide = 92;
    pen.box(x + 12, plank - tall, wide, tall, 3, Token.BOARD, Token.INK);
    pen.line(x + 18, plank - 6, x + 8 + wide, plank - 6, Token.PAPER, 2);
    pen.line(x + 18, plank - 11, x + 8 + wide, plank - 11, Token.PAPER, 2);
    double textX = x + wide + 32;
    pen.bold(journalName, textX, plank - 44, 20, Token.INK, Pen.Hang.LEFT);
    pen.text(
        journalState,
        textX,
        plank - 18,
        16,
        journalDamaged ? Token.ALARM : Token.INK_SOFT,
        Pen.Hang.LEFT);
  }

  private void item(Pen pen, Item item, boolean now, double x, double y, double w, double h) {
    double plank = y + h - 22;
    if (now) {
      pen.box(x - 16, y, w + 32, h - 6, 8, Token.CARD, Token.INK);
    }
    pen.box(x, plank, w, 6, 2, Token.COPPER_PALE, null);
    double scale = Math.min(w * 0.55 / PLANK_MM, (h - 58) / 18);
    Parts parts = item.parts();
    double boardMm =
        parts == null || parts.kit().boards().isEmpty()
            ? 60
            : parts.kit().boards().getFirst().widthMm();
    double left = x + 16;
    double top = plank - 8;
    pen.box(left, top, boardMm * scale, 6, 2, item.broken() ? null : Token.BOARD, Token.INK);
    if (parts != null) {
      for (Part part : parts.all()) {
        Place place = part.place();
        if (place != null && place.side() == Side.TOP) {
          boolean on = item.fitted().contains(part.ref());
          double height = parts.fittedHeightMm(part.ref()) * scale;
          double px = left + place.at().xMm() * scale;
          double width = Math.max(3, 2.6 * scale);
          if (on) {
            pen.box(px - width / 2, top - height, width, height, 1, Token.TIN, Token.INK);
          } else {
            pen.box(px - width / 2, top - height, width, height, 1, null, Token.COPPER_PALE);
          }
        }
      }
    }
    double textX = left + Math.max(boardMm, 60) * scale + 36;
    // A long name is written smaller rather than cut.
    double size = Pen.sizeFor(item.name(), NAME_PX, LEAST_NAME_PX, x + w - textX - 8);
    pen.bold(
        Pen.fitted(item.name(), size, x + w - textX - 8),
        textX,
        plank - 44,
        size,
        Token.INK,
        Pen.Hang.LEFT);
    pen.text(
        item.state(),
        textX,
        plank - 18,
        16,
        item.broken() ? Token.ALARM : Token.INK_SOFT,
        Pen.Hang.LEFT);
  }

  @Override
  public String spoken() {
    return title
        + ": "
        + String.join(", ", items.stream().map(item -> item.name() + ", " + item.state()).toList());
  }
}
