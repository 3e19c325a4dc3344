package humble.formats.report;

import humble.core.book.BenchStage;
import humble.core.book.Ledger;
import humble.core.build.Build;
import humble.core.build.BuildEvent;
import humble.core.kit.Kit;
import humble.core.power.Unproved;
import humble.core.words.ForeignText;
import humble.core.words.Words;
import java.time.Duration;
import java.time.ZoneId;
import java.util.Locale;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** Writes what a build comes to as JSON. */
final class LedgerJson {
  private LedgerJson() {}

  static void write(ObjectNode root, Kit kit, Build build, Locale locale, ZoneId zone) {
    Ledger ledger = Ledger.of(kit, build, zone);
    root.put("bench_minutes", minutes(ledger.bench()));
    root.put("unattended_minutes", minutes(ledger.unattended()));
    root.put("joints", ledger.joints());
    root.put("parts", ledger.firstTime().parts());
    ledger
        .firstTime()
        .rate()
        .ifPresentOrElse(
            rate -> root.put("first_time_right", rate), () -> root.putNull("first_time_right"));
    ArrayNode evenings = root.putArray("evenings");
    ledger
        .evenings()
        .forEach(each ->
            evenings
                .addObject()
                .put("day", each.day().toString())
                .put("bench_minutes", minutes(each.bench()))
                .put("joints", each.joints())
                .put("acts", each.acts()));
    ObjectNode hours = root.putObject("minutes_by_stage");
    for (BenchStage stage : BenchStage.values()) {
      if (ledger.hours().containsKey(stage)) {
        hours.put(stage.text(), minutes(ledger.hours().getOrDefault(stage, Duration.ZERO)));
      }
    }
    Words words = TextReports.words(locale);
    ArrayNode cured = root.putArray("cured");
    for (BuildEvent.Mended mended : ledger.cured()) {
      cured
          .addObject()
          .put("fault", mended.fault())
          .put("text", FaultWords.say(words, mended.fault()))
          .put("measurements", mended.measurements());
    }
    ArrayNode stock = root.putArray("stock");
    ledger
        .stock()
        .forEach(each -> stock.addObject().put("item", each.item()).put("over", each.over()));
    Words core = Words.core(locale).naming(ForeignText::shown);
    ArrayNode unproved = root.putArray("unproved");
    Unproved.of(kit, build).forEach(each -> unproved.add(core.say(each)));
  }

  private static double minutes(Duration time) {
    return Math.round(time.toSeconds() / 6.0) / 10.0;
  }
}
