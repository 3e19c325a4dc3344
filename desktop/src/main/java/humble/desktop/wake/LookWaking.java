package humble.desktop.wake;

import humble.core.kit.Peripheral;
import humble.core.kit.Says;
import humble.desktop.stage.Card;
import humble.desktop.stage.Standing;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** A test by looking and doing: the three answers themselves. */
final class LookWaking extends WakeHand {
  /** What the author says may be seen stands on the card itself, as far as digits go. */
  private static final int MOST_HERE = 7;

  private LookWaking(WakeBench bench, Peripheral peripheral) {
    super(bench, peripheral);
  }

  static Optional<WakeHand> of(WakeBench bench, Peripheral peripheral) {
    return Optional.of(new LookWaking(bench, peripheral));
  }

  @Override
  protected Card test() {
    Card.Maker card = words.asked(begun(words.title()));
    card.choice(1, Standing.TO_DO, say("mend.choice", 1, say("wake.not")), this::elsewise);
    List<Says.Otherwise> others = peripheral().says().otherwise();
    for (int i = 0; i < Math.min(MOST_HERE, others.size()); i++) {
      String seen = others.get(i).seen();
      card.choice(i + 2, Standing.TO_DO, say("mend.choice", i + 2, seen), () -> odd("other", seen));
    }
    beside(card);
    return card.go(say("wake.does"), () -> answered(Map.of(), true, false));
  }

  @Override
  protected Optional<Waking.Picture> picture() {
    return Optional.of(TestPicture.of(open, peripheral(), seat.words()));
  }
}
