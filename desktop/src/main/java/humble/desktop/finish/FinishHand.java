package humble.desktop.finish;

import humble.core.build.BuildEvent;
import humble.core.kit.Caution;
import humble.core.kit.Loose;
import humble.desktop.hand.Hand;
import humble.desktop.hand.Seat;
import humble.desktop.session.OpenBuild;
import humble.desktop.stage.Card;
import java.util.Map;

/** What the hands of an instrument have in common: their kicker, cautions and loose parts. */
abstract class FinishHand extends Hand {
  protected final OpenBuild open;
  private final String id;

  FinishHand(Seat seat, OpenBuild open, String id) {
    super(seat);
    this.open = open;
    this.id = id;
  }

  /** Begins a card, with the cautions that stand at it. */
  protected final Card.Maker begun(String kicker, String title) {
    Card.Maker card = seat.card(kicker, title);
    open.kit().cautions().stream()
        .filter(caution -> caution.at().equals(id))
        .forEach(caution -> card.caution(caution.level() != Caution.Level.CARE, caution.text()));
    return card;
  }

  /** Adds the key that leaves it for now, where something else may be done. */
  protected final void later(Card.Maker card) {
    if (new Finish(seat, open).others(id)) {
      card.key(
          '.',
          say("wake.later"),
          () -> open.act(new BuildEvent.Saw(id, Map.of("later", "yes"), false)));
    }
  }

  /** Names the loose part that is needed now. */
  protected final void needs(Card.Maker card, String loose) {
    open.kit().loose().stream()
        .filter(item -> item.id().equals(loose))
        .map(Loose::name)
        .findFirst()
        .ifPresent(name -> card.how(say("finish.loose", name)));
  }
}
