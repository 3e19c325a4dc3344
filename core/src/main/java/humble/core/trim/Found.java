package humble.core.trim;

/**
 * What a search found.
 *
 * @param point the setting to try, as shares; where it is over, the one to leave it at
 * @param gain how much less it should read, in shares of the worst reading
 * @param kind what it is
 */
record Found(double[] point, double gain, Kind kind) {
  /** What a found setting is. */
  enum Kind {
    /** The lowest point that is known of. */
    LOWEST,
    /** One beside it, that tells how things lie. */
    BESIDE,
    /** The best of those that were tried: going on is not worth it. */
    OVER
  }
}
