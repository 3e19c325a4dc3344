package humble.desktop.mend;

import humble.desktop.stage.Card;

/** What it was, and how it was found. */
final class OverHand extends MendHand {
  OverHand(Of of) {
    super(of);
  }

  @Override
  public Card card() {
    Card.Maker card =
        seat.card(say("mend.kicker.over"), say("mend.over"))
            .how(mending.over())
            .why(say("mend.over.why"));
    return withSilentKeys(card)
        .silent(Card.ESC, mending::leave)
        .go(say("mend.back"), mending::leave);
  }
}
