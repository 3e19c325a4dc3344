package humble.core.build;

import java.util.Map;
import java.util.Optional;

/**
 * How far a program is that is toggled in.
 *
 * @param put the bytes that were put in, by address
 * @param read the bytes that were read back since, by address
 * @param shown what it showed when it ran last
 */
public record ToggledIn(
    Map<Long, Integer> put, Map<Long, Integer> read, Optional<BuildEvent.ProgramShown> shown) {
  /** Nothing was done yet. */
  public static final ToggledIn NOTHING = new ToggledIn(Map.of(), Map.of(), Optional.empty());

  public ToggledIn {
    put = Map.copyOf(put);
    read = Map.copyOf(read);
  }
}
