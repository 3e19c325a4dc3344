package humble.desktop.mend;

import humble.core.mend.Diagnosis;
import humble.desktop.stage.Card;

/** Asks what it was; a digit names it. */
final class NamingHand extends MendHand {
  private final Search now;
  private final Diagnosis.Known known;

  NamingHand(Of of, Search now, Diagnosis.Known known) {
    super(of);
    this.now = now;
    this.known = known;
  }

  @Override
  public Card card() {
    Card.Maker card = naming().card(now, known);
    int choices = Naming.choices(now, known).size();
    for (int i = 1; i <= choices; i++) {
      int digit = i;
      card.silent((char) ('0' + i), () -> itWas(now, known, digit));
    }
    card.key('0', say("mend.none"), this::none);
    leaving(card);
    return choices == 0
        ? card.go(say("mend.back"), mending::leave)
        : card.go(say("mend.it-was", 1), () -> itWas(now, known, 1));
  }

  private void none() {
    mending.naming(false);
    if (known.next().isEmpty()) {
      mending.leave();
    }
  }
}
