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
 * @param board what the board says of it, null where it says nothing
 */
public record Setting(
    String id,
    String file,
    String question,
    Rule rule,
    boolean isPrivate,
    boolean required,
    @Nullable FromBoard board) {
  /** Makes one that the board says nothing of. */
  public Setting(
      String id, String file, String question, Rule rule, boolean isPrivate, boolean required) {
    this(id, file, question, rule, isPrivate, required, null);
  }

  /**
   * What of the board a setting has to agree with.
   *
   * @param what which fact: {@code clock}, {@code baud}, {@code bytes} of a target, {@code width},
   *     {@code height}, {@code turn}, {@code count}, {@code hz} of a peripheral, {@code pin} of a
   *     part, {@code module} read at a row
   * @param of the target, the peripheral or the part
   * @param net the net whose pin is meant, or the region of a memory; empty for none
   * @param per how many of the kit's units one of the setting's is: 1000 for kilohertz
   * @param rows of a module the name that is right for each row
   */
  public record FromBoard(
      String what, String of, String net, double per, Map<String, String> rows) {
    /** The facts that a setting may have to agree with. */
    public static final List<String> FACTS =
        List.of(
            "clock", "baud", "bytes", "width", "height", "turn", "count", "hz", "pin", "module");

    public FromBoard {
      rows = Map.copyOf(rows);
    }
  }

  /** What a setting has to be. */
  public sealed interface Rule {
    /**
     * Exactly one of these names is defined; or where there is a key, it has one of them as its
     * value.
     *
     * @param names the names, in the kit's order
     * @param labels what each means to a maker, by name
     * @param key the name whose value is one of them; empty where they are names of their own
     */
    record OneOf(List<String> names, Map<String, String> labels, String key) implements Rule {
      /** Makes one whose names stand by themselves. */
      public OneOf(List<String> names, Map<String, String> labels) {
        this(names, labels, "");
      }

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
