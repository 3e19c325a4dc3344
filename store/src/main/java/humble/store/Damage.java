package humble.store;

/**
 * Something in a journal that is not as it was written.
 *
 * @param number number of the event, 0 where the journal as a whole is meant
 * @param build build it belongs to, empty when that cannot be told
 * @param kind what is wrong
 * @param text one sentence
 */
public record Damage(long number, String build, Kind kind, String text) {
  /** What can be wrong with an event. */
  public enum Kind {
    /** What it says was changed. */
    CHANGED,
    /** It says what it said, but its checksum was changed. */
    CHECKSUM,
    /** It is gone. */
    MISSING,
    /** It stands behind a missing or changed one and cannot be proved by itself. */
    UNPROVED,
    /** The file cannot be read there. */
    UNREADABLE
  }

  /** Tells whether what the event says may still be believed. */
  boolean contentHolds() {
    return kind == Kind.CHECKSUM;
  }
}
