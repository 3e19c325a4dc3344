package humble.core.wake;

import java.util.List;

/**
 * Readings of the same thing, averaged.
 *
 * @param mean their mean
 * @param spread standard deviation of one of them, 0 for fewer than two
 * @param wanted how many are enough in all
 * @param count how many there are
 */
public record Averaged(double mean, double spread, int wanted, int count) {
  /** Two standard deviations of the mean have to lie within what is asked. */
  private static final double SURE = 2;

  /**
   * Averages readings.
   *
   * @param reads the readings, one at the least
   * @param least how many there are to be at the least
   * @param within how far the mean may be off, in their unit; 0 where that is not asked
   */
  public static Averaged of(List<Double> reads, int least, double within) {
    if (reads.isEmpty()) {
      throw new IllegalArgumentException("Nothing was read.");
    }
    double mean = reads.stream().mapToDouble(each -> each).average().orElse(0);
    double squares = reads.stream().mapToDouble(each -> (each - mean) * (each - mean)).sum();
    double spread = reads.size() < 2 ? 0 : Math.sqrt(squares / (reads.size() - 1));
    // How far a mean may be off nothing tells that was read once.
    int wanted = within > 0 ? Math.max(2, least) : least;
    if (within > 0 && reads.size() > 1) {
      double needed = Math.ceil(Math.pow(SURE * spread / within, 2));
      wanted = (int) Math.clamp(needed, wanted, Integer.MAX_VALUE);
    }
    return new Averaged(mean, spread, wanted, reads.size());
  }

  /** Tells whether they are enough. */
  public boolean isEnough() {
    return count >= wanted;
  }
}
