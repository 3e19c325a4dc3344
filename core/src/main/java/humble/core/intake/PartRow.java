package humble.core.intake;

import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * One row of somebody's parts list, sorted into columns but not yet understood.
 *
 * @param where file and line it stands in
 * @param cells text by column; columns without a text are absent
 */
public record PartRow(String where, Map<Column, String> cells) {
  public PartRow {
    cells = Map.copyOf(cells);
  }

  /** Gives the text of a column, empty when there is none. */
  String text(Column column) {
    return cells.getOrDefault(column, "");
  }

  /** Gives the text of a column, when there is one. */
  Optional<String> maybe(Column column) {
    return Optional.ofNullable(cells.get(column)).filter(text -> !text.isBlank());
  }

  /** Gives everything written in free words, for the guesses. */
  String words() {
    return String.join(
        " ",
        List.of(
            text(Column.KIND),
            text(Column.DESCRIPTION),
            text(Column.VALUE),
            text(Column.PART_NUMBER),
            text(Column.MARKING)));
  }
}
