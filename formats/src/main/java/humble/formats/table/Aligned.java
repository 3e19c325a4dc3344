package humble.formats.table;

import humble.core.intake.Column;
import java.util.ArrayList;
import java.util.List;

/**
 * Tables that no sign separates: cells stand under each other, with blanks between. Cut where every
 * line of the table is blank; where lines are not aligned but have as many words each, at their
 * blanks.
 */
final class Aligned {
  private static final int LEAST_LINES = 2;
  private static final int HEADING_WITHIN = 30;
  private static final int MOST_WIDTH = 2_000;

  private Aligned() {}

  /** One row of cells, empty lines included, so that lines stay where they are. */
  static List<List<String>> rows(List<String> lines) {
    int from = Math.max(heading(lines), 0);
    List<List<String>> rows = new ArrayList<>();
    // Lines before the table are no part of its columns.
    lines.subList(0, from).forEach(line -> rows.add(List.of(line.strip())));
    List<String> table = new ArrayList<>(lines.subList(from, lines.size()));
    if (!table.isEmpty()) {
      table.set(0, table.getFirst().replaceFirst("^#", " "));
    }
    List<Span> columns = columns(table);
    boolean even = isEven(table);
    for (String line : table) {
      rows.add(even ? words(line) : cut(line, columns));
    }
    return rows;
  }

  /**
   * The first line that names columns; else the first of at least three words that is no remark.
   */
  private static int heading(List<String> lines) {
    for (int i = 0; i < Math.min(lines.size(), HEADING_WITHIN); i++) {
      String plain = lines.get(i).replaceFirst("^#+", "").strip();
      long apart = List.of(plain.split("\\s{2,}")).stream().filter(Aligned::isColumn).count();
      long words = words(plain).stream().filter(Aligned::isColumn).count();
      if (apart >= 2 || words >= 2) {
        return i;
      }
    }
    for (int i = 0; i < lines.size(); i++) {
      if (words(lines.get(i)).size() >= 3 && !lines.get(i).startsWith("#")) {
        return i;
      }
    }
    return -1;
  }

  private static boolean isColumn(String word) {
    return Column.named(word).isPresent();
  }

  private static List<String> words(String line) {
    String plain = line.strip();
    return plain.isEmpty() ? List.of() : List.of(plain.split("\\s+"));
  }

  /** Tells whether every line has as many words as the first. */
  private static boolean isEven(List<String> table) {
    List<Integer> counts =
        table.stream().filter(line -> !line.isBlank()).map(line -> words(line).size()).toList();
    return counts.size() >= LEAST_LINES && counts.stream().distinct().count() == 1;
  }

  /** From where to where a column reaches, in characters; the end is not included. */
  private record Span(int from, int to) {}

  /**
   * The columns: where some line has a sign, up to where all are blank. Two that one heading of
   * several words stands over are one.
   */
  private static List<Span> columns(List<String> table) {
    int width = Math.min(table.stream().mapToInt(String::length).max().orElse(0), MOST_WIDTH);
    boolean[] blank = new boolean[width];
    java.util.Arrays.fill(blank, true);
    for (String line : table) {
      for (int i = 0; i < Math.min(width, line.length()); i++) {
        blank[i] &= line.charAt(i) == ' ';
      }
    }
    List<Span> columns = new ArrayList<>();
    for (int at = 0; at < width; at++) {
      if (!blank[at]) {
        int end = at;
        while (end < width && !blank[end]) {
          end++;
        }
        columns.add(new Span(at, end));
        at = end;
      }
    }
    String top = table.isEmpty() ? "" : table.getFirst();
    for (Span heading : headings(top)) {
      int from = heading.from();
      int to = heading.to();
      List<Span> under =
          columns.stream().filter(span -> span.from() < to && from < span.to()).toList();
      if (under.size() > 1 && isColumn(top.substring(from, to))) {
        int first = columns.indexOf(under.getFirst());
        columns.removeAll(under);
        columns.add(first, new Span(under.getFirst().from(), under.getLast().to()));
      }
    }
    return columns;
  }

  /** Where headings stand: their words are one blank apart, headings at least two. */
  private static List<Span> headings(String line) {
    List<Span> headings = new ArrayList<>();
    int from = -1;
    int end = Math.min(line.length(), MOST_WIDTH);
    for (int i = 0; i <= end; i++) {
      boolean blank = i >= end || line.charAt(i) == ' ';
      boolean over = blank && (i + 1 >= end || line.charAt(i + 1) == ' ');
      if (!blank && from < 0) {
        from = i;
      } else if (over && from >= 0) {
        headings.add(new Span(from, i));
        from = -1;
      }
    }
    return headings;
  }

  private static List<String> cut(String line, List<Span> columns) {
    return columns.stream()
        .map(span ->
            span.from() >= line.length()
                ? ""
                : unquoted(line.substring(span.from(), Math.min(span.to(), line.length())).strip()))
        .toList();
  }

  private static String unquoted(String cell) {
    return cell.length() > 1 && cell.startsWith("\"") && cell.endsWith("\"")
        ? cell.substring(1, cell.length() - 1)
        : cell;
  }
}
