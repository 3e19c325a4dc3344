package humble.desktop.intake;

import humble.core.intake.Draft;
import humble.core.intake.Intake;
import humble.core.intake.PartRow;
import humble.core.intake.Review;
import humble.core.intake.SheetText;
import humble.core.kit.Finding;
import humble.core.kit.Kit;
import humble.desktop.hand.Seat;
import humble.formats.ReadingBudget;
import humble.formats.WholeFile;
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
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;

/**
 * The list as it was typed, pasted and read so far, and the kit it makes. What was typed is kept on
 * the disk until the kit is.
 */
final class TypedList {
  private final Seat seat;
  private final Path kept;
  private final Clock clock;
  private final List<String> lines = new ArrayList<>();
  private final List<PartRow> tableRows = new ArrayList<>();
  private final List<PartRow> placeRows = new ArrayList<>();
  private final List<Finding> tableProblems = new ArrayList<>();
  private String trouble = "";
  private Draft draft;

  /** Makes it; what was typed earlier and not kept as a kit is there again. */
  TypedList(Seat seat, Path home, Clock clock) {
    this.seat = seat;
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
    List<PartRow> rows = new ArrayList<>(tableRows);
    rows.addAll(sheet(lines).rows());
    return rows;
  }

  private Draft made() {
    return Intake.draft(name(), rows(), placeRows, Map.of());
  }

  /** Gives what one more line would make. */
  Draft with(String line) {
    return Intake.draft(name(), sheet(List.of(line)).rows(), List.of(), Map.of());
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
    draft = made();
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
    return trouble;
  }

  void trouble(String sentence) {
    trouble = sentence;
  }

  /** Gives everything in the list that was not understood, with its place. */
  List<String> problems() {
    List<String> all = new ArrayList<>();
    tableProblems.forEach(problem -> all.add(problem.toString()));
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
    } else if (!tableRows.isEmpty()) {
      tableRows.clear();
      placeRows.clear();
      tableProblems.clear();
    }
    changed();
  }

  /** Begins to go through what was guessed. */
  Review review() {
    return new Review(name(), rows(), placeRows, Map.of());
  }

  /** Gives the kit of that name, with the rows as they were decided in a review. */
  Kit kit(String name, Optional<Review> review) {
    return Intake.draft(name, review.map(Review::rows).orElseGet(this::rows), placeRows, Map.of())
        .kit();
  }

  /** Forgets what was typed: it is kept as a kit now. */
  void keptAsKit() throws IOException {
    Files.deleteIfExists(kept);
  }

  /** Reads a file. */
  void take(Path file) {
    trouble = "";
    try {
      take(TableText.read(file, ReadingBudget.usual()), String.valueOf(file.getFileName()));
    } catch (IOException e) {
      trouble = String.valueOf(e.getMessage());
    }
  }

  /** A text with columns is a table, of parts or of places; any other is a sheet. */
  void take(String text, String source) {
    Optional<PartsTable> places = table(text, source, true);
    if (places.isPresent()) {
      placeRows.addAll(places.get().rows());
      tableProblems.addAll(places.get().problems());
    } else {
      Optional<PartsTable> table =
          text.strip().lines().count() > 1 ? table(text, source, false) : Optional.empty();
      if (table.isPresent()) {
        tableRows.addAll(table.get().rows());
        tableProblems.addAll(table.get().problems());
      } else {
        text.lines().map(String::strip).filter(line -> !line.isEmpty()).forEach(lines::add);
      }
    }
    changed();
  }

  private static Optional<PartsTable> table(String text, String source, boolean places) {
    try {
      PartsTable table = places ? PartsTable.places(text, source) : PartsTable.parts(text, source);
      return table.headed() ? Optional.of(table) : Optional.empty();
    } catch (IOException e) {
      // No table of that kind: the text is read another way.
      return Optional.empty();
    }
  }
}
