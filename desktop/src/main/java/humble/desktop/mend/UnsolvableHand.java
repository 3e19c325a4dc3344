package humble.desktop.mend;

import humble.desktop.stage.Card;

/** The circuit has no operating point in this state: nothing can be searched by readings. */
final class UnsolvableHand extends MendHand {
  private final Search now;

  UnsolvableHand(Of of, Search now) {
    super(of);
    this.now = now;
  }

  @Override
  public Card card() {
    return leaving(seat.card(say("mend.kicker", now.state().title()), say("mend.unsolvable")))
        .how(say("mend.unsolvable.how"))
        .go(say("mend.back"), mending::leave);
  }
}
