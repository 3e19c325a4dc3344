package humble.cli;

import humble.core.circuit.Fault;
import humble.core.kit.BoardState;
import humble.core.kit.Parts;
import humble.core.power.BatteryLife;
import humble.core.power.FirstPower;
import humble.core.power.OhmsBefore;
import humble.core.power.PowerReckoning;
import humble.core.power.PoweredStage;
import humble.core.units.Band;
import humble.core.units.Engineering;
import humble.core.words.Words;
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
  /** A shorter flash of the limit light is not noticed. */
  private static final double SEEN_S = 0.1;

  @Parameters(paramLabel = "KIT")
  @Nullable Path kit;

  @Option(names = "--state", paramLabel = "ID", description = "Only this state.")
  @Nullable String state;

  @Mixin Choosing choosing = new Choosing();

  @Override
  Answer answer() {
    Parts chosen = choosing.parts(Objects.requireNonNull(kit));
    Words words = Words.core(Locale.ENGLISH);
    Parts parts = chosen.with(FirstPower.given(chosen.kit(), words));
    List<FirstPower.Check> checks = FirstPower.checks(parts.kit());
    PowerReckoning reckoning = new PowerReckoning(parts);
    String only = state;
    List<BoardState> states =
        only == null ? parts.kit().states() : List.of(CircuitCommand.state(parts, only));
    List<PoweredStage> stages =
        states.stream().flatMap(each -> reckoning.stage(each, () -> false).stream()).toList();
    OptionalDouble hours = new BatteryLife(parts).hours(states);
    List<String> warnings =
        reckoning.warnings(stages, states).stream().map(PowerCommand::text).toList();
    List<String> text = new ArrayList<>();
    List<Map<String, @Nullable Object>> json = new ArrayList<>();
    for (PoweredStage stage : stages) {
      json.add(json(stage));
      text(stage, text);
    }
    for (FirstPower.Check check : checks) {
      text.add(words.say(check.title()));
      check.how().forEach(line -> text.add("  " + words.say(line)));
    }
    hours.ifPresent(h -> text.add(String.format(Locale.ROOT, "battery: %.1f hours", h)));
    warnings.forEach(warning -> text.add("mind: " + warning));
    Map<String, @Nullable Object> answer =
        Answer.object(
            "stages",
            json,
            "battery",
            Answer.object("hours", hours.isPresent() ? hours.getAsDouble() : null),
            "warnings",
            warnings);
    if (!checks.isEmpty()) {
      answer.put("first_power", checks.stream().map(check -> json(words, check)).toList());
    }
    return new Answer(answer, text, false);
  }

  private static Map<String, @Nullable Object> json(Words words, FirstPower.Check check) {
    return Answer.object(
        "check",
        check.id(),
        "title",
        words.say(check.title()),
        "how",
        check.how().stream().map(words::say).toList());
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
        "series",
        Answer.object(
            "ohms",
            stage.series().ohms(),
            "watts",
            stage.series().watts(),
            "go_v",
            stage.series().goVolts(),
            "stop_v",
            stage.series().stopVolts()),
        "inrush_s",
        Double.isFinite(stage.inrushS()) ? stage.inrushS() : null,
        "volts",
        stage.feed().volts(),
        "fed_by",
        stage.feed().id(),
        "ohms_before",
        ohms(stage),
        "ohms_between",
        stage.ohmsBefore().map(before -> List.of(before.red(), before.black())).orElse(null),
        "ohms_least",
        stage.ohmsBefore().map(OhmsBefore::least).orElse(null),
        "unmodelled",
        stage.unmodelled(),
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
    String least = stage.unmodelled().isEmpty() ? "" : "at least ";
    Double limit = stage.limitMa();
    String volts = Engineering.nominal(stage.feed().volts(), "V");
    text.add(
        stage.state()
            + ": "
            + (limit == null
                ? volts + " of " + stage.feed().id()
                : String.format(Locale.ROOT, "set %s, limit %.0f mA", volts, limit))
            + "; "
            + least
            + between(stage.expectMa()));
    text.add(
        String.format(
            Locale.ROOT,
            "  without a limit: %s, %.2f W, in the plus lead; up to %s across it go on, above %s"
                + " switch off",
            Engineering.nominal(stage.series().ohms(), "Ω"),
            stage.series().watts(),
            Engineering.reading(stage.series().goVolts(), "V"),
            Engineering.reading(stage.series().stopVolts(), "V")));
    if (stage.inrushS() >= SEEN_S) {
      text.add(
          Double.isFinite(stage.inrushS())
              ? String.format(
                  Locale.ROOT, "  the limit light may shine for %.1f s at first", stage.inrushS())
              : "  the limit leaves nothing to charge the capacitors with");
    }
    stage.ohmsBefore().ifPresent(before -> text.add("  before: " + text(before)));
    stage.rails().forEach(rail -> text.add("  " + rail.net() + "  " + volts(rail.volts())));
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

  private static String between(Band ma) {
    String low = String.format(Locale.ROOT, "%.1f", ma.low());
    String high = String.format(Locale.ROOT, "%.1f", ma.high());
    return (low.equals(high) ? low : low + "–" + high) + " mA";
  }

  private static String volts(Band band) {
    String low = Engineering.reading(band.low(), "V");
    String high = Engineering.reading(band.high(), "V");
    return low.equals(high) ? low : low + "–" + high;
  }

  private static @Nullable Double ohms(PoweredStage stage) {
    return stage.ohmsBefore().orElse(null) instanceof OhmsBefore.Ohms read
            && Double.isFinite(read.ohms())
        ? read.ohms()
        : null;
  }

  private static String text(OhmsBefore before) {
    String between = " between " + before.red() + " and " + before.black();
    return switch (before) {
      case OhmsBefore.Ohms read ->
          (Double.isInfinite(read.ohms()) ? "open" : Engineering.reading(read.ohms(), "Ω"))
              + between
              + "; below "
              + Engineering.reading(read.least(), "Ω")
              + " do not power";
      case OhmsBefore.NoBeep beep -> "no lasting beep" + between + "; if it beeps do not power";
    };
  }

  private static String text(PoweredStage.Hint hint) {
    String faults = String.join(", ", hint.faults().stream().map(Fault::toString).toList());
    return switch (hint.sign()) {
      case LIMIT -> "If the limit light comes on, look for " + faults + ".";
      case MUCH -> "If it draws more than twice, look for " + faults + ".";
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
      case PowerReckoning.Warning.Unknown w ->
          w.state()
              + ": the kit does not say what "
              + String.join(", ", w.refs())
              + " takes; current and limit are without it.";
      case PowerReckoning.Warning.Unsolved w ->
          w.state() + ": the circuit has no operating point; nothing is said of it.";
    };
  }
}
