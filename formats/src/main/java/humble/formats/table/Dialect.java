package humble.formats.table;

import humble.core.budget.Budget;
import humble.core.budget.Spent;
import java.io.IOException;
import java.io.StringReader;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.apache.commons.csv.CSVException;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVParser;
import org.apache.commons.csv.CSVRecord;

/**
 * How a table of text is written: its separator and its quotes. The separator is the one that cuts
 * most of the first lines into the same number of cells.
 *
 * @param separator comma, semicolon, tab or bar
 * @param quote double or single quote
 */
record Dialect(char separator, char quote) {
  private static final char[] SEPARATORS = {',', ';', '\t', '|'};
  private static final int SAMPLE_LINES = 40;

  /** The most rows that are kept; whoever has more has no parts list. */
  static final int MOST_ROWS = 200_000;

  private static final int MOST_CELLS = 2_000;
  private static final int CELLS_AN_ITEM = 4;

  /** A row and the line of the file it begins in. */
  record Row(long line, List<String> cells) {
    Row {
      cells = List.copyOf(cells);
    }
  }

  /**
   * Cuts a table into rows: at the sign that separates its cells, or where blanks stand under each
   * other when there is none.
   *
   * @throws IOException with one sentence that names the line
   */
  static List<Row> table(String text, Budget budget) throws IOException {
    List<String> lines = text.lines().limit(MOST_ROWS + 1L).toList();
    List<String> sample =
        lines.stream().filter(line -> !line.isBlank()).limit(SAMPLE_LINES).toList();
    boolean separated = text.regionMatches(true, 0, "sep=", 0, 4);
    for (char separator : SEPARATORS) {
      separated |=
          sample.stream().filter(line -> cuts(line, separator) > 0).count() * 2 > sample.size();
    }
    long apart = sample.stream().filter(line -> line.strip().split("\\s+").length > 2).count();
    if (separated || apart * 2 <= sample.size() || lines.size() > MOST_ROWS) {
      return of(text).rows(text, budget);
    }
    List<Row> rows = new ArrayList<>();
    long line = 1;
    try {
      for (List<String> cells : Aligned.rows(lines)) {
        budget.items(1 + cells.size() / CELLS_AN_ITEM);
        rows.add(new Row(line++, cells));
      }
    } catch (Spent e) {
      throw new IOException("line " + line + ": " + e.sentence(), e);
    }
    return rows;
  }

  /** Finds the dialect of a text. */
  static Dialect of(String text) {
    if (text.regionMatches(true, 0, "sep=", 0, 4) && text.length() > 4) {
      char named = text.charAt(4);
      if (named > ' ' || named == '\t') {
        return new Dialect(named == '"' ? ',' : named, '"');
      }
    }
    List<String> lines = text.lines().filter(line -> !line.isBlank()).limit(SAMPLE_LINES).toList();
    char best = ',';
    double most = 0;
    for (char separator : SEPARATORS) {
      double score = score(lines, separator);
      if (score > most) {
        most = score;
        best = separator;
      }
    }
    return new Dialect(best, quote(lines, best));
  }

  /** Lines that share the commonest number of cells, worth more the more cells they have. */
  private static double score(List<String> lines, char separator) {
    Map<Integer, Integer> seen = new HashMap<>();
    for (String line : lines) {
      int cuts = cuts(line, separator);
      if (cuts > 0) {
        seen.merge(cuts, 1, Integer::sum);
      }
    }
    return seen.entrySet().stream()
        .max(Comparator.comparingInt(Map.Entry::getValue))
        .map(e -> e.getValue() * (1 + Math.min(e.getKey(), 12) / 24.0))
        .orElse(0.0);
  }

  private static int cuts(String line, char separator) {
    int cuts = 0;
    boolean quoted = false;
    for (int i = 0; i < line.length(); i++) {
      char c = line.charAt(i);
      if (c == '"') {
        quoted = !quoted;
      } else if (c == separator && !quoted) {
        cuts++;
      }
    }
    return cuts;
  }

  private static char quote(List<String> lines, char separator) {
    int single = 0;
    int both = 0;
    for (String line : lines) {
      for (String cell : line.split(java.util.regex.Pattern.quote(String.valueOf(separator)))) {
        String bare = cell.strip();
        single += bare.length() > 1 && bare.startsWith("'") && bare.endsWith("'") ? 1 : 0;
        both += bare.startsWith("\"") ? 1 : 0;
      }
    }
    return single > both && both == 0 ? '\'' : '"';
  }

  /**
   * Cuts a text into rows.
   *
   * @param text the table
   * @param budget what its rows come out of
   * @throws IOException with one sentence that names the line, when a quote is not closed, or when
   *     there are too many rows or cells
   */
  List<Row> rows(String text, Budget budget) throws IOException {
    refuseWide(text);
    CSVFormat format =
        CSVFormat.DEFAULT
            .builder()
            .setDelimiter(separator)
            .setQuote(quote)
            .setIgnoreEmptyLines(false)
            .setIgnoreSurroundingSpaces(separator != '\t')
            .setLenientEof(false)
            .setTrailingData(true)
            .get();
    List<Row> rows = new ArrayList<>();
    long line = 1;
    try (CSVParser parser = CSVParser.parse(new StringReader(text), format)) {
      for (CSVRecord record : parser) {
        if (rows.size() == MOST_ROWS) {
          throw new IOException(
              "line " + line + ": The table has more than " + MOST_ROWS + " rows.");
        }
        budget.items(1 + record.size() / CELLS_AN_ITEM);
        rows.add(new Row(line, List.of(record.values())));
        line = parser.getCurrentLineNumber() + 1;
      }
    } catch (Spent e) {
      throw new IOException("line " + line + ": " + e.sentence(), e);
    } catch (UncheckedIOException | CSVException | IllegalStateException e) {
      throw new IOException("line " + line + ": A quote is opened here and never closed.", e);
    }
    if (!rows.isEmpty()
        && rows.getFirst()
            .cells()
            .getFirst()
            .toLowerCase(java.util.Locale.ROOT)
            .startsWith("sep=")) {
      rows.removeFirst();
    }
    return rows;
  }

  /** A row is cut whole: one of millions of cells would be kept before anybody could look at it. */
  private void refuseWide(String text) throws IOException {
    int cells = 0;
    int line = 1;
    for (int i = 0; i < text.length(); i++) {
      char c = text.charAt(i);
      if (c == '\n') {
        line++;
        cells = 0;
      } else if (c == separator && ++cells > MOST_CELLS) {
        throw new IOException("line " + line + ": A row has more than " + MOST_CELLS + " cells.");
      }
    }
  }
}
