package humble.core.power;

import humble.core.kit.Kit;
import humble.core.kit.Line;
import humble.core.kit.Model;
import humble.core.kit.Supply;
import java.util.ArrayList;
import java.util.List;

/** Copies of a kit with one electrical thing changed. */
final class KitEdits {
  private KitEdits() {}

  static Kit withSupply(Kit kit, Supply supply) {
    List<Supply> supplies =
        kit.supplies().stream().map(s -> s.id().equals(supply.id()) ? supply : s).toList();
    return kit.withSupplies(supplies);
  }

  /** The part gets a line of its own with the model; its old line keeps the other refs. */
  static Kit withModel(Kit kit, String ref, Model model) {
    List<Line> lines = new ArrayList<>();
    for (Line line : kit.lines()) {
      if (line.refs().contains(ref)) {
        lines.add(
            line.with(line.refs().stream().filter(r -> !r.equals(ref)).toList(), line.model()));
        lines.add(line.with(List.of(ref), model));
      } else {
        lines.add(line);
      }
    }
    return kit.withLines(lines);
  }
}
