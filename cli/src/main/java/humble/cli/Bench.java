package humble.cli;

import humble.core.build.Build;
import humble.core.build.BuildEvent;
import humble.store.BenchFile;
import humble.store.Journal;
import humble.store.JournalOpen;
import java.nio.file.Path;
import java.time.Clock;

/**
 * The journal of the bench in use: the system property {@code humble.home}, else {@code
 * HUMBLE_HOME}, else the user's data folder.
 */
final class Bench {
  /** The property that says where the bench is, for what runs in one process. */
  static final String HOME = "humble.home";

  private Bench() {}

  static Path home() {
    String home = System.getProperty(HOME, System.getenv("HUMBLE_HOME"));
    return home == null || home.isBlank()
        ? Path.of(System.getProperty("user.home"), ".local", "share", "humble-circuit")
        : Path.of(home);
  }

  /** Opens the journal that the window uses; a damaged one is open for reading. */
  static Journal open() {
    Path file = home().resolve(BenchFile.NAME);
    if (!java.nio.file.Files.exists(file)) {
      throw new BadInput("There is no journal at " + file + " yet: begin a build in the window.");
    }
    return openOrMake();
  }

  /** Gives a build by its id or its name. */
  static Build find(Journal journal, String named) {
    for (String id : journal.builds()) {
      Build each = journal.build(id);
      if (id.equals(named) || each.began().map(BuildEvent.Began::name).orElse("").equals(named)) {
        return each;
      }
    }
    throw new BadInput("There is no build '" + named + "'.");
  }

  /** Opens the journal that the window uses, or makes it. */
  static Journal openOrMake() {
    return switch (BenchFile.open(home(), Clock.systemUTC()).outcome()) {
      case JournalOpen.Opened opened -> opened.journal();
      case JournalOpen.Damaged damaged -> damaged.journal();
      case JournalOpen.Refused refused -> throw new BadInput(refused.why());
    };
  }
}
