package humble.formats.image;

import java.util.ArrayList;
import java.util.List;
import java.util.OptionalInt;

/**
 * The widths of the addresses of S-records. The digit that says a width is not in the checksum, so
 * a flipped one gives a good record somewhere else. Records are of one width, or, as some writers
 * have it, each of the narrowest that will do, in the order of their addresses.
 */
final class AddressWidths {
  private static final int WIDEST = 4;

  private final int[] count = new int[WIDEST + 1];
  private final int[] firstLine = new int[WIDEST + 1];
  private boolean narrowest = true;
  private boolean rising = true;
  private long next;
  private int last;

  void record(int line, int width, long address, int length) {
    if (count[width]++ == 0) {
      firstLine[width] = line;
    }
    long end = address + Math.max(length, 1) - 1;
    boolean fitsLess = width > 2 && end < 1L << (8 * (width - 1));
    narrowest &= !fitsLess;
    rising &= width >= last && address >= next;
    last = width;
    next = end + 1;
  }

  private boolean mixed() {
    int kinds = 0;
    for (int each : count) {
      kinds += each > 0 ? 1 : 0;
    }
    return kinds > 1;
  }

  /** Gives the line of a record whose width is a mistake: the first of the rarest. */
  OptionalInt mistake() {
    if (!mixed() || narrowest && rising) {
      return OptionalInt.empty();
    }
    int rarest = 0;
    for (int width = 0; width <= WIDEST; width++) {
      if (count[width] > 0 && (count[rarest] == 0 || count[width] < count[rarest])) {
        rarest = width;
      }
    }
    return OptionalInt.of(firstLine[rarest]);
  }

  /** Gives what cannot be told from a mistake. */
  List<String> remarks() {
    List<String> remarks = new ArrayList<>();
    for (int width = 3; mixed() && width <= WIDEST; width++) {
      if (count[width] > 0) {
        remarks.add(
            "From line "
                + firstLine[width]
                + " on addresses have "
                + width
                + " bytes; a damaged record may look like that.");
      }
    }
    return remarks;
  }
}
