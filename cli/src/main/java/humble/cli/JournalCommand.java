package humble.cli;

import humble.core.budget.Budget;
import humble.formats.InputFile;
import humble.formats.ReadingBudget;
import humble.store.BenchFile;
import humble.store.Copies;
import humble.store.Damage;
import humble.store.Journal;
import humble.store.JournalLines;
import humble.store.JournalOpen;
import java.io.IOException;
import java.io.StringWriter;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Objects;
import java.util.Optional;
import java.util.TreeMap;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

/** Looks after the journal of the bench. */
@Command(
    name = "journal",
    description = "Look after the journal of this bench: check it, take it out, put a copy back.",
    mixinStandardHelpOptions = true,
    subcommands = {
      JournalCommand.Check.class,
      JournalCommand.Export.class,
      JournalCommand.Import.class,
      JournalCommand.Backups.class,
      JournalCommand.Restore.class
    })
final class JournalCommand {
  /** Proves the chain of the journal. */
  @Command(name = "check", description = "Prove that every entry is as it was written.")
  static final class Check extends humble.cli.Command {
    @Override
    Answer answer() {
      try (Journal journal = Bench.open()) {
        List<Object> damaged = new ArrayList<>();
        List<String> text = new ArrayList<>();
        for (Damage each : journal.damage()) {
          damaged.add(
              Answer.object(
                  "number",
                  each.number(),
                  "build",
                  each.build(),
                  "kind",
                  each.kind().name().toLowerCase(Locale.ROOT),
                  "text",
                  each.text()));
          text.add(each.text());
        }
        text.add(
            damaged.isEmpty()
                ? journal.events() + " entries, each as it was written."
                : journal.file() + " is damaged. The shelf of the window offers its copies.");
        return new Answer(
            Answer.object("events", journal.events(), "damaged", damaged),
            text,
            !damaged.isEmpty());
      }
    }
  }

  /** Writes every build as lines of JSON. */
  @Command(name = "export", description = "Write every build as lines of JSON.")
  static final class Export extends humble.cli.Command {
    @Parameters(paramLabel = "FILE")
    @Nullable Path file;

    @Option(names = "--force", description = "Replace an existing file.")
    boolean force;

    @Override
    Answer answer() {
      Path to = Objects.requireNonNull(file);
      try (Journal journal = Bench.open()) {
        StringWriter lines = new StringWriter();
        long entries = JournalLines.write(journal, lines);
        Written.to(to, force, lines.toString().getBytes(StandardCharsets.UTF_8));
        return new Answer(
            Answer.object(
                "written",
                to.toString(),
                "builds",
                journal.builds().size(),
                "entries",
                entries,
                "damaged",
                journal.damage().size()),
            List.of("Written: " + to + ", " + entries + " entries"),
            journal.isUndecided());
      } catch (IOException e) {
        throw new BadInput(to + ": it cannot be written: " + InputFile.reason(e));
      }
    }
  }

  /** Takes builds in from lines of JSON. */
  @Command(name = "import", description = "Take in the builds of a file that export has written.")
  static final class Import extends humble.cli.Command {
    @Parameters(paramLabel = "FILE")
    @Nullable Path file;

    @Override
    Answer answer() {
      Path from = Objects.requireNonNull(file);
      Budget budget = ReadingBudget.usual();
      try {
        if (InputFile.size(from) > JournalLines.MOST_BYTES) {
          throw new BadInput(from + ": The file has more than 200 MB; that is not read.");
        }
      } catch (IOException e) {
        throw new BadInput(from + ": " + InputFile.reason(e));
      }
      try (Journal journal = Bench.openOrMake();
          var in = Files.newBufferedReader(from, StandardCharsets.UTF_8)) {
        JournalLines.TakenIn taken =
            JournalLines.read(journal, in, String.valueOf(from.getFileName()), budget);
        if (!taken.problems().isEmpty()) {
          throw new BadInput(taken.problems());
        }
        List<String> text = new ArrayList<>();
        new TreeMap<>(taken.builds())
            .forEach((there, here) ->
                text.add(there.equals(here) ? here : there + " is " + here + " here"));
        taken.same().forEach(id -> text.add(id + " is here already, entry by entry"));
        text.addAll(taken.leftOut());
        return new Answer(
            Answer.object(
                "builds",
                new TreeMap<>(taken.builds()),
                "same",
                taken.same(),
                "entries",
                taken.entries(),
                "left_out",
                taken.leftOut()),
            text,
            false);
      } catch (IOException e) {
        throw new BadInput(from + ": It cannot be read as UTF-8: " + InputFile.reason(e));
      }
    }
  }

  /** Lists the copies. */
  @Command(name = "backups", description = "List the copies of the journal, the newest first.")
  static final class Backups extends humble.cli.Command {
    @Override
    Answer answer() {
      List<Object> copies = new ArrayList<>();
      List<String> text = new ArrayList<>();
      for (Copies.Copy copy : Copies.of(file()).all()) {
        long builds = builds(copy);
        copies.add(
            Answer.object(
                "file",
                copy.file().toString(),
                "at",
                copy.at().toString(),
                "builds",
                builds < 0 ? null : builds));
        text.add(
            copy.at()
                + "  "
                + (builds < 0 ? "cannot be read" : builds + " builds")
                + "  "
                + copy.file());
      }
      return new Answer(
          Answer.object("backups", copies),
          text.isEmpty() ? List.of("No copies yet.") : text,
          false);
    }

    /** The journal in use; where none can be used at all, the first. */
    static Path file() {
      Path first = Bench.home().resolve(BenchFile.NAME);
      if (!Files.exists(first)) {
        return first;
      }
      BenchFile.Found found = BenchFile.open(Bench.home(), Clock.systemUTC());
      close(found.outcome());
      return found.file();
    }

    private static void close(JournalOpen outcome) {
      switch (outcome) {
        case JournalOpen.Opened opened -> opened.journal().close();
        case JournalOpen.Damaged damaged -> damaged.journal().close();
        case JournalOpen.Refused refused -> {}
      }
    }

    private static long builds(Copies.Copy copy) {
      try {
        return Copies.builds(copy.file());
      } catch (IOException e) {
        return -1;
      }
    }
  }

  /** Puts a copy in the place of the journal. */
  @Command(
      name = "restore",
      description = "Put a copy in the place of the journal; what was there is kept beside it.")
  static final class Restore extends humble.cli.Command {
    @Parameters(paramLabel = "FILE", description = "A copy, or its name among the copies.")
    @Nullable Path file;

    @Override
    Answer answer() {
      Path journal = Backups.file();
      Copies copies = Copies.of(journal);
      Path named = Objects.requireNonNull(file);
      Path copy =
          Files.exists(named)
              ? named
              : copies.folder().resolve(String.valueOf(named.getFileName()));
      try {
        Optional<Path> kept = copies.restore(copy);
        List<String> text = new ArrayList<>(List.of("In place: " + copy));
        kept.ifPresent(path -> text.add("What was there is kept as " + path));
        return new Answer(
            Answer.object(
                "restored", copy.toString(), "kept", kept.map(Path::toString).orElse(null)),
            text,
            false);
      } catch (IOException e) {
        throw new BadInput(copy + ": " + InputFile.reason(e));
      }
    }
  }
}
