package humble.cli;

import humble.core.casing.CaseFit;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Parameters;

/** Computes screws and clearances. */
@Command(name = "fit", description = "Compute screw lengths and clearances of the case.")
final class FitCommand extends humble.cli.Command {
  @Parameters(paramLabel = "KIT")
  @Nullable Path kit;

  @Override
  Answer answer() {
    CaseFit fit = CaseFit.of(kit(Objects.requireNonNull(kit)), Map.of());
    List<String> text = new ArrayList<>();
    fit.screws()
        .forEach(s ->
            text.add(
                String.format(
                    Locale.ROOT,
                    "screw %-8s stack %.1f to %.1f mm, take %s",
                    s.screw().id(),
                    s.stackMm().low(),
                    s.stackMm().high(),
                    s.chooseMm().isEmpty() ? "none of those given" : s.chooseMm() + " mm")));
    fit.clearances().stream()
        .filter(c -> !c.ok())
        .forEach(c ->
            text.add(
                String.format(
                    Locale.ROOT,
                    "%s needs %.1f mm, has %.1f mm",
                    c.ref(),
                    c.needsMm(),
                    c.roomMm())));
    fit.cutouts()
        .forEach(c ->
            text.add(
                "cut-out "
                    + c.id()
                    + " for "
                    + c.ref()
                    + ": "
                    + (c.ok() ? "meets it" : "does not meet it")));
    return new Answer(
        Answer.object(
            "screws",
                fit.screws().stream()
                    .map(s ->
                        Answer.object(
                            "id",
                            s.screw().id(),
                            "stack_mm",
                            Answer.object("low", s.stackMm().low(), "high", s.stackMm().high()),
                            "choose_mm",
                            s.chooseMm(),
                            "too_long_mm",
                            s.tooLongMm(),
                            "too_short_mm",
                            s.tooShortMm()))
                    .toList(),
            "clearances",
                fit.clearances().stream()
                    .map(c ->
                        Answer.object(
                            "ref",
                            c.ref(),
                            "room_mm",
                            c.roomMm(),
                            "needs_mm",
                            c.needsMm(),
                            "ok",
                            c.ok()))
                    .toList(),
            "cutouts",
                fit.cutouts().stream()
                    .map(c ->
                        Answer.object(
                            "id",
                            c.id(),
                            "ref",
                            c.ref(),
                            "top_mm",
                            c.topMm(),
                            "low_mm",
                            c.lowMm(),
                            "high_mm",
                            c.highMm(),
                            "dx_mm",
                            c.dxMm(),
                            "dy_mm",
                            c.dyMm(),
                            "ok",
                            c.ok()))
                    .toList()),
        text,
        !fit.ok());
  }
}
