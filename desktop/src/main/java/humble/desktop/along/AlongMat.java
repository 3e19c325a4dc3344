package humble.desktop.along;

import humble.core.kit.Board;
import humble.core.kit.Parts;
import humble.core.kit.Side;
import humble.core.orient.BoardView;
import humble.desktop.draw.BoardPicture;
import humble.desktop.draw.Mat;
import humble.desktop.draw.Pen;
import humble.desktop.draw.Token;
import java.util.Optional;
import java.util.Set;

/** The board of the kit that came along, or the box that it came in. */
record AlongMat(String title, Optional<Parts> parts) implements Mat {
  @Override
  public void paint(Pen pen, double w, double h) {
    pen.text(title, 20, 26, 16, Token.INK_SOFT, Pen.Hang.LEFT);
    Optional<Board> board = parts.flatMap(p -> p.kit().boards().stream().findFirst());
    if (parts.isPresent() && board.isPresent()) {
      new BoardPicture(
              parts.get(), new BoardView(board.get(), Side.TOP, 0), 40, 60, w - 80, h - 100)
          .paint(pen, Set.of(), Set.of(), Set.of());
      return;
    }
    double wide = Math.min(w, h) * 0.4;
    double x = (w - wide) / 2;
    double y = (h - wide * 0.7) / 2;
    pen.box(x, y, wide, wide * 0.7, 6, Token.COPPER_PALE, Token.INK);
    pen.line(x, y + wide * 0.2, x + wide, y + wide * 0.2, Token.INK, 1.5);
  }

  @Override
  public String spoken() {
    return title;
  }
}
