package humble.core.words;

import java.util.List;

/**
 * A sentence the core wants said, as the key of a resource bundle and its arguments in order.
 *
 * @param key key in {@code humble/core/words/words.properties}
 * @param arguments texts and numbers; phrases are put into words first
 */
public record Phrase(String key, List<Object> arguments) {
  public Phrase {
    arguments = List.copyOf(arguments);
  }

  /** Gives the phrase of {@code key} with {@code arguments}. */
  public static Phrase of(String key, Object... arguments) {
    return new Phrase(key, List.of(arguments));
  }
}
