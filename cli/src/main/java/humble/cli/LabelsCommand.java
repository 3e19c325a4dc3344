package humble.cli;

import humble.core.kit.Kit;
import humble.formats.label.CupLabels;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

/** Writes labels for the cups of a kit. */
@Command(name = "labels", description = "Write labels for the cups of a kit, A4 sheets as PDF.")
final class LabelsCommand extends humble.cli.Command {
  @Parameters(paramLabel = "KIT")
  @Nullable Path kit;

  @Option(names = "-o", required = true, paramLabel = "FILE.pdf")
  @Nullable Path out;

  @Option(names = "--force", description = "Replace an existing file.")
  boolean force;

  @Override
  Answer answer() {
    Path file = Objects.requireNonNull(out);
    if (Files.exists(file) && !force) {
      throw new BadInput(file + ": This is there already; --force replaces it.");
    }
    Kit read = kit(Objects.requireNonNull(kit));
    try {
      Written.to(file, force, CupLabels.pdf(read, Map.of(), Locale.ENGLISH));
    } catch (IOException e) {
      throw new BadInput(file + ": it cannot be written: " + e.getMessage());
    }
    return new Answer(
        Answer.object("written", file.toString()), List.of("Written: " + file), false);
  }
}
