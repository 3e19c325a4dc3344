package humble.formats.report;

import humble.core.build.Build;
import humble.core.build.BuildEvent;
import humble.core.kit.Calibration;
import humble.core.kit.Kit;
import humble.core.kit.Proof;
import humble.core.kit.Trim;
import humble.core.units.Engineering;
import humble.core.wake.Averaged;
import humble.core.words.Words;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;

/** What was trimmed, calibrated and proved, a row each: what it is, reading, window, verdict. */
record FinishedRows(Words words, Kit kit, Build build) {
  List<Logbook.Row> all() {
    List<Logbook.Row> rows = new ArrayList<>();
    for (Trim trim : kit.finishing().trims()) {
      build.finished().left(trim.id()).ifPresent(left -> rows.add(trimmed(trim, left)));
    }
    for (Calibration each : kit.finishing().calibrations()) {
      for (int i = 0; i < each.steps().size(); i++) {
        Calibration.Step step = each.steps().get(i);
        build
            .finished()
            .step(each.id(), i + 1)
            .ifPresent(done -> rows.add(calibrated(each, step, done)));
      }
    }
    for (Proof proof : kit.finishing().proofs()) {
      build.finished().proved(proof.id()).ifPresent(read -> rows.add(proved(proof, read)));
    }
    return rows;
  }

  private Logbook.Row trimmed(Trim trim, BuildEvent.TrimLeft left) {
    return Logbook.Row.of(
        LogbookWriter.name(trim.title()),
        left.byEar()
            ? words.say("event.by-ear")
            : LogbookWriter.name(number(left.reads()) + " " + trim.reading().unit()),
        trim.reading()
            .good()
            .map(band -> words.say("report.window", number(band.low()), number(band.high())))
            .orElse(""),
        words.say(left.reached() ? "report.trim.reached" : "report.trim.left")
            + LogbookWriter.practice(words, left.practice()));
  }

  private Logbook.Row calibrated(
      Calibration calibration, Calibration.Step step, BuildEvent.Calibrated done) {
    String title = LogbookWriter.name(calibration.title() + ": " + step.doing().text());
    String practice = LogbookWriter.practice(words, done.practice());
    if (done.reads().isEmpty()) {
      return Logbook.Row.of(title, "", "", words.say("report.calibrated") + practice);
    }
    Averaged all = Averaged.of(done.reads(), step.readings(), step.within());
    return Logbook.Row.of(
        title,
        LogbookWriter.name(number(all.mean()) + " " + step.unit()),
        LogbookWriter.name("± " + String.format(Locale.ROOT, "%.2g", all.spread())),
        (all.isEnough()
                ? words.say("report.readings.count", all.count())
                : words.say("report.calibrated.unsure"))
            + practice);
  }

  private Logbook.Row proved(Proof proof, BuildEvent.Proved read) {
    double errorPct = (read.reads() - proof.nominal()) / proof.nominal() * 100;
    return Logbook.Row.of(
        LogbookWriter.name(proof.title()),
        Engineering.reading(read.reads(), proof.unit()),
        words.say(
            "report.proof.nominal",
            Engineering.nominal(proof.nominal(), proof.unit()),
            String.format(Locale.ROOT, "%.3g", proof.tolerancePct()),
            String.format(Locale.ROOT, "%+.2f", errorPct)),
        LogbookWriter.verdict(words, read.verdict())
            + LogbookWriter.practice(words, read.practice()));
  }

  private static String number(double value) {
    return String.format(Locale.ROOT, "%.4g", value);
  }
}
