package humble.formats.board;

import humble.core.budget.Budget;
import humble.core.budget.Spent;
import java.nio.charset.StandardCharsets;
import java.util.Iterator;

/** Goes through the lines of a board file, within a size and a budget. */
final class BoardLines {
  private static final int LOOK_EVERY = 4096;

  private BoardLines() {}

  /** Takes one line. */
  interface Taker {
    /** Takes the line of that number, from 1; tells whether the file is over. */
    boolean take(String line, int number) throws BoardFileDamage;
  }

  static void refuseLarge(String file, byte[] bytes) throws BoardFileDamage {
    if (bytes.length > Gerber.MOST_BYTES) {
      throw new BoardFileDamage(file, 1, "The file is larger than 32 MiB.");
    }
  }

  /**
   * Hands every line of a file to {@code taker} until it says that the file is over.
   *
   * @param cutOff what is said of a file that ends before
   * @throws BoardFileDamage with file and line, at the first thing that cannot be read, or where
   *     the budget was spent
   */
  static void each(String file, byte[] bytes, Budget budget, String cutOff, Taker taker)
      throws BoardFileDamage {
    refuseLarge(file, bytes);
    Iterator<String> lines = new String(bytes, StandardCharsets.ISO_8859_1).lines().iterator();
    int number = 0;
    boolean over = false;
    try {
      while (lines.hasNext() && !over) {
        over = taker.take(lines.next(), ++number);
        if (number % LOOK_EVERY == 0) {
          budget.look();
        }
      }
    } catch (Spent e) {
      throw new BoardFileDamage(file, number, e.sentence());
    }
    if (!over) {
      throw new BoardFileDamage(file, Math.max(1, number), cutOff);
    }
  }
}
