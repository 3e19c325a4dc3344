package humble.core.intake;

import humble.core.words.Phrase;
import java.util.List;

/**
 * One thing to decide in a review: the same guess for the same reason about one or more lines.
 *
 * @param guesses the guesses, one for each line
 */
public record Question(List<Guess> guesses) {
  public Question {
    guesses = List.copyOf(guesses);
    if (guesses.isEmpty()) {
      throw new IllegalArgumentException("a question is about at least one guess");
    }
  }

  /** Gives the key of the kit file it is about. */
  public String key() {
    return guesses.getFirst().key();
  }

  /** Gives what was guessed. */
  public String value() {
    return guesses.getFirst().value();
  }

  /** Gives the least belief among its guesses, 0 to 1. */
  public double confidence() {
    return guesses.stream().mapToDouble(Guess::confidence).min().orElseThrow();
  }

  /** Gives the reason. */
  public Phrase because() {
    return guesses.getFirst().because();
  }

  /** Gives what it may be instead, the likeliest first. */
  public List<String> others() {
    return guesses.getFirst().others();
  }

  /** Gives the ids of the lines. */
  public List<String> lines() {
    return guesses.stream().map(Guess::line).toList();
  }
}
