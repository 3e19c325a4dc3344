package humble.desktop.close;

import humble.desktop.hand.Seat;
import humble.desktop.hand.StageTask;
import humble.desktop.stage.Card;

/** A task of the kit that belongs to the case. */
final class CaseTaskHand extends CloseHand {
  private final StageTask task;

  CaseTaskHand(Seat seat, CloseCards cards, StageTask task) {
    super(seat, cards);
    this.task = task;
  }

  @Override
  public Card card() {
    return task.card();
  }
}
