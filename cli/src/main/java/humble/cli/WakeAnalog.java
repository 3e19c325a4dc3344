package humble.cli;

import humble.core.wake.AxisReading;
import humble.core.wake.LightThreshold;
import humble.formats.table.SampleTable;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

/** Sticks, pots and light sensors by their readings. */
@Command(name = "analog", description = "Judge a stick, a pot or a light sensor by its readings.")
final class WakeAnalog extends humble.cli.Command {
  @Parameters(paramLabel = "FILE.csv")
  @Nullable Path file;

  @Option(
      names = "--as",
      required = true,
      paramLabel = "joystick|pot|light",
      description = "What was read.")
  String as = "";

  @Override
  Answer answer() {
    if (!List.of("joystick", "pot", "light").contains(as)) {
      throw new BadInput("--as: it is joystick, pot or light.");
    }
    Path at = Objects.requireNonNull(file);
    boolean light = as.equals("light");
    SampleTable table =
        SampleTable.read(
            at.toString(),
            TextInput.needed(at),
            light ? List.of("dark", "light") : List.of("rest", "sweep"),
            as.equals("joystick") ? List.of("x", "y") : List.of("value"));
    if (!table.problems().isEmpty()) {
      throw new BadInput(table.problems());
    }
    return light ? threshold(table) : axes(table);
  }

  private static Answer axes(SampleTable table) {
    List<AxisReading> axes = new ArrayList<>();
    for (String axis : table.columns()) {
      axes.add(AxisReading.of(axis, table.of("rest", axis), table.of("sweep", axis)));
    }
    return new Answer(
        Answer.object("axes", axes.stream().map(WakeAnalog::json).toList()),
        axes.stream()
            .map(a ->
                String.format(
                    Locale.ROOT,
                    "%s: rests at %.0f, reaches %.0f to %.0f, noise %.1f, dead zone %.0f",
                    a.axis(),
                    a.centre(),
                    a.low(),
                    a.high(),
                    a.noise(),
                    a.deadZone()))
            .toList(),
        axes.stream().anyMatch(AxisReading::isDead));
  }

  private static Map<String, @Nullable Object> json(AxisReading a) {
    return Answer.object(
        "axis",
        a.axis(),
        "centre",
        a.centre(),
        "low",
        a.low(),
        "high",
        a.high(),
        "noise",
        a.noise(),
        "dead_zone",
        a.deadZone());
  }

  private static Answer threshold(SampleTable table) {
    LightThreshold t = LightThreshold.of(table.of("dark", "value"), table.of("light", "value"));
    return new Answer(
        Answer.object(
            "threshold",
            t.threshold(),
            "margin",
            Double.isInfinite(t.margin()) ? null : t.margin(),
            "error_rate",
            t.errorRate(),
            "dark",
            Answer.object("mean", t.darkMean(), "sd", t.darkSd()),
            "light",
            Answer.object("mean", t.lightMean(), "sd", t.lightSd())),
        List.of(
            String.format(
                Locale.ROOT,
                "Decide at %.0f: margin %.1f, one reading in %.0f wrong.",
                t.threshold(),
                t.margin(),
                1 / Math.max(t.errorRate(), 1e-300))),
        t.margin() < LightThreshold.GOOD_MARGIN);
  }
}
