package humble.desktop.hand;

import humble.core.words.Phrase;
import humble.core.words.Words;
import humble.desktop.stage.Card;
import humble.desktop.stage.Desk;
import humble.desktop.stage.Typed;

/**
 * Where a hand works: the desk it lies on and the field that is typed into.
 *
 * @param desk the desk
 * @param typed what is typed
 */
public record Seat(Desk desk, Typed typed) {
  /** Gives the words of the window. */
  public Words words() {
    return desk.words();
  }

  /** Gives a text of the window. */
  public String say(String key, Object... details) {
    return desk.words().say(key, details);
  }

  /** Gives a phrase of the core in words. */
  public String say(Phrase phrase) {
    return desk.coreWords().say(phrase);
  }

  /** Begins a card. */
  public Card.Maker card(String kicker, String title) {
    return new Card.Maker(kicker, title);
  }
}
