package humble.core.kit;

import java.util.List;

/**
 * A hard fact about the order: everything in {@code first} before everything in {@code then}.
 *
 * @param first refs or ids of tasks and gates
 * @param then refs or ids of tasks and gates
 * @param because reason, in the kit author's words
 */
public record Rule(List<String> first, List<String> then, String because) {
  public Rule {
    first = List.copyOf(first);
    then = List.copyOf(then);
  }
}
