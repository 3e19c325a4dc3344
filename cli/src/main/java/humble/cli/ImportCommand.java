package humble.cli;

import humble.core.budget.Budget;
import humble.core.intake.BoardFacts;
import humble.core.intake.ChipLibrary;
import humble.core.intake.Column;
import humble.core.intake.Draft;
import humble.core.intake.Guess;
import humble.core.intake.Intake;
import humble.core.intake.PartRow;
import humble.core.intake.SheetText;
import humble.core.kit.Finding;
import humble.core.kit.Kit;
import humble.core.kit.Line;
import humble.core.words.Words;
import humble.formats.ReadingBudget;
import humble.formats.board.BoardReading;
import humble.formats.board.LengthUnit;
import humble.formats.board.NetText;
import humble.formats.board.NetsBeside;
import humble.formats.kit.BoardFiles;
import humble.formats.kit.BoardImport;
import humble.formats.kit.KitFolder;
import humble.formats.kit.KitRead;
import humble.formats.kit.KitWriter;
import humble.formats.table.PartsTable;
import humble.formats.table.TableText;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;

/** Brings in a kit from a parts list, a placement list, board files or pasted text. */
@Command(
    name = "import",
    description = "Make a kit of a parts list, and say what had to be guessed.")
final class ImportCommand extends humble.cli.Command {
  private static final Words WORDS = Words.core(Locale.ENGLISH);

  @Option(names = "--bom", paramLabel = "FILE.csv", description = "Parts list, any dialect of CSV.")
  @Nullable Path bom;

  @Option(names = "--places", paramLabel = "FILE.csv", description = "Placement list.")
  @Nullable Path places;

  @Option(names = "--board", paramLabel = "DIR", description = "Folder of board files, kept.")
  @Nullable Path board;

  @Option(
      names = "--paste",
      paramLabel = "FILE.txt",
      description = "A parts list as typed off a sheet, such as '3 x 10k R1 R4 R9'.")
  @Nullable Path paste;

  @Option(
      names = "--column",
      paramLabel = "HEADING=COLUMN",
      description = "What a column is about that is not understood, such as 'Drawer=note'.")
  List<String> columns = new ArrayList<>();

  @Option(
      names = "--unit",
      paramLabel = "mm|inch",
      description = "Unit of the board files that do not say theirs.")
  @Nullable String unit;

  @Option(
      names = "--nets",
      paramLabel = "FILE",
      description = "Nets as text, 'GND: U1.8 R1.1' a line, or as a SPICE deck.")
  @Nullable Path nets;

  @Option(names = "--name", paramLabel = "NAME", description = "Name of the kit.")
  @Nullable String name;

  @Option(
      names = "-o",
      required = true,
      paramLabel = "KIT",
      description = "Folder to write, or a file ending in .hckit.")
  @Nullable Path out;

  @Option(names = "--force", description = "Replace a kit that is there already.")
  boolean force;

  /** The name that the sheet itself gives the kit; empty when it gives none. */
  private String titled = "";

  /** All that one import reads comes out of one budget. */
  private final Budget budget = ReadingBudget.usual();

  @Override
  Answer answer() {
    Path target = Objects.requireNonNull(out);
    List<String> bad = new ArrayList<>();
    if (bom == null && paste == null && board == null) {
      bad.add(
          "--bom, --paste or --board: a parts list is needed, or a board that names its parts.");
    }
    LengthUnit length = BoardNetsCommand.unit(unit, bad);
    if (Files.exists(target) && !force) {
      bad.add(target + ": This is there already; --force replaces it.");
    }
    List<Finding> problems = new ArrayList<>();
    List<PartRow> rows = new ArrayList<>();
    List<PartRow> placed = new ArrayList<>();
    if (bom != null) {
      take(bom, PartsTable::parts, rows, problems, bad);
    }
    if (paste != null) {
      try {
        SheetText sheet = SheetText.read(TableText.read(paste, budget), fileName(paste), budget);
        rows.addAll(sheet.rows());
        titled = sheet.title();
        problems.addAll(sheet.problems());
        if (sheet.rows().isEmpty()) {
          bad.add(fileName(paste) + ": No line of this text names a part.");
        }
      } catch (IOException e) {
        bad.add(String.valueOf(e.getMessage()));
      }
    }
    if (places != null) {
      take(places, PartsTable::places, placed, problems, bad);
    }
    BoardFiles files = boardFiles(bad);
    if (!bad.isEmpty()) {
      throw new BadInput(bad);
    }
    Map<String, String> roles = files == null ? Map.of() : files.within(BoardImport.FOLDER);
    BoardReading board =
        files == null
            ? new BoardReading(BoardFacts.NONE, List.of(), List.of())
            : BoardReading.of(files.byRole(), length, budget);
    problems.addAll(board.problems());
    if (bom == null && paste == null) {
      rows.addAll(board.facts().rows());
      if (rows.isEmpty()) {
        throw new BadInput(
            this.board
                + ": The board files name no part; a parts list is needed (--bom, --paste).");
      }
    }
    BoardFacts facts = withText(board.facts(), problems, bad);
    if (!bad.isEmpty()) {
      throw new BadInput(bad);
    }
    Draft draft = Intake.draft(title(target), rows, placed, roles, facts, chips());
    if (files != null && nets == null) {
      BoardImport traced =
          BoardImport.of(title(target), rows, placed, files, board.facts(), length, chips());
      traced.problems().stream().filter(p -> !problems.contains(p)).forEach(problems::add);
      draft = traced.draft();
    }
    problems.addAll(draft.problems());
    write(target, draft, files, problems);
    return answer(draft, problems);
  }

  /**
   * Nets that a text gives go before those of the board files; what they say differently is told.
   */
  private BoardFacts withText(BoardFacts facts, List<Finding> problems, List<String> bad) {
    if (nets == null) {
      return facts;
    }
    try {
      NetText text = NetText.read(TableText.read(nets, budget), fileName(nets), budget);
      problems.addAll(text.problems());
      problems.addAll(
          NetsBeside.differences(text.nets(), fileName(nets), facts.nets(), "the board files"));
      return new BoardFacts(facts.outline(), facts.pads(), text.nets());
    } catch (IOException e) {
      bad.add(String.valueOf(e.getMessage()));
      return facts;
    }
  }

  private interface Table {
    PartsTable read(String text, String source, Map<String, Column> assigned, Budget budget)
        throws IOException;
  }

  private void take(
      Path file, Table table, List<PartRow> rows, List<Finding> problems, List<String> bad) {
    try {
      PartsTable read =
          table.read(TableText.read(file, budget), fileName(file), assigned(bad), budget);
      rows.addAll(read.rows());
      problems.addAll(read.problems());
    } catch (IOException e) {
      bad.add(String.valueOf(e.getMessage()));
    }
  }

  private Map<String, Column> assigned(List<String> bad) {
    Map<String, Column> assigned = new LinkedHashMap<>();
    for (String each : columns) {
      int equals = each.lastIndexOf('=');
      Column column = equals < 1 ? null : Column.named(each.substring(equals + 1)).orElse(null);
      if (column == null) {
        bad.add("--column: '" + each + "' is not like 'Drawer=note'.");
      } else {
        assigned.put(each.substring(0, equals).strip().toLowerCase(Locale.ROOT), column);
      }
    }
    return assigned;
  }

  private @Nullable BoardFiles boardFiles(List<String> bad) {
    if (board == null) {
      return null;
    }
    try {
      return BoardFiles.in(board);
    } catch (IOException e) {
      bad.add(String.valueOf(e.getMessage()));
      return null;
    }
  }

  /** What the kits of this bench tell of their chips; one that cannot be read tells nothing. */
  private static ChipLibrary chips() {
    Path kits = Bench.home().resolve("kits");
    if (!Files.isDirectory(kits)) {
      return ChipLibrary.NONE;
    }
    try (Stream<Path> folders = Files.list(kits)) {
      return ChipLibrary.of(
          folders
              .sorted()
              .filter(folder -> Files.exists(folder.resolve("kit.json")))
              .flatMap(folder ->
                  KitFolder.at(folder).read() instanceof KitRead.Opened opened
                      ? Stream.of(opened.kit())
                      : Stream.<Kit>empty())
              .toList());
    } catch (IOException e) {
      return ChipLibrary.NONE;
    }
  }

  private String title(Path target) {
    if (name != null && !name.isBlank()) {
      return name.strip();
    }
    if (!titled.isEmpty()) {
      return titled;
    }
    return fileName(target).replaceFirst("\\.(hckit|zip)$", "");
  }

  private static String fileName(Path path) {
    return String.valueOf(path.toAbsolutePath().normalize().getFileName());
  }

  private void write(Path target, Draft draft, @Nullable BoardFiles files, List<Finding> problems) {
    Map<String, Path> within = new LinkedHashMap<>();
    if (files != null) {
      files.all().forEach(file -> within.put(BoardImport.FOLDER + "/" + fileName(file), file));
      files
          .others()
          .forEach(file ->
              problems.add(
                  Finding.note(
                      fileName(file), "What this board file is could not be told; it is kept.")));
    }
    try {
      KitWriter.write(target, KitWriter.text(draft.kit()), within, force);
    } catch (IOException e) {
      throw new BadInput(String.valueOf(e.getMessage()));
    }
  }

  private static Answer answer(Draft draft, List<Finding> problems) {
    List<String> text = new ArrayList<>();
    for (Line line : draft.kit().lines()) {
      text.add(
          String.format(
              Locale.ROOT,
              "%-14s %-20s %-10s %-20s %3d  %s",
              line.id(),
              line.kind().text(),
              line.value(),
              line.packageId(),
              line.supplied(),
              String.join(" ", line.refs())));
    }
    draft
        .kit()
        .loose()
        .forEach(item ->
            text.add(
                String.format(
                    Locale.ROOT,
                    "%-14s beside the board: %s, %d",
                    item.id(),
                    item.name(),
                    item.supplied())));
    draft
        .guesses()
        .forEach(guess ->
            text.add(
                String.format(
                    Locale.ROOT,
                    "guessed %3.0f %%  %s: %s = %s. %s",
                    guess.confidence() * 100,
                    guess.line(),
                    guess.key(),
                    guess.value(),
                    WORDS.sentence(guess.because()))));
    problems.forEach(problem -> text.add(problem.toString()));
    return new Answer(
        Answer.object(
            "lines", draft.kit().lines().stream().map(ImportCommand::json).toList(),
            "guessed", draft.guesses().stream().map(ImportCommand::json).toList(),
            "problems", problems.stream().map(CheckCommand::json).toList(),
            "loose",
                draft.kit().loose().stream()
                    .map(item ->
                        Answer.object(
                            "id", item.id(), "name", item.name(), "supplied", item.supplied()))
                    .toList(),
            "places", draft.kit().places().size(),
            "nets", draft.kit().nets().size()),
        text,
        problems.stream().anyMatch(Finding::isError));
  }

  private static Object json(Line line) {
    return Answer.object(
        "line", line.id(),
        "id", line.id(),
        "kind", line.kind().text(),
        "value", line.value(),
        "tolerance_pct", line.tolerancePct(),
        "bands", line.bands(),
        "package", line.packageId(),
        "refs", line.refs(),
        "supplied", line.supplied(),
        "bag", line.bag(),
        "marking", line.marking(),
        "polarity_marks", line.polarityMarks(),
        "fragile", line.fragile());
  }

  private static Object json(Guess guess) {
    Object value =
        guess.key().endsWith("_mm") || guess.key().endsWith("_pct") || guess.key().endsWith("_v")
            ? (Object) Double.valueOf(guess.value())
            : guess.key().equals("bands") || guess.key().equals("supplied")
                ? (Object) Integer.valueOf(guess.value())
                : guess.key().equals("polarity_marks") || guess.key().equals("fragile")
                    ? List.of(guess.value().split(", "))
                    : guess.value();
    return Answer.object(
        "line", guess.line(),
        "key", guess.key(),
        "value", value,
        "confidence", guess.confidence(),
        "because", WORDS.sentence(guess.because()),
        "others", guess.others());
  }
}
