package humble.desktop.power;

import humble.core.build.BuildEvent;
import humble.desktop.draw.Mat;
import humble.desktop.hand.Hand;
import humble.desktop.stage.Card;
import humble.desktop.stage.Standing;
import humble.desktop.stage.Takes;

/** Goes past a gate without its reading, with a reason that stands in the log. */
final class OverrideHand extends Hand {
  private static final int REASONS = 3;
  private static final int SHORTEST = 3;

  private final GateCards cards;
  private final String id;
  private final String title;
  private boolean away;

  /** Makes it for a gate, or for a check of first power. */
  OverrideHand(GateCards cards, String id, String title) {
    super(cards.seat());
    this.cards = cards;
    this.id = id;
    this.title = title;
  }

  @Override
  public boolean over() {
    return away || cards.open().build().gateOpen(id);
  }

  @Override
  public Card card() {
    Card.Maker card =
        seat.card(title, say("power.override.title"))
            .how(say("power.override.how"))
            .field(typed().text(), "", Takes.TEXT);
    for (int i = 1; i <= REASONS; i++) {
      card.row(Standing.TO_DO, say("power.override.row", i, say("power.reason." + i)));
    }
    card.caution(true, say("power.override.caution"));
    card.key('+', say("power.override.back"), () -> away = true);
    String reason = reason();
    return reason.isEmpty()
        ? card.notYet(say("power.override.type"))
        : card.go(
            say("power.override.go"),
            () -> cards.open().act(new BuildEvent.GateOverridden(id, reason)));
  }

  /** A digit stands for one of the usual reasons; anything longer is a reason of its own. */
  private String reason() {
    String text = typed().text().strip();
    if (text.length() == 1 && Character.isDigit(text.charAt(0))) {
      int number = text.charAt(0) - '0';
      return number >= 1 && number <= REASONS ? say("power.reason." + number) : "";
    }
    return text.length() < SHORTEST ? "" : text;
  }

  @Override
  public Mat mat() {
    return cards.locks().mat();
  }
}
