package humble.desktop.close;

import humble.core.build.BuildEvent;
import humble.core.kit.Gate;
import humble.desktop.hand.Seat;
import humble.desktop.power.GateAgain;
import humble.desktop.session.OpenBuild;
import humble.desktop.stage.Card;
import humble.desktop.stage.Standing;

/** Power once more before the last screw, where it was read, or where no gate can be read. */
final class OnceMoreHand extends CloseHand {
  private final String kicker;

  OnceMoreHand(Seat seat, CloseCards cards, String kicker) {
    super(seat, cards);
    this.kicker = kicker;
  }

  @Override
  public Card card() {
    OpenBuild open = cards.open();
    Card.Maker card = seat.card(kicker, say("close.once-more"));
    Gate gate = GateAgain.last(open).orElse(null);
    withKeys(card);
    if (gate == null) {
      card.how(say("close.once-more.plain"));
    } else if (GateAgain.isReadSince(open, gate)) {
      String reason = GateAgain.overriddenSince(open, gate);
      card.row(
          reason.isEmpty() ? Standing.DONE : Standing.DEVIATED,
          reason.isEmpty()
              ? say("close.once-more.read", gate.title())
              : say("close.once-more.passed", gate.title(), reason));
    } else if (GateAgain.isWaiting(open, gate)) {
      return card.notYet(say("close.once-more.waiting"));
    } else {
      card.verdict(false, say("close.once-more.unknown", gate.title()));
    }
    card.how(say("close.once-more.how"));
    return card.go(
        say("close.once-more.go"),
        () -> cards.open().act(new BuildEvent.Closed(BuildEvent.Closed.ONCE_MORE)));
  }
}
