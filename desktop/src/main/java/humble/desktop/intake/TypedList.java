package humble.desktop.intake;

import humble.core.intake.BoardFacts;
import humble.core.intake.ChipLibrary;
import humble.core.intake.Column;
import humble.core.intake.Draft;
import humble.core.intake.Intake;
import humble.core.intake.PartRow;
import humble.core.intake.Review;
import humble.core.intake.SheetText;
import humble.core.kit.Finding;
import humble.core.kit.Kit;
import humble.core.wake.LightPlan;
import humble.desktop.hand.Seat;
import humble.desktop.session.Errand;
import humble.desktop.session.Works;
import humble.formats.ReadingBudget;
import humble.formats.WholeFile;
import humble.formats.board.LengthUnit;
import humble.formats.kit.BoardFiles;
import humble.formats.kit.BoardImport;
import humble.formats.table.PartsTable;
import humble.formats.table.TableText;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.time.LocalDate;
import java.time.format.DateTimeFormatter;
import java.time.format.FormatStyle;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/**
 * The list as it was typed, pasted and read so far, and the kit it makes. What was typed is kept on
 * the disk until the kit is.
 */
final class TypedList {
  private final Seat seat;
  private final Path kept;
  private final Clock clock;
  private final List<String> lines = new ArrayList<>();
  private final List<Table> tables = new ArrayList<>();
  private final Map<String, Column> assigned = new LinkedHashMap<>();
  private final Set<String> leftOut = new HashSet<>();
  private final List<PartRow> tableRows = new ArrayList<>();
  private final List<PartRow> placeRows = new ArrayList<>();
  private final List<Finding> tableProblems = new ArrayList<>();
  private final List<PartsTable.Unknown> unknown = new ArrayList<>();
  private final Works works;
  private @Nullable BoardGiven board;
  private LightPlan.@Nullable Answers lights;
  private ChipLibrary chips = ChipLibrary.NONE;
  private Errand<?> reading = Errand.over();
  private String trouble = "";
  private Draft draft;

  /** A text with columns, as it was read. */
  private record Table(String text, String source, boolean places) {}

  /** Makes it; what was typed earlier and not kept as a kit is there again. */
  TypedList(Seat seat, Path home, Clock clock, Works works) {
    this.seat = seat;
    this.works = works;
    this.clock = clock;
    this.kept = home.resolve("typed-list.txt");
    try {
      if (Files.exists(kept)) {
        Files.readString(kept).lines().filter(line -> !line.isBlank()).forEach(lines::add);
      }
    } catch (IOException e) {
      trouble = seat.say("intake.not-kept", kept);
    }
    this.draft = made();
  }

  private SheetText sheet(List<String> from) {
    return SheetText.read(String.join("\n", from), seat.say("intake.sheet"), ReadingBudget.usual());
  }

  private List<PartRow> rows() {
    List<PartRow> rows = listed();
    return rows.isEmpty() && board != null ? board.rows() : rows;
  }

  private List<PartRow> listed() {
    List<PartRow> rows = new ArrayList<>(tableRows);
    rows.addAll(sheet(lines).rows());
    return rows;
  }

  private Map<String, String> files() {
    return board == null ? Map.of() : board.files().within(BoardImport.FOLDER);
  }

  private BoardFacts facts() {
    return board == null ? BoardFacts.NONE : board.facts();
  }

  private Draft made() {
    return Intake.draft(name(), rows(), placeRows, files(), facts(), chips);
  }

  /** Takes what the kits of the bench tell of their chips. */
  void knows(ChipLibrary known) {
    chips = known;
    draft = made();
  }

  /** Gives what one more line would make. */
  Draft with(String line) {
    return Intake.draft(
        name(), sheet(List.of(line)).rows(), List.of(), Map.of(), BoardFacts.NONE, chips);
  }

  /** Tells whether a line says anything of a part. */
  boolean reads(String line) {
    return !sheet(List.of(line)).rows().isEmpty();
  }

  /** Gives the name that a kit gets when nobody gives it another. */
  String name() {
    String title = sheet(lines).title();
    if (!title.isEmpty()) {
      return title;
    }
    String date =
        DateTimeFormatter.ofLocalizedDate(FormatStyle.MEDIUM)
            .withLocale(Locale.getDefault())
            .format(LocalDate.now(clock));
    return seat.say("intake.name.usual", date);
  }

  private void changed() {
    trouble = "";
    readTables();
    draft = made();
    // Pads that nobody names are named by the parts that lie there.
    if (board != null) {
      read(board.folder(), board.found(), board.told(), board.unit());
    }
    try {
      if (lines.isEmpty()) {
        Files.deleteIfExists(kept);
      } else {
        WholeFile.replace(kept, String.join("\n", lines).getBytes(StandardCharsets.UTF_8));
      }
    } catch (IOException e) {
      trouble = seat.say("intake.not-kept", kept);
    }
  }

  /** Gives the kit so far. */
  Draft draft() {
    return draft;
  }

  boolean hasLines() {
    return !lines.isEmpty();
  }

  /** Gives what could not be done last; empty when all could. */
  String trouble() {
    return trouble.isEmpty() ? reading.failed().orElse("") : trouble;
  }

  void trouble(String sentence) {
    trouble = sentence;
  }

  /** Gives everything in the list that was not understood, with its place. */
  List<String> problems() {
    List<String> all = new ArrayList<>();
    tableProblems.forEach(problem -> all.add(problem.toString()));
    if (board != null) {
      board.problems().forEach(problem -> all.add(problem.toString()));
    }
    sheet(lines).problems().forEach(problem -> all.add(problem.toString()));
    draft.problems().forEach(problem -> all.add(problem.toString()));
    return all;
  }

  void add(String line) {
    lines.add(line);
    changed();
  }

  /** Takes the last line back, or where none was typed what was read from tables. */
  void takeBack() {
    if (!lines.isEmpty()) {
      lines.removeLast();
    } else if (board != null || isReading()) {
      board = null;
      reading.cancel();
    } else {
      tables.clear();
    }
    changed();
  }

  /** Begins to go through what was guessed. */
  Review review() {
    return new Review(name(), rows(), placeRows, files(), facts(), chips);
  }

  /** Gives the kit of that name, with the rows as they were decided in a review. */
  Kit kit(String name, Optional<Review> review) {
    return Intake.draft(
            name, review.map(Review::rows).orElseGet(this::rows), placeRows, files(), facts())
        .kit();
  }

  /** Forgets what was typed: it is kept as a kit now. */
  void keptAsKit() throws IOException {
    Files.deleteIfExists(kept);
  }

  /** Says how the lights are driven. */
  void lights(LightPlan.Answers answers) {
    lights = answers;
  }

  /** Gives how the lights are driven, where they are a matrix. */
  Optional<LightPlan.Answers> lights() {
    return Optional.ofNullable(lights);
  }

  /** Gives the files of the board by their place in the kit. */
  Map<String, Path> boardFiles() {
    return board == null ? Map.of() : board.within();
  }

  /** Tells whether a board is still being read. */
  boolean isReading() {
    return reading.isRunning();
  }

  /** Gives the board that goes with the list. */
  Optional<BoardGiven> board() {
    return Optional.ofNullable(board);
  }

  /** Gives the next column that is not understood and of which nothing was said. */
  Optional<PartsTable.Unknown> unknownColumn() {
    return unknown.stream().filter(each -> !leftOut.contains(each.heading())).findFirst();
  }

  /** Says what a column is about; nothing of use when that is empty. */
  void assign(String heading, Optional<Column> column) {
    column.ifPresentOrElse(known -> assigned.put(heading, known), () -> leftOut.add(heading));
    changed();
  }

  /** Says what a file of the board is; no layer of it when that is empty. */
  void tell(Path file, String role) {
    if (board != null) {
      BoardGiven before = board;
      board =
          new BoardGiven(
              before.folder(),
              before.found(),
              before.telling(file, role),
              before.unit(),
              before.reading(),
              before.facts(),
              before.problems(),
              before.sizes());
      changed();
    }
  }

  /** Says the unit of the files that do not say theirs. */
  void tell(LengthUnit unit) {
    if (board != null) {
      read(board.folder(), board.found(), board.told(), unit);
    }
  }

  private void read(Path folder, BoardFiles found, Map<Path, String> told, LengthUnit unit) {
    reading.cancel();
    List<PartRow> rows = listed();
    List<PartRow> places = List.copyOf(placeRows);
    ChipLibrary known = chips;
    reading =
        works.start(
            calledOff -> BoardGiven.read(folder, found, told, unit, rows, places, known),
            given -> {
              board = given;
              draft = made();
            });
  }

  /** Reads a file, or a folder of board files. */
  void take(Path file) {
    trouble = "";
    try {
      if (Files.isDirectory(file)) {
        read(file, BoardFiles.in(file), Map.of(), LengthUnit.UNSAID);
      } else {
        take(TableText.read(file, ReadingBudget.usual()), String.valueOf(file.getFileName()));
      }
    } catch (IOException e) {
      trouble = String.valueOf(e.getMessage());
    }
  }

  /** A text with columns is a table, of parts or of places; any other is a sheet. */
  void take(String text, String source) {
    boolean places = table(text, source, true, Map.of()).isPresent();
    if (places
        || text.strip().lines().count() > 1 && table(text, source, false, Map.of()).isPresent()) {
      tables.add(new Table(text, source, places));
    } else {
      text.lines().map(String::strip).filter(line -> !line.isEmpty()).forEach(lines::add);
    }
    changed();
  }

  private void readTables() {
    tableRows.clear();
    placeRows.clear();
    tableProblems.clear();
    unknown.clear();
    for (Table each : tables) {
      table(each.text(), each.source(), each.places(), assigned)
          .ifPresent(table -> {
            (each.places() ? placeRows : tableRows).addAll(table.rows());
            tableProblems.addAll(table.problems());
            unknown.addAll(table.unknown());
          });
    }
  }

  private static Optional<PartsTable> table(
      String text, String source, boolean places, Map<String, Column> assigned) {
    try {
      PartsTable table =
          places
              ? PartsTable.places(text, source, assigned, ReadingBudget.usual())
              : PartsTable.parts(text, source, assigned, ReadingBudget.usual());
      return table.headed() ? Optional.of(table) : Optional.empty();
    } catch (IOException e) {
      // No table of that kind: the text is read another way.
      return Optional.empty();
    }
  }
}
