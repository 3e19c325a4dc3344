package humble.cli;

import humble.core.likeness.Eyes;
import humble.core.likeness.Light;
import humble.core.likeness.LookAlikes;
import humble.core.stock.MeterProfile;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Objects;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

/** Says which lines look alike and which few to measure. */
@Command(name = "lookalikes", description = "Say which lines look alike, and which few to measure.")
final class LookalikesCommand extends humble.cli.Command {
  @Parameters(paramLabel = "KIT")
  @Nullable Path kit;

  @Option(
      names = "--light",
      paramLabel = "LIGHT",
      description = "daylight, warm or cool (default: ${DEFAULT-VALUE}).")
  String light = "daylight";

  @Option(
      names = "--eyes",
      paramLabel = "EYES",
      description = "normal, protan, deutan or tritan (default: ${DEFAULT-VALUE}).")
  String eyes = "normal";

  @Option(
      names = "--meter",
      paramLabel = "METER",
      description = "Per cent of reading + counts @ resolution, such as 0.8%%+3@1.")
  @Nullable String meter;

  @Override
  Answer answer() {
    List<String> problems = new ArrayList<>();
    Light lit = Light.named(light).orElse(null);
    if (lit == null) {
      problems.add("--light: it is daylight, warm or cool, not '" + light + "'.");
    }
    Eyes looking = Eyes.named(eyes).orElse(null);
    if (looking == null) {
      problems.add("--eyes: it is normal, protan, deutan or tritan, not '" + eyes + "'.");
    }
    MeterProfile profile = meter(meter, problems).orElse(null);
    if (lit == null || looking == null || profile == null) {
      throw new BadInput(problems);
    }
    LookAlikes found = LookAlikes.of(kit(Objects.requireNonNull(kit)), lit, looking, profile);
    return new Answer(
        Answer.object(
            "pairs", found.pairs().stream().map(LookalikesCommand::json).toList(),
            "measure", found.measure(),
            "cannot_tell", found.cannotTell(),
            "smallest", found.smallest()),
        text(found),
        false);
  }

  private static List<String> text(LookAlikes found) {
    List<String> text = new ArrayList<>();
    found
        .pairs()
        .forEach(pair ->
            text.add(
                String.format(
                    Locale.ROOT,
                    "%-10s %-10s %-9s %3.0f %%%s",
                    pair.a(),
                    pair.b(),
                    pair.why().text(),
                    pair.confusion() * 100,
                    pair.meterSeparates() ? "" : "  the meter cannot tell")));
    text.add(
        found.measure().isEmpty()
            ? "Nothing needs the meter."
            : "Measure: " + String.join(", ", found.measure()));
    found
        .cannotTell()
        .forEach(pair ->
            text.add(
                "No reading with this meter tells "
                    + String.join(" from ", pair)
                    + ": go by bag or bands, or take a closer meter."));
    return text;
  }

  private static Object json(LookAlikes.Pair pair) {
    return Answer.object(
        "a", pair.a(),
        "b", pair.b(),
        "why", pair.why().text(),
        "bands", pair.bands(),
        "confusion", pair.confusion(),
        "meter_separates", pair.meterSeparates());
  }
}
