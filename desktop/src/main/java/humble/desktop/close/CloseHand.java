package humble.desktop.close;

import humble.desktop.draw.Mat;
import humble.desktop.hand.Hand;
import humble.desktop.hand.Seat;
import humble.desktop.stage.Card;

/** A hand over the section. */
abstract class CloseHand extends Hand {
  protected final CloseCards cards;

  CloseHand(Seat seat, CloseCards cards) {
    super(seat);
    this.cards = cards;
  }

  /** Adds the keys that hold in every hand. */
  protected final Card.Maker withKeys(Card.Maker card) {
    cards.withPlanes(card);
    cards.withTemplates(card);
    card.key('*', say("key.note"), () -> seat.desk().note());
    return card.key(Card.BACK, say("key.take-back"), () -> seat.desk().back());
  }

  @Override
  public Mat mat() {
    return cards.mat("");
  }
}
