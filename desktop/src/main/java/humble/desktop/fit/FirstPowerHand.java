package humble.desktop.fit;

import humble.desktop.stage.Card;
import humble.desktop.stage.StageId;

/** A chip waits in its tube: its socket has not been powered empty yet. */
final class FirstPowerHand extends StepHand {
  FirstPowerHand(Of of) {
    super(of);
  }

  @Override
  String title() {
    return step.refs().isEmpty()
        ? say("fit.first-power.task")
        : say("fit.first-power", String.join(", ", step.refs()));
  }

  @Override
  public Card card() {
    Card.Maker card =
        begun()
            .how(
                step.refs().isEmpty()
                    ? say("fit.first-power.before", open.kit().titleOf(step.id()))
                    : say("fit.first-power.how"));
    why(card);
    return withTools(card).go(say("fit.first-power.go"), () -> seat.desk().go(StageId.POWER));
  }
}
