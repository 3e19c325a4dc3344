package humble.store;

import java.nio.file.Path;
import java.util.List;

/** The outcome of opening a journal. */
public sealed interface JournalOpen {
  /** The journal is open and as it was written; close it when done. */
  record Opened(Journal journal) implements JournalOpen {}

  /**
   * The journal is damaged. What can be read of it is open for reading; nothing is written until
   * somebody has decided. Close it when done.
   *
   * @param journal the journal, for reading only
   * @param damage what is not as it was written
   */
  record Damaged(Journal journal, List<Damage> damage) implements JournalOpen {
    public Damaged {
      damage = List.copyOf(damage);
    }
  }

  /**
   * The file cannot be used and was left as it is.
   *
   * @param reason what kind of obstacle it is
   * @param why one plain sentence
   * @param beside a free name for a new journal in the same folder
   */
  record Refused(Reason reason, String why, Path beside) implements JournalOpen {}

  /** Why a file cannot be used. */
  enum Reason {
    /** It belongs to another program. */
    FOREIGN,
    /** A newer version of this program wrote it. */
    NEWER,
    /** It is no database, or too damaged to be read at all. */
    UNREADABLE,
    /** Its folder cannot be made or written. */
    NO_PLACE
  }
}
