package humble.core.build;

import java.util.HashMap;
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

  private static Map<Long, Integer> with(Map<Long, Integer> map, long address, int value) {
    Map<Long, Integer> more = new HashMap<>(map);
    more.put(address, value);
    return more;
  }

  private static Map<Long, Integer> without(Map<Long, Integer> map, long address) {
    Map<Long, Integer> less = new HashMap<>(map);
    less.remove(address);
    return less;
  }

  /** A byte put in has not been read back yet. */
  ToggledIn withPut(long address, int value) {
    return new ToggledIn(with(put, address, value), without(read, address), shown);
  }

  ToggledIn withRead(long address, int value) {
    return new ToggledIn(put, with(read, address, value), shown);
  }

  ToggledIn withShown(BuildEvent.ProgramShown event) {
    return new ToggledIn(put, read, Optional.of(event));
  }

  /** Another program has taken the place. */
  ToggledIn withoutRow(long address) {
    return new ToggledIn(without(put, address), without(read, address), shown);
  }

  /** The power went: what was in the memory is gone, what was seen is not. */
  ToggledIn gone() {
    return new ToggledIn(Map.of(), Map.of(), shown);
  }
}
