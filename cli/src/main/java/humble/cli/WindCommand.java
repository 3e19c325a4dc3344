package humble.cli;

import humble.core.craft.WindingPlan;
import humble.core.kit.Winding;
import humble.core.units.Engineering;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Objects;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Parameters;

/** Says what a coil needs. */
@Command(name = "wind", description = "Say how many turns and how much wire a ring needs.")
final class WindCommand extends humble.cli.Command {
  @Parameters(index = "0", paramLabel = "KIT")
  @Nullable Path kit;

  @Parameters(index = "1", paramLabel = "ID")
  String id = "";

  @Override
  Answer answer() {
    Winding winding =
        kit(Objects.requireNonNull(kit))
            .handwork()
            .winding(id)
            .orElseThrow(() -> new BadInput("The kit has no winding '" + id + "'."));
    WindingPlan plan = WindingPlan.of(winding);
    List<String> text = new ArrayList<>();
    for (WindingPlan.Coil coil : plan.coils()) {
      text.add(
          String.format(
              Locale.ROOT,
              "Coil %s: %d turns %s, %.0f cm of wire, %s",
              coil.id(),
              coil.turns(),
              coil.sense(),
              coil.wireMm() / 10,
              Engineering.reading(coil.inductanceH(), "H")));
    }
    text.add(plan.fits() ? "Layers: " + plan.layers() : "The hole does not hold all turns.");
    return new Answer(
        Answer.object(
            "turns", plan.turns(),
            "wire_mm", plan.wireMm(),
            "inductance_h", plan.coils().isEmpty() ? 0 : plan.coils().getFirst().inductanceH(),
            "layers", plan.layers(),
            "fits", plan.fits(),
            "sense", plan.coils().stream().map(WindingPlan.Coil::sense).toList(),
            "coils",
                plan.coils().stream()
                    .map(coil ->
                        Answer.object(
                            "id", coil.id(),
                            "turns", coil.turns(),
                            "wire_mm", coil.wireMm(),
                            "inductance_h", coil.inductanceH(),
                            "sense", coil.sense()))
                    .toList()),
        text,
        !plan.fits());
  }
}
