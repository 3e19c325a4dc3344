package humble.desktop.load;

import humble.desktop.stage.Card;
import java.util.Optional;

/** The images of the kit are being read: nothing can be said of them yet. */
final class ReadingHand extends LoadHand {
  ReadingHand(LoadBench bench) {
    super(bench, Optional.empty());
  }

  @Override
  public Card card() {
    return seat.card(say("load.kicker"), say("load.reading")).notYet(say("load.reading"));
  }
}
