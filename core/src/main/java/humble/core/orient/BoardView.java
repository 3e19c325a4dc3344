package humble.core.orient;

import humble.core.kit.Board;
import humble.core.kit.PointMm;
import humble.core.kit.Side;

/**
 * How a board lies on the bench: which side is up and how it is turned. The solder side mirrors x
 * first, then comes the turn, counter-clockwise as looked at; the lower left of what is seen is the
 * origin again.
 *
 * @param board the board
 * @param side side looked at
 * @param turnDeg 0, 90, 180 or 270
 */
public record BoardView(Board board, Side side, int turnDeg) {
  public BoardView {
    if (turnDeg % 90 != 0) {
      throw new IllegalArgumentException("a board turns by quarter turns");
    }
    turnDeg = ((turnDeg % 360) + 360) % 360;
  }

  /** Gives where a point of the board, from the top, is seen. */
  public PointMm seen(PointMm onBoard) {
    double x = side == Side.BOTTOM ? board.widthMm() - onBoard.xMm() : onBoard.xMm();
    PointMm turned = new PointMm(x, onBoard.yMm()).turned(turnDeg);
    return switch (turnDeg) {
      case 90 -> turned.plus(new PointMm(board.heightMm(), 0));
      case 180 -> turned.plus(new PointMm(board.widthMm(), board.heightMm()));
      case 270 -> turned.plus(new PointMm(0, board.widthMm()));
      default -> turned;
    };
  }

  /** Gives the point of the board, from the top, that is seen at a place. */
  public PointMm onBoard(PointMm seen) {
    PointMm back =
        switch (turnDeg) {
          case 90 -> seen.minus(new PointMm(board.heightMm(), 0));
          case 180 -> seen.minus(new PointMm(board.widthMm(), board.heightMm()));
          case 270 -> seen.minus(new PointMm(0, board.widthMm()));
          default -> seen;
        };
    PointMm straight = back.turned(-turnDeg);
    double x = side == Side.BOTTOM ? board.widthMm() - straight.xMm() : straight.xMm();
    return new PointMm(x, straight.yMm());
  }

  /** Gives the width of what is seen, in millimetres. */
  public double widthMm() {
    return turnDeg % 180 == 0 ? board.widthMm() : board.heightMm();
  }

  /** Gives the height of what is seen, in millimetres. */
  public double heightMm() {
    return turnDeg % 180 == 0 ? board.heightMm() : board.widthMm();
  }

  /** Gives the same board turned a quarter further. */
  public BoardView turned() {
    return new BoardView(board, side, turnDeg + 90);
  }

  /** Gives the same board turned over. */
  public BoardView flipped() {
    return new BoardView(board, side.other(), turnDeg);
  }
}
