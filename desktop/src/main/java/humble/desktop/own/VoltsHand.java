package humble.desktop.own;

import humble.core.kit.PinRef;
import humble.core.own.Skeleton;
import humble.core.units.Engineering;
import humble.core.units.Quantity;
import humble.core.units.QuantityText;
import humble.desktop.draw.Mat;
import humble.desktop.hand.Hand;
import humble.desktop.stage.Card;
import humble.desktop.stage.Takes;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/** Asks for the volts of the supply. */
final class VoltsHand extends Hand {
  private static final double MOST_V = 1000;

  /** Above this, volts alone are reason enough to leave the work to somebody licensed. */
  private static final double LOW_V = 60;

  private final OwnBench bench;
  private final Skeleton.Ask ask;
  private final Runnable more;

  VoltsHand(OwnBench bench, Skeleton.Ask ask, Runnable more) {
    super(bench.seat());
    this.bench = bench;
    this.ask = ask;
    this.more = more;
  }

  static Optional<Double> volts(String text) {
    return Quantity.parse(text) instanceof QuantityText.Read read
            && read.value() > 0
            && read.value() <= MOST_V
        ? Optional.of(read.value())
        : Optional.empty();
  }

  private List<PinRef> pads() {
    List<PinRef> pads = new ArrayList<>();
    for (String pad : bench.said(Skeleton.IN).orElse("").split(" ")) {
      PinRef.parse(pad).ifPresent(pads::add);
    }
    return pads;
  }

  @Override
  public Card card() {
    Card.Maker card = seat.card(say("own.power.kicker"), say("own.volts.title"));
    card.how(say("own.volts.how"));
    card.field(typed().text(), "V", Takes.DIGITS);
    bench.trouble(card);
    card.key('+', say("own.later"), () -> bench.putOff(ask.id()));
    card.key('.', say("own.more"), more);
    card.key(Card.BACK, say("key.take-back"), bench::takeBack);
    card.why(say("own.volts.why"));
    Optional<Double> read = volts(typed().text());
    if (read.filter(v -> v > LOW_V).isPresent()) {
      card.caution(true, say("own.volts.high"));
    }
    return read.isPresent() && pads().size() == 2
        ? card.go(say("own.volts.go", Engineering.nominal(read.get(), "V")), () -> keep(read.get()))
        : card.notYet(say("own.volts.none"));
  }

  private void keep(double volts) {
    List<PinRef> pads = pads();
    typed().clear();
    bench.tell(
        ask.id(),
        Engineering.nominal(volts, "V"),
        new Skeleton(bench.parts(), bench.answered()).volts(volts, pads.get(0), pads.get(1)));
  }

  @Override
  public Mat mat() {
    List<OwnMat.Tag> tags = new ArrayList<>();
    List<PinRef> pads = pads();
    for (int i = 0; i < pads.size(); i++) {
      String text = say(i == 0 ? "own.in.tag.first" : "own.in.tag.second");
      bench.parts().padAt(pads.get(i)).ifPresent(at -> tags.add(new OwnMat.Tag(at, text)));
    }
    return bench.mat(say("own.mat.pads"), List.of(), tags, Set.of(), OwnMat.Answers.NOTHING);
  }
}
