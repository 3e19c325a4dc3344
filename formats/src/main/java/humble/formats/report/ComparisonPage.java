package humble.formats.report;

import humble.core.book.Comparison;
import humble.core.words.ForeignText;
import humble.core.words.Words;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;

/** The builds of one kit held against each other, as one page to hang up. */
public final class ComparisonPage {
  private static final int MOST_STEPS = 40;
  private static final double TO_PERCENT = 100;

  private ComparisonPage() {}

  /** Gives the page, written as reports are: no scripts, no outside files. */
  public static String of(String kit, Comparison found, Locale locale) {
    Words words = LogbookWriter.words(locale);
    List<Logbook.Block> blocks = new ArrayList<>();
    blocks.add(new Logbook.Title(LogbookWriter.name(kit)));
    blocks.add(new Logbook.Text(words.say("compare.builds", found.builds().size()), true));
    wrong(words, found, blocks);
    blocks.add(new Logbook.Heading(words.say("compare.steps")));
    List<Logbook.Row> steps = new ArrayList<>();
    steps.add(
        Logbook.Row.of(
            words.say("compare.step"),
            words.say("compare.median"),
            words.say("compare.spread"),
            words.say("compare.wrong")));
    found.steps().stream()
        .sorted(Comparator.comparingDouble(Comparison.Step::medianMinutes).reversed())
        .limit(MOST_STEPS)
        .forEach(step ->
            steps.add(
                Logbook.Row.of(
                    LogbookWriter.name(step.step()),
                    words.say("compare.minutes", number(step.medianMinutes())),
                    number(step.spreadMinutes()),
                    words.say("compare.of", step.wrong(), step.builds()))));
    blocks.add(new Logbook.Table(steps));
    if (found.steps().size() > MOST_STEPS) {
      blocks.add(
          new Logbook.Text(words.say("compare.more", found.steps().size() - MOST_STEPS), false));
    }
    blocks.add(new Logbook.Heading(words.say("compare.each")));
    List<Logbook.Row> builds = new ArrayList<>();
    found
        .builds()
        .forEach(build ->
            builds.add(
                Logbook.Row.of(
                    LogbookWriter.name(build.id()),
                    words.say("compare.hours", number(build.hours())),
                    build
                        .firstTimeRight()
                        .map(rate -> words.say("compare.first", Math.round(rate * TO_PERCENT)))
                        .orElse(words.say("compare.nothing")))));
    blocks.add(new Logbook.Table(builds));
    return HtmlReport.page(new Logbook(locale.toLanguageTag(), ForeignText.shown(kit), blocks));
  }

  /** Where people go wrong, the most first; said as none where nobody did. */
  private static void wrong(Words words, Comparison found, List<Logbook.Block> blocks) {
    blocks.add(new Logbook.Heading(words.say("compare.where")));
    List<String> where =
        found.steps().stream()
            .filter(step -> step.wrong() > 0)
            .sorted(
                Comparator.comparingDouble(
                        (Comparison.Step step) -> step.wrong() / (double) step.builds())
                    .reversed())
            .map(step -> words.say("compare.where.row", step.step(), step.wrong(), step.builds()))
            .toList();
    blocks.add(
        where.isEmpty()
            ? new Logbook.Text(words.say("compare.where.none"), false)
            : new Logbook.Bullets(where));
  }

  private static String number(double value) {
    return String.format(Locale.ROOT, "%.1f", value);
  }
}
