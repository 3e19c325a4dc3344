package humble.desktop.power;

import humble.core.build.BuildEvent;
import humble.core.kit.Gate;
import humble.desktop.draw.Mat;
import humble.desktop.hand.Hand;
import humble.desktop.stage.Card;
import humble.desktop.stage.Standing;

/** Asks once what gives the power at this bench: a supply with a current limit, or one without. */
final class FeedHand extends Hand {
  private final GateCards cards;
  private final Gate gate;
  private boolean said;

  FeedHand(GateCards cards, Gate gate) {
    super(cards.seat());
    this.cards = cards;
    this.gate = gate;
  }

  @Override
  public Card card() {
    Card.Maker card = seat.card(cards.kicker(gate), say("power.fed.title"));
    card.how(say("power.fed.how"));
    card.choice(1, Standing.TO_DO, say("power.fed.1"), () -> fed("limited"));
    card.choice(2, Standing.TO_DO, say("power.fed.2"), () -> fed("plain"));
    card.why(say("power.fed.why"));
    cards.withKeys(card);
    cards.wayPast(card, gate);
    return card.notYet(say("power.fed.type"));
  }

  private void fed(String how) {
    cards.open().act(new BuildEvent.FedBy(how));
    said = true;
  }

  @Override
  public boolean over() {
    return said;
  }

  @Override
  public Mat mat() {
    return cards
        .locks()
        .beside(new LockMat.Beside.Plain(say("power.fed.mat"), say("power.fed.mat.text")));
  }
}
