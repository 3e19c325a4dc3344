package humble.desktop.fit;

import humble.desktop.hand.Hand;
import humble.desktop.hand.Seat;
import humble.desktop.session.OpenBuild;
import humble.desktop.stage.Card;

/** A hand whose picture is the board, which can be turned and looked at closely. */
abstract class OnBoardHand extends Hand {
  protected final OpenBuild open;
  protected final BoardInHand board;

  OnBoardHand(Seat seat, OpenBuild open, BoardInHand board) {
    super(seat);
    this.open = open;
    this.board = board;
  }

  /** Adds the keys that turn the board. */
  protected final Card.Maker withTurning(Card.Maker card) {
    // A kit that was typed in has no board that could be turned.
    return open.kit().boards().isEmpty()
        ? card
        : card.key('5', "5 6", say("fit.key.turn"), board::turn)
            .silent('6', board::flip)
            .silent('T', board::turn)
            .silent('F', board::flip);
  }

  /** Adds the key that looks closely. */
  protected final Card.Maker withMagnifier(Card.Maker card) {
    return open.kit().boards().isEmpty()
        ? card
        : card.key('8', say("fit.key.magnify"), board::magnify);
  }

  @Override
  public final boolean pull(double dx, double dy) {
    return board.pull(dx, dy);
  }

  @Override
  public final void wheel(boolean up) {
    board.magnified(up);
  }
}
