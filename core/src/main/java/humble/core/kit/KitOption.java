package humble.core.kit;

import java.util.List;
import java.util.Optional;

/**
 * A choice the maker has before some parts are fitted.
 *
 * @param id name within the kit
 * @param question what to ask
 * @param defaultChoice id of the choice taken when nobody chooses
 * @param choices alternatives, at least one
 */
public record KitOption(String id, String question, String defaultChoice, List<Choice> choices) {
  public KitOption {
    choices = List.copyOf(choices);
  }

  /**
   * One alternative.
   *
   * @param id name within the option
   * @param label what it is called
   * @param fit refs it fits
   * @param omit refs it leaves out
   */
  public record Choice(String id, String label, List<String> fit, List<String> omit) {
    public Choice {
      fit = List.copyOf(fit);
      omit = List.copyOf(omit);
    }
  }

  /** Gives the choice of that id. */
  public Optional<Choice> choice(String id) {
    return choices.stream().filter(choice -> choice.id().equals(id)).findFirst();
  }
}
