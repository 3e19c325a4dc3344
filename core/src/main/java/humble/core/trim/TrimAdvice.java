package humble.core.trim;

import humble.core.words.Phrase;
import java.util.List;
import java.util.Optional;

/**
 * What to do next.
 *
 * @param next the setting to try; where it is over, the one to leave it at
 * @param best the best try so far
 * @param expectedGain how much better the next setting should read, in the reading's unit; 0 where
 *     nothing is known yet
 * @param stop whether going on is not worth it
 * @param why why this setting
 */
public record TrimAdvice(
    List<Double> next,
    Optional<TrimState.Try> best,
    double expectedGain,
    boolean stop,
    Phrase why) {
  public TrimAdvice {
    next = List.copyOf(next);
  }
}
