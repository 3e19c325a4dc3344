package humble.cli;

import humble.core.kit.Kit;
import humble.formats.template.TemplatePdf;
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

/** Writes what is drilled, sawn and cut to length at its true size. */
@Command(
    name = "templates",
    description = "Write drill templates, wires and terminals of a kit at their true size.")
final class TemplatesCommand extends humble.cli.Command {
  @Parameters(paramLabel = "KIT")
  @Nullable Path kit;

  @Option(names = "-o", required = true, paramLabel = "FILE.pdf")
  @Nullable Path out;

  @Option(names = "--force", description = "Replace an existing file.")
  boolean force;

  @Override
  Answer answer() {
    Path file = Objects.requireNonNull(out);
    if (!String.valueOf(file.getFileName()).toLowerCase(Locale.ROOT).endsWith(".pdf")) {
      throw new BadInput("-o: templates are written as .pdf.");
    }
    if (Files.exists(file) && !force) {
      throw new BadInput(file + ": This is there already; --force replaces it.");
    }
    Kit read = kit(Objects.requireNonNull(kit));
    try {
      TemplatePdf.Made made = TemplatePdf.of(read, Map.of(), Locale.ENGLISH);
      if (made.pages() == 0) {
        return new Answer(
            Answer.object("written", null, "pages", 0),
            List.of(
                "Nothing of this kit needs a template: no plate is open, no wire is cut, there is"
                    + " no terminal."),
            true);
      }
      Written.to(file, force, made.bytes());
      return new Answer(
          Answer.object("written", file.toString(), "pages", made.pages()),
          List.of("Written: " + file + ", " + made.pages() + " pages"),
          false);
    } catch (IOException e) {
      throw new BadInput(file + ": it cannot be written: " + e.getMessage());
    }
  }
}
