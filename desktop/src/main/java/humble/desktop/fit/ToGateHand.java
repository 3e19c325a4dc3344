package humble.desktop.fit;

import humble.desktop.stage.Card;
import humble.desktop.stage.StageId;

/** A gate stands before what comes next: it is read in its own stage. */
final class ToGateHand extends StepHand {
  ToGateHand(Of of) {
    super(of);
  }

  @Override
  String title() {
    return open.kit().gate(step.id()).map(gate -> gate.title()).orElse(step.id());
  }

  @Override
  public Card card() {
    return withTools(begun().how(say("fit.gate.how")))
        .go(say("fit.to-power"), () -> seat.desk().go(StageId.POWER));
  }
}
