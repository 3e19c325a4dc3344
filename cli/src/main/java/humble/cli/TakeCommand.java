package humble.cli;

import humble.core.build.BuildEvent;
import humble.formats.InputFile;
import humble.formats.ReadingBudget;
import humble.formats.kit.BuildArchive;
import humble.store.Journal;
import humble.store.JournalLines;
import java.io.IOException;
import java.io.StringReader;
import java.nio.file.Path;
import java.util.List;
import java.util.Objects;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

/** Takes in a build that was written as one file. */
@Command(name = "take", description = "Take in a build, with its kit, that archive has written.")
final class TakeCommand extends humble.cli.Command {
  @Parameters(paramLabel = "FILE.hcbuild")
  @Nullable Path file;

  @Option(
      names = "--other-hand",
      description =
          "Somebody else built it so far: what was read and proved is asked for anew here.")
  boolean otherHand;

  @Override
  Answer answer() {
    Path from = Objects.requireNonNull(file);
    BuildArchive archive = Scratch.archive(from);
    try (Journal journal = Bench.openOrMake()) {
      Path kit = archive.keepKit(Bench.home().resolve("kits"));
      JournalLines.TakenIn taken =
          JournalLines.takeAlong(
              journal,
              new StringReader(archive.lines()),
              archive.name(),
              ReadingBudget.usual(),
              new BuildEvent.CameAlong(
                  kit.toAbsolutePath().normalize().toString(), archive.name(), otherHand));
      if (!taken.problems().isEmpty()) {
        throw new BadInput(taken.problems());
      }
      String id =
          Stream.concat(taken.builds().values().stream(), taken.same().stream())
              .findFirst()
              .orElseThrow();
      boolean same = taken.builds().isEmpty();
      return new Answer(
          Answer.object(
              "build",
              id,
              "kit",
              kit.toString(),
              "entries",
              taken.entries(),
              "same",
              same,
              "left_out",
              taken.leftOut()),
          Stream.concat(
                  Stream.of(
                      same
                          ? id + " is here already, entry by entry"
                          : id + ": " + taken.entries() + " entries, its kit in " + kit),
                  taken.leftOut().stream())
              .toList(),
          false);
    } catch (IOException e) {
      throw new BadInput(List.of(from + ": " + InputFile.reason(e)));
    }
  }
}
