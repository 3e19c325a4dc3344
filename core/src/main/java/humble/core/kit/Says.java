package humble.core.kit;

import java.util.List;
import java.util.Map;

/**
 * What the author of a kit says of a test, in words of their own.
 *
 * @param title what it is called; empty for the usual name of its kind
 * @param set what is set before: a part or jumper, and how it stands ({@code up}, {@code 0.5})
 * @param expect what is seen when it does what it should; empty for the usual of its kind
 * @param normal odd things that are normal
 * @param otherwise other things that may be seen, and what they mean
 * @param needs what is needed beside the bench, such as {@code in the dark}
 * @param powerCycle whether the power goes off and on again before
 */
public record Says(
    String title,
    Map<String, String> set,
    String expect,
    List<String> normal,
    List<Otherwise> otherwise,
    List<String> needs,
    boolean powerCycle) {
  /** Nothing. */
  public static final Says NOTHING =
      new Says("", Map.of(), "", List.of(), List.of(), List.of(), false);

  public Says {
    set = java.util.Collections.unmodifiableMap(new java.util.LinkedHashMap<>(set));
    normal = List.copyOf(normal);
    otherwise = List.copyOf(otherwise);
    needs = List.copyOf(needs);
  }

  /**
   * Something else that may be seen.
   *
   * @param seen in words
   * @param means faults that it speaks for, as {@code --fault} takes them
   * @param say what to make of it, or empty
   */
  public record Otherwise(String seen, List<String> means, String say) {
    public Otherwise {
      means = List.copyOf(means);
    }
  }
}
