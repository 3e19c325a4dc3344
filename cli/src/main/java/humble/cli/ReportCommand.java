package humble.cli;

import humble.core.build.Build;
import humble.core.build.BuildEvent;
import humble.core.kit.Kit;
import humble.formats.kit.BuildArchive;
import humble.formats.kit.KitFolder;
import humble.formats.kit.KitRead;
import humble.formats.report.HtmlReport;
import humble.formats.report.KeptPhotos;
import humble.formats.report.PdfReport;
import humble.formats.report.TextReports;
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
  @Parameters(paramLabel = "BUILD", description = "Id or name of a build, or a build as one file.")
  String build = "";

  @Option(
      names = "-o",
      required = true,
      paramLabel = "FILE",
      description = "FILE.html, .pdf, .md, .csv or .json: what is written follows from it.")
  @Nullable Path out;

  @Option(names = "--force", description = "Replace an existing file.")
  boolean force;

  @Override
  Answer answer() {
    Path file = Objects.requireNonNull(out);
    String name = String.valueOf(file.getFileName()).toLowerCase(Locale.ROOT);
    String ending = name.substring(name.lastIndexOf('.') + 1);
    if (!List.of("html", "pdf", "md", "csv", "json").contains(ending)) {
      throw new BadInput("-o: a report ends in .html, .pdf, .md, .csv or .json.");
    }
    if (Files.exists(file) && !force) {
      throw new BadInput(file + " exists: --force replaces it.");
    }
    try {
      Written.to(
          file, force, build.endsWith(BuildArchive.ENDING) ? ofArchive(ending) : ofJournal(ending));
    } catch (IOException e) {
      throw new BadInput(file + ": it cannot be written: " + e.getMessage());
    }
    return new Answer(
        Answer.object("written", file.toString()), List.of("Written: " + file), false);
  }

  private byte[] ofJournal(String ending) throws IOException {
    try (Journal journal = Bench.open()) {
      Build found = Bench.find(journal, build);
      BuildEvent.Began began =
          found
              .began()
              .orElseThrow(() -> new BadInput("The build '" + build + "' has no beginning."));
      return bytes(kit(found, began), found, ending, KeptPhotos.in(Bench.home().resolve("photos")));
    }
  }

  /** A build as one file is read where it lies; nothing of it is taken in. */
  private byte[] ofArchive(String ending) throws IOException {
    Path file = Path.of(build);
    BuildArchive archive = Scratch.archive(file);
    Build found = Scratch.builds(List.of(file)).getFirst();
    Kit kit =
        archive.folder().with(found.kitChanges()).read() instanceof KitRead.Opened opened
            ? opened.kit()
            : archive.kit().orElseThrow();
    return bytes(kit, found, ending, KeptPhotos.in(archive.folder()));
  }

  /** The kit as it was told on the bench, where it can be read so; else as it is on the disk. */
  private Kit kit(Build found, BuildEvent.Began began) {
    Path path = Path.of(began.kitPath());
    return KitFolder.at(path).with(found.kitChanges()).read() instanceof KitRead.Opened opened
        ? opened.kit()
        : kit(path);
  }

  private static byte[] bytes(Kit kit, Build found, String ending, KeptPhotos photos)
      throws IOException {
    ZoneId zone = ZoneId.systemDefault();
    Locale locale = Locale.ENGLISH;
    return switch (ending) {
      case "pdf" -> PdfReport.of(kit, found, locale, zone, photos);
      case "md" -> utf8(TextReports.markdown(kit, found, locale, zone));
      case "csv" -> utf8(TextReports.csv(found, locale));
      case "json" -> utf8(TextReports.json(kit, found, locale, zone));
      default -> utf8(HtmlReport.of(kit, found, locale, zone, photos));
    };
  }

  private static byte[] utf8(String text) {
    return text.getBytes(StandardCharsets.UTF_8);
  }
}
