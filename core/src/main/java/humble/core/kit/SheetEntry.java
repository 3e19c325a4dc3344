package humble.core.kit;

import java.util.List;

/**
 * One line of the kit's own instructions.
 *
 * @param act {@code fit}, {@code insert}, {@code gate} or {@code task}
 * @param refs parts it handles
 * @param id gate or task it names, or empty
 */
public record SheetEntry(String act, List<String> refs, String id) {
  public SheetEntry {
    refs = List.copyOf(refs);
  }
}
