package humble.store;

/** The outcome of opening a journal. */
public sealed interface JournalOpen {
  /** The journal is open; close it when done. */
  record Opened(Journal journal) implements JournalOpen {}

  /**
   * The file cannot be used and was left as it is.
   *
   * @param why one plain sentence
   * @param beside a free name for a new journal in the same folder
   */
  record Refused(String why, java.nio.file.Path beside) implements JournalOpen {}
}
