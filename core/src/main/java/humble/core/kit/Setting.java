package humble.core.kit;

import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;

/**
 * Something in a file beside a program that has to be right.
 *
 * @param id name within the kit
 * @param file path relative to the kit
 * @param question what the maker is asked, in their language; empty where the kit does not say
 * @param rule what it has to be
 * @param isPrivate whether it is nobody else's business
 * @param required whether it has to be set before the program is made
 */
public record Setting(
    String id, String file, String question, Rule rule, boolean isPrivate, boolean required) {
  /** What a setting has to be. */
  public sealed interface Rule {
    /**
     * Exactly one of these names is defined.
     *
     * @param names the names, in the kit's order
     * @param labels what each means to a maker, by name
     */
    record OneOf(List<String> names, Map<String, String> labels) implements Rule {
      public OneOf {
        names = List.copyOf(names);
        labels = Map.copyOf(labels);
      }
    }

    /**
     * A name has a value.
     *
     * @param key the name
     * @param low least value, null where there is none
     * @param high most, null where there is none
     * @param whole whether it is a whole number
     * @param unit its unit, or empty
     * @param words whether it is words rather than a number
     */
    record Value(
        String key,
        @Nullable Double low,
        @Nullable Double high,
        boolean whole,
        String unit,
        boolean words)
        implements Rule {}
  }
}
