package humble.core.intake;

import humble.core.words.Phrase;
import java.util.List;

/**
 * Something that no list said and that was guessed from what it did say.
 *
 * @param line id of the line it is about; {@code board} for the board itself
 * @param key key of the kit file that was filled
 * @param value what was put there
 * @param confidence belief that it is right, 0 to 1
 * @param because the reasons, to be said as one sentence
 * @param others what it might be instead, the likeliest first
 */
public record Guess(
    String line, String key, String value, double confidence, Phrase because, List<String> others) {
  public Guess {
    others = List.copyOf(others);
  }
}
