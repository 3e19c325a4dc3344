package humble.formats.image;

import humble.core.budget.Budget;

/** The lines of a file of records, each ended by a line feed with or without a carriage return. */
final class RecordLines {
  private static final int LOOK_EVERY = 4096;

  private RecordLines() {}

  /** Takes one line after the other. */
  interface Taker {
    /**
     * Takes the line of that number, from 1.
     *
     * @param start its first byte
     * @param end the byte after its last; an empty line ends where it starts
     * @return whether to go on
     */
    boolean line(int number, int start, int end);
  }

  static void of(byte[] bytes, Budget budget, Taker taker) {
    int start = 0;
    int number = 0;
    boolean on = true;
    for (int at = 0; at <= bytes.length && on; at++) {
      if (at == bytes.length || bytes[at] == '\n') {
        number++;
        if (number % LOOK_EVERY == 0) {
          budget.look();
        }
        on = taker.line(number, start, at > start && bytes[at - 1] == '\r' ? at - 1 : at);
        start = at + 1;
      }
    }
  }
}
