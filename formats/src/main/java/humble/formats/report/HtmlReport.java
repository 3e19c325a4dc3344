package humble.formats.report;

import humble.core.build.Build;
import humble.core.build.BuildEvent;
import humble.core.kit.Kit;
import humble.core.power.FirstPower;
import humble.core.power.Unproved;
import humble.core.stock.Stocktake;
import humble.core.units.Engineering;
import humble.core.words.ForeignText;
import humble.core.words.Phrase;
import humble.core.words.Words;
import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.Base64;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;

/**
 * Writes the logbook of a build: evenings, readings, deviations, left-overs and every entry of the
 * journal.
 */
public final class HtmlReport {
  private static final DateTimeFormatter CLOCK = DateTimeFormatter.ofPattern("HH:mm", Locale.ROOT);

  /** Marks in the text where a name begins and ends; {@link #escape} makes elements of them. */
  private static final char ISOLATE = '\u2068';

  private static final char END_OF_ISOLATE = '\u2069';

  private static final String STYLE =
      "body{font:16px/1.5 'B612',sans-serif;background:#f6efe3;color:#22303a;max-width:52em;"
          + "margin:2em auto;padding:0 1em}h1,h2{line-height:1.2}"
          + "table{border-collapse:collapse;width:100%}td,th{text-align:left;"
          + "padding:.3em .8em .3em 0;border-bottom:1px solid #e5d3b3;vertical-align:top}"
          + ".back{text-decoration:line-through;color:#6d6a61}td:first-child{white-space:nowrap}";

  private final Kit kit;
  private final Build build;
  private final Words words;
  private final ZoneId zone;
  private final Locale locale;
  private final StringBuilder out = new StringBuilder();

  private HtmlReport(Kit kit, Build build, Locale locale, ZoneId zone) {
    this.kit = FirstPower.given(kit, Words.core(locale));
    this.build = build;
    this.words = Words.of("humble.formats.report.report", locale).naming(HtmlReport::name);
    this.zone = zone;
    this.locale = locale;
  }

  /** Gives the page: no scripts, no outside files, and a policy that lets none in. */
  public static String of(Kit kit, Build build, Locale locale, ZoneId zone) {
    return new HtmlReport(kit, build, locale, zone).page(locale);
  }

  private String page(Locale locale) {
    String name = build.began().map(BuildEvent.Began::name).orElse(kit.name());
    out.append("<!DOCTYPE html>\n<html lang=\"")
        .append(locale.toLanguageTag())
        .append("\">\n<head><meta charset=\"utf-8\">\n<meta http-equiv=\"Content-Security-Policy\"")
        .append(" content=\"default-src 'none'; style-src '")
        .append(hashOfStyle())
        .append("'; base-uri 'none'; form-action 'none'\">\n<title>")
        .append(escape(ForeignText.shown(name)))
        .append("</title>\n<style>")
        .append(STYLE)
        .append("</style></head>\n<body>\n<h1>")
        .append(escape(name(name)))
        .append("</h1>\n<p>");
    out.append(escape(words.say("report.kit", kit.name(), kit.revision()))).append("</p>\n");
    evenings();
    readings();
    deviations();
    unproved();
    leftOver();
    log();
    return out.append("</body></html>\n").toString();
  }

  /** The policy lets in this one style and no other. */
  private static String hashOfStyle() {
    try {
      byte[] hash =
          MessageDigest.getInstance("SHA-256").digest(STYLE.getBytes(StandardCharsets.UTF_8));
      return "sha256-" + Base64.getEncoder().encodeToString(hash);
    } catch (NoSuchAlgorithmException e) {
      throw new IllegalStateException("every Java runtime has SHA-256", e);
    }
  }

  /** What somebody wrote, isolated from what stands around it. */
  private static String name(String text) {
    return ISOLATE + ForeignText.shown(text) + END_OF_ISOLATE;
  }

  private void heading(String key) {
    out.append("<h2>").append(escape(words.say(key))).append("</h2>\n");
  }

  private void row(String... cells) {
    out.append("<tr>");
    for (String cell : cells) {
      out.append("<td>").append(escape(cell)).append("</td>");
    }
    out.append("</tr>\n");
  }

  private void evenings() {
    heading("report.evenings");
    Map<LocalDate, List<BuildEvent.Entry>> days = new LinkedHashMap<>();
    build
        .entries()
        .forEach(e ->
            days.computeIfAbsent(
                    LocalDate.ofInstant(e.at(), zone), d -> new java.util.ArrayList<>())
                .add(e));
    out.append("<table>");
    days.forEach((day, entries) -> {
      Instant from = day.atStartOfDay(zone).toInstant();
      Duration time =
          build
              .benchTime(from)
              .minus(build.benchTime(day.plusDays(1).atStartOfDay(zone).toInstant()));
      long joints =
          entries.stream().map(BuildEvent.Entry::event).mapToLong(HtmlReport::joints).sum();
      row(day.toString(), hours(time), words.say("report.joints", joints));
    });
    out.append("</table>\n");
  }

  private static long joints(BuildEvent event) {
    return switch (event) {
      case BuildEvent.Fitted fitted -> fitted.joints();
      case BuildEvent.FittedSome some -> some.joints();
      default -> 0;
    };
  }

  private static String hours(Duration time) {
    return String.format(Locale.ROOT, "%d:%02d h", time.toHours(), time.toMinutesPart());
  }

  private void readings() {
    heading("report.readings");
    out.append("<table>");
    for (BuildEvent.Entry entry : build.inForce()) {
      switch (entry.event()) {
        case BuildEvent.Measured e ->
            row(name(e.line()), Engineering.reading(e.value(), "Ω"), verdict(e.verdict()));
        case BuildEvent.GateRead e ->
            row(
                name(e.gate()),
                EventWords.reading(words, e),
                verdict(e.verdict()) + practice(e.practice()));
        case BuildEvent.Loaded e ->
            row(
                name(e.image()),
                words.say("report.loaded", e.bytes()) + sent(e),
                words.say(e.verified() ? "report.verified" : "report.not-verified")
                    + practice(e.practice()));
        default -> {}
      }
    }
    out.append("</table>\n");
  }

  /** What was sent by name and number, and by which way; older journals do not say. */
  private String sent(BuildEvent.Loaded e) {
    return e.file().isEmpty()
        ? ""
        : words.say(
            "report.sent",
            e.file(),
            String.format(Locale.ROOT, "%08x", e.crc32()),
            e.sha256(),
            words.knows("report.way." + e.way()) ? words.say("report.way." + e.way()) : e.way());
  }

  /** A verdict that an older or newer journal wrote is told as it is. */
  private String verdict(String verdict) {
    String key = "report.verdict." + verdict;
    return words.knows(key) ? words.say(key) : name(verdict);
  }

  private String practice(boolean practice) {
    return practice ? " " + words.say("report.practice") : "";
  }

  private void deviations() {
    heading("report.deviations");
    out.append("<table>");
    int rows = 0;
    for (BuildEvent.Entry entry : build.inForce()) {
      switch (entry.event()) {
        case BuildEvent.Wrong e -> row(words.say("report.wrong"), name(e.stage()), name(e.at()));
        case BuildEvent.Noted e -> row(words.say("report.note"), name(e.stage()), name(e.text()));
        case BuildEvent.Chose e ->
            row(words.say("report.chose"), name(e.option()), name(e.choice()));
        case BuildEvent.MarksWeighed e when e.conflict() -> odd(e.line(), e);
        case BuildEvent.ModuleRead e when e.row().isEmpty() -> odd(e.ref(), e);
        case BuildEvent.JointSeen e when !e.seen().equals("good") -> odd(e.pin(), e);
        case BuildEvent.GateOverridden e -> odd(e.gate(), e);
        case BuildEvent.LeftOut e -> odd(e.ref(), e);
        case BuildEvent.Replaced e -> odd(e.ref(), e);
        case BuildEvent.LookedOver e when !e.fine() -> odd(e.spot(), e);
        case BuildEvent.Coiled e when !e.through() -> odd(e.winding(), e);
        case BuildEvent.Repaired e -> odd(e.state(), e);
        case BuildEvent.SeriesRead e when !e.goes() -> odd(e.state(), e);
        case BuildEvent.Checked e when !e.fine() -> odd(e.check(), e);
        default -> rows--;
      }
      rows++;
    }
    out.append("</table>\n");
    if (rows == 0) {
      out.append("<p>").append(escape(words.say("report.none"))).append("</p>\n");
    }
  }

  private void odd(String where, BuildEvent event) {
    row(words.say("report.odd"), name(where), EventWords.say(words, event));
  }

  /** What nobody powered and tried is not told as working. */
  private void unproved() {
    heading("report.unproved");
    List<Phrase> open = Unproved.of(kit, build);
    out.append("<ul>");
    Words core = Words.core(locale).naming(HtmlReport::name);
    open.forEach(each -> out.append("<li>").append(escape(core.say(each))).append("</li>\n"));
    out.append("</ul>\n");
    if (open.isEmpty()) {
      out.append("<p>").append(escape(words.say("report.none"))).append("</p>\n");
    }
  }

  private void leftOver() {
    heading("report.left-over");
    out.append("<table>");
    for (Stocktake.Item item : Stocktake.items(kit, build.choices())) {
      Integer counted = build.counted().get(item.id());
      if (counted != null && counted != item.needed()) {
        row(
            name(item.id()),
            words.say(
                counted > item.needed() ? "report.spare" : "report.short",
                Math.abs(counted - item.needed())));
      }
    }
    out.append("</table>\n");
  }

  private void log() {
    heading("report.log");
    Set<Long> gone = new HashSet<>();
    build
        .entries()
        .forEach(e -> {
          if (e.event() instanceof BuildEvent.TookBack back) {
            gone.add(back.number());
          }
        });
    out.append("<table>");
    for (BuildEvent.Entry entry : build.entries()) {
      out.append(gone.contains(entry.number()) ? "<tr class=\"back\"><td>" : "<tr><td>");
      out.append(LocalDate.ofInstant(entry.at(), zone))
          .append(' ')
          .append(CLOCK.format(entry.at().atZone(zone)));
      out.append("</td><td>")
          .append(escape(EventWords.say(words, entry.event())))
          .append("</td></tr>\n");
    }
    out.append("</table>\n");
  }

  private static String escape(String text) {
    StringBuilder escaped = new StringBuilder(text.length() + 16);
    for (int i = 0; i < text.length(); i++) {
      char c = text.charAt(i);
      switch (c) {
        case '&' -> escaped.append("&amp;");
        case '<' -> escaped.append("&lt;");
        case '>' -> escaped.append("&gt;");
        case '"' -> escaped.append("&quot;");
        case ISOLATE -> escaped.append("<bdi>");
        case END_OF_ISOLATE -> escaped.append("</bdi>");
        default -> escaped.append(c);
      }
    }
    return escaped.toString();
  }
}
