package humble.cli;

import humble.store.BenchFile;
import humble.store.Journal;
import humble.store.JournalOpen;
import java.nio.file.Path;
import java.time.Clock;

/** The journal of the bench in use: {@code HUMBLE_HOME}, or the user's data folder. */
final class Bench {
  private Bench() {}

  static Path home() {
    String home = System.getenv("HUMBLE_HOME");
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

  /** Opens the journal that the window uses, or makes it. */
  static Journal openOrMake() {
    return switch (BenchFile.open(home(), Clock.systemUTC()).outcome()) {
      case JournalOpen.Opened opened -> opened.journal();
      case JournalOpen.Damaged damaged -> damaged.journal();
      case JournalOpen.Refused refused -> throw new BadInput(refused.why());
    };
  }
}
