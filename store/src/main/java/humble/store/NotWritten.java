package humble.store;

import org.jspecify.annotations.Nullable;

/** An act could not be written to the journal: nothing of it was, and it can be tried again. */
public final class NotWritten extends RuntimeException {
  private static final long serialVersionUID = 1L;

  /** Why it could not. */
  public enum Why {
    /** The disk is full. */
    FULL,
    /** Another window was writing all the while. */
    BUSY,
    /** The journal is damaged and nobody has decided yet what is to become of it. */
    UNDECIDED,
    /** The file or its folder may not be written. */
    FORBIDDEN,
    /** The disk or the file failed in another way. */
    FAILED
  }

  private final Why why;

  NotWritten(Why why, String message, @Nullable Throwable cause) {
    super(message, cause);
    this.why = why;
  }

  /** Gives why. */
  public Why why() {
    return why;
  }
}
