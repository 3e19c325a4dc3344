package humble.desktop.fit;

import humble.desktop.draw.Mat;
import humble.desktop.hand.Seat;
import humble.desktop.session.OpenBuild;
import humble.desktop.session.Progress;
import humble.desktop.stage.Card;
import humble.desktop.stage.StageId;
import java.util.Optional;

/** Nothing of the plan is left. */
final class AllFittedHand extends OnBoardHand {
  AllFittedHand(Seat seat, OpenBuild open, BoardInHand board) {
    super(seat, open, board);
  }

  @Override
  public Card card() {
    Card.Maker card =
        seat.card(say("fit.kicker.plain"), say("fit.all-done")).how(say("fit.all-done.how"));
    StepHand.keys(card, seat);
    withMagnifier(withTurning(card));
    return card.go(say("fit.to-load"), this::on);
  }

  private void on() {
    StageId next = Progress.current(open);
    seat.desk().go(next == StageId.FIT ? StageId.LOAD : next);
  }

  @Override
  public Mat mat() {
    return board.mat(Optional.empty(), Optional.empty(), Optional.empty());
  }
}
