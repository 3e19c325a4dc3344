package humble.cli;

import humble.core.kit.Board;
import humble.core.kit.Kit;
import humble.core.kit.Parts;
import humble.formats.board.BoardWriter;
import humble.formats.kit.KitFolder;
import humble.formats.table.KitTables;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Objects;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

/** Writes the parts list, the placement list or the whole of a kit. */
@Command(name = "export", description = "Write a kit's parts list, placement list or archive.")
final class ExportCommand extends humble.cli.Command {
  @Parameters(paramLabel = "KIT")
  @Nullable Path kit;

  @Option(
      names = "--as",
      required = true,
      paramLabel = "WHAT",
      description = "bom.csv, places.csv, kit.zip, or board.zip: Gerber, drill and netlist.")
  String as = "";

  @Option(names = "-o", required = true, paramLabel = "FILE")
  @Nullable Path out;

  @Option(names = "--force", description = "Replace an existing file.")
  boolean force;

  @Override
  Answer answer() {
    Path file = Objects.requireNonNull(out);
    Path from = Objects.requireNonNull(kit);
    if (!List.of("bom.csv", "places.csv", "kit.zip", "board.zip").contains(as)) {
      throw new BadInput(
          "--as: it is bom.csv, places.csv, kit.zip or board.zip, not '" + as + "'.");
    }
    if (Files.exists(file) && !force) {
      throw new BadInput(file + ": This is there already; --force replaces it.");
    }
    Kit read = kit(from);
    try {
      byte[] bytes =
          switch (as) {
            case "bom.csv" -> KitTables.parts(read).getBytes(StandardCharsets.UTF_8);
            case "places.csv" -> KitTables.places(read).getBytes(StandardCharsets.UTF_8);
            case "board.zip" -> BoardWriter.archive(Parts.of(read), board(read));
            default -> KitFolder.at(from).archive();
          };
      Written.to(file, force, bytes);
    } catch (IOException e) {
      throw new BadInput(file + ": it cannot be written: " + e.getMessage());
    }
    return new Answer(
        Answer.object("written", file.toString()), List.of("Written: " + file), false);
  }

  private static Board board(Kit kit) {
    if (kit.boards().isEmpty()) {
      throw new BadInput("kit.json#/boards: The kit has no board.");
    }
    return kit.boards().getFirst();
  }
}
