package humble.formats.table;

import java.util.regex.Pattern;

/**
 * One cell of a table of text that a spreadsheet may open: what would be taken for a formula gets a
 * leading apostrophe, which reading removes.
 */
public final class CsvCell {
  /**
   * {@code = + - @}, a tab or a line break at the front; apostrophes before it are text already.
   */
  private static final Pattern FORMULA = Pattern.compile("'*[=+\\-@\\t\\r\\n].*", Pattern.DOTALL);

  private CsvCell() {}

  /** Gives the cell for {@code text}. */
  public static String write(String text) {
    return FORMULA.matcher(text).matches() ? "'" + text : text;
  }

  /** Gives the text of a cell. */
  public static String read(String cell) {
    return cell.startsWith("'") && FORMULA.matcher(cell).matches() ? cell.substring(1) : cell;
  }
}
