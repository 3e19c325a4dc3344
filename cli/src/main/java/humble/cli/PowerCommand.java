package humble.cli;

import humble.core.circuit.Fault;
import humble.core.kit.BoardState;
import humble.core.kit.Parts;
import humble.core.power.BatteryLife;
import humble.core.power.PowerReckoning;
import humble.core.power.PoweredStage;
import humble.core.units.Engineering;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.OptionalDouble;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

/** Says what the supply and the rails should say, stage by stage. */
@Command(
    name = "power",
    description = "Say what to set on the supply and what it and the rails should say.")
final class PowerCommand extends humble.cli.Command {
  @Parameters(paramLabel = "KIT")
  @Nullable Path kit;

  @Option(names = "--state", paramLabel = "ID", description = "Only this state.")
  @Nullable String state;

  @Mixin Choosing choosing = new Choosing();

  @Override
  Answer answer() {
    Parts parts = choosing.parts(Objects.requireNonNull(kit));
    PowerReckoning reckoning = new PowerReckoning(parts);
    String only = state;
    List<BoardState> states =
        only == null ? parts.kit().states() : List.of(CircuitCommand.state(parts, only));
    List<PoweredStage> stages =
        states.stream()
            .filter(each -> each.supply() != null)
            .flatMap(each -> reckoning.stage(each, () -> false).stream())
            .toList();
    OptionalDouble hours = new BatteryLife(parts).hours(states);
    List<String> warnings =
        reckoning.warnings(stages, states).stream().map(PowerCommand::text).toList();
    List<String> text = new ArrayList<>();
    List<Map<String, @Nullable Object>> json = new ArrayList<>();
    for (PoweredStage stage : stages) {
      json.add(json(stage));
      text(stage, text);
    }
    hours.ifPresent(h -> text.add(String.format(Locale.ROOT, "battery: %.1f hours", h)));
    warnings.forEach(warning -> text.add("mind: " + warning));
    return new Answer(
        Answer.object(
            "stages",
            json,
            "battery",
            Answer.object("hours", hours.isPresent() ? hours.getAsDouble() : null),
            "warnings",
            warnings),
        text,
        false);
  }

  private static Map<String, @Nullable Object> json(PoweredStage stage) {
    return Answer.object(
        "state",
        stage.state(),
        "expect_ma",
        Answer.object("low", stage.expectMa().low(), "high", stage.expectMa().high()),
        "limit_ma",
        stage.limitMa(),
        "rails",
        stage.rails().stream()
            .map(rail ->
                Answer.object(
                    "net", rail.net(), "low", rail.volts().low(), "high", rail.volts().high()))
            .toList(),
        "hints",
        stage.hints().stream().map(PowerCommand::text).toList(),
        "volts",
        stage.supplyVolts(),
        "ohms_before",
        stage.ohmsBefore().isPresent() ? stage.ohmsBefore().getAsDouble() : null,
        "regulators",
        stage.heats().stream()
            .map(heat ->
                Answer.object(
                    "ref",
                    heat.ref(),
                    "watts",
                    heat.watts(),
                    "junction_25_c",
                    heat.junctionAt25C(),
                    "junction_40_c",
                    heat.junctionAt40C(),
                    "in_dropout",
                    heat.inDropout()))
            .toList(),
        "leds",
        draws(stage.lights()),
        "pins",
        draws(stage.pins()),
        "scans",
        stage.scans().stream()
            .map(scan ->
                Answer.object(
                    "id",
                    scan.id(),
                    "line",
                    scan.line(),
                    "most_ma",
                    scan.mostMa(),
                    "mean_ma",
                    scan.meanMa(),
                    "line_ma",
                    scan.lineMa()))
            .toList());
  }

  private static List<Map<String, @Nullable Object>> draws(List<PoweredStage.Draw> draws) {
    return draws.stream()
        .map(draw -> Answer.object("at", draw.at(), "ma", draw.ma(), "max_ma", draw.mostMa()))
        .toList();
  }

  private static void text(PoweredStage stage, List<String> text) {
    text.add(
        String.format(
            Locale.ROOT,
            "%s: set %s, limit %.0f mA; %.1f–%.1f mA",
            stage.state(),
            Engineering.nominal(stage.supplyVolts(), "V"),
            stage.limitMa(),
            stage.expectMa().low(),
            stage.expectMa().high()));
    stage
        .ohmsBefore()
        .ifPresent(ohms ->
            text.add(
                "  before: "
                    + Engineering.reading(ohms, "Ω")
                    + " between the rails; below "
                    + Engineering.reading(stage.leastOhms(), "Ω")
                    + " do not power"));
    stage
        .rails()
        .forEach(rail ->
            text.add(
                "  "
                    + rail.net()
                    + "  "
                    + Engineering.reading(rail.volts().low(), "V")
                    + "–"
                    + Engineering.reading(rail.volts().high(), "V")));
    stage
        .scans()
        .forEach(scan ->
            text.add(
                String.format(
                    Locale.ROOT,
                    "  %s scanned: %.1f mA on the supply, %.1f mA at most, %.1f mA out of %s",
                    scan.id(),
                    scan.meanMa(),
                    scan.mostMa(),
                    scan.lineMa(),
                    scan.line())));
    stage.hints().forEach(hint -> text.add("  " + text(hint)));
  }

  private static String text(PoweredStage.Hint hint) {
    String faults = String.join(", ", hint.faults().stream().map(Fault::toString).toList());
    return switch (hint.sign()) {
      case LIMIT -> "If the limit light comes on, look for " + faults + ".";
      case LITTLE -> "If it draws less than half, look for " + faults + ".";
    };
  }

  private static String text(PowerReckoning.Warning warning) {
    return switch (warning) {
      case PowerReckoning.Warning.Hot w ->
          String.format(
              Locale.ROOT,
              "%s: the junction of %s reaches %.0f °C with 40 °C around it, above 125 °C.",
              w.state(),
              w.ref(),
              w.junctionC());
      case PowerReckoning.Warning.Dropout w ->
          w.state() + ": " + w.ref() + " is in dropout; its input is too low for its output.";
      case PowerReckoning.Warning.Over w ->
          String.format(
              Locale.ROOT,
              "%s: %s carries %.1f mA, more than its %.1f mA.",
              w.state(),
              w.at(),
              w.ma(),
              w.mostMa());
      case PowerReckoning.Warning.Flat w ->
          String.format(
              Locale.ROOT,
              "%s: the battery %s is at %.2f V under load, at or below its cut-off of %.2f V.",
              w.state(),
              w.ref(),
              w.volts(),
              w.cutoffV());
      case PowerReckoning.Warning.Unsolved w ->
          w.state() + ": the circuit has no operating point; nothing is said of it.";
    };
  }
}
