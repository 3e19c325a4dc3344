package humble.core.budget;

import java.util.Locale;
import java.util.function.BooleanSupplier;
import java.util.function.LongSupplier;

/**
 * Bytes, things and time that one reading may spend. It is passed in and used up: what several
 * files of one kit cost together comes out of one budget. Used by one thread at a time.
 */
public final class Budget {
  /** How many things are counted between two looks at the clock. */
  private static final int LOOK_EVERY = 4096;

  private final long mostBytes;
  private final long mostItems;
  private final long mostNanos;
  private final LongSupplier nanos;
  private final BooleanSupplier calledOff;
  private final long began;
  private long bytes;
  private long items;
  private int sinceLook;

  private Budget(
      long mostBytes,
      long mostItems,
      long mostNanos,
      LongSupplier nanos,
      BooleanSupplier calledOff) {
    this.mostBytes = mostBytes;
    this.mostItems = mostItems;
    this.mostNanos = mostNanos;
    this.nanos = nanos;
    this.calledOff = calledOff;
    this.began = nanos.getAsLong();
  }

  /**
   * Gives a budget that begins to run now.
   *
   * @param bytes the most bytes that are read or unpacked
   * @param items the most things that are kept or drawn
   * @param millis the most time, in milliseconds
   * @param nanos a clock that only rises, in nanoseconds
   * @param calledOff tells that nobody wants the answer any more
   */
  public static Budget of(
      long bytes, long items, long millis, LongSupplier nanos, BooleanSupplier calledOff) {
    return new Budget(bytes, items, millis * 1_000_000, nanos, calledOff);
  }

  /** Gives a budget without an end, for text that was typed here and files that we wrote. */
  public static Budget unlimited() {
    return new Budget(Long.MAX_VALUE, Long.MAX_VALUE, Long.MAX_VALUE, () -> 0, () -> false);
  }

  /**
   * Spends {@code more} bytes.
   *
   * @throws Spent when there are not so many left
   */
  public void bytes(long more) {
    if (more > mostBytes - bytes) {
      throw new Spent(
          Spent.What.BYTES,
          "It holds more than " + mib(mostBytes) + " in all; more than that is not read.");
    }
    bytes += more;
    look();
  }

  /** Gives how many bytes are left. */
  public long bytesLeft() {
    return mostBytes - bytes;
  }

  /**
   * Spends {@code more} things.
   *
   * @throws Spent when there are not so many left, when time is up, or when it was called off
   */
  public void items(long more) {
    if (more > mostItems - items) {
      throw new Spent(
          Spent.What.ITEMS,
          String.format(
              Locale.ROOT,
              "It holds more than %,d things; more than that is not read.",
              mostItems));
    }
    items += more;
    sinceLook += (int) Math.min(more, LOOK_EVERY) + 1;
    if (sinceLook >= LOOK_EVERY) {
      look();
    }
  }

  /**
   * Looks at the clock and at the hand.
   *
   * @throws Spent when time is up, or when it was called off
   */
  public void look() {
    sinceLook = 0;
    if (calledOff.getAsBoolean()) {
      throw new Spent(Spent.What.CALLED_OFF, "Reading was called off.");
    }
    if (nanos.getAsLong() - began > mostNanos) {
      throw new Spent(
          Spent.What.TIME,
          "Reading it takes longer than " + mostNanos / 1_000_000_000 + " s; it was given up.");
    }
  }

  private static String mib(long bytes) {
    return bytes >= 1 << 20 ? (bytes >> 20) + " MiB" : bytes + " bytes";
  }
}
