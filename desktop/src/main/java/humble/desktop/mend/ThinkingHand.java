package humble.desktop.mend;

import humble.bench.HiddenFault;
import humble.desktop.stage.Card;

/** Waits for what is worked out; what failed there is said. */
final class ThinkingHand extends MendHand {
  private final Search now;

  ThinkingHand(Of of, Search now) {
    super(of);
    this.now = now;
  }

  @Override
  public Card card() {
    String key = now.ready() ? "weighing" : now.tried() > 0 ? "hiding" : "reckoning";
    Card.Maker card =
        leaving(seat.card(say("mend.kicker", now.state().title()), say("mend." + key)));
    String failed = now.failed().orElse("");
    return failed.isEmpty()
        ? card.how(say("mend." + key + ".how", now.tried(), HiddenFault.MOST_TRIES))
            .notYet(say("mend.wait"))
        : card.verdict(false, failed).go(say("plan.again"), () -> mending.begin(now.state(), 0));
  }
}
