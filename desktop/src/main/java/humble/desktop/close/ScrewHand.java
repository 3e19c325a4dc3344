package humble.desktop.close;

import humble.core.build.BuildEvent;
import humble.core.casing.ScrewFit;
import humble.core.casing.ScrewThread;
import humble.core.kit.Enclosure;
import humble.core.units.Quantity;
import humble.core.units.QuantityText;
import humble.desktop.draw.Mat;
import humble.desktop.hand.Seat;
import humble.desktop.stage.Card;
import humble.desktop.stage.Takes;
import java.util.OptionalDouble;

/** One kind of screw: how long, how tight; and what to do where the bag holds another. */
final class ScrewHand extends CloseHand {
  private static final double MOST_MM = 300;

  private final ScrewFit fit;
  private final String kicker;

  ScrewHand(Seat seat, CloseCards cards, ScrewFit fit, String kicker) {
    super(seat, cards);
    this.fit = fit;
    this.kicker = kicker;
  }

  /** Gives what a kind of screw is called. */
  static String name(Seat seat, ScrewFit fit) {
    return seat.say(
        "close.screw",
        String.valueOf(fit.screw().count()),
        fit.screw().thread(),
        fit.chooseMm().isEmpty()
            ? seat.say("close.no-length")
            : CloseCards.mm(fit.chooseMm().getFirst()));
  }

  private OptionalDouble typedMm() {
    return Quantity.parse(typed().text()) instanceof QuantityText.Read read
            && read.value() > 0
            && read.value() < MOST_MM
        ? OptionalDouble.of(read.value())
        : OptionalDouble.empty();
  }

  @Override
  public Card card() {
    Enclosure.Screw screw = fit.screw();
    Card.Maker card = seat.card(kicker, name(seat, fit));
    if (typed().isEmpty()) {
      how(card, screw);
    }
    card.field(typed().text(), "mm", Takes.DIGITS);
    withKeys(card);
    if (typed().isEmpty()) {
      cards.withUnfitted(card);
      cards.withUnsaid(card);
      card.why(say("close.other"));
      return fit.chooseMm().isEmpty()
          ? card.notYet(say("close.type-length"))
          : card.go(say("close.go"), () -> cards.open().act(new BuildEvent.Closed(screw.id())));
    }
    OptionalDouble mm = typedMm();
    return mm.isEmpty() ? card.notYet(say("close.type-length")) : judged(card, mm.getAsDouble());
  }

  private void how(Card.Maker card, Enclosure.Screw screw) {
    card.how(say("close.through", named(screw), title(screw.into())));
    card.how(
        fit.tooLongMm() == null
            ? say("close.short", CloseCards.mm(fit.tooShortMm()))
            : say(
                "close.between", CloseCards.mm(fit.tooShortMm()), CloseCards.mm(fit.tooLongMm())));
    cards.casing().ifPresent(casing -> card.how(seat.say(ScrewFit.tight(casing, screw))));
    ScrewThread.named(screw.thread())
        .ifPresent(thread ->
            card.why(
                say(
                    "close.holes",
                    thread.text(),
                    CloseCards.mm(thread.passMm()),
                    CloseCards.mm(thread.tapMm()),
                    CloseCards.mm(thread.nutMm()))));
    fit.longerMm().ifPresent(longer -> card.why(say("close.longer", CloseCards.mm(longer))));
    fit.shorterMm().ifPresent(shorter -> card.why(say("close.shorter", CloseCards.mm(shorter))));
  }

  private String named(Enclosure.Screw screw) {
    return String.join(", ", screw.through().stream().map(this::title).toList());
  }

  private String title(String layer) {
    return cards.casing().stream()
        .flatMap(casing -> casing.layers().stream())
        .filter(each -> each.id().equals(layer) && !each.title().isBlank())
        .map(Enclosure.Layer::title)
        .findFirst()
        .orElse(layer);
  }

  /** What the screw that is in the bag would do. */
  private Card judged(Card.Maker card, double mm) {
    Double most = fit.tooLongMm();
    return switch (fit.judge(mm)) {
      case FITS -> {
        card.verdict(true, say("close.judged.fits", CloseCards.mm(mm)));
        yield card.go(say("close.go"), () -> taken(mm, 0));
      }
      case SHORT -> {
        card.verdict(false, say("close.judged.short", CloseCards.mm(fit.tooShortMm() - mm)));
        yield card.notYet(say("close.type-length"));
      }
      case LONG -> {
        double cut = most == null ? mm : most;
        card.verdict(false, say("close.judged.long", CloseCards.mm(mm - cut), CloseCards.mm(cut)));
        card.how(say("close.judged.cut"));
        yield card.go(say("close.cut", CloseCards.mm(cut)), () -> taken(mm, cut));
      }
      case TOO_LONG -> {
        card.verdict(false, say("close.judged.too-long"));
        yield card.notYet(say("close.type-length"));
      }
    };
  }

  private void taken(double mm, double cutMm) {
    typed().clear();
    cards
        .open()
        .act(
            new BuildEvent.ScrewTaken(fit.screw().id(), mm, cutMm),
            new BuildEvent.Closed(fit.screw().id()));
  }

  @Override
  public Mat mat() {
    return cards.mat(fit.screw().id());
  }
}
