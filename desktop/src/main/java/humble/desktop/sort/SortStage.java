package humble.desktop.sort;

import humble.core.build.BuildEvent;
import humble.core.kit.Line;
import humble.core.kit.PartKind;
import humble.core.likeness.Eyes;
import humble.core.likeness.Light;
import humble.core.likeness.LookAlikes;
import humble.core.marking.BandColour;
import humble.core.marking.BandReading;
import humble.core.stock.BatchCheck;
import humble.core.stock.Match;
import humble.core.stock.MeterProfile;
import humble.core.stock.Verdict;
import humble.core.units.Engineering;
import humble.core.units.Quantity;
import humble.core.units.QuantityText;
import humble.core.words.Phrase;
import humble.core.words.Words;
import humble.desktop.draw.Mat;
import humble.desktop.draw.PartIcon;
import humble.desktop.session.OpenBuild;
import humble.desktop.session.Progress;
import humble.desktop.stage.Card;
import humble.desktop.stage.Desk;
import humble.desktop.stage.LineNames;
import humble.desktop.stage.Stage;
import humble.desktop.stage.StageId;
import humble.desktop.stage.Standing;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;
import org.jspecify.annotations.Nullable;

/** Reads bands and meter, and decides which pile a part belongs to. */
public final class SortStage implements Stage {
  private static final List<String> PREFIXES = List.of("", "k", "M");

  private final OpenBuild open;
  private final Desk desk;
  private final Words words;
  private String typed = "";
  private int prefix;
  private @Nullable LookAlikes alikes;
  private Light light = Light.DAYLIGHT;
  private Eyes eyes = Eyes.NORMAL;
  private MeterProfile meter = MeterProfile.USUAL;

  /** Makes the stage. */
  public SortStage(OpenBuild open, Desk desk) {
    this.open = open;
    this.desk = desk;
    this.words = desk.words();
    guessPrefix();
  }

  /** What is to be measured comes first: the rest is then told by its bands. */
  private List<Line> inOrder() {
    List<Line> lines = new ArrayList<>(Progress.toSort(open.kit()));
    LookAlikes now = alikes();
    lines.sort(Comparator.comparing(line -> !now.measure().contains(line.id())));
    return lines;
  }

  private Optional<Line> current() {
    return inOrder().stream().filter(line -> !Progress.sorted(open.build(), line)).findFirst();
  }

  private Light light() {
    return open.build().sees().flatMap(s -> Light.named(s.light())).orElse(Light.DAYLIGHT);
  }

  private Eyes eyes() {
    return open.build().sees().flatMap(s -> Eyes.named(s.eyes())).orElse(Eyes.NORMAL);
  }

  private MeterProfile meter() {
    return open.build().meter().flatMap(MeterProfile::named).orElse(MeterProfile.USUAL);
  }

  /** What the last readings say against the meter or its leads, when they do. */
  private Optional<Phrase> suspectMeter() {
    List<BatchCheck.Reading> readings = new ArrayList<>();
    for (BuildEvent.Entry entry : open.build().inForce()) {
      if (entry.event() instanceof BuildEvent.Measured measured) {
        OptionalDouble nominal = ohms(measured.line());
        if (nominal.isPresent()) {
          double value = measured.value();
          double digit = Math.pow(10, Math.floor(Math.log10(Math.max(value, 1e-9))) - 2);
          readings.add(
              new BatchCheck.Reading(
                  nominal.getAsDouble(), value, meter().at(value).uncertainty(value, digit)));
        }
      }
    }
    return BatchCheck.suspect(readings);
  }

  private LookAlikes alikes() {
    LookAlikes known = alikes;
    if (known == null || light != light() || eyes != eyes() || !meter.equals(meter())) {
      light = light();
      eyes = eyes();
      meter = meter();
      known = LookAlikes.of(open.kit(), light, eyes, meter);
      alikes = known;
    }
    return known;
  }

  private boolean toMeasure(Line line) {
    return alikes().measure().contains(line.id());
  }

  /** The prefix of the value that is expected here. */
  private void guessPrefix() {
    double expected =
        current()
            .map(line ->
                Quantity.parse(line.value()) instanceof QuantityText.Read read ? read.value() : 1.0)
            .orElse(1.0);
    prefix = expected >= 1e6 ? 2 : expected >= 1e3 ? 1 : 0;
  }

  /** Reads the field: a prefix that was typed wins over the one shown. */
  private QuantityText reading() {
    QuantityText read = Quantity.parse(typed);
    if (read instanceof QuantityText.Read r && r.prefix().isEmpty()) {
      double scale = Math.pow(1000, prefix);
      return new QuantityText.Read(r.value() * scale, PREFIXES.get(prefix), r.resolution() * scale);
    }
    return read;
  }

  private Optional<Match> match() {
    return !typed.isEmpty()
            && !BandEntry.meant(typed)
            && reading() instanceof QuantityText.Read read
        ? Optional.of(
            Match.of(
                open.kit(),
                PartKind.RESISTOR,
                read.value(),
                read.resolution(),
                meter().at(read.value())))
        : Optional.empty();
  }

  @Override
  public Card card() {
    Line line = current().orElse(null);
    List<Line> all = inOrder();
    if (line == null) {
      Card.Maker card =
          new Card.Maker(words.say("sort.kicker", all.size(), all.size()), words.say("sort.done"));
      for (Line each : all) {
        card.row(Standing.DONE, words.say("sort.row", LineNames.brief(words, each), each.refs()));
      }
      takeBack(card);
      return card.go(words.say("sort.plan"));
    }
    String bands = PartIcon.bands(line).map(SortStage::letters).orElse(line.marking());
    Card.Maker card =
        new Card.Maker(
            words.say("sort.kicker", all.indexOf(line) + 1, all.size()),
            words.say(toMeasure(line) ? "sort.title" : "sort.title-bands", bands));
    boolean alone = alikes().of(line.id()).isEmpty();
    String how = toMeasure(line) ? "sort.how" : alone ? "sort.how-unlike" : "sort.how-measured";
    card.how(words.say(how));
    List<String> never =
        alikes().cannotTell().stream()
            .filter(pair -> pair.contains(line.id()))
            .flatMap(List::stream)
            .filter(id -> !id.equals(line.id()))
            .map(this::name)
            .toList();
    if (!never.isEmpty()) {
      card.how(words.say("sort.cannot", never));
    }
    if (typed.isEmpty()) {
      suspectMeter().ifPresent(phrase -> card.caution(false, desk.coreWords().say(phrase)));
    }
    boolean bandsMeant = BandEntry.meant(typed);
    card.field(
        typed,
        bandsMeant ? words.say("sort.bands-unit") : words.say("sort.unit", PREFIXES.get(prefix)));
    String go = verdict(card);
    List<String> like =
        alikes().of(line.id()).stream()
            .map(pair -> name(pair.a().equals(line.id()) ? pair.b() : pair.a()))
            .toList();
    card.why(like.isEmpty() ? words.say("sort.unlike") : words.say("sort.like", like));
    card.why(words.say("sort.letters"));
    card.why(words.say("sort.meter." + meter().id()));
    card.hint(
        "+",
        words.say("sort.prefix"),
        () -> {
          plus();
          desk.refresh();
        });
    if (typed.isEmpty()) {
      sight(card);
    }
    takeBack(card);
    if (typed.isEmpty() && !toMeasure(line)) {
      return card.go(words.say("sort.go", name(line.id())));
    }
    if (typed.isEmpty()) {
      return open.practiceOn()
          ? card.go(words.say("sort.practice"))
          : card.notYet(words.say("sort.type"));
    }
    return go.isEmpty() ? card.notYet(words.say("sort.again")) : card.go(go);
  }

  private void sight(Card.Maker card) {
    card.hint(
        "L", words.say("sort.light." + light().name().toLowerCase(Locale.ROOT)), () -> sees('L'));
    card.hint("M", words.say("sort.meter-key." + meter().id()), this::nextMeter);
    card.hint(
        "E", words.say("sort.eyes." + eyes().name().toLowerCase(Locale.ROOT)), () -> sees('E'));
  }

  /** Goes to the next lamp or the next eyes. */
  private void sees(char which) {
    Light nextLight =
        which == 'L' ? Light.values()[(light().ordinal() + 1) % Light.values().length] : light();
    Eyes nextEyes =
        which == 'E' ? Eyes.values()[(eyes().ordinal() + 1) % Eyes.values().length] : eyes();
    open.act(
        new BuildEvent.Sees(
            nextLight.name().toLowerCase(Locale.ROOT), nextEyes.name().toLowerCase(Locale.ROOT)));
    desk.type("");
    guessPrefix();
    desk.refresh();
  }

  /** Goes to the next of the common meters. */
  private void nextMeter() {
    int next = (MeterProfile.COMMON.indexOf(meter()) + 1) % MeterProfile.COMMON.size();
    open.act(new BuildEvent.UsesMeter(MeterProfile.COMMON.get(next).id()));
    desk.type("");
    guessPrefix();
    desk.refresh();
  }

  @Override
  public void letter(char letter) {
    if (letter == 'L' || letter == 'E') {
      sees(letter);
    } else if (letter == 'M') {
      nextMeter();
    }
  }

  @Override
  public void pick(String spot) {
    if (spot.startsWith("band:") && current().isPresent()) {
      String letters = spot.substring("band:".length());
      desk.type(BandEntry.meant(typed) ? typed + letters : letters);
    }
  }

  private static String letters(List<BandColour> bands) {
    return String.join("-", bands.stream().map(BandColour::letters).toList());
  }

  private void takeBack(Card.Maker card) {
    card.hint(
        "−",
        words.say("key.take-back"),
        () -> {
          open.takeBack();
          desk.go(StageId.SORT);
        });
  }

  /**
   * Puts the verdict on the card and gives what Enter then does, empty when nothing can be decided.
   */
  private String verdict(Card.Maker card) {
    if (typed.isEmpty()) {
      return "";
    }
    if (BandEntry.meant(typed)) {
      return bandVerdict(card, BandEntry.of(typed, open.kit()));
    }
    if (reading() instanceof QuantityText.Unreadable bad) {
      card.verdict(false, bad.sentence());
      return "";
    }
    Match match = match().orElseThrow();
    String low = Engineering.reading(match.interval().low(), "Ω");
    String high = Engineering.reading(match.interval().high(), "Ω");
    if (match.decision().isEmpty()) {
      boolean close = !match.ambiguous().isEmpty();
      card.verdict(
          false,
          close
              ? words.say("sort.ambiguous", match.ambiguous().stream().map(this::name).toList())
              : words.say("sort.nothing", low, high));
      return "";
    }
    Match.Candidate best = match.lines().getFirst();
    card.verdict(true, words.say("sort.is", name(best.line().id()), best.line().refs()));
    card.how(words.say(best.verdict() == Verdict.INSIDE ? "sort.inside" : "sort.edge", low, high));
    return words.say("sort.go", name(best.line().id()));
  }

  private String bandVerdict(Card.Maker card, BandEntry entry) {
    if (!entry.unread().isEmpty()) {
      card.verdict(
          entry.unread().length() == 1,
          words.say("sort.bands-unread", entry.unread(), "bk bn rd og ye gn bu vt gy wh gd sr"));
      return "";
    }
    if (entry.readings().isEmpty()) {
      card.verdict(false, words.say("sort.bands-none"));
      return "";
    }
    for (BandReading reading : entry.readings()) {
      card.how(
          words.say(
              reading.reversed() ? "sort.bands-other-end" : "sort.bands",
              Engineering.nominal(reading.ohms(), "Ω"),
              reading.tolerancePct()));
    }
    List<Line> lines = entry.lines(open.kit());
    if (lines.size() != 1) {
      String value = Engineering.nominal(entry.readings().getFirst().ohms(), "Ω");
      card.verdict(
          false,
          lines.isEmpty() ? words.say("sort.bands-no-line", value) : words.say("sort.bands-two"));
      return "";
    }
    Line line = lines.getFirst();
    if (toMeasure(line)) {
      card.verdict(false, words.say("sort.bands-like", name(line.id())));
      return "";
    }
    card.verdict(true, words.say("sort.is", name(line.id()), line.refs()));
    return words.say("sort.go", name(line.id()));
  }

  private String name(String id) {
    return open.kit().line(id).map(line -> LineNames.brief(words, line)).orElse(id);
  }

  @Override
  public boolean takesLetter(char letter) {
    return "bnrogyvws".indexOf(Character.toLowerCase(letter)) >= 0;
  }

  @Override
  public void typing(String text) {
    typed = text;
  }

  @Override
  public void plus() {
    prefix = (prefix + 1) % PREFIXES.size();
  }

  @Override
  public void enter(String text) {
    Line line = current().orElse(null);
    if (line == null) {
      desk.go(StageId.PLAN);
      return;
    }
    typed = text;
    if (text.isEmpty() && !toMeasure(line)) {
      open.act(new BuildEvent.BandsRead(line.id()));
      guessPrefix();
      return;
    }
    if (text.isEmpty()) {
      practiceReading(line);
      return;
    }
    if (BandEntry.meant(text)) {
      List<Line> lines = BandEntry.of(text, open.kit()).lines(open.kit());
      if (lines.size() == 1 && !toMeasure(lines.getFirst())) {
        open.act(new BuildEvent.BandsRead(lines.getFirst().id()));
        desk.type("");
        guessPrefix();
      }
      return;
    }
    Match match = match().orElse(null);
    if (match != null && match.decision().isPresent()) {
      String verdict = match.lines().getFirst().verdict().name().toLowerCase(Locale.ROOT);
      open.act(new BuildEvent.Measured(match.decision().get(), match.value(), verdict));
      desk.type("");
      guessPrefix();
    }
  }

  private void practiceReading(Line line) {
    OptionalDouble read =
        open.practiceOn() ? open.practice().measureLine(line.id()) : OptionalDouble.empty();
    read.ifPresent(value -> {
      double scaled = value / Math.pow(1000, prefix);
      int decimals = Math.clamp(3 - (int) Math.floor(Math.log10(Math.max(scaled, 1e-9))), 0, 6);
      desk.type(String.format(Locale.ROOT, "%." + decimals + "f", scaled));
    });
  }

  private Optional<RulerMat.Tie> tie(LookAlikes.Pair pair) {
    OptionalDouble a = ohms(pair.a());
    OptionalDouble b = ohms(pair.b());
    return a.isPresent() && b.isPresent()
        ? Optional.of(new RulerMat.Tie(a.getAsDouble(), b.getAsDouble()))
        : Optional.empty();
  }

  private OptionalDouble ohms(String id) {
    Line line = open.kit().line(id).orElse(null);
    return line != null
            && line.kind() == PartKind.RESISTOR
            && Quantity.parse(line.value()) instanceof QuantityText.Read read
        ? OptionalDouble.of(read.value())
        : OptionalDouble.empty();
  }

  @Override
  public Mat mat() {
    List<RulerMat.Slab> slabs = new ArrayList<>();
    Optional<Match> match = match();
    List<Line> byBands =
        BandEntry.meant(typed) ? BandEntry.of(typed, open.kit()).lines(open.kit()) : List.of();
    for (Line line : open.kit().lines()) {
      if (line.kind() == PartKind.RESISTOR
          && Quantity.parse(line.value()) instanceof QuantityText.Read read) {
        Double tolerance = line.tolerancePct();
        boolean decided =
            byBands.contains(line)
                || match.flatMap(Match::decision).map(line.id()::equals).orElse(false);
        slabs.add(
            new RulerMat.Slab(
                LineNames.brief(words, line),
                read.value(),
                tolerance == null ? 5 : tolerance,
                Progress.sorted(open.build(), line),
                decided));
      }
    }
    OptionalDouble needle =
        match.map(m -> OptionalDouble.of(m.value())).orElse(OptionalDouble.empty());
    boolean entered = BandEntry.meant(typed);
    List<BandColour> bands =
        entered
            ? BandEntry.of(typed, open.kit()).bands()
            : current().flatMap(PartIcon::bands).orElse(List.of());
    List<RulerMat.Tie> ties =
        alikes().pairs().stream().flatMap(pair -> tie(pair).stream()).toList();
    return new RulerMat(
        words.say("sort.mat"),
        slabs,
        ties,
        needle,
        bands,
        words.say(entered ? "sort.part.entered" : "sort.part"));
  }
}
