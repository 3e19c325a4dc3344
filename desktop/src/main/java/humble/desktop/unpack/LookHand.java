package humble.desktop.unpack;

import humble.core.build.BuildEvent;
import humble.core.kit.Board;
import humble.core.kit.LookOver;
import humble.core.kit.Side;
import humble.core.orient.BoardView;
import humble.desktop.draw.Mat;
import humble.desktop.hand.Hand;
import humble.desktop.hand.Seat;
import humble.desktop.session.OpenBuild;
import humble.desktop.stage.Card;
import java.util.List;

/** Looks the bare board over, spot by spot. */
final class LookHand extends Hand {
  private final OpenBuild open;
  private final Board board;
  private final List<LookOver.Spot> spots;
  private final int index;

  LookHand(Seat seat, OpenBuild open, Board board, List<LookOver.Spot> spots, int index) {
    super(seat);
    this.open = open;
    this.board = board;
    this.spots = spots;
    this.index = index;
  }

  private LookOver.Spot spot() {
    return spots.get(index);
  }

  @Override
  public Card card() {
    return seat.card(say("unpack.look.kicker", index + 1, spots.size()), say("unpack.look.title"))
        .how(seat.say(spot().what()))
        .why(say("unpack.look.why"))
        .key('0', say("unpack.look.found"), () -> seen(false))
        .go(say("unpack.look.go"), () -> seen(true));
  }

  private void seen(boolean fine) {
    open.act(new BuildEvent.LookedOver(board.id(), spot().id(), fine));
  }

  @Override
  public Mat mat() {
    Side side = spot().side();
    return new LookMat(
        say("unpack.look.mat"),
        say(side == Side.TOP ? "fit.side.top" : "fit.side.bottom"),
        open.parts(),
        new BoardView(board, side, 0),
        spots,
        index,
        open.build().lookedOver());
  }
}
