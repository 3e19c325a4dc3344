package humble.desktop.power;

import humble.core.build.BuildEvent;
import humble.core.power.FirstPower;
import humble.desktop.draw.Mat;
import humble.desktop.hand.Hand;
import humble.desktop.session.Progress;
import humble.desktop.stage.Card;
import humble.desktop.stage.StageId;
import java.util.List;

/** One check of first power on a kit that gives no gate. */
final class CheckHand extends Hand {
  private final GateCards cards;
  private final FirstPower.Check check;

  CheckHand(GateCards cards, FirstPower.Check check) {
    super(cards.seat());
    this.cards = cards;
    this.check = check;
  }

  @Override
  public Card card() {
    List<FirstPower.Check> all = cards.open().firstPower();
    Card.Maker card =
        seat.card(
            say("power.check.kicker", all.indexOf(check) + 1, all.size()), seat.say(check.title()));
    check.how().forEach(line -> card.how(seat.say(line)));
    card.why(say("power.check.why"));
    cards.withKeys(card);
    if (!check.isBeforeChips() && Progress.chipsWait(cards.open())) {
      return card.how(say("power.check.chips"))
          .go(say("power.check.to-chips"), () -> seat.desk().go(StageId.FIT));
    }
    card.key('0', say("power.check.odd"), () -> found(false));
    card.key(
        '+',
        say("power.override"),
        () -> cards.layOver().accept(new OverrideHand(cards, check.id(), seat.say(check.title()))));
    return card.go(say("power.check.fine"), () -> found(true));
  }

  private void found(boolean fine) {
    cards.open().act(new BuildEvent.Checked(check.id(), fine));
    if (!fine) {
      seat.desk().wrong();
    }
  }

  @Override
  public Mat mat() {
    return cards.locks().checks(check);
  }
}
