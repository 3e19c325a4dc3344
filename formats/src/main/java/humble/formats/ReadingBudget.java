package humble.formats;

import humble.core.budget.Budget;
import java.util.function.BooleanSupplier;

/**
 * What readers may spend when nobody says otherwise. The figures leave room for the largest boards
 * that people assemble by hand and hold in a heap of 256 MiB.
 */
public final class ReadingBudget {
  /** The most bytes that the files of one kit, or one list or image, hold together. */
  public static final long MOST_BYTES = 256L << 20;

  /** The most things that they draw, drill, join or list together. */
  public static final long MOST_ITEMS = 2_000_000;

  private static final long MOST_MILLIS = 10_000;

  private ReadingBudget() {}

  /** Gives the usual budget, called off by nobody. */
  public static Budget usual() {
    return usual(() -> false);
  }

  /** Gives the usual budget, which {@code calledOff} ends early. */
  public static Budget usual(BooleanSupplier calledOff) {
    return Budget.of(MOST_BYTES, MOST_ITEMS, MOST_MILLIS, System::nanoTime, calledOff);
  }
}
