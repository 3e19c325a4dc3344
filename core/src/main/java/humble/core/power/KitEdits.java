package humble.core.power;

import humble.core.kit.Kit;
import humble.core.kit.Line;
import humble.core.kit.Model;
import humble.core.kit.Supply;
import java.util.List;
import java.util.function.Function;
import java.util.function.ToDoubleFunction;
import org.jspecify.annotations.Nullable;

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
    return withModels(
        kit,
        line ->
            line.model() instanceof Model.Battery battery
                ? battery.at(volts.applyAsDouble(battery))
                : line.model());
  }

  /** Gives the kit with the models that {@code model} gives its lines. */
  static Kit withModels(Kit kit, Function<Line, @Nullable Model> model) {
    return kit.withLines(
        kit.lines().stream()
            .map(line -> {
              Model made = model.apply(line);
              return made == null ? line : line.with(line.refs(), made);
            })
            .toList());
  }
}
