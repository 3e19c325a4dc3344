package humble.cli;

import humble.core.casing.CaseFit;
import humble.core.casing.Misfit;
import humble.core.casing.Tails;
import humble.core.words.Words;
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
  private static final Words WORDS = Words.core(Locale.ENGLISH);

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
    fit.tails().stream().filter(Tails::isCut).forEach(each -> text.add(WORDS.say(each.said())));
    for (Misfit misfit : fit.misfits()) {
      text.add(WORDS.say(misfit.said()));
      misfit.cures().forEach(cure -> text.add("    " + WORDS.say(cure.how())));
    }
    fit.unsaid().forEach(each -> text.add(WORDS.say(each)));
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
                    .toList(),
            "facing",
                fit.facing().stream()
                    .map(f ->
                        Answer.object(
                            "ref",
                            f.ref(),
                            "tails",
                            f.tails(),
                            "other",
                            f.other(),
                            "other_tails",
                            f.otherTails(),
                            "room_mm",
                            f.roomMm(),
                            "needs_mm",
                            f.needsMm(),
                            "ok",
                            f.ok()))
                    .toList(),
            "tails",
                fit.tails().stream()
                    .map(t ->
                        Answer.object(
                            "ref",
                            t.ref(),
                            "over",
                            t.over(),
                            "room_mm",
                            t.roomMm(),
                            "cut_to_mm",
                            t.isCut() ? (Double) t.cutToMm() : null,
                            "ok",
                            t.ok()))
                    .toList(),
            "misfits",
                fit.misfits().stream()
                    .map(m ->
                        Answer.object(
                            "kind",
                            m.kind().text(),
                            "ref",
                            m.ref(),
                            "against",
                            m.against(),
                            "missing_mm",
                            m.missingMm(),
                            "text",
                            WORDS.say(m.said()),
                            "cures",
                            m.cures().stream().map(cure -> WORDS.say(cure.how())).toList()))
                    .toList(),
            "unsaid", fit.unsaid().stream().map(WORDS::say).toList()),
        text,
        !fit.ok());
  }
}
