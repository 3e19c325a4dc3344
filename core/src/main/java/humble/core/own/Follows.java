package humble.core.own;

import java.util.List;

/**
 * What an answer changes in a kit.
 *
 * @param edits what changes
 * @param guessed what of it somebody still has to look at
 */
public record Follows(List<Edit> edits, List<String> guessed) {
  public Follows {
    edits = List.copyOf(edits);
    guessed = List.copyOf(guessed);
  }

  /** Nothing changes: something was only looked at, or is not here. */
  public static Follows nothing() {
    return new Follows(List.of(), List.of());
  }
}
