package humble.core.kit;

import java.util.List;

/**
 * The rows of holes that a board offers a module, whose makers print its pins in different orders.
 *
 * @param ref the module
 * @param rows rows, the one at the module's own place first
 */
public record ModuleRows(String ref, List<Row> rows) {
  public ModuleRows {
    rows = List.copyOf(rows);
  }

  /**
   * One row.
   *
   * @param id what is printed at it
   * @param labels what each hole is, from hole 1
   * @param offset how far its holes lie from those of the module's place, in the package's own axes
   */
  public record Row(String id, List<String> labels, PointMm offset) {
    public Row {
      labels = List.copyOf(labels);
    }
  }
}
