package humble.desktop.session;

import humble.core.build.BuildEvent;
import humble.core.mend.Habits;
import humble.core.mend.TwoFaults;
import humble.store.Journal;
import humble.store.JournalDamage;
import humble.store.JournalOpen;
import java.nio.file.Path;
import java.time.Clock;
import java.util.List;
import java.util.function.Supplier;
import java.util.regex.Pattern;
import java.util.stream.Stream;

/**
 * Learns which faults this bench makes from what was found on its last builds; faults that the
 * practice bench hid do not count. What cannot be read teaches nothing.
 */
public final class HabitsOfBench implements Supplier<Habits> {
  private static final int MOST_BUILDS = 40;

  private final Path journalFile;

  /** Makes it for the journal in that file. */
  public HabitsOfBench(Path journalFile) {
    this.journalFile = journalFile;
  }

  @Override
  public Habits get() {
    if (!(Journal.open(journalFile, Clock.systemUTC()) instanceof JournalOpen.Opened opened)) {
      return Habits.usual();
    }
    try (Journal journal = opened.journal()) {
      List<String> found =
          journal.builds().stream()
              .limit(MOST_BUILDS)
              .flatMap(id -> journal.build(id).mended().stream())
              .filter(mended -> !mended.practice())
              .map(BuildEvent.Mended::fault)
              .flatMap(fault -> Stream.of(fault.split(Pattern.quote(TwoFaults.SEPARATOR))))
              .toList();
      return Habits.learned(found);
    } catch (JournalDamage e) {
      // The window tells of a damaged journal when it opens it; the shares are then the usual ones.
      return Habits.usual();
    }
  }
}
