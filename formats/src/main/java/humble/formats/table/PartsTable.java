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
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;

/**
 * Reads parts lists and placement lists as tables of text of any dialect. Lines before the headings
 * are passed over; a table without headings is read by what stands in its columns.
 *
 * @param rows rows by column
 * @param problems what could not be used
 * @param headed whether the table has headings, rather than columns that were told by their cells
 * @param unknown columns that are not understood
 */
public record PartsTable(
    List<PartRow> rows, List<Finding> problems, boolean headed, List<Unknown> unknown) {
  private static final int MOST_EXAMPLES = 3;

  /**
   * A column that is not understood, and can be assigned.
   *
   * @param heading as it stands, in lower case
   * @param filled rows that have something in it
   * @param examples some of what stands in it
   */
  public record Unknown(String heading, long filled, List<String> examples) {
    public Unknown {
      examples = List.copyOf(examples);
    }
  }

  private static final Pattern UNIT =
      Pattern.compile(
          "\\bunits?\\b[^a-z]{0,4}(?:used|are|is|of measure)?[^a-z]{0,4}(mm|millimet|mils?\\b|inch|in\\b)");
  private static final Pattern UNITLESS = Pattern.compile("[0-9.,eE+-]+");
  private static final int HEADING_WITHIN = 30;
  private static final int LONGEST_CELL = 10_000;
  private static final int SAMPLE_ROWS = 60;

  private static final Set<Column> PARTS =
      EnumSet.of(
          Column.REFS,
          Column.VALUE,
          Column.PACKAGE,
          Column.PIECES,
          Column.DESCRIPTION,
          Column.KIND,
          Column.PART_NUMBER);
  private static final Set<Column> PLACES = EnumSet.of(Column.REFS, Column.X, Column.Y);

  /** Columns that our own lists have; an empty cell there means "none". */
  private static final Set<Column> EMPTY_MEANS_NONE =
      EnumSet.of(Column.POLARITY, Column.FRAGILE, Column.BANDS, Column.MARKING, Column.SUBSTITUTES);

  public PartsTable {
    rows = List.copyOf(rows);
    problems = List.copyOf(problems);
    unknown = List.copyOf(unknown);
  }

  /** Reads a parts list with the usual budget. */
  public static PartsTable parts(String text, String source) throws IOException {
    return parts(text, source, ReadingBudget.usual());
  }

  /**
   * Reads a parts list whose columns somebody named.
   *
   * @param assigned column by heading as it stands, for headings that are not understood
   */
  public static PartsTable parts(
      String text, String source, Map<String, Column> assigned, Budget budget) throws IOException {
    return read(text, source, PARTS, false, assigned, budget);
  }

  /** Reads a placement list whose columns somebody named. */
  public static PartsTable places(
      String text, String source, Map<String, Column> assigned, Budget budget) throws IOException {
    return read(text, source, PLACES, true, assigned, budget);
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
    return parts(text, source, Map.of(), budget);
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
    return places(text, source, Map.of(), budget);
  }

  private static PartsTable read(
      String text,
      String source,
      Set<Column> telling,
      boolean places,
      Map<String, Column> assigned,
      Budget budget)
      throws IOException {
    if (text.isBlank()) {
      throw new IOException(source + ": The file is empty.");
    }
    List<Dialect.Row> all;
    try {
      all = Dialect.table(text, budget);
    } catch (IOException e) {
      throw new IOException(source + " " + e.getMessage(), e);
    }
    List<Finding> problems = new ArrayList<>();
    List<Unknown> unknown = new ArrayList<>();
    int at = heading(all, telling, assigned);
    Headings headings;
    if (at >= 0) {
      headings =
          Headings.of(
              all.get(at).cells(),
              places,
              assigned,
              all.subList(at + 1, all.size()),
              source + " line " + all.get(at).line(),
              problems,
              unknown);
      if (places) {
        headings = headings.inUnit(unitBefore(all.subList(0, at)));
      }
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
    return new PartsTable(rows, problems, at >= 0, unknown);
  }

  /** Long lists repeat their headings on every page. */
  private static boolean isRepeated(Headings headings, List<String> cells) {
    return headings.heads().equals(cells.stream().map(String::strip).toList());
  }

  /** The unit that a comment before the headings says, as a length would; empty when none does. */
  private static String unitBefore(List<Dialect.Row> comments) {
    for (Dialect.Row row : comments) {
      Matcher unit = UNIT.matcher(String.join(" ", row.cells()).toLowerCase(Locale.ROOT));
      if (unit.find()) {
        String word = unit.group(1);
        return word.startsWith("mil") && !word.startsWith("milli")
            ? "mil"
            : word.startsWith("in") ? "in" : "mm";
      }
    }
    return "";
  }

  /** The first row that names at least two columns, or the refs alone; −1 when there is none. */
  private static int heading(
      List<Dialect.Row> rows, Set<Column> telling, Map<String, Column> assigned) {
    for (int i = 0; i < Math.min(rows.size(), HEADING_WITHIN); i++) {
      List<String> cells = rows.get(i).cells();
      Set<Column> named = EnumSet.noneOf(Column.class);
      for (String cell : cells) {
        Headings.named(cell, assigned).filter(telling::contains).ifPresent(named::add);
      }
      if (named.size() >= 2 || (named.contains(Column.REFS) && cells.size() == 1)) {
        return i;
      }
    }
    return -1;
  }

  /** Which columns are which, and in what unit their lengths are. */
  private record Headings(
      List<String> heads, Map<Column, List<Integer>> columns, Map<Column, String> units) {
    static final Headings NONE = new Headings(List.of(), Map.of(), Map.of());

    static Optional<Column> named(String heading, Map<String, Column> assigned) {
      String plain = heading.strip().replaceFirst("^#\\s*(?=\\S)", "");
      Column given = assigned.get(plain.toLowerCase(Locale.ROOT));
      return given != null ? Optional.of(given) : Column.named(plain);
    }

    static Headings of(
        List<String> cells,
        boolean places,
        Map<String, Column> assigned,
        List<Dialect.Row> rows,
        String where,
        List<Finding> problems,
        List<Unknown> unknown) {
      Map<Column, List<Integer>> columns = new EnumMap<>(Column.class);
      Map<Column, String> units = new EnumMap<>(Column.class);
      for (int i = 0; i < cells.size(); i++) {
        String heading = cells.get(i).strip();
        Column column = named(heading, assigned).orElse(null);
        if (isNumbering(rows, i) && mayNumber(heading, column)) {
          continue;
        }
        // What is headed as a number of the row and counts nothing is something else.
        if (column == null || column == Column.ROW_NUMBER) {
          unknown(heading, i, rows, where, problems, unknown);
        } else {
          columns.computeIfAbsent(column, c -> new ArrayList<>()).add(i);
          double unit = Column.unitMm(heading);
          units.putIfAbsent(column, unit == 25.4 ? "in" : unit == 1 ? "" : "mil");
        }
      }
      if (!columns.containsKey(Column.REFS) && columns.containsKey(Column.DESCRIPTION)) {
        // A column called "part" or "component" holds the designators when none else does.
        List<Integer> texts = columns.get(Column.DESCRIPTION);
        int index = texts.getFirst();
        if (places || cells.get(index).strip().matches("(?i)parts?|components?")) {
          columns.put(Column.REFS, List.of(index));
          columns.put(Column.DESCRIPTION, texts.subList(1, texts.size()));
        }
      }
      return new Headings(cells.stream().map(String::strip).toList(), columns, units);
    }

    /** A column that nothing here understands is said, unless nothing stands in it. */
    private static void unknown(
        String heading,
        int index,
        List<Dialect.Row> rows,
        String where,
        List<Finding> problems,
        List<Unknown> unknown) {
      List<String> cells =
          rows.stream()
              .filter(row -> index < row.cells().size() && !row.cells().get(index).isBlank())
              .map(row -> shortened(row.cells().get(index).strip()))
              .toList();
      long filled = cells.size();
      if (filled > 0) {
        if (!heading.isEmpty()) {
          unknown.add(
              new Unknown(
                  heading.toLowerCase(Locale.ROOT),
                  filled,
                  cells.stream().distinct().limit(MOST_EXAMPLES).toList()));
        }
        String name = heading.isEmpty() ? "without a heading" : "'" + shortened(heading) + "'";
        problems.add(
            Finding.note(
                where,
                "The column "
                    + name
                    + " is not understood; what "
                    + filled
                    + (filled == 1 ? " row has" : " rows have")
                    + " in it is left out. It can be assigned to a column that is known."));
      }
    }

    private static String shortened(String heading) {
      return heading.length() > 40 ? heading.substring(0, 40) + "…" : heading;
    }

    /** Whole numbers that count the rows: nothing is lost without them. */
    private static boolean isNumbering(List<Dialect.Row> rows, int index) {
      int last = -1;
      int count = 0;
      for (Dialect.Row row : rows) {
        String text = index < row.cells().size() ? row.cells().get(index).strip() : "";
        if (text.isEmpty()) {
          continue;
        }
        if (!text.matches("[0-9]{1,5}\\.?")) {
          return false;
        }
        int now = Integer.parseInt(text.replace(".", ""));
        if (last >= 0 && now != last + 1) {
          return false;
        }
        last = now;
        count++;
      }
      return count >= 2;
    }

    private static boolean mayNumber(String heading, @Nullable Column column) {
      return column == Column.ROW_NUMBER
          || heading.matches(
              "(?i)#|no\\.?|nr\\.?|item|item no\\.?|pos\\.?|position|line|index|id|");
    }

    /** A unit that a comment says holds for lengths whose heading says none. */
    Headings inUnit(String unit) {
      if (unit.isEmpty()) {
        return this;
      }
      Map<Column, String> all = new EnumMap<>(Column.class);
      all.putAll(units);
      all.replaceAll((column, said) -> said.isEmpty() ? unit : said);
      return new Headings(heads, columns, all);
    }

    Map<Column, String> cells(List<String> row) {
      Map<Column, String> cells = new EnumMap<>(Column.class);
      List<String> more = new ArrayList<>();
      columns.forEach((column, indexes) -> {
        for (int k = 0; k < indexes.size(); k++) {
          int index = indexes.get(k);
          String text = index < row.size() ? CsvCell.read(row.get(index)).strip() : "";
          if (!cells.containsKey(column)
              && (!text.isEmpty() || EMPTY_MEANS_NONE.contains(column))) {
            cells.put(column, inUnit(column, text));
          } else if (!text.isEmpty() && !text.equals(cells.get(column))) {
            more.add(text);
          }
        }
      });
      if (!more.isEmpty()) {
        // A second column of one kind says something too: it goes with the words.
        cells.merge(Column.DESCRIPTION, String.join(" ", more), (a, b) -> a + " " + b);
      }
      return cells;
    }

    private String inUnit(Column column, String text) {
      boolean length = column == Column.X || column == Column.Y;
      return length && UNITLESS.matcher(text).matches()
          ? text + units.getOrDefault(column, "")
          : text;
    }

    String text() {
      return String.join(
          ", ",
          columns.entrySet().stream()
              .map(e ->
                  e.getKey().name().toLowerCase(Locale.ROOT)
                      + " in column "
                      + (e.getValue().getFirst() + 1))
              .toList());
    }
  }

  /** Tells columns by what stands in them: designators, whole numbers, quantities, other words. */
  private static Headings guessed(List<Dialect.Row> rows) {
    List<Dialect.Row> sample = rows.subList(0, Math.min(rows.size(), SAMPLE_ROWS));
    int width = sample.stream().mapToInt(row -> row.cells().size()).max().orElse(0);
    Map<Column, List<Integer>> columns = new EnumMap<>(Column.class);
    find(sample, width, columns, cell -> !cell.isBlank() && RefList.read(cell).problems().isEmpty())
        .ifPresent(i -> columns.put(Column.REFS, List.of(i)));
    if (columns.isEmpty()) {
      return Headings.NONE;
    }
    find(sample, width, columns, cell -> cell.matches("[0-9]{1,4}"))
        .ifPresent(i -> columns.put(Column.PIECES, List.of(i)));
    find(sample, width, columns, cell -> Quantity.parse(cell) instanceof QuantityText.Read)
        .ifPresent(i -> columns.put(Column.VALUE, List.of(i)));
    for (Column column : List.of(Column.VALUE, Column.PACKAGE, Column.DESCRIPTION)) {
      if (!columns.containsKey(column)) {
        find(sample, width, columns, cell -> !cell.isBlank())
            .ifPresent(i -> columns.put(column, List.of(i)));
      }
    }
    return new Headings(List.of(), columns, Map.of());
  }

  private static Optional<Integer> find(
      List<Dialect.Row> rows,
      int width,
      Map<Column, List<Integer>> taken,
      java.util.function.Predicate<String> test) {
    for (int i = 0; i < width; i++) {
      int index = i;
      long good =
          rows.stream()
              .filter(
                  row -> index < row.cells().size() && test.test(row.cells().get(index).strip()))
              .count();
      if (!taken.containsValue(List.of(i)) && good * 2 > rows.size()) {
        return Optional.of(i);
      }
    }
    return Optional.empty();
  }
}
