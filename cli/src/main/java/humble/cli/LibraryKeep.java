package humble.cli;

import humble.core.beside.LibraryState;
import humble.formats.InputFile;
import humble.formats.WholeFile;
import humble.formats.settings.LibraryFolder;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.List;
import java.util.Objects;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

/** Writes the hashes of all files of a library. */
@Command(name = "keep", description = "Write the hash of every file, as it is now.")
final class LibraryKeep extends humble.cli.Command {
  @Parameters(paramLabel = "FOLDER")
  @Nullable Path folder;

  @Option(
      names = {"-o", "--output"},
      required = true,
      paramLabel = "FILE")
  @Nullable Path output;

  @Override
  Answer answer() {
    LibraryState state = read(Objects.requireNonNull(folder));
    Path to = Objects.requireNonNull(output);
    try {
      WholeFile.replace(to, state.text().getBytes(StandardCharsets.UTF_8));
    } catch (IOException e) {
      throw new BadInput(to + ": " + InputFile.reason(e));
    }
    return new Answer(
        Answer.object("files", state.files().size()),
        List.of(state.files().size() + " files kept."),
        false);
  }

  static LibraryState read(Path folder) {
    try {
      return LibraryFolder.read(folder, () -> false);
    } catch (IOException e) {
      throw new BadInput(folder + ": " + InputFile.reason(e));
    }
  }
}
