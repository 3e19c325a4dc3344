package humble.desktop.session;

import humble.core.kit.Parts;
import humble.core.route.Pace;
import humble.formats.kit.KitFolder;
import humble.formats.kit.KitRead;
import humble.store.Journal;
import humble.store.JournalDamage;
import humble.store.JournalOpen;
import java.nio.file.InvalidPathException;
import java.nio.file.Path;
import java.time.Clock;
import java.util.Optional;
import java.util.function.Supplier;

/**
 * Learns the pace of a bench from its last builds, by a connection of its own to the journal, so
 * that it may do so away from the interface thread. What cannot be read teaches nothing.
 */
public final class PaceOfBench implements Supplier<Pace> {
  private static final int MOST_BUILDS = 12;

  private final Path journalFile;

  /** Makes it for the journal in that file. */
  public PaceOfBench(Path journalFile) {
    this.journalFile = journalFile;
  }

  @Override
  public Pace get() {
    if (!(Journal.open(journalFile, Clock.systemUTC()) instanceof JournalOpen.Opened opened)) {
      return Pace.USUAL;
    }
    try (Journal journal = opened.journal()) {
      return Pace.of(
          journal.builds().stream().limit(MOST_BUILDS).map(journal::build).toList(),
          PaceOfBench::parts);
    } catch (JournalDamage e) {
      // The window tells of a damaged journal when it opens it; the pace is then the usual one.
      return Pace.USUAL;
    }
  }

  private static Optional<Parts> parts(String kit) {
    try {
      return KitFolder.at(Path.of(kit)).read() instanceof KitRead.Opened opened
          ? Optional.of(Parts.of(opened.kit()))
          : Optional.empty();
    } catch (InvalidPathException e) {
      // A build whose kit lies nowhere teaches nothing either.
      return Optional.empty();
    }
  }
}
