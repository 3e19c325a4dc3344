package humble.core.build;

import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/** A program that is toggled in, while a journal is folded. */
final class Toggling {
  private final Map<Long, Integer> put = new HashMap<>();
  private final Map<Long, Integer> read = new HashMap<>();
  private BuildEvent.@Nullable ProgramShown shown;

  /** A byte put in has not been read back yet. */
  void put(long address, int value) {
    put.put(address, value);
    read.remove(address);
  }

  void read(long address, int value) {
    read.put(address, value);
  }

  /** Another program has taken the place. */
  void without(long address) {
    put.remove(address);
    read.remove(address);
  }

  void shown(BuildEvent.ProgramShown event) {
    shown = event;
  }

  /** The power went: what was in the memory is gone, what was seen is not. */
  void off() {
    put.clear();
    read.clear();
  }

  ToggledIn now() {
    return new ToggledIn(put, read, Optional.ofNullable(shown));
  }
}
