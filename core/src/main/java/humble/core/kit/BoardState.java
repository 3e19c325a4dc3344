package humble.core.kit;

import java.util.ArrayList;
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
 * @param share share of the time the board is in this state, when given
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
    Map<String, Double> sources,
    @Nullable Double share) {
  public BoardState {
    absent = List.copyOf(absent);
    closed = List.copyOf(closed);
    drive = Map.copyOf(drive);
    set = Map.copyOf(set);
    choose = Map.copyOf(choose);
    sources = Map.copyOf(sources);
  }

  /** Makes a state whose share of the time is not known. */
  public BoardState(
      String id,
      String title,
      @Nullable String supply,
      List<String> absent,
      List<String> closed,
      Map<String, String> drive,
      Map<String, Double> set,
      Map<String, String> choose,
      Map<String, Double> sources) {
    this(id, title, supply, absent, closed, drive, set, choose, sources, null);
  }

  /**
   * Gives this state without power: supply and batteries out, outputs off, nothing held from
   * outside; switches and knobs stay.
   *
   * @param batteries refs of the kit's batteries
   */
  public BoardState unpowered(List<String> batteries) {
    List<String> out = new ArrayList<>(absent);
    out.addAll(batteries);
    return new BoardState(id, title, null, out, closed, Map.of(), set, choose, Map.of(), share);
  }

  /** Gives this state with the pins driven as in {@code pins} and every other pin released. */
  public BoardState withDrive(Map<String, String> pins) {
    return new BoardState(id, title, supply, absent, closed, pins, set, choose, sources, share);
  }
}
