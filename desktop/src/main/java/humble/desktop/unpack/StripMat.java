package humble.desktop.unpack;

import humble.core.stock.Snapping;
import humble.core.stock.Strips;
import humble.desktop.draw.Mat;
import humble.desktop.draw.Pen;
import humble.desktop.draw.Token;
import java.util.ArrayList;
import java.util.List;

/** Strips as they lie, with the places to snap and what every piece is for. */
record StripMat(String title, Strips strips, String leftName) implements Mat {
  @Override
  public void paint(Pen pen, double w, double h) {
    pen.text(title, 20, 26, 16, Token.INK_SOFT, Pen.Hang.LEFT);
    Snapping way = strips.snapping().orElse(null);
    if (way == null) {
      return;
    }
    List<Strips.Piece> open = new ArrayList<>(strips.pieces());
    double pitch = Math.min((w - 100) / strips.stripLength(), 34);
    double rowHeight = Math.min((h - 80) / way.strips().size(), 170);
    double top = Math.max(60, (h - rowHeight * way.strips().size()) / 2 - 30);
    for (int i = 0; i < way.strips().size(); i++) {
      double y = top + i * rowHeight + rowHeight * 0.4;
      strip(pen, way, i, 50, y, pitch, open);
    }
  }

  private void strip(
      Pen pen, Snapping way, int index, double x, double y, double pitch, List<Strips.Piece> open) {
    double height = Math.min(pitch * 1.1, 30);
    int at = 0;
    int lost = strips.receptacle() ? 1 : 0;
    for (int length : way.strips().get(index)) {
      piece(pen, x + at * pitch, y, length, pitch, height, true);
      Strips.Piece piece =
          open.stream().filter(each -> each.length() == length).findFirst().orElse(null);
      open.remove(piece);
      pen.bold(
          (piece == null ? "" : piece.ref() + " · ") + length,
          x + (at + length / 2.0) * pitch,
          y + height + 22,
          18,
          Token.INK,
          Pen.Hang.MIDDLE);
      at += length;
      if (at < strips.stripLength()) {
        cut(pen, x + at * pitch, y, lost * pitch, height);
        at += lost;
      }
    }
    int left = way.leftOver().get(index);
    if (left > 0) {
      piece(pen, x + at * pitch, y, left, pitch, height, false);
      pen.text(
          leftName + " · " + left,
          x + (at + left / 2.0) * pitch,
          y + height + 22,
          16,
          Token.INK_SOFT,
          Pen.Hang.MIDDLE);
    }
  }

  private void piece(
      Pen pen, double x, double y, int length, double pitch, double height, boolean used) {
    for (int i = 0; i < length; i++) {
      double left = x + i * pitch;
      pen.box(left, y, pitch - 1, height, 2, used ? Token.INK : null, Token.INK_SOFT);
      if (strips.receptacle()) {
        pen.box(
            left + pitch * 0.36,
            y + height * 0.3,
            pitch * 0.28,
            height * 0.4,
            0,
            used ? Token.CARD : null,
            used ? null : Token.INK_SOFT);
      } else {
        pen.line(
            left + pitch / 2, y - 14, left + pitch / 2, y, used ? Token.COPPER : Token.LINE, 3);
        pen.line(
            left + pitch / 2,
            y + height,
            left + pitch / 2,
            y + height + 6,
            used ? Token.COPPER : Token.LINE,
            3);
      }
    }
  }

  /** Where it is snapped: a dashed line, or the position that the cut destroys. */
  private static void cut(Pen pen, double x, double y, double lostPx, double height) {
    if (lostPx > 0) {
      pen.line(x + 2, y, x + lostPx - 2, y + height, Token.ALARM, 2.5);
      pen.line(x + lostPx - 2, y, x + 2, y + height, Token.ALARM, 2.5);
    } else {
      pen.dashed(x, y - 26, x, y + height + 10, Token.ALARM, 3);
    }
  }

  @Override
  public String spoken() {
    return title
        + ": "
        + String.join(
            "; ", strips.snapping().stream().map(way -> way.strips().toString()).toList());
  }
}
