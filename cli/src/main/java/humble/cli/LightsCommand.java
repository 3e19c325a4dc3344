package humble.cli;

import humble.core.kit.Parts;
import humble.core.kit.Peripheral;
import humble.core.wake.LightPlan;
import humble.formats.kit.LightWriter;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

/** Makes the lights of a matrix from its driver, its pins, its wiring and their number. */
@Command(
    name = "lights",
    description =
        "Make a matrix of lights of its driver, its pins in order, its wiring and the number of"
            + " lights; with --write its nets, its states and its wake test go into the kit.")
final class LightsCommand extends humble.cli.Command {
  @Parameters(index = "0", paramLabel = "KIT")
  @Nullable Path kit;

  @Option(names = "--driver", required = true, paramLabel = "REF", description = "Driving chip.")
  String driver = "";

  @Option(
      names = "--pins",
      required = true,
      split = ",",
      paramLabel = "PIN",
      description = "Its pins in order, rows first where there are rows.")
  List<String> pins = new ArrayList<>();

  @Option(
      names = "--rows",
      paramLabel = "N",
      description = "So many of the pins are rows; without it lights stand between every two pins.")
  int rows;

  @Option(names = "--count", required = true, paramLabel = "N", description = "Number of lights.")
  int count;

  @Option(
      names = "--order",
      paramLabel = "anodes|pairs",
      description = "How they are numbered where there are no rows.")
  String order = "anodes";

  @Option(names = "--vf", paramLabel = "VOLTS", description = "Forward voltage of one light.")
  double vf = 2;

  @Option(names = "--write", description = "Write it into the kit, which has to be a folder.")
  boolean write;

  @Override
  Answer answer() {
    Path at = Objects.requireNonNull(kit);
    List<String> bad = new ArrayList<>();
    LightPlan.Order numbered = LightPlan.Order.named(order).orElse(null);
    if (numbered == null) {
      bad.add("--order: '" + order + "' is neither 'anodes' nor 'pairs'.");
    }
    if (vf <= 0) {
      bad.add("--vf: It must be more than 0.");
    }
    if (write && !Files.isDirectory(at)) {
      bad.add("--write: " + at + " is no folder of a kit.");
    }
    if (numbered == null || !bad.isEmpty()) {
      throw new BadInput(bad);
    }
    Parts parts = parts(at);
    LightPlan plan =
        LightPlan.of(
            parts,
            new LightPlan.Answers(
                driver, pins.stream().map(String::strip).toList(), rows, count, numbered));
    if (!plan.problems().isEmpty()) {
      throw new BadInput(plan.problems());
    }
    if (write) {
      try {
        LightWriter.write(at, plan, driver, rows, pins.stream().map(String::strip).toList(), vf);
      } catch (IOException e) {
        throw new BadInput(String.valueOf(e.getMessage()));
      }
    }
    return answer(plan);
  }

  private Answer answer(LightPlan plan) {
    List<String> text = new ArrayList<>();
    List<Object> rows = new ArrayList<>();
    for (int i = 0; i < plan.lights().size(); i++) {
      Peripheral.Light light = plan.lights().get(i);
      text.add(
          (i + 1)
              + "  "
              + light.ref()
              + "  "
              + light.anodePin()
              + " high, "
              + light.cathodePin()
              + " low");
      rows.add(
          Answer.object(
              "n",
              i + 1,
              "ref",
              light.ref(),
              "anode",
              light.anodePin(),
              "cathode",
              light.cathodePin()));
    }
    text.addAll(plan.notes());
    return new Answer(
        Answer.object(
            "lights", rows,
            "nets", plan.nets().size(),
            "states", plan.states().size(),
            "notes", plan.notes(),
            "written", write),
        text,
        false);
  }
}
