package humble.core.kit;

import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;

/**
 * A situation of the board that can be analysed.
 *
 * @param id name within the kit
 * @param title what it is called
 * @param supply id of the supply, null when nothing but batteries feeds the board
 * @param absent refs that are not there
 * @param closed switches, buttons and jumpers that are closed
 * @param drive what each named pin does: {@code high}, {@code low} or {@code off}
 * @param set positions of potentiometers, 0 to 1
 * @param choose choices by option
 * @param sources nets held at so many volts from outside
 */
public record BoardState(
    String id,
    String title,
    @Nullable String supply,
    List<String> absent,
    List<String> closed,
    Map<String, String> drive,
    Map<String, Double> set,
    Map<String, String> choose,
    Map<String, Double> sources) {
  public BoardState {
    absent = List.copyOf(absent);
    closed = List.copyOf(closed);
    drive = Map.copyOf(drive);
    set = Map.copyOf(set);
    choose = Map.copyOf(choose);
    sources = Map.copyOf(sources);
  }

  /** Gives this state with the pins driven as in {@code pins} and every other pin released. */
  public BoardState withDrive(Map<String, String> pins) {
    return new BoardState(id, title, supply, absent, closed, pins, set, choose, sources);
  }
}
