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
    return copy(kit, kit.lines(), supplies);
  }

  /** The part gets a line of its own with the model; its old line keeps the other refs. */
  static Kit withModel(Kit kit, String ref, Model model) {
    List<Line> lines = new ArrayList<>();
    for (Line line : kit.lines()) {
      if (line.refs().contains(ref)) {
        lines.add(
            line(line, line.refs().stream().filter(r -> !r.equals(ref)).toList(), line.model()));
        lines.add(line(line, List.of(ref), model));
      } else {
        lines.add(line);
      }
    }
    return copy(kit, lines, kit.supplies());
  }

  private static Line line(
      Line l, List<String> refs, @org.jspecify.annotations.Nullable Model model) {
    return new Line(
        l.id(),
        l.kind(),
        l.value(),
        l.tolerancePct(),
        l.bands(),
        l.packageId(),
        refs,
        l.supplied(),
        l.bag(),
        l.marking(),
        l.spareOk(),
        l.polarityMarks(),
        l.substitutes(),
        l.home(),
        l.fragile(),
        model);
  }

  private static Kit copy(Kit k, List<Line> lines, List<Supply> supplies) {
    return new Kit(
        k.id(),
        k.name(),
        k.revision(),
        k.kind(),
        k.summary(),
        k.boards(),
        lines,
        k.places(),
        k.nets(),
        k.loose(),
        k.options(),
        k.sheet(),
        k.rules(),
        k.tasks(),
        k.blocks(),
        k.gates(),
        supplies,
        k.states(),
        k.firmware(),
        k.peripherals(),
        k.enclosure(),
        k.cautions(),
        k.packages());
  }
}
