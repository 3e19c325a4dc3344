package humble.desktop.unpack;

import humble.core.kit.LookOver;
import humble.core.kit.Parts;
import humble.core.kit.PointMm;
import humble.core.orient.BoardView;
import humble.desktop.draw.BoardPicture;
import humble.desktop.draw.Mat;
import humble.desktop.draw.Pen;
import humble.desktop.draw.Token;
import java.util.List;
import java.util.Map;
import java.util.Set;

/** The bare board with the places to look at; a ring stands round the one of now. */
record LookMat(
    String title,
    String sideName,
    Parts parts,
    BoardView view,
    List<LookOver.Spot> spots,
    int now,
    Map<String, Boolean> seen)
    implements Mat {

  @Override
  public void paint(Pen pen, double w, double h) {
    pen.text(title, 20, 26, 16, Token.INK_SOFT, Pen.Hang.LEFT);
    pen.bold(sideName, w - 20, 26, 16, Token.INK, Pen.Hang.RIGHT);
    BoardPicture board = new BoardPicture(parts, view, 40, 52, w - 80, h - 96);
    board.paint(pen, Set.of(), Set.of(), Set.of());
    for (int i = 0; i < spots.size(); i++) {
      LookOver.Spot spot = spots.get(i);
      if (spot.side() == view.side() && i != now) {
        mark(pen, board, spot, i);
      }
    }
    if (now < spots.size()) {
      ring(pen, board, spots.get(now));
    }
  }

  private void ring(Pen pen, BoardPicture board, LookOver.Spot spot) {
    double[] at = board.px(spot.at());
    double reach = spot.radiusMm() * board.scale();
    if (isWhole(spot)) {
      double[] low = board.px(new PointMm(0, 0));
      double[] high = board.px(new PointMm(view.board().widthMm(), view.board().heightMm()));
      double left = Math.min(low[0], high[0]);
      double top = Math.min(low[1], high[1]);
      pen.box(
          left - 8,
          top - 8,
          Math.abs(high[0] - low[0]) + 16,
          Math.abs(high[1] - low[1]) + 16,
          12,
          null,
          Token.FLUX);
      pen.box(
          left - 11,
          top - 11,
          Math.abs(high[0] - low[0]) + 22,
          Math.abs(high[1] - low[1]) + 22,
          14,
          null,
          Token.FLUX);
      return;
    }
    double radius = Math.max(26, reach);
    pen.disc(at[0], at[1], radius, null, Token.CARD, 11);
    pen.disc(at[0], at[1], radius, null, Token.FLUX, 5);
    // A loupe has a handle: it tells the ring from a round part.
    double slant = Math.sqrt(0.5);
    double from = radius * slant;
    double to = (radius + 34) * slant;
    pen.line(at[0] + from, at[1] + from, at[0] + to, at[1] + to, Token.CARD, 15);
    pen.line(at[0] + from, at[1] + from, at[0] + to, at[1] + to, Token.FLUX, 9);
  }

  private void mark(Pen pen, BoardPicture board, LookOver.Spot spot, int index) {
    Boolean fine = seen.get(view.board().id() + "/" + spot.id());
    if (isWhole(spot)) {
      return;
    }
    double[] at = board.px(spot.at());
    String standing = fine == null ? "todo" : fine ? "done" : "wrong";
    if (standing.equals("wrong")) {
      pen.diamond(at[0], at[1], 12, Token.ALARM);
    } else {
      pen.standing(at[0], at[1], 11, standing);
    }
  }

  private boolean isWhole(LookOver.Spot spot) {
    return spot.radiusMm() * 2 >= Math.min(view.board().widthMm(), view.board().heightMm());
  }

  @Override
  public String spoken() {
    return title + ": " + (now + 1) + " / " + spots.size();
  }
}
