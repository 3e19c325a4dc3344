package humble.desktop.finish;

import humble.bench.trim.PracticeInstrument;
import humble.core.build.BuildEvent;
import humble.core.kit.Proof;
import humble.core.stock.Verdict;
import humble.core.units.Engineering;
import humble.core.units.Quantity;
import humble.core.units.QuantityText;
import humble.core.wake.Proving;
import humble.desktop.draw.Mat;
import humble.desktop.hand.Seat;
import humble.desktop.session.OpenBuild;
import humble.desktop.stage.Card;
import humble.desktop.stage.Takes;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/**
 * An instrument is held to a known part: which terminals, what it should read, what it does read,
 * and what that is worth.
 */
final class ProofHand extends FinishHand {
  private static final List<String> PREFIXES = List.of("p", "n", "u", "m", "", "k", "M");

  private final Proof proof;
  private @Nullable Proving read;
  private boolean practised;
  private String shown = "";

  ProofHand(Seat seat, OpenBuild open, Proof proof) {
    super(seat, open, proof.id());
    this.proof = proof;
  }

  @Override
  public Card card() {
    Proving now = read;
    return now == null ? asks() : judged(now);
  }

  private Card asks() {
    Card.Maker card = begun(kicker(), say("proof.title", proof.title(), nominal()));
    needs(card, proof.loose());
    later(card);
    if (proof.mayBeCharged()) {
      card.caution(false, say("proof.charge"));
    }
    if (!proof.terminals().isEmpty()) {
      card.how(
          say(
              proof.polarised() ? "proof.between-plus" : "proof.between",
              String.join(" – ", proof.terminals())));
    }
    if (proof.meter().isEmpty()) {
      card.why(say("proof.no-meter"));
    }
    card.field(typed().text(), proof.unit(), Takes.DIGITS);
    if (typed().isEmpty()) {
      return open.practiceOn()
          ? card.go(say("wake.read.practice"), this::practise)
          : card.notYet(say("wake.read.type"));
    }
    return switch (Quantity.parse(typed().text())) {
      case QuantityText.Read value ->
          card.go(
              say("wake.read.go", Engineering.reading(value.value(), proof.unit())),
              () -> take(value));
      case QuantityText.Unreadable bad ->
          card.verdict(false, bad.sentence()).notYet(say("wake.read.type"));
    };
  }

  private void practise() {
    double reads = new PracticeInstrument(open.practice().seed()).reads(proof);
    typed().show(written(reads));
  }

  /** As a display of four digits writes it. */
  private static String written(double reads) {
    int thousands = (int) Math.floor(Math.log10(Math.abs(reads)) / 3);
    int prefix = Math.clamp(thousands, -4, 2);
    return String.format(
        Locale.ROOT, "%.4g%s", reads / Math.pow(1000, prefix), PREFIXES.get(prefix + 4));
  }

  private void take(QuantityText.Read value) {
    shown = typed().text();
    practised = typed().isPractice();
    read = Proving.of(proof, value.value(), value.resolution());
    typed().clear();
  }

  private String kicker() {
    List<Proof> all = open.kit().finishing().proofs();
    return say("proof.kicker", all.indexOf(proof) + 1, all.size());
  }

  private String nominal() {
    String value = Engineering.nominal(proof.nominal(), proof.unit());
    return proof.tolerancePct() > 0
        ? say("proof.within", value, TrimHand.number(proof.tolerancePct()))
        : value;
  }

  private Card judged(Proving now) {
    String reads = shown.replaceFirst("([0-9.]) *([A-Za-zµ]?)$", "$1 $2") + proof.unit();
    Card.Maker card =
        begun(kicker(), say("proof.reads", reads, nominal()))
            .verdict(
                now.verdict() == Verdict.INSIDE,
                say(
                    "proof." + name(now.verdict()),
                    String.format(Locale.ROOT, "%+.2f", now.errorPct())));
    if (now.decades() != 0) {
      card.how(say("proof.decade", Math.abs(now.decades())));
    } else {
      opinion(now).ifPresent(card::how);
    }
    if (practised) {
      card.why(say("wake.simulated"));
    }
    card.key(Card.ESC, say("proof.again"), () -> read = null);
    if (now.verdict() == Verdict.OUTSIDE) {
      card.key(
          '/',
          say("wake.mend"),
          () -> {
            write(now);
            seat.desk().wrong();
          });
    }
    return card.go(
        say(now.verdict() == Verdict.INSIDE ? "wake.read.good" : "proof.write"), () -> write(now));
  }

  private Optional<String> opinion(Proving now) {
    return switch (now.opinion()) {
      case Proving.Opinion.Needless none -> Optional.empty();
      case Proving.Opinion.BetterPart part ->
          Optional.of(say("proof.better-part", percent(part.tolerancePct())));
      case Proving.Opinion.OtherMeter other ->
          Optional.of(
              other
                  .profile()
                  .map(id ->
                      say(
                          "proof.other-meter-such",
                          percent(other.withinPct()),
                          say("sort.meter-key." + id)))
                  .orElseGet(() -> say("proof.other-meter", percent(other.withinPct()))));
    };
  }

  private static String percent(double value) {
    return String.format(Locale.ROOT, "%.2g", value);
  }

  private static String name(Verdict verdict) {
    return verdict.name().toLowerCase(Locale.ROOT);
  }

  private void write(Proving now) {
    read = null;
    open.act(new BuildEvent.Proved(proof.id(), now.reads(), name(now.verdict()), practised));
  }

  @Override
  public Mat mat() {
    return new ProofMat(open, proof, Optional.ofNullable(read), seat.words());
  }
}
