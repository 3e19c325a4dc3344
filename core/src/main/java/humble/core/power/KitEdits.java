package humble.core.power;

import humble.core.kit.Kit;
import humble.core.kit.Line;
import humble.core.kit.Model;
import humble.core.kit.Supply;
import java.util.ArrayList;
import java.util.List;
import java.util.function.ToDoubleFunction;

/** Copies of a kit with one electrical thing changed. */
final class KitEdits {
  private KitEdits() {}

  static Kit withSupply(Kit kit, Supply supply) {
    List<Supply> supplies =
        kit.supplies().stream().map(s -> s.id().equals(supply.id()) ? supply : s).toList();
    return kit.withSupplies(supplies);
  }

  /** Gives the kit with every battery at the open-circuit volts that {@code volts} gives it. */
  static Kit withBatteries(Kit kit, ToDoubleFunction<Model.Battery> volts) {
    return kit.withLines(
        kit.lines().stream()
            .map(line ->
                line.model() instanceof Model.Battery battery
                    ? line.with(line.refs(), battery.at(volts.applyAsDouble(battery)))
                    : line)
            .toList());
  }

  /** Gives the kit with one part of another model; the others of its line stay what they are. */
  static Kit withModel(Kit kit, String ref, Model model) {
    List<Line> lines = new ArrayList<>();
    for (Line line : kit.lines()) {
      if (line.refs().contains(ref)) {
        List<String> others = new ArrayList<>(line.refs());
        others.remove(ref);
        lines.add(line.with(others, line.model()));
        lines.add(line.with(List.of(ref), model));
      } else {
        lines.add(line);
      }
    }
    return kit.withLines(lines);
  }
}
