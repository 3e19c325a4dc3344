package humble.core.kit;

import java.util.List;

/**
 * What whoever gets the finished thing has to know, a sentence each.
 *
 * @param how how it is used
 * @param not how it is not used
 */
public record Use(List<String> how, List<String> not) {
  /** Nothing is said of it. */
  public static final Use UNSAID = new Use(List.of(), List.of());

  public Use {
    how = List.copyOf(how);
    not = List.copyOf(not);
  }
}
