package humble.desktop.close;

import humble.core.build.BuildEvent;
import humble.desktop.hand.Seat;
import humble.desktop.stage.Card;
import humble.desktop.stage.StageId;
import humble.desktop.stage.Standing;

/** The last look, and what is said after it. */
final class LastHand extends CloseHand {
  private final String kicker;

  LastHand(Seat seat, CloseCards cards, String kicker) {
    super(seat, cards);
    this.kicker = kicker;
  }

  @Override
  public Card card() {
    boolean cased = cards.casing().isPresent();
    if (cards.open().build().isClosed()) {
      Card.Maker card = seat.card(kicker, say(cased ? "close.done" : "close.done.bare"));
      withKeys(card);
      return card.go(say("close.book"), () -> seat.desk().go(StageId.BOOK));
    }
    Card.Maker card = seat.card(kicker, say("close.closed"));
    card.how(say(cased ? "close.closed.how" : "close.closed.bare"));
    cards.withUnfitted(card);
    cards.withUnsaid(card);
    cards.fit().misfits().forEach(misfit -> card.row(Standing.DEVIATED, seat.say(misfit.said())));
    withKeys(card);
    return card.go(
        say(cased ? "close.last.go" : "close.last.bare"),
        () -> cards.open().act(new BuildEvent.Closed(BuildEvent.Closed.LAST)));
  }
}
