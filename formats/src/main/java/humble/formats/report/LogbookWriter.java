package humble.formats.report;

import humble.core.book.BenchStage;
import humble.core.book.Ledger;
import humble.core.build.Build;
import humble.core.build.BuildEvent;
import humble.core.craft.UsualCautions;
import humble.core.kit.Caution;
import humble.core.kit.Gate;
import humble.core.kit.Kit;
import humble.core.kit.Parts;
import humble.core.kit.Setting;
import humble.core.power.Expectation;
import humble.core.power.FirstPower;
import humble.core.power.GateReckoning;
import humble.core.power.Unproved;
import humble.core.units.Band;
import humble.core.units.Engineering;
import humble.core.words.ForeignText;
import humble.core.words.Phrase;
import humble.core.words.Words;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;

/**
 * Makes the logbook of a build: first what it is, whether anybody powered it and what was not
 * proved; then how it was built, what was read, what is otherwise than the kit says; every act
 * last.
 */
final class LogbookWriter {
  private static final DateTimeFormatter CLOCK = DateTimeFormatter.ofPattern("HH:mm", Locale.ROOT);

  /** Windows of more gates than these are not worked out anew. */
  private static final int MOST_GATES = 24;

  /** A table has one row for so many acts at most. */
  private static final int ROWS_OF_ACTS = 4;

  private final Kit kit;
  private final Build build;
  private final Words words;
  private final Words core;
  private final ZoneId zone;
  private final Ledger ledger;
  private final int mostActs;
  private final KeptPhotos photos;
  private final List<Logbook.Block> blocks = new ArrayList<>();

  private LogbookWriter(
      Kit kit, Build build, Locale locale, ZoneId zone, int mostActs, KeptPhotos photos) {
    this.mostActs = mostActs;
    this.photos = photos;
    Words plain = Words.core(locale);
    this.kit =
        UsualCautions.given(FirstPower.given(kit, plain), build.dangers().orElse(List.of()), plain);
    this.build = build;
    this.words = words(locale);
    this.core = Words.core(locale).naming(LogbookWriter::name);
    this.zone = zone;
    this.ledger = Ledger.of(this.kit, build, zone);
  }

  static Words words(Locale locale) {
    return Words.of("humble.formats.report.report", locale).naming(LogbookWriter::name);
  }

  /** Gives the logbook without photos. */
  static Logbook of(Kit kit, Build build, Locale locale, ZoneId zone, int mostActs) {
    return of(kit, build, locale, zone, mostActs, KeptPhotos.NONE);
  }

  /**
   * Gives the logbook.
   *
   * @param mostActs how many acts it tells one by one; more are told in sums
   * @param photos the photos that go into it
   */
  static Logbook of(
      Kit kit, Build build, Locale locale, ZoneId zone, int mostActs, KeptPhotos photos) {
    LogbookWriter writer = new LogbookWriter(kit, build, locale, zone, mostActs, photos);
    writer.write();
    String title = build.began().map(BuildEvent.Began::name).orElse(kit.name());
    return new Logbook(locale.toLanguageTag(), ForeignText.shown(title), writer.blocks);
  }

  /** What somebody wrote, isolated from what stands around it. */
  static String name(String text) {
    return Logbook.ISOLATE + ForeignText.shown(text) + Logbook.END_OF_ISOLATE;
  }

  private void write() {
    blocks.add(
        new Logbook.Title(name(build.began().map(BuildEvent.Began::name).orElse(kit.name()))));
    text("report.kit", kit.name(), kit.revision());
    if (!kit.summary().isBlank()) {
      blocks.add(new Logbook.Text(name(kit.summary()), false));
    }
    powered();
    unproved();
    use();
    cautions();
    made();
    readings();
    finished();
    programs();
    deviations();
    cured();
    stock();
    photos();
    if (build.entries().size() <= mostActs) {
      journal();
    } else {
      sums();
    }
  }

  /** The photos that were kept, where they go into this file at all. */
  private void photos() {
    if (photos == KeptPhotos.NONE || build.photos().isEmpty()) {
      return;
    }
    heading("report.photos");
    for (BuildEvent.Entry entry : build.inForce()) {
      if (entry.event() instanceof BuildEvent.PhotoKept photo) {
        Optional<byte[]> jpeg = photos.of(photo);
        String text = LocalDate.ofInstant(entry.at(), zone) + ", " + name(photo.at());
        blocks.add(
            new Logbook.Photo(
                jpeg.isPresent() ? text : text + ". " + words.say("report.photo.gone"), jpeg));
      }
    }
  }

  private void text(String key, Object... details) {
    blocks.add(new Logbook.Text(words.say(key, details), false));
  }

  private void heading(String key) {
    blocks.add(new Logbook.Heading(words.say(key)));
  }

  private void table(List<Logbook.Row> rows) {
    if (rows.isEmpty()) {
      text("report.none");
    } else {
      blocks.add(new Logbook.Table(rows));
    }
  }

  /** Whether somebody powered it, in one sentence. */
  private void powered() {
    BuildEvent.GateRead last = null;
    for (BuildEvent.Entry entry : build.inForce()) {
      last = entry.event() instanceof BuildEvent.GateRead read && !read.practice() ? read : last;
    }
    String key =
        Unproved.wasPowered(kit, build)
            ? (Unproved.restsOnPractice(build) ? "report.powered.practice" : "report.powered")
            : "report.powered.never";
    blocks.add(new Logbook.Text(words.say(key), true));
    if (last != null) {
      text(
          "report.powered.last",
          title(last.gate()),
          EventWords.reading(words, last),
          verdict(last.verdict()));
    }
    text(build.isClosed() ? "report.finished" : "report.unfinished");
    if (build.isTakenOver()) {
      blocks.add(new Logbook.Text(words.say("report.taken-over"), true));
    }
    build.restsOn().ifPresent(other -> text("report.rests-on", other.name()));
  }

  /** What nobody powered and tried is not told as working. */
  private void unproved() {
    heading("report.unproved");
    List<Phrase> open = Unproved.of(kit, build);
    if (open.isEmpty()) {
      text("report.none");
    } else {
      blocks.add(new Logbook.Bullets(open.stream().map(core::say).toList()));
    }
  }

  /** How the finished thing is used, and how not, as the kit's author says it. */
  private void use() {
    bullets("report.use", kit.use().how());
    bullets("report.use.not", kit.use().not());
  }

  private void bullets(String heading, List<String> sentences) {
    if (!sentences.isEmpty()) {
      heading(heading);
      blocks.add(new Logbook.Bullets(sentences.stream().map(LogbookWriter::name).toList()));
    }
  }

  private void cautions() {
    List<String> all =
        kit.cautions().stream().map(Caution::text).distinct().map(LogbookWriter::name).toList();
    if (!all.isEmpty()) {
      heading("report.cautions");
      blocks.add(new Logbook.Bullets(all));
    }
  }

  private void made() {
    heading("report.evenings");
    List<Logbook.Row> rows = new ArrayList<>();
    for (Ledger.Evening evening : ledger.evenings()) {
      rows.add(
          Logbook.Row.of(
              evening.day().toString(),
              hours(evening.bench()),
              words.say("report.joints", evening.joints()),
              words.say("report.acts", evening.acts())));
    }
    table(rows);
    List<Logbook.Row> stages = new ArrayList<>();
    for (BenchStage stage : BenchStage.values()) {
      Duration spent = ledger.hours().getOrDefault(stage, Duration.ZERO);
      if (!spent.isZero()) {
        stages.add(Logbook.Row.of(words.say("report.stage." + stage.text()), hours(spent)));
      }
    }
    if (!stages.isEmpty()) {
      heading("report.hours");
      blocks.add(new Logbook.Table(stages));
      text("report.bench", hours(ledger.bench()), hours(ledger.unattended()));
    }
    ledger
        .firstTime()
        .rate()
        .ifPresent(rate ->
            text(
                "report.first-time",
                ledger.firstTime().parts() - ledger.firstTime().troubled().size(),
                ledger.firstTime().parts()));
  }

  private static String hours(Duration time) {
    return String.format(Locale.ROOT, "%d:%02d h", time.toHours(), time.toMinutesPart());
  }

  private String title(String gate) {
    return kit.gates().stream()
        .filter(each -> each.id().equals(gate))
        .map(Gate::title)
        .findFirst()
        .orElseGet(() ->
            gate.equals(BuildEvent.Closed.ONCE_MORE) ? words.say("event.gate.once-more") : gate);
  }

  /** What each gate should read, worked out for the board as the kit has it. */
  private Map<String, String> windows() {
    Map<String, String> windows = new LinkedHashMap<>();
    if (kit.gates().size() > MOST_GATES) {
      return windows;
    }
    GateReckoning reckoning = new GateReckoning(Parts.of(kit));
    for (Gate gate : kit.gates()) {
      boolean read = build.gateReadings().containsKey(gate.id());
      if (read) {
        reckoning
            .of(gate)
            .map(Expectation::window)
            .ifPresent(window -> windows.put(gate.id(), window(gate, window)));
      }
    }
    return windows;
  }

  private String window(Gate gate, Band window) {
    String unit = gate.measure().unit();
    return Double.isInfinite(window.high())
        ? words.say("report.window.least", Engineering.reading(window.low(), unit))
        : words.say(
            "report.window",
            Engineering.reading(window.low(), unit),
            Engineering.reading(window.high(), unit));
  }

  /** More readings than anybody reads are summed up, a cup at a time. */
  private void summedReadings(List<BuildEvent.Measured> all, List<Logbook.Row> rows) {
    Map<String, List<BuildEvent.Measured>> lines = new LinkedHashMap<>();
    all.forEach(e -> lines.computeIfAbsent(e.line(), line -> new ArrayList<>()).add(e));
    lines.forEach((line, read) ->
        rows.add(
            Logbook.Row.of(
                name(line),
                words.say("report.readings.count", read.size()),
                words.say(
                    "report.window",
                    Engineering.reading(
                        read.stream().mapToDouble(BuildEvent.Measured::value).min().orElse(0), "Ω"),
                    Engineering.reading(
                        read.stream().mapToDouble(BuildEvent.Measured::value).max().orElse(0),
                        "Ω")),
                words.say(
                    "report.readings.odd",
                    read.stream().filter(e -> !e.verdict().equals("inside")).count()))));
  }

  private void readings() {
    heading("report.readings");
    Map<String, String> windows = windows();
    List<Logbook.Row> rows = new ArrayList<>();
    List<BuildEvent.Measured> measured =
        build.inForce().stream()
            .flatMap(entry ->
                entry.event() instanceof BuildEvent.Measured e ? Stream.of(e) : Stream.empty())
            .toList();
    boolean summed = measured.size() > mostActs / ROWS_OF_ACTS;
    if (summed) {
      summedReadings(measured, rows);
    }
    for (BuildEvent.Entry entry : build.inForce()) {
      if (entry.event() instanceof BuildEvent.Measured e && !summed) {
        rows.add(
            Logbook.Row.of(
                name(e.line()), Engineering.reading(e.value(), "Ω"), "", verdict(e.verdict())));
      } else if (entry.event() instanceof BuildEvent.GateRead e) {
        rows.add(
            Logbook.Row.of(
                name(title(e.gate())),
                EventWords.reading(words, e),
                windows.getOrDefault(e.gate(), ""),
                verdict(e.verdict()) + practice(e.practice())));
      }
    }
    table(rows);
  }

  /** What was trimmed, calibrated and proved: nominal against reading, with the verdict. */
  private void finished() {
    List<Logbook.Row> rows = new FinishedRows(words, kit, build).all();
    if (!rows.isEmpty()) {
      heading("report.finished");
      blocks.add(new Logbook.Table(rows));
    }
  }

  /** Programs with what they are known by, and settings without what is private. */
  private void programs() {
    List<Logbook.Row> rows = new ArrayList<>();
    for (BuildEvent.Entry entry : build.inForce()) {
      if (entry.event() instanceof BuildEvent.Loaded e) {
        rows.add(
            Logbook.Row.of(
                name(e.image()),
                words.say("report.loaded", e.bytes()) + sent(e),
                words.say(e.verified() ? "report.verified" : "report.not-verified")
                    + practice(e.practice())));
      }
    }
    Map<String, String> made = build.settings();
    for (Setting setting : kit.firmware().settings()) {
      String value = made.get(setting.id());
      if (value != null && !setting.isPrivate()) {
        rows.add(Logbook.Row.of(words.say("report.setting"), name(setting.id()), name(value)));
      }
    }
    if (!rows.isEmpty()) {
      heading("report.programs");
      blocks.add(new Logbook.Table(rows));
    }
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
    return verdict(words, verdict);
  }

  static String verdict(Words words, String verdict) {
    String key = "report.verdict." + verdict;
    return words.knows(key) ? words.say(key) : name(verdict);
  }

  private String practice(boolean practice) {
    return practice(words, practice);
  }

  static String practice(Words words, boolean practice) {
    return practice ? " " + words.say("report.practice") : "";
  }

  private void deviations() {
    heading("report.deviations");
    List<Logbook.Row> rows = new ArrayList<>();
    for (BuildEvent.Entry entry : build.inForce()) {
      Deviations.of(words, entry.event()).ifPresent(rows::add);
    }
    int most = mostActs / ROWS_OF_ACTS;
    table(rows.subList(0, Math.min(most, rows.size())));
    if (rows.size() > most) {
      text("report.deviations.more", rows.size() - most);
    }
  }

  /** What was wrong and what it was, in plain words. */
  private void cured() {
    if (ledger.cured().isEmpty()) {
      return;
    }
    heading("report.cured");
    List<Logbook.Row> rows = new ArrayList<>();
    for (BuildEvent.Mended mended : ledger.cured()) {
      rows.add(
          Logbook.Row.of(
              FaultWords.say(words, mended.fault()),
              words.say("report.measurements", mended.measurements())));
    }
    blocks.add(new Logbook.Table(rows));
  }

  private void stock() {
    heading("report.left-over");
    List<Logbook.Row> rows = new ArrayList<>();
    ledger
        .over()
        .forEach(each ->
            rows.add(Logbook.Row.of(name(each.item()), words.say("report.spare", each.over()))));
    ledger
        .waits()
        .forEach(each ->
            rows.add(Logbook.Row.of(name(each.item()), words.say("report.short", -each.over()))));
    table(rows);
  }

  private Set<Long> takenBack() {
    Set<Long> gone = new HashSet<>();
    build
        .entries()
        .forEach(e -> {
          if (e.event() instanceof BuildEvent.TookBack back) {
            gone.add(back.number());
          }
        });
    return gone;
  }

  private String when(Instant at) {
    return LocalDate.ofInstant(at, zone) + " " + CLOCK.format(at.atZone(zone));
  }

  private void journal() {
    heading("report.log");
    Set<Long> gone = takenBack();
    List<Logbook.Row> rows = new ArrayList<>();
    for (BuildEvent.Entry entry : build.entries()) {
      rows.add(
          new Logbook.Row(
              List.of(when(entry.at()), EventWords.say(words, entry.event())),
              gone.contains(entry.number())));
    }
    blocks.add(new Logbook.Table(rows));
  }

  /** More acts than anybody reads are summed up, an evening and a stage at a time. */
  private void sums() {
    heading("report.log");
    text("report.log.summed", build.entries().size());
    Map<LocalDate, Map<BenchStage, Integer>> days = new LinkedHashMap<>();
    BenchStage now = BenchStage.SHELF;
    for (BuildEvent.Entry entry : build.entries()) {
      now = BenchStage.of(entry.event()).orElse(now);
      days.computeIfAbsent(
              LocalDate.ofInstant(entry.at(), zone), day -> new EnumMap<>(BenchStage.class))
          .merge(now, 1, Integer::sum);
    }
    List<Logbook.Row> rows = new ArrayList<>();
    days.forEach((day, stages) ->
        stages.forEach((stage, acts) ->
            rows.add(
                Logbook.Row.of(
                    day.toString(),
                    words.say("report.stage." + stage.text()),
                    words.say("report.acts", acts)))));
    blocks.add(new Logbook.Table(rows));
  }
}
