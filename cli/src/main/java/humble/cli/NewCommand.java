package humble.cli;

import humble.core.intake.Intake;
import humble.core.kit.Kit;
import humble.formats.kit.KitWriter;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

/** Makes a kit to start from: a folder with a kit file in which nothing is said yet. */
@Command(
    name = "new",
    description = "Make a kit to start from: a folder with a kit file that says nothing yet.")
final class NewCommand extends humble.cli.Command {
  @Parameters(index = "0", paramLabel = "FOLDER")
  @Nullable Path folder;

  @Option(names = "--name", paramLabel = "N", description = "what people call it")
  @Nullable String name;

  @Override
  Answer answer() {
    Path at = Objects.requireNonNull(folder);
    String given = name;
    String called =
        given == null || given.isBlank()
            ? String.valueOf(at.toAbsolutePath().normalize().getFileName())
            : given.strip();
    if (Files.exists(at)) {
      throw new BadInput(at + ": This is there already; choose another folder.");
    }
    Kit kit = Intake.draft(called, List.of(), List.of(), Map.of()).kit();
    try {
      KitWriter.write(at, KitWriter.text(kit), Map.of(), false);
    } catch (IOException e) {
      throw new BadInput(String.valueOf(e.getMessage()));
    }
    return new Answer(
        Answer.object("folder", at.toString(), "id", kit.id(), "name", kit.name()),
        List.of(at + ": a kit to start from. Drop it on the window, and tell it there."),
        false);
  }
}
