package humble.desktop.keys;

import humble.core.kit.Caution;
import humble.core.words.Words;
import humble.desktop.hand.StopCard;
import humble.desktop.session.OpenBuild;
import humble.desktop.stage.Card;
import humble.desktop.stage.StageId;
import humble.desktop.stage.Typed;
import java.util.List;
import java.util.Locale;

/**
 * What a kit cautions of at a whole stage: it stands on every card of it beside the card's own, and
 * one that says stop comes before anything else.
 */
final class StageCautions {
  private StageCautions() {}

  static Card on(Card card, StageId stage, OpenBuild open, Typed typed, Words words) {
    String name = stage.name().toLowerCase(Locale.ROOT);
    return open.stopBefore(List.of(name))
        .map(stop ->
            StopCard.of(
                new Card.Maker(words.say(stage.key()), words.say(stage.key())),
                stop,
                open,
                typed,
                words))
        // What is stopped for is read alone.
        .orElseGet(() ->
            card.go().equals(words.say("caution.stop.go")) ? card : withCare(card, name, open));
  }

  private static Card withCare(Card card, String name, OpenBuild open) {
    Card cautioned = card;
    for (Caution caution : open.kit().cautions()) {
      if (caution.at().equals(name) && caution.level() != Caution.Level.STOP) {
        cautioned =
            cautioned.withCaution(
                new Card.Warning(caution.level() != Caution.Level.CARE, caution.text()));
      }
    }
    return cautioned;
  }
}
