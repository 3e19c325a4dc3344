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
record ShelfMat(String title, List<Item> items, List<Beside> besides, int chosen) implements Mat {
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

  /** Something that stands behind the builds and kits. */
  record Beside(String name, String state, boolean alarm) {}

  @Override
  public void paint(Pen pen, double w, double h) {
    pen.text(title, 20, 26, 16, Token.INK_SOFT, Pen.Hang.LEFT);
    double rowHeight = Math.clamp((h - 70) / (items.size() + 1), 84, 190);
    double quarter = (w - 80) / besides.size();
    for (int i = 0; i < items.size(); i++) {
      item(pen, items.get(i), i == chosen, 40, 52 + i * rowHeight, w - 80, rowHeight);
      pen.spot("shelf:" + i, 24, 52 + i * rowHeight, w - 48, rowHeight - 6);
    }
    double y = 52 + items.size() * rowHeight;
    for (int i = 0; i < besides.size(); i++) {
      beside(pen, i, 40 + i * quarter, y, quarter, rowHeight);
    }
  }

  /** A sheet of paper on the plank: a list from which a kit can be made. */
  private static void sheet(Pen pen, double x, double plank, double tall) {
    double wide = tall * 0.74;
    pen.box(x + 6, plank - tall, wide, tall, 2, Token.PAPER, Token.INK);
    for (int i = 1; i < 6; i++) {
      double at = plank - tall + i * tall / 6;
      pen.line(x + 12, at, x + wide * (i % 3 == 0 ? 0.7 : 1), at, Token.INK_SOFT, 1.5);
    }
  }

  /** The journal of the bench, lying closed. */
  private static void book(Pen pen, double x, double plank) {
    pen.box(x + 2, plank - 20, 52, 20, 3, Token.BOARD, Token.INK);
    pen.line(x + 7, plank - 6, x + 52, plank - 6, Token.PAPER, 2);
    pen.line(x + 7, plank - 11, x + 52, plank - 11, Token.PAPER, 2);
  }

  /** Resistors to be read. */
  private static void loose(Pen pen, double x, double plank) {
    for (int i = 0; i < 2; i++) {
      double y = plank - 8 - i * 16;
      pen.line(x + 2 + i * 6, y, x + 50 + i * 6, y, Token.INK, 1.5);
      pen.box(x + 14 + i * 6, y - 6, 24, 12, 5, Token.FLUX_PALE, Token.INK);
      for (int band = 0; band < 3; band++) {
        pen.line(x + 19 + i * 6 + band * 6, y - 5, x + 19 + i * 6 + band * 6, y + 5, Token.INK, 2);
      }
    }
  }

  /** The guide, standing open. */
  private static void guide(Pen pen, double x, double plank, double tall) {
    for (int side = -1; side <= 1; side += 2) {
      double middle = x + 30;
      pen.shape(
          List.of(
              new double[] {middle, plank - tall + 6},
              new double[] {middle + side * 26, plank - tall},
              new double[] {middle + side * 26, plank - 6},
              new double[] {middle, plank}),
          Token.PAPER,
          Token.INK);
      for (int i = 1; i < 4; i++) {
        double at = plank - tall + 4 + i * tall / 5;
        pen.line(middle + side * 5, at + 2, middle + side * 21, at - 2, Token.INK_SOFT, 1.5);
      }
    }
  }

  /** What stands behind the builds and kits, a quarter of the plank each. */
  private void beside(Pen pen, int place, double x, double y, double w, double h) {
    Beside one = besides.get(place);
    double plank = y + h - 22;
    if (items.size() + place == chosen) {
      pen.box(x - 8, y, w + 8, h - 6, 8, Token.CARD, Token.INK);
    }
    pen.box(x, plank, w - 8, 6, 2, Token.COPPER_PALE, null);
    double tall = Math.min(h - 40, 64);
    switch (place) {
      case 0 -> sheet(pen, x, plank, tall);
      case 1 -> book(pen, x, plank);
      case 2 -> loose(pen, x, plank);
      default -> guide(pen, x, plank, tall);
    }
    double textX = x + 66;
    double room = w - 80;
    pen.bold(
        one.name(),
        textX,
        plank - 38,
        Pen.sizeFor(one.name(), 17, 12, room),
        Token.INK,
        Pen.Hang.LEFT);
    pen.text(
        one.state(),
        textX,
        plank - 16,
        Pen.sizeFor(one.state(), 14, 11, room),
        one.alarm() ? Token.ALARM : Token.INK_SOFT,
        Pen.Hang.LEFT);
    pen.spot("shelf:" + (items.size() + place), x - 8, y, w, h - 6);
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
