package humble.desktop.guide;

import humble.core.words.Words;
import humble.desktop.draw.Mat;
import humble.desktop.stage.Card;
import humble.desktop.stage.Desk;
import humble.desktop.stage.Stage;
import humble.desktop.stage.Typed;
import java.util.function.Consumer;

/** The first walk: what the window is made of, in a minute; left at once by one key. */
public final class FirstWalk implements Stage {
  /** What each station shows. */
  enum Station {
    CARD,
    MAT,
    KEYPAD,
    TRACE,
    PRACTICE,
    GUIDE
  }

  private final Words words;
  private final Consumer<Boolean> leave;
  private final Typed typed = new Typed();
  private int at;

  /**
   * Makes it.
   *
   * @param leave goes to the stage beneath; told whether the walk was seen to its end
   */
  public FirstWalk(Desk desk, Consumer<Boolean> leave) {
    this.words = desk.words();
    this.leave = leave;
  }

  private Station station() {
    return Station.values()[at];
  }

  @Override
  public Card card() {
    String key = "walk." + station().name().toLowerCase(java.util.Locale.ROOT);
    boolean last = at == Station.values().length - 1;
    Card.Maker card =
        new Card.Maker(
            words.say("walk.kicker", at + 1, Station.values().length), words.say(key + ".title"));
    card.how(words.say(key + ".how"));
    card.key(Card.ESC, words.say("walk.leave"), () -> leave.accept(false));
    if (at > 0) {
      card.key(Card.BACK, words.say("walk.back"), () -> at--);
    } else {
      card.silent(Card.BACK, () -> {});
    }
    card.silent('*', () -> {});
    card.silent('/', () -> {});
    return last
        ? card.go(words.say("walk.begin"), () -> leave.accept(true))
        : card.go(words.say("walk.on"), () -> at++);
  }

  @Override
  public Mat mat() {
    return new FirstWalkMat(station(), words);
  }

  @Override
  public Typed typed() {
    return typed;
  }
}
