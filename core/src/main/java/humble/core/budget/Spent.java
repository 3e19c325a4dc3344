package humble.core.budget;

/**
 * A budget is spent, or the reading was called off. Thrown from deep inside a reader; every reader
 * turns it into its own answer with the place it had reached.
 */
public final class Spent extends RuntimeException {
  private static final long serialVersionUID = 1L;

  /** What ran out. */
  public enum What {
    BYTES,
    ITEMS,
    TIME,
    CALLED_OFF
  }

  private final What what;

  Spent(What what, String sentence) {
    super(sentence, null, false, false);
    this.what = what;
  }

  /** Gives what ran out. */
  public What what() {
    return what;
  }

  /** Gives one sentence that says so. */
  public String sentence() {
    return String.valueOf(getMessage());
  }
}
