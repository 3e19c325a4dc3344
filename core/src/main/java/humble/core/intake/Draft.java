package humble.core.intake;

import humble.core.kit.Finding;
import humble.core.kit.Kit;
import java.util.List;
import java.util.Map;

/**
 * A kit made from lists, with everything that had to be guessed.
 *
 * @param kit the kit as far as it is known
 * @param guesses what was guessed, in the order of the lines
 * @param problems what could not be understood or does not fit together
 * @param rowsOf numbers, from 0, of the rows that each line was made of
 */
public record Draft(
    Kit kit, List<Guess> guesses, List<Finding> problems, Map<String, List<Integer>> rowsOf) {
  public Draft {
    guesses = List.copyOf(guesses);
    problems = List.copyOf(problems);
    rowsOf = Map.copyOf(rowsOf);
  }

  /** Gives the guesses about one line. */
  public List<Guess> guessesOf(String line) {
    return guesses.stream().filter(guess -> guess.line().equals(line)).toList();
  }
}
