package humble.cli;

import humble.core.build.Build;
import humble.core.build.BuildEvent;
import humble.formats.InputFile;
import humble.formats.kit.BuildArchive;
import humble.store.Journal;
import humble.store.JournalLines;
import java.io.IOException;
import java.io.StringWriter;
import java.nio.file.Path;
import java.util.List;
import java.util.Objects;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

/** Writes a build with its kit as one file. */
@Command(
    name = "archive",
    description = "Write a build with its kit, its photos and every act as one file.")
final class ArchiveCommand extends humble.cli.Command {
  @Parameters(paramLabel = "BUILD", description = "Id or name of a build.")
  String build = "";

  @Option(names = "-o", required = true, paramLabel = "FILE.hcbuild")
  @Nullable Path out;

  @Option(names = "--force", description = "Replace an existing file.")
  boolean force;

  @Override
  Answer answer() {
    Path file = Objects.requireNonNull(out);
    if (!String.valueOf(file.getFileName()).endsWith(BuildArchive.ENDING)) {
      throw new BadInput("-o: a build as one file ends in " + BuildArchive.ENDING + ".");
    }
    try (Journal journal = Bench.open()) {
      Build found = Bench.find(journal, build);
      StringWriter lines = new StringWriter();
      long entries = JournalLines.write(journal, found.id(), lines);
      Written.to(
          file, force, BuildArchive.of(found, lines.toString(), Bench.home().resolve("photos")));
      return new Answer(
          Answer.object(
              "written",
              file.toString(),
              "build",
              found.id(),
              "kit",
              found.began().map(BuildEvent.Began::kitId).orElse(""),
              "entries",
              entries),
          List.of("Written: " + file + ", " + entries + " entries"),
          false);
    } catch (IOException e) {
      throw new BadInput(file + ": it cannot be written: " + InputFile.reason(e));
    }
  }
}
