package humble.cli;

import humble.core.budget.Budget;
import humble.core.kit.Board;
import humble.core.kit.Finding;
import humble.core.kit.Kit;
import humble.formats.InputFile;
import humble.formats.ReadingBudget;
import humble.formats.board.BoardLayers;
import humble.formats.board.BoardNets;
import humble.formats.board.KnownPin;
import humble.formats.board.LengthUnit;
import humble.formats.kit.BoardFiles;
import humble.formats.kit.KitFolder;
import humble.formats.kit.KitRead;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

/** Says which pads the copper joins. */
@Command(
    name = "nets",
    description = "Say which pads are joined: by the copper itself, or as the netlist has it.")
final class BoardNetsCommand extends humble.cli.Command {
  private static final long MOST_BYTES = 32L << 20;

  @Parameters(paramLabel = "DIR|KIT", description = "Folder of board files, or a kit.")
  @Nullable Path input;

  @Option(
      names = "--from",
      paramLabel = "copper|netlist",
      description = "What to take (default: the copper, where there is any).")
  @Nullable String from;

  @Option(
      names = "--unit",
      paramLabel = "mm|inch",
      description = "Unit of the files that do not say theirs.")
  @Nullable String unit;

  @Option(names = "--board", paramLabel = "ID", description = "Which board of the kit.")
  @Nullable String boardId;

  /** The files of one board, by role, and what the kit knows of its pads. */
  private record Input(
      Map<String, String> files,
      BoardLayers.Source bytes,
      List<KnownPin> known,
      List<Finding> problems) {}

  @Override
  Answer answer() {
    List<String> bad = new ArrayList<>();
    BoardNets.@Nullable Source source = source(bad);
    LengthUnit length = unit(unit, bad);
    if (!bad.isEmpty()) {
      throw new BadInput(bad);
    }
    Budget budget = ReadingBudget.usual();
    Path path = Objects.requireNonNull(input);
    boolean isKit = Files.isRegularFile(path) || Files.exists(path.resolve("kit.json"));
    Input files = isKit ? ofKit(path, budget) : ofFolder(path, budget);
    BoardNets nets =
        BoardNets.of(files.files(), files.bytes(), source, files.known(), length, budget);
    List<Finding> problems = new ArrayList<>(files.problems());
    problems.addAll(nets.problems());
    if (nets.nets().isEmpty() && problems.stream().anyMatch(Finding::isError)) {
      throw new BadInput(
          problems.stream().filter(Finding::isError).map(Finding::toString).toList());
    }
    return answer(nets, problems);
  }

  private BoardNets.@Nullable Source source(List<String> bad) {
    if (from == null) {
      return null;
    }
    return switch (from) {
      case "copper" -> BoardNets.Source.COPPER;
      case "netlist" -> BoardNets.Source.NETLIST;
      default -> {
        bad.add("--from: it is copper or netlist, not '" + from + "'.");
        yield null;
      }
    };
  }

  static LengthUnit unit(@Nullable String text, List<String> bad) {
    if (text == null) {
      return LengthUnit.UNSAID;
    }
    return switch (text) {
      case "mm" -> LengthUnit.MILLIMETRES;
      case "inch", "in" -> LengthUnit.INCHES;
      default -> {
        bad.add("--unit: it is mm or inch, not '" + text + "'.");
        yield LengthUnit.UNSAID;
      }
    };
  }

  private static Input ofFolder(Path folder, Budget budget) {
    try {
      BoardFiles files = BoardFiles.in(folder);
      if (files.byRole().isEmpty()) {
        throw new BadInput(folder + ": No board file is in this folder.");
      }
      Map<String, String> names = new LinkedHashMap<>();
      files.byRole().forEach((role, file) -> names.put(role, fileName(file)));
      List<Finding> problems = new ArrayList<>();
      files
          .byItsName()
          .forEach((role, file) ->
              problems.add(
                  Finding.note(
                      fileName(file),
                      "Taken for " + role + " by its name; the file does not say.")));
      files
          .others()
          .forEach(file ->
              problems.add(
                  Finding.note(fileName(file), "What this file is could not be told; not read.")));
      return new Input(
          names,
          name -> InputFile.bytes(folder.resolve(name), MOST_BYTES, budget),
          List.of(),
          problems);
    } catch (IOException e) {
      throw new BadInput(String.valueOf(e.getMessage()));
    }
  }

  private static String fileName(Path file) {
    return String.valueOf(file.getFileName());
  }

  private Input ofKit(Path path, Budget budget) {
    KitFolder folder = KitFolder.at(path);
    KitRead read = folder.read(budget);
    if (!(read instanceof KitRead.Opened opened)) {
      throw new BadInput(
          read.findings().stream().filter(Finding::isError).map(Finding::toString).toList());
    }
    Kit kit = opened.kit();
    Board board =
        kit.boards().stream()
            .filter(b -> boardId == null ? !b.files().isEmpty() : b.id().equals(boardId))
            .findFirst()
            .orElseThrow(() ->
                new BadInput(
                    boardId == null
                        ? path + ": The kit has no board files."
                        : "--board: the kit has no board '" + boardId + "'."));
    if (board.files().isEmpty()) {
      throw new BadInput(path + ": Board '" + board.id() + "' has no board files.");
    }
    List<Finding> problems = new ArrayList<>();
    if (boardId == null) {
      kit.boards().stream()
          .filter(b -> b != board && !b.files().isEmpty())
          .forEach(b ->
              problems.add(
                  Finding.note(
                      "kit.json",
                      "Board '" + b.id() + "' has files too: --board " + b.id() + ".")));
    }
    return new Input(board.files(), folder.source(budget), KnownPin.of(kit, board.id()), problems);
  }

  private static Answer answer(BoardNets nets, List<Finding> problems) {
    List<String> text = new ArrayList<>();
    text.add(
        "From the "
            + nets.source().name().toLowerCase(Locale.ROOT)
            + ": "
            + nets.nets().size()
            + " nets.");
    for (BoardNets.Net net : nets.nets()) {
      text.add(
          String.format(
              Locale.ROOT,
              "%-14s %s",
              net.name(),
              String.join("  ", net.pads().stream().map(BoardNetsCommand::text).toList())));
    }
    problems.forEach(problem -> text.add(problem.toString()));
    return new Answer(
        Answer.object(
            "source", nets.source().name().toLowerCase(Locale.ROOT),
            "nets",
                nets.nets().stream()
                    .map(net ->
                        Answer.object(
                            "name",
                            net.name(),
                            "pads",
                            net.pads().stream().map(BoardNetsCommand::json).toList()))
                    .toList(),
            "problems", problems.stream().map(CheckCommand::json).toList()),
        text,
        problems.stream().anyMatch(Finding::isError));
  }

  private static String text(BoardNets.Pad pad) {
    return pad.ref() == null
        ? String.format(Locale.ROOT, "(%.2f, %.2f)", pad.at().xMm(), pad.at().yMm())
        : pad.ref() + "." + pad.pin();
  }

  private static Object json(BoardNets.Pad pad) {
    return Answer.object(
        "ref", pad.ref(), "pin", pad.pin(), "x_mm", pad.at().xMm(), "y_mm", pad.at().yMm());
  }
}
