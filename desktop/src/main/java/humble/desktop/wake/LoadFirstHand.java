package humble.desktop.wake;

import humble.desktop.draw.Mat;
import humble.desktop.hand.Hand;
import humble.desktop.stage.Card;
import humble.desktop.stage.StageId;
import java.util.Optional;

/** Nothing wakes before its program is in. */
final class LoadFirstHand extends Hand {
  private final WakeBench bench;

  LoadFirstHand(WakeBench bench) {
    super(bench.seat());
    this.bench = bench;
  }

  @Override
  public Card card() {
    return seat.card(say("wake.kicker.first"), say("wake.load-first"))
        .how(say("wake.load-first.how"))
        .go(say("wake.to-load"), () -> seat.desk().go(StageId.LOAD));
  }

  @Override
  public Mat mat() {
    return bench.mat(Optional.empty());
  }
}
