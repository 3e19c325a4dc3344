package humble.core.wake;

import java.util.ArrayList;
import java.util.List;
import java.util.OptionalInt;
import java.util.function.LongToIntFunction;

/**
 * Which address lines of a memory do nothing, or go together: the cell at 0 and those at every
 * power of two are each written with a mark of their own and read back. A line that makes no
 * difference has the mark of cell 0; two that are joined share one. The fewest accesses that show
 * every line: one more than there are lines, written and read.
 */
public final class AddressLines {
  private static final int FIRST_MARK = 0x40;
  private static final int MARK_OF_ZERO = 0x15;

  private AddressLines() {}

  /** One access: what is written where. */
  public record Access(long address, int value) {}

  /** A line that is wrong: it makes no difference, or it goes with another. */
  public record Wrong(int line, OptionalInt joinedTo) {}

  /** Gives what to write, in this order, for up to 32 lines. */
  public static List<Access> writes(int lines) {
    List<Access> all = new ArrayList<>();
    all.add(new Access(0, MARK_OF_ZERO));
    for (int i = 0; i < lines; i++) {
      all.add(new Access(1L << i, FIRST_MARK + i));
    }
    return all;
  }

  /**
   * Gives the lines that are wrong.
   *
   * @param readAt what was read at an address, after all of {@link #writes} in their order
   */
  public static List<Wrong> wrong(int lines, LongToIntFunction readAt) {
    List<Wrong> wrong = new ArrayList<>();
    int atZero = readAt.applyAsInt(0);
    for (int i = 0; i < lines; i++) {
      int mark = readAt.applyAsInt(1L << i);
      if (mark == atZero) {
        wrong.add(new Wrong(i, OptionalInt.empty()));
      } else if (mark != FIRST_MARK + i) {
        int other = mark - FIRST_MARK;
        wrong.add(
            new Wrong(
                i, other >= 0 && other < lines ? OptionalInt.of(other) : OptionalInt.empty()));
      }
    }
    return wrong;
  }
}
