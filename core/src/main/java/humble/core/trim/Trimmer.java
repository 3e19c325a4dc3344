package humble.core.trim;

import humble.core.words.Phrase;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * Ask and tell: from what was tried, the setting to try next. A handful of tries are laid round the
 * middle, going downhill; then a model is laid through all readings and its lowest point is tried,
 * until that promises less than a digit of the meter. It replaces a search along conjugate
 * directions: all readings count at once, those of a coarse meter too.
 *
 * <p>Holds nothing: the same tries give the same advice, so that it may be left and gone on with.
 */
public final class Trimmer {
  /** No more than so many knobs are trimmed together. */
  public static final int MOST_KNOBS = 4;

  private Trimmer() {}

  /**
   * Gives the advice.
   *
   * @throws IllegalArgumentException for no knob or more than four
   */
  public static TrimAdvice advise(TrimState state) {
    if (state.knobs().isEmpty() || state.knobs().size() > MOST_KNOBS) {
      throw new IllegalArgumentException("One to four knobs can be trimmed together.");
    }
    Tried tried = new Tried(state);
    if (tried.size() == 0) {
      double[] middle = Tried.filled(tried.n, 0.5);
      return told(tried, middle, 0, false, Phrase.of("trim.first"));
    }
    Optional<double[]> first = new FirstTries(tried).next();
    if (first.isPresent()) {
      return told(tried, first.get(), 0, false, Phrase.of("trim.round"));
    }
    Found found = tried.amplitudes ? new NullSearch(tried).next() : new BowlSearch(tried).next();
    return switch (found.kind()) {
      case LOWEST -> told(tried, found.point(), found.gain(), false, lowest(tried, found.point()));
      case BESIDE -> told(tried, found.point(), found.gain(), false, Phrase.of("trim.beside"));
      case OVER -> told(tried, found.point(), found.gain(), true, over(tried, found.point()));
    };
  }

  private static TrimAdvice told(
      Tried tried, double[] point, double gain, boolean stop, Phrase why) {
    List<Double> next = new ArrayList<>();
    for (int i = 0; i < point.length; i++) {
      next.add(tried.state.knobs().get(i).setting(point[i]));
    }
    return new TrimAdvice(next, tried.state.best(), gain * tried.scale, stop, why);
  }

  /** Says where a screw comes to its end, and the model wants it farther. */
  private static Phrase lowest(Tried tried, double[] next) {
    return atEnd(tried, next)
        .map(id -> Phrase.of("trim.edge", id))
        .orElseGet(() -> Phrase.of("trim.bowl"));
  }

  /** Why going on is not worth it. */
  private static Phrase over(Tried tried, double[] left) {
    if (tried.isFlat() && tried.off[tried.best()] > tried.digit) {
      return Phrase.of("trim.coarse");
    }
    return atEnd(tried, left)
        .map(id -> Phrase.of("trim.end", id))
        .orElseGet(() -> Phrase.of("trim.done"));
  }

  private static Optional<String> atEnd(Tried tried, double[] point) {
    for (int i = 0; i < point.length; i++) {
      if (point[i] <= 0 || point[i] >= 1) {
        return Optional.of(tried.state.knobs().get(i).id());
      }
    }
    return Optional.empty();
  }
}
