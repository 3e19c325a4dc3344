package humble.desktop.sort;

import humble.core.build.BuildEvent;
import humble.core.kit.Line;
import humble.core.kit.PartKind;
import humble.core.likeness.Eyes;
import humble.core.likeness.Light;
import humble.core.marking.BandColour;
import humble.core.stock.Match;
import humble.core.stock.MeterProfile;
import humble.core.stock.Verdict;
import humble.core.units.Engineering;
import humble.core.units.Quantity;
import humble.core.units.QuantityText;
import humble.desktop.draw.Mat;
import humble.desktop.draw.PartIcon;
import humble.desktop.hand.Hand;
import humble.desktop.session.OpenBuild;
import humble.desktop.stage.Card;
import humble.desktop.stage.Takes;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;

/** Takes one part from the heap: its reading or its bands say which pile it belongs to. */
final class PileHand extends Hand {
  private static final List<String> PREFIXES = List.of("", "k", "M");

  /** First letters of the names of bands. */
  private static final String BAND_LETTERS = "bnrogyvws";

  private final Piles piles;
  private final OpenBuild open;
  private final Line line;
  private int prefix;

  PileHand(Piles piles, Line line) {
    super(piles.seat());
    this.piles = piles;
    this.open = piles.open();
    this.line = line;
    guessPrefix();
  }

  /** The prefix of the value that is expected here. */
  private void guessPrefix() {
    double expected =
        Quantity.parse(line.value()) instanceof QuantityText.Read read ? read.value() : 1.0;
    prefix = expected >= 1e6 ? 2 : expected >= 1e3 ? 1 : 0;
  }

  /** Reads the field: a prefix that was typed wins over the one shown. */
  private QuantityText reading() {
    QuantityText read = Quantity.parse(typed().text());
    if (read instanceof QuantityText.Read r && r.prefix().isEmpty()) {
      double scale = Math.pow(1000, prefix);
      return new QuantityText.Read(r.value() * scale, PREFIXES.get(prefix), r.resolution() * scale);
    }
    return read;
  }

  private boolean bandsMeant() {
    return BandEntry.meant(typed().text());
  }

  private Optional<Match> match() {
    return !typed().isEmpty() && !bandsMeant() && reading() instanceof QuantityText.Read read
        ? Optional.of(
            Match.of(
                open.kit(),
                PartKind.RESISTOR,
                read.value(),
                read.resolution(),
                piles.meter().at(read.value())))
        : Optional.empty();
  }

  @Override
  public Card card() {
    List<Line> all = piles.inOrder();
    boolean measures = piles.toMeasure(line);
    String bands = PartIcon.bands(line).map(PileHand::letters).orElse(line.marking());
    Card.Maker card =
        seat.card(
            say("sort.kicker", all.indexOf(line) + 1, all.size()),
            say(measures ? "sort.title" : "sort.title-bands", bands));
    how(card, measures);
    card.field(
        typed().text(),
        bandsMeant() ? say("sort.bands-unit") : say("sort.unit", PREFIXES.get(prefix)),
        Takes.digitsOr(BAND_LETTERS));
    Optional<BuildEvent> decided = verdict(card);
    List<String> like = piles.like(line);
    card.why(like.isEmpty() ? say("sort.unlike") : say("sort.like", like));
    card.why(say("sort.letters"));
    card.why(say("sort.meter." + piles.meter().id()));
    card.key('+', say("sort.prefix"), () -> prefix = (prefix + 1) % PREFIXES.size());
    if (typed().isEmpty()) {
      sight(card);
      return measures
          ? open.practiceOn()
              ? card.go(say("sort.practice"), this::practise)
              : card.notYet(say("sort.type"))
          : card.go(
              say("sort.go", piles.name(line.id())),
              () -> act(new BuildEvent.BandsRead(line.id())));
    }
    return decided
        .map(event -> card.go(say("sort.go", piles.name(lineOf(event))), () -> act(event)))
        .orElseGet(() -> card.notYet(say("sort.again")));
  }

  private static String lineOf(BuildEvent decided) {
    return decided instanceof BuildEvent.Measured measured
        ? measured.line()
        : ((BuildEvent.BandsRead) decided).line();
  }

  private void act(BuildEvent event) {
    open.act(event);
    typed().clear();
    guessPrefix();
  }

  private void how(Card.Maker card, boolean measures) {
    boolean alone = piles.alikes().of(line.id()).isEmpty();
    card.how(say(measures ? "sort.how" : alone ? "sort.how-unlike" : "sort.how-measured"));
    List<String> never = piles.cannotTell(line);
    if (!never.isEmpty()) {
      card.how(say("sort.cannot", never));
    }
    if (typed().isEmpty()) {
      piles.suspectMeter().ifPresent(phrase -> card.caution(false, seat.say(phrase)));
    }
  }

  /** The lamp, the meter and the eyes can be said while nothing is typed. */
  private void sight(Card.Maker card) {
    Light light = piles.light();
    Eyes eyes = piles.eyes();
    MeterProfile meter = piles.meter();
    card.key(
        'L',
        say("sort.light." + light.name().toLowerCase(Locale.ROOT)),
        () -> sees(Light.values()[(light.ordinal() + 1) % Light.values().length], eyes));
    int next = (MeterProfile.COMMON.indexOf(meter) + 1) % MeterProfile.COMMON.size();
    card.key(
        'M',
        say("sort.meter-key." + meter.id()),
        () -> act(new BuildEvent.UsesMeter(MeterProfile.COMMON.get(next).id())));
    card.key(
        'E',
        say("sort.eyes." + eyes.name().toLowerCase(Locale.ROOT)),
        () -> sees(light, Eyes.values()[(eyes.ordinal() + 1) % Eyes.values().length]));
  }

  private void sees(Light light, Eyes eyes) {
    act(
        new BuildEvent.Sees(
            light.name().toLowerCase(Locale.ROOT), eyes.name().toLowerCase(Locale.ROOT)));
  }

  @Override
  public void pick(String spot) {
    if (spot.startsWith("band:")) {
      String letters = spot.substring("band:".length());
      typed().type(bandsMeant() ? typed().text() + letters : letters);
    }
  }

  private static String letters(List<BandColour> bands) {
    return String.join("-", bands.stream().map(BandColour::letters).toList());
  }

  /** Says what the text amounts to, and gives what it decides; empty when it decides nothing. */
  private Optional<BuildEvent> verdict(Card.Maker card) {
    if (typed().isEmpty()) {
      return Optional.empty();
    }
    if (bandsMeant()) {
      return new BandVerdict(piles, BandEntry.of(typed().text(), open.kit())).on(card);
    }
    if (reading() instanceof QuantityText.Unreadable bad) {
      card.verdict(false, bad.sentence());
      return Optional.empty();
    }
    return match().flatMap(match -> verdict(card, match));
  }

  private Optional<BuildEvent> verdict(Card.Maker card, Match match) {
    String low = Engineering.reading(match.interval().low(), "Ω");
    String high = Engineering.reading(match.interval().high(), "Ω");
    if (match.decision().isEmpty()) {
      List<String> close = match.ambiguous().stream().map(piles::name).toList();
      card.verdict(
          false, close.isEmpty() ? say("sort.nothing", low, high) : say("sort.ambiguous", close));
      return Optional.empty();
    }
    Match.Candidate best = match.lines().getFirst();
    card.verdict(true, say("sort.is", piles.name(best.line().id()), best.line().refs()));
    card.how(say(best.verdict() == Verdict.INSIDE ? "sort.inside" : "sort.edge", low, high));
    return Optional.of(
        new BuildEvent.Measured(
            match.decision().get(), match.value(), best.verdict().name().toLowerCase(Locale.ROOT)));
  }

  private void practise() {
    open.practice()
        .measureLine(line.id())
        .ifPresent(value -> {
          double scaled = value / Math.pow(1000, prefix);
          int decimals = Math.clamp(3 - (int) Math.floor(Math.log10(Math.max(scaled, 1e-9))), 0, 6);
          typed().show(String.format(Locale.ROOT, "%." + decimals + "f", scaled));
        });
  }

  @Override
  public Mat mat() {
    if (bandsMeant()) {
      BandEntry entry = BandEntry.of(typed().text(), open.kit());
      List<String> lines = entry.lines(open.kit()).stream().map(Line::id).toList();
      return new Ruler(piles).mat(lines, OptionalDouble.empty(), entry.bands(), true);
    }
    Optional<Match> match = match();
    OptionalDouble needle =
        match.isPresent() ? OptionalDouble.of(match.get().value()) : OptionalDouble.empty();
    List<String> decided = match.flatMap(Match::decision).map(List::of).orElse(List.of());
    return new Ruler(piles).mat(decided, needle, PartIcon.bands(line).orElse(List.of()), false);
  }
}
