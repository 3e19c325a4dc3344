package humble.core.trim;

/**
 * Readings by ear or eye alone: how a setting compares with the best so far. What is a little more
 * or less is taken for about 3 dB, what is far more or less for 8; the numbers have no unit.
 */
public enum Ear {
  FAR_LESS(0.4),
  LESS(0.7),
  SAME(1),
  MORE(1.4),
  FAR_MORE(2.5);

  /** What the first setting is said to read: everything else is told against it. */
  public static final double FIRST = 1;

  /** How much an ear wavers, as a share of what it hears. */
  public static final double NOISE = 0.12;

  /** The least difference that an ear tells, as a share of what it hears. */
  public static final double STEP = 0.15;

  private final double times;

  Ear(double times) {
    this.times = times;
  }

  /** Gives the reading of a setting that compares so with the best one, which reads so much. */
  public double reads(double best) {
    return times * best;
  }

  /** Gives what an ear says of a setting that is so many times as much as the best. */
  public static Ear of(double times) {
    if (times < 0.55) {
      return FAR_LESS;
    }
    if (times < 0.88) {
      return LESS;
    }
    if (times < 1.14) {
      return SAME;
    }
    return times < 1.8 ? MORE : FAR_MORE;
  }
}
