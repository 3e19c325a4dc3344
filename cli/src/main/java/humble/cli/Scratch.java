package humble.cli;

import humble.core.build.Build;
import humble.formats.InputFile;
import humble.formats.ReadingBudget;
import humble.formats.kit.BuildArchive;
import humble.store.Journal;
import humble.store.JournalLines;
import humble.store.JournalOpen;
import java.io.IOException;
import java.io.Reader;
import java.io.StringReader;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.stream.Stream;

/** A journal that is thrown away again: what others handed in is read there, not at this bench. */
final class Scratch {
  private Scratch() {}

  /**
   * Gives the builds of some files, exported journals and builds as one file.
   *
   * @throws BadInput with everything that stands against any of them
   */
  static List<Build> builds(List<Path> files) {
    List<String> problems = new ArrayList<>();
    Path scratch;
    try {
      scratch = Files.createTempDirectory("humble-scratch");
    } catch (IOException e) {
      throw new BadInput("There is no room for a journal of all: " + InputFile.reason(e));
    }
    try (Journal journal = opened(scratch)) {
      for (Path file : files) {
        try (Reader in = lines(file)) {
          problems.addAll(
              JournalLines.read(
                      journal, in, String.valueOf(file.getFileName()), ReadingBudget.usual())
                  .problems());
        } catch (IOException e) {
          problems.add(file + ": It cannot be read as UTF-8: " + InputFile.reason(e));
        }
      }
      if (!problems.isEmpty()) {
        throw new BadInput(problems);
      }
      return journal.builds().stream().map(journal::build).toList();
    } finally {
      delete(scratch);
    }
  }

  private static Reader lines(Path file) throws IOException {
    return String.valueOf(file.getFileName()).endsWith(BuildArchive.ENDING)
        ? new StringReader(archive(file).lines())
        : Files.newBufferedReader(file, StandardCharsets.UTF_8);
  }

  /** Opens a build as one file. */
  static BuildArchive archive(Path file) {
    return switch (BuildArchive.open(file)) {
      case BuildArchive.Read.Opened opened -> opened.archive();
      case BuildArchive.Read.Refused refused -> throw new BadInput(refused.problems());
    };
  }

  private static Journal opened(Path scratch) {
    if (Journal.open(scratch.resolve("all.db"), Clock.systemUTC())
        instanceof JournalOpen.Opened opened) {
      return opened.journal();
    }
    throw new BadInput("The journal of all builds cannot be made in " + scratch + ".");
  }

  private static void delete(Path scratch) {
    try (Stream<Path> all = Files.walk(scratch)) {
      for (Path each : all.sorted(Comparator.reverseOrder()).toList()) {
        Files.deleteIfExists(each);
      }
    } catch (IOException e) {
      // What is left in the system's own folder for such files is cleared by the system.
    }
  }
}
