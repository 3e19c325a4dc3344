package humble.cli;

import humble.core.kit.PartKind;
import humble.core.stock.Match;
import humble.core.stock.MeterProfile;
import humble.core.units.Engineering;
import humble.core.units.Quantity;
import humble.core.units.QuantityText;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

/** Says which line of a kit a reading belongs to. */
@Command(name = "match", description = "Say which line of the parts list a reading belongs to.")
final class MatchCommand extends humble.cli.Command {
  @Parameters(paramLabel = "KIT")
  @Nullable Path kit;

  @Option(
      names = "--value",
      required = true,
      paramLabel = "READING",
      description = "What the meter says, such as 4.66k.")
  String value = "";

  @Option(
      names = "--kind",
      paramLabel = "KIND",
      description = "Kind of part (default: ${DEFAULT-VALUE}).")
  String kind = "resistor";

  @Option(
      names = "--meter",
      paramLabel = "METER",
      description = "Per cent of reading + counts @ resolution, such as 0.8%%+3@1.")
  @Nullable String meter;

  @Override
  Answer answer() {
    List<String> problems = new ArrayList<>();
    PartKind partKind = PartKind.named(kind).orElse(null);
    if (partKind == null) {
      problems.add("--kind: there is no part kind '" + kind + "'.");
    }
    QuantityText read = Quantity.parse(value);
    if (read instanceof QuantityText.Unreadable bad) {
      problems.add("--value: " + bad.sentence());
    }
    MeterProfile profile = meter(meter, problems).orElse(null);
    if (!problems.isEmpty()
        || partKind == null
        || profile == null
        || !(read instanceof QuantityText.Read reading)) {
      throw new BadInput(problems);
    }
    Match match =
        Match.of(
            kit(java.util.Objects.requireNonNull(kit)),
            partKind,
            reading.value(),
            reading.resolution(),
            profile.at(reading.value()));
    List<String> text = new ArrayList<>();
    text.add(match.decision().map(line -> "It is " + line + ".").orElse("No decision."));
    match
        .lines()
        .forEach(c ->
            text.add(
                String.format(
                    Locale.ROOT,
                    "  %-8s %-10s %s",
                    c.line().id(),
                    Engineering.nominal(c.nominal(), ""),
                    c.verdict().name().toLowerCase(Locale.ROOT))));
    return new Answer(
        Answer.object(
            "value", match.value(),
            "low", match.interval().low(),
            "high", match.interval().high(),
            "lines", match.lines().stream().map(MatchCommand::json).toList(),
            "decision", match.decision().orElse(null),
            "ambiguous", match.ambiguous()),
        text,
        match.decision().isEmpty());
  }

  private static Object json(Match.Candidate candidate) {
    return Answer.object(
        "line", candidate.line().id(),
        "refs", candidate.line().refs(),
        "nominal", candidate.nominal(),
        "verdict", candidate.verdict().name().toLowerCase(Locale.ROOT),
        "likelihood", candidate.likelihood());
  }
}
