package humble.desktop.own;

import humble.core.kit.PinRef;
import humble.core.kit.PointMm;
import humble.core.own.Skeleton;
import humble.desktop.draw.Mat;
import humble.desktop.hand.Hand;
import humble.desktop.stage.Card;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;

/** Asks for further pads that are ground: each is clicked, a second click takes it away. */
final class GroundHand extends Hand {
  private final OwnBench bench;
  private final Skeleton.Ask ask;
  private final Runnable more;
  private final Set<PinRef> pads = new LinkedHashSet<>();

  GroundHand(OwnBench bench, Skeleton.Ask ask, Runnable more) {
    super(bench.seat());
    this.bench = bench;
    this.ask = ask;
    this.more = more;
  }

  @Override
  public Card card() {
    Card.Maker card = seat.card(say("own.power.kicker"), say("own.ground.title"));
    card.how(say("own.ground.how"));
    bench.trouble(card);
    card.key('+', say("own.later"), () -> bench.putOff(ask.id()));
    card.key('.', say("own.more"), more);
    card.key(Card.BACK, say("key.take-back"), this::back);
    card.why(say("own.ground.why"));
    return card.go(
        pads.isEmpty() ? say("own.ground.none") : say("own.ground.go", pads.size()), this::keep);
  }

  private void back() {
    if (pads.isEmpty()) {
      bench.takeBack();
    } else {
      pads.remove(List.copyOf(pads).getLast());
    }
  }

  private void keep() {
    List<PinRef> all = List.copyOf(pads);
    bench.tell(
        ask.id(),
        all.isEmpty()
            ? say("own.ground.none")
            : String.join(" ", all.stream().map(PinRef::toString).toList()),
        new Skeleton(bench.parts(), bench.answered()).grounded(all));
  }

  @Override
  public void pick(String spot) {
    if (spot.startsWith("pad:")) {
      PinRef.parse(spot.substring("pad:".length()))
          .ifPresent(pin -> {
            if (!pads.remove(pin)) {
              pads.add(pin);
            }
          });
    }
  }

  @Override
  public Mat mat() {
    List<PointMm> rings = new ArrayList<>();
    pads.forEach(pad -> bench.parts().padAt(pad).ifPresent(rings::add));
    return bench.mat(say("own.mat.pads"), rings, List.of(), Set.of(), OwnMat.Answers.PADS);
  }
}
