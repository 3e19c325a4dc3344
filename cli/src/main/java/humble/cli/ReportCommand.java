package humble.cli;

import humble.core.build.Build;
import humble.core.build.BuildEvent;
import humble.core.kit.Kit;
import humble.formats.report.HtmlReport;
import humble.store.Journal;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.ZoneId;
import java.util.List;
import java.util.Locale;
import java.util.Objects;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

/** Writes the logbook. */
@Command(name = "report", description = "Write the logbook of a build.")
final class ReportCommand extends humble.cli.Command {
  @Parameters(paramLabel = "BUILD", description = "Id or name of a build.")
  String build = "";

  @Option(names = "-o", required = true, paramLabel = "FILE.html")
  @Nullable Path out;

  @Option(names = "--force", description = "Replace an existing file.")
  boolean force;

  @Override
  Answer answer() {
    Path file = Objects.requireNonNull(out);
    if (!String.valueOf(file.getFileName()).endsWith(".html")) {
      throw new BadInput("-o: this version writes .html.");
    }
    if (Files.exists(file) && !force) {
      throw new BadInput(file + " exists: --force replaces it.");
    }
    try (Journal journal = Bench.open()) {
      Build found = find(journal);
      BuildEvent.Began began =
          found
              .began()
              .orElseThrow(() -> new BadInput("The build '" + build + "' has no beginning."));
      Kit kit = kit(Path.of(began.kitPath()));
      String page = HtmlReport.of(kit, found, Locale.ENGLISH, ZoneId.systemDefault());
      Written.to(file, force, page.getBytes(StandardCharsets.UTF_8));
    } catch (IOException e) {
      throw new BadInput(file + ": it cannot be written: " + e.getMessage());
    }
    return new Answer(
        Answer.object("written", file.toString()), List.of("Written: " + file), false);
  }

  private Build find(Journal journal) {
    for (String id : journal.builds()) {
      Build each = journal.build(id);
      if (id.equals(build) || each.began().map(BuildEvent.Began::name).orElse("").equals(build)) {
        return each;
      }
    }
    throw new BadInput("There is no build '" + build + "'.");
  }
}
