package humble.formats.table;

import humble.core.budget.Budget;
import humble.core.intake.Column;
import humble.core.intake.PartRow;
import humble.core.intake.RefList;
import humble.core.kit.Finding;
import humble.core.units.Quantity;
import humble.core.units.QuantityText;
import humble.formats.ReadingBudget;
import java.io.IOException;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Pattern;

/**
 * Reads parts lists and placement lists as tables of text of any dialect. Lines before the headings
 * are passed over; a table without headings is read by what stands in its columns.
 *
 * @param rows rows by column
 * @param problems what could not be used
 */
public record PartsTable(List<PartRow> rows, List<Finding> problems) {
  private static final Pattern UNITLESS = Pattern.compile("[0-9.,eE+-]+");
  private static final int HEADING_WITHIN = 30;
  private static final int LONGEST_CELL = 10_000;
  private static final int SAMPLE_ROWS = 60;

  /** Columns that our own lists have; an empty cell there means "none". */
  private static final Set<Column> EMPTY_MEANS_NONE =
      EnumSet.of(Column.POLARITY, Column.FRAGILE, Column.BANDS, Column.MARKING, Column.SUBSTITUTES);

  public PartsTable {
    rows = List.copyOf(rows);
    problems = List.copyOf(problems);
  }

  /** Reads a parts list with the usual budget. */
  public static PartsTable parts(String text, String source) throws IOException {
    return parts(text, source, ReadingBudget.usual());
  }

  /**
   * Reads a parts list.
   *
   * @param text the whole text
   * @param source name of the file, for the places in messages
   * @param budget what its rows come out of
   * @throws IOException with one sentence, when the table as a whole cannot be used
   */
  public static PartsTable parts(String text, String source, Budget budget) throws IOException {
    return read(
        text,
        source,
        Set.of(
            Column.REFS,
            Column.VALUE,
            Column.PACKAGE,
            Column.PIECES,
            Column.DESCRIPTION,
            Column.KIND),
        false,
        budget);
  }

  /** Reads a placement list with the usual budget. */
  public static PartsTable places(String text, String source) throws IOException {
    return places(text, source, ReadingBudget.usual());
  }

  /**
   * Reads a placement list.
   *
   * @param text the whole text
   * @param source name of the file, for the places in messages
   * @param budget what its rows come out of
   * @throws IOException with one sentence, when the table as a whole cannot be used
   */
  public static PartsTable places(String text, String source, Budget budget) throws IOException {
    return read(text, source, Set.of(Column.REFS, Column.X, Column.Y), true, budget);
  }

  private static PartsTable read(
      String text, String source, Set<Column> telling, boolean places, Budget budget)
      throws IOException {
    if (text.isBlank()) {
      throw new IOException(source + ": The file is empty.");
    }
    List<Dialect.Row> all;
    try {
      all = Dialect.of(text).rows(text, budget);
    } catch (IOException e) {
      throw new IOException(source + " " + e.getMessage(), e);
    }
    List<Finding> problems = new ArrayList<>();
    int at = heading(all, telling);
    Headings headings;
    if (at >= 0) {
      headings = Headings.of(all.get(at).cells(), places);
    } else {
      headings = places ? Headings.NONE : guessed(all);
      if (headings.columns().isEmpty()) {
        String wanted = places ? "ref, x and y" : "refs and value";
        throw new IOException(
            source + " line 1: No column headings such as " + wanted + " stand in this table.");
      }
      problems.add(
          Finding.note(
              source + " line 1",
              "The table has no headings; its columns were told by what stands in them: "
                  + headings.text()
                  + "."));
    }
    if (places
        && !headings.columns().keySet().containsAll(Set.of(Column.REFS, Column.X, Column.Y))) {
      throw new IOException(
          source
              + " line "
              + all.get(at).line()
              + ": A placement list needs the columns ref, x and y.");
    }
    List<PartRow> rows = new ArrayList<>();
    for (Dialect.Row row : all.subList(at + 1, all.size())) {
      String where = source + " line " + row.line();
      if (row.cells().stream().allMatch(String::isBlank)) {
        continue;
      }
      if (row.cells().stream().anyMatch(cell -> cell.length() > LONGEST_CELL)) {
        problems.add(
            Finding.error(
                where,
                "A cell of this row has more than "
                    + LONGEST_CELL
                    + " characters; it is not read."));
        continue;
      }
      Map<Column, String> cells = headings.cells(row.cells());
      if (cells.values().stream().allMatch(String::isBlank)) {
        problems.add(Finding.error(where, "Nothing in this row stands under a known heading."));
      } else if (!isRepeated(headings, row.cells())) {
        rows.add(new PartRow(where, cells));
      }
    }
    if (rows.isEmpty()) {
      problems.add(Finding.warning(source, "The table has headings, but no rows."));
    }
    return new PartsTable(rows, problems);
  }

  /** Long lists repeat their headings on every page. */
  private static boolean isRepeated(Headings headings, List<String> cells) {
    return headings.heads().equals(cells.stream().map(String::strip).toList());
  }

  /** The first row that names at least two columns, or the refs alone; −1 when there is none. */
  private static int heading(List<Dialect.Row> rows, Set<Column> telling) {
    for (int i = 0; i < Math.min(rows.size(), HEADING_WITHIN); i++) {
      List<String> cells = rows.get(i).cells();
      Set<Column> named = EnumSet.noneOf(Column.class);
      for (String cell : cells) {
        Column.named(cell).filter(telling::contains).ifPresent(named::add);
      }
      if (named.size() >= 2 || (named.contains(Column.REFS) && cells.size() == 1)) {
        return i;
      }
    }
    return -1;
  }

  /** Which column is which, and in what unit its lengths are. */
  private record Headings(
      List<String> heads, Map<Column, Integer> columns, Map<Column, String> units) {
    static final Headings NONE = new Headings(List.of(), Map.of(), Map.of());

    static Headings of(List<String> cells, boolean places) {
      Map<Column, Integer> columns = new EnumMap<>(Column.class);
      Map<Column, String> units = new EnumMap<>(Column.class);
      for (int i = 0; i < cells.size(); i++) {
        Column column = Column.named(cells.get(i)).orElse(null);
        if (column != null && columns.putIfAbsent(column, i) == null) {
          double unit = Column.unitMm(cells.get(i));
          units.put(column, unit == 25.4 ? "in" : unit == 1 ? "" : "mil");
        }
      }
      if (!columns.containsKey(Column.REFS) && columns.containsKey(Column.DESCRIPTION)) {
        // A column called "part" or "component" holds the designators when none else does.
        int index = columns.get(Column.DESCRIPTION);
        if (places || cells.get(index).strip().matches("(?i)parts?|components?")) {
          columns.put(Column.REFS, index);
          columns.remove(Column.DESCRIPTION);
        }
      }
      return new Headings(cells.stream().map(String::strip).toList(), columns, units);
    }

    Map<Column, String> cells(List<String> row) {
      Map<Column, String> cells = new EnumMap<>(Column.class);
      columns.forEach((column, index) -> {
        String text = index < row.size() ? CsvCell.read(row.get(index)).strip() : "";
        boolean length = column == Column.X || column == Column.Y;
        if (!text.isEmpty() || EMPTY_MEANS_NONE.contains(column)) {
          cells.put(
              column,
              length && UNITLESS.matcher(text).matches()
                  ? text + units.getOrDefault(column, "")
                  : text);
        }
      });
      return cells;
    }

    String text() {
      return String.join(
          ", ",
          columns.entrySet().stream()
              .map(e ->
                  e.getKey().name().toLowerCase(java.util.Locale.ROOT)
                      + " in column "
                      + (e.getValue() + 1))
              .toList());
    }
  }

  /** Tells columns by what stands in them: designators, whole numbers, quantities, other words. */
  private static Headings guessed(List<Dialect.Row> rows) {
    List<Dialect.Row> sample = rows.subList(0, Math.min(rows.size(), SAMPLE_ROWS));
    int width = sample.stream().mapToInt(row -> row.cells().size()).max().orElse(0);
    Map<Column, Integer> columns = new EnumMap<>(Column.class);
    find(sample, width, columns, cell -> !cell.isBlank() && RefList.read(cell).problems().isEmpty())
        .ifPresent(i -> columns.put(Column.REFS, i));
    if (columns.isEmpty()) {
      return Headings.NONE;
    }
    find(sample, width, columns, cell -> cell.matches("[0-9]{1,4}"))
        .ifPresent(i -> columns.put(Column.PIECES, i));
    find(sample, width, columns, cell -> Quantity.parse(cell) instanceof QuantityText.Read)
        .ifPresent(i -> columns.put(Column.VALUE, i));
    for (Column column : List.of(Column.VALUE, Column.PACKAGE, Column.DESCRIPTION)) {
      if (!columns.containsKey(column)) {
        find(sample, width, columns, cell -> !cell.isBlank())
            .ifPresent(i -> columns.put(column, i));
      }
    }
    return new Headings(List.of(), columns, Map.of());
  }

  private static Optional<Integer> find(
      List<Dialect.Row> rows,
      int width,
      Map<Column, Integer> taken,
      java.util.function.Predicate<String> test) {
    for (int i = 0; i < width; i++) {
      int index = i;
      long good =
          rows.stream()
              .filter(
                  row -> index < row.cells().size() && test.test(row.cells().get(index).strip()))
              .count();
      if (!taken.containsValue(i) && good * 2 > rows.size()) {
        return Optional.of(i);
      }
    }
    return Optional.empty();
  }
}
