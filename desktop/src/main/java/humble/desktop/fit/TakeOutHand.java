package humble.desktop.fit;

import humble.core.build.BuildEvent;
import humble.desktop.stage.Card;

/** Takes out what was put in for one step alone: a cell, a mate that held a header. */
final class TakeOutHand extends StepHand {
  TakeOutHand(Of of) {
    super(of);
  }

  @Override
  String title() {
    return say("fit.take-out", String.join(", ", step.refs()));
  }

  @Override
  public Card card() {
    Card.Maker card = begun().how(say("fit.take-out.how"));
    caution(card);
    why(card);
    return withTools(card)
        .go(say("fit.taken-out"), () -> open.act(new BuildEvent.TookOut(step.id(), step.refs())));
  }
}
