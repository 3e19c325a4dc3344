package humble.core.words;

import java.util.HashMap;
import java.util.HashSet;
import java.util.Locale;
import java.util.Map;
import java.util.Set;

/**
 * Words of {@link ForeignText#word} for many texts, no two the same: {@code A+} and {@code A-} are
 * {@code A_} and {@code A__2}. Capitals and small letters count as the same, as in a deck.
 */
public final class DistinctWords {
  private final Map<String, String> words = new HashMap<>();
  private final Map<String, Integer> next = new HashMap<>();
  private final Set<String> taken = new HashSet<>();

  /** Gives the word for {@code text}; the same text always has the same one. */
  public String of(String text) {
    return words.computeIfAbsent(text, this::free);
  }

  private String free(String text) {
    String plain = ForeignText.word(text);
    String word = plain;
    while (!taken.add(word.toUpperCase(Locale.ROOT))) {
      int number = next.getOrDefault(plain, 2);
      next.put(plain, number + 1);
      word = plain + "_" + number;
    }
    return word;
  }
}
