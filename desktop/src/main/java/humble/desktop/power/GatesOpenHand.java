package humble.desktop.power;

import humble.core.kit.Gate;
import humble.core.power.FirstPower;
import humble.desktop.draw.Mat;
import humble.desktop.hand.Hand;
import humble.desktop.session.OpenBuild;
import humble.desktop.session.Progress;
import humble.desktop.stage.Card;
import humble.desktop.stage.StageId;
import humble.desktop.stage.Standing;
import java.util.List;

/** No gate is left: what each read, or why it was passed. */
final class GatesOpenHand extends Hand {
  private final GateCards cards;
  private final OpenBuild open;

  GatesOpenHand(GateCards cards) {
    super(cards.seat());
    this.cards = cards;
    this.open = cards.open();
  }

  @Override
  public Card card() {
    List<FirstPower.Check> checks = open.firstPower();
    String title =
        !open.kit().gates().isEmpty()
            ? "power.done"
            : checks.isEmpty() ? "power.no-gates" : "power.checked";
    Card.Maker card = seat.card(say("power.kicker.done"), say(title));
    checks.forEach(check -> check(card, check));
    open.kit().gates().forEach(gate -> row(card, gate));
    cards.withKeys(card);
    return card.go(say("power.on"), this::on);
  }

  private void check(Card.Maker card, FirstPower.Check check) {
    String title = seat.say(check.title());
    String reason = open.build().overriddenGates().get(check.id());
    if (reason == null) {
      card.row(Standing.DONE, title);
    } else {
      card.row(Standing.DEVIATED, say("power.row.overridden", title, reason));
    }
  }

  private void row(Card.Maker card, Gate gate) {
    Double read = open.build().passedGates().get(gate.id());
    if (read != null) {
      card.row(Standing.DONE, say("power.row", gate.title(), cards.reading(gate, read)));
    } else {
      String reason = open.build().overriddenGates().getOrDefault(gate.id(), "");
      card.row(Standing.DEVIATED, say("power.row.overridden", gate.title(), reason));
    }
  }

  private void on() {
    StageId next = Progress.current(open);
    seat.desk().go(next == StageId.POWER ? StageId.FIT : next);
  }

  @Override
  public Mat mat() {
    return cards.locks().mat();
  }
}
