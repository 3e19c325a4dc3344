package humble.core.kit;

import humble.core.units.Band;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/**
 * A measurement that has to read right before something else is done.
 *
 * @param id name within the kit
 * @param title what it proves
 * @param measure what is measured
 * @param at points of the red and the black probe, pins or nets
 * @param state state of the board in which it is measured
 * @param expected window in base units, when the kit fixes one; computed otherwise
 * @param before refs that wait for it
 * @param caution what to mind, or empty
 */
public record Gate(
    String id,
    String title,
    Measured measure,
    List<String> at,
    String state,
    @Nullable Band expected,
    List<String> before,
    String caution) {
  public Gate {
    at = List.copyOf(at);
    before = List.copyOf(before);
  }

  /** Gives the window the kit fixes. */
  public Optional<Band> fixedWindow() {
    return Optional.ofNullable(expected);
  }
}
