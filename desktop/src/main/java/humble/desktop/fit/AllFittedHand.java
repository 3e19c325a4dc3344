package humble.desktop.fit;

import humble.desktop.draw.Mat;
import humble.desktop.hand.Hand;
import humble.desktop.hand.Seat;
import humble.desktop.session.OpenBuild;
import humble.desktop.session.Progress;
import humble.desktop.stage.Card;
import humble.desktop.stage.StageId;
import java.util.Optional;

/** Nothing of the plan is left. */
final class AllFittedHand extends Hand {
  private final OpenBuild open;
  private final BoardInHand board;

  AllFittedHand(Seat seat, OpenBuild open, BoardInHand board) {
    super(seat);
    this.open = open;
    this.board = board;
  }

  @Override
  public Card card() {
    Card.Maker card =
        seat.card(say("fit.kicker.plain"), say("fit.all-done")).how(say("fit.all-done.how"));
    StepHand.keys(card, seat);
    card.key('5', "5 6", say("fit.key.turn"), board::turn).silent('6', board::flip);
    card.key('8', say("fit.key.magnify"), board::magnify);
    return card.go(say("fit.to-load"), this::on);
  }

  private void on() {
    StageId next = Progress.current(open);
    seat.desk().go(next == StageId.FIT ? StageId.LOAD : next);
  }

  @Override
  public boolean pull(double dx, double dy) {
    return board.pull(dx, dy);
  }

  @Override
  public void wheel(boolean up) {
    board.magnified(up);
  }

  @Override
  public Mat mat() {
    return board.mat(Optional.empty(), Optional.empty(), Optional.empty());
  }
}
