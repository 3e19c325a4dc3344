package humble.desktop.power;

import humble.core.kit.Gate;
import humble.desktop.draw.Mat;
import humble.desktop.hand.Hand;
import humble.desktop.stage.Card;
import humble.desktop.stage.StageId;
import java.util.Optional;

/** A gate that cannot be read now: what is missing, and what to do about it. */
final class NotNowHand extends Hand {
  private final GateCards cards;
  private final Gate gate;
  private final Why why;
  private final Optional<String> failed;

  /** Why it cannot be read. */
  enum Why {
    /** What it should read is being worked out. */
    RECKONING,
    /** That could not be worked out. */
    FAILED,
    /** Nothing can be expected here. */
    NO_EXPECTATION,
    /** What comes before it is not fitted. */
    NOT_FITTED
  }

  NotNowHand(GateCards cards, Gate gate, Why why, Optional<String> failed) {
    super(cards.seat());
    this.cards = cards;
    this.gate = gate;
    this.why = why;
    this.failed = failed;
  }

  @Override
  public Card card() {
    Card.Maker card = seat.card(cards.kicker(gate), cards.title(gate));
    cards.withKeys(card);
    return switch (why) {
      case RECKONING -> {
        cards.wayPast(card, gate);
        yield card.how(say("plan.planning")).notYet(say("plan.wait"));
      }
      case FAILED -> {
        failed.ifPresent(sentence -> card.verdict(false, sentence));
        cards.wayPast(card, gate);
        yield card.how(say("power.not-reckoned")).go(say("plan.again"), cards.open()::reckonAgain);
      }
      case NO_EXPECTATION -> {
        cards.wayPast(card, gate);
        yield card.how(say("power.no-expectation")).notYet(say("power.cannot"));
      }
      case NOT_FITTED -> {
        cards.wayPast(card, gate);
        yield card.how(say("power.first")).go(say("power.back"), () -> seat.desk().go(StageId.FIT));
      }
    };
  }

  @Override
  public Mat mat() {
    return cards.locks().mat();
  }
}
