package humble.core.settings;

import java.util.List;

/**
 * One setting where it stands in a file.
 *
 * @param name what it is called there
 * @param line its line, from 1
 * @param off what makes it a comment; nothing when it counts
 * @param begin where such a mark would go, and what it would be
 * @param value where its value stands; empty there when it has none
 * @param locked why it cannot be changed where it stands; empty when it can
 */
public record Entry(String name, int line, List<Span> off, Mark begin, Span value, String locked) {
  /** A mark that makes the rest of a line a comment. */
  public record Mark(int at, String text) {}

  public Entry {
    off = List.copyOf(off);
  }

  /** Tells whether it counts. */
  public boolean isOn() {
    return off.isEmpty() && locked.isEmpty();
  }
}
