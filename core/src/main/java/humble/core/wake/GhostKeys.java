package humble.core.wake;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;

/**
 * Keys in rows and columns: which answers a press gives, and which keys seem pressed that are not.
 *
 * @param rows how many rows
 * @param columns how many columns
 * @param diodes whether every key has one
 */
public record GhostKeys(int rows, int columns, boolean diodes) {
  /**
   * Gives the keys that seem pressed when {@code pressed} are, by number from 1, row by row.
   * Without diodes a row reaches every column that any chain of pressed keys joins to it.
   */
  public Set<Integer> seen(Set<Integer> pressed) {
    if (diodes) {
      return Set.copyOf(pressed);
    }
    int[] net = new int[rows + columns];
    for (int i = 0; i < net.length; i++) {
      net[i] = i;
    }
    for (int key : pressed) {
      int a = net[(key - 1) / columns];
      int b = net[rows + (key - 1) % columns];
      for (int i = 0; i < net.length; i++) {
        net[i] = net[i] == b ? a : net[i];
      }
    }
    Set<Integer> seen = new TreeSet<>();
    for (int key = 1; key <= rows * columns; key++) {
      if (net[(key - 1) / columns] == net[rows + (key - 1) % columns]) {
        seen.add(key);
      }
    }
    return seen;
  }

  /** Gives what keys that never answer have in common. */
  public List<Common> common(Set<Integer> silent) {
    List<Common> all = new ArrayList<>();
    for (int row = 0; row < rows; row++) {
      Set<Integer> keys = new TreeSet<>();
      for (int column = 0; column < columns; column++) {
        keys.add(row * columns + column + 1);
      }
      if (columns > 1 && silent.containsAll(keys)) {
        all.add(new Common(true, row, List.copyOf(keys)));
      }
    }
    for (int column = 0; column < columns; column++) {
      Set<Integer> keys = new TreeSet<>();
      for (int row = 0; row < rows; row++) {
        keys.add(row * columns + column + 1);
      }
      if (rows > 1 && silent.containsAll(keys)) {
        all.add(new Common(false, column, List.copyOf(keys)));
      }
    }
    return all;
  }

  /** A row or a column, from 0, none of whose keys answers. */
  public record Common(boolean row, int index, List<Integer> keys) {}
}
