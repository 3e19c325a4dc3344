package humble.desktop.mend;

import humble.core.kit.PinRef;
import humble.desktop.stage.Card;
import java.util.List;
import java.util.Optional;

/** Probes on two pads of one's own choice, red first. */
final class DialHand extends MendHand {
  private final Search now;

  DialHand(Of of, Search now) {
    super(of);
    this.now = now;
  }

  @Override
  List<ProbeWords.Probed> touched() {
    Optional<PinRef> red = mending.dial().red();
    return red.map(pin -> List.of(new ProbeWords.Probed(pin, true))).orElse(List.of());
  }

  @Override
  public Card card() {
    Dial dial = mending.dial();
    String meter = say(dial.at().key());
    Card.Maker card =
        known(
            now,
            dial.red()
                .map(pin -> say("mend.dial.black", meter, pin))
                .orElseGet(() -> say("mend.dial.red", meter)));
    card.how(say("mend.dial.how"));
    if (!dial.shows().isEmpty()) {
      card.verdict(true, dial.shows());
    }
    dialKeys(card);
    card.silent('+', mending::next);
    return leaving(card).go(say("mend.dial.back"), dial::reset);
  }
}
