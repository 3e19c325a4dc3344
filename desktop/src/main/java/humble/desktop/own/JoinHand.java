package humble.desktop.own;

import humble.core.kit.PinRef;
import humble.core.kit.PointMm;
import humble.core.own.Follows;
import humble.core.own.Joining;
import humble.core.own.Stone;
import humble.desktop.draw.Mat;
import humble.desktop.hand.Hand;
import humble.desktop.stage.Card;
import humble.desktop.stage.Standing;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/**
 * Joins pads by hand: from a pad of which nothing is known, along the track that the eye follows.
 */
final class JoinHand extends Hand {
  private final OwnBench bench;
  private final List<PinRef> pads = new ArrayList<>();
  private int lit = -1;
  private boolean over;

  JoinHand(OwnBench bench) {
    super(bench.seat());
    this.bench = bench;
  }

  @Override
  public boolean over() {
    return over;
  }

  private List<String> away() {
    return bench.stones().stream()
        .filter(stone -> stone.name() == Stone.Name.WRONG)
        .flatMap(stone -> stone.away().stream())
        .toList();
  }

  /**
   * The first pad of the track: the one that was clicked, else the next of which nothing is known.
   */
  private Optional<PinRef> start() {
    return pads.isEmpty()
        ? away().stream()
            .flatMap(pin -> PinRef.parse(pin).stream())
            .filter(pin -> bench.parts().padAt(pin).isPresent())
            .findFirst()
        : Optional.of(pads.getFirst());
  }

  private Optional<PinRef> candidate() {
    Optional<PinRef> from = pads.isEmpty() ? start() : Optional.of(pads.getLast());
    if (lit < 0 || from.isEmpty()) {
      return Optional.empty();
    }
    List<PinRef> near = new ArrayList<>(Joining.nearest(bench.parts(), from.get()));
    near.removeAll(pads);
    return near.isEmpty() ? Optional.empty() : Optional.of(near.get(lit % near.size()));
  }

  @Override
  public Card card() {
    Optional<PinRef> start = start();
    int left = away().size();
    Card.Maker card =
        seat.card(
            say("own.join.kicker", left),
            start.isPresent()
                ? say("own.join.title", start.get().toString())
                : say("own.join.all"));
    card.how(say("own.join.how"));
    bench.trouble(card);
    if (pads.size() > 1) {
      card.row(
          Standing.DONE,
          say("own.join.so-far", String.join(" – ", pads.stream().map(PinRef::toString).toList())));
    }
    Joining.net(bench.kit(), pads)
        .ifPresent(net -> card.row(Standing.NOW, say("own.join.net", net)));
    Optional<PinRef> next = candidate();
    next.ifPresent(pin -> card.row(Standing.NOW, say("own.pad.lit", pin.toString())));
    card.key('+', say("own.pad.next"), () -> lit++);
    card.silent('0', () -> nowhere(start));
    card.click("0", say("own.join.nowhere"), () -> nowhere(start));
    card.key('.', say("own.join.leave"), () -> over = true);
    card.key(Card.BACK, say("key.take-back"), this::back);
    card.why(say("own.join.why"));
    if (next.isPresent()) {
      return card.go(say("own.join.take", next.get().toString()), () -> take(next.get()));
    }
    return pads.size() > 1
        ? card.go(say("own.join.end", pads.size()), this::end)
        : card.notYet(say("own.join.click"));
  }

  private void back() {
    lit = -1;
    if (pads.size() > 2) {
      pads.removeLast();
    } else if (!pads.isEmpty()) {
      pads.clear();
    } else {
      bench.takeBack();
    }
  }

  private void nowhere(Optional<PinRef> start) {
    if (pads.size() < 2 && start.isPresent()) {
      bench.tell(Joining.ALONE + start.get(), say("own.join.nowhere"), Follows.nothing());
      pads.clear();
      lit = -1;
    }
  }

  @Override
  public void pick(String spot) {
    if (spot.startsWith("pad:")) {
      PinRef.parse(spot.substring("pad:".length())).ifPresent(this::take);
    }
  }

  private void take(PinRef pin) {
    bench.trouble("");
    lit = -1;
    if (pads.isEmpty()) {
      start().filter(from -> !from.equals(pin)).ifPresent(pads::add);
    }
    if (!pads.contains(pin)) {
      pads.add(pin);
    }
  }

  private void end() {
    List<PinRef> all = List.copyOf(pads);
    String said = String.join(" ", all.stream().map(PinRef::toString).toList());
    if (bench.tell(Joining.QUESTION + all.getFirst(), said, Joining.joined(bench.kit(), all))) {
      pads.clear();
    }
  }

  @Override
  public Mat mat() {
    List<PointMm> rings = new ArrayList<>();
    candidate().flatMap(bench.parts()::padAt).ifPresent(rings::add);
    List<PointMm> track = new ArrayList<>();
    if (pads.isEmpty()) {
      start().map(PinRef::ref).ifPresent(bench::lookAt);
      start().flatMap(bench.parts()::padAt).ifPresent(rings::add);
    }
    pads.forEach(pad -> bench.parts().padAt(pad).ifPresent(track::add));
    // What a pad was joined with before lights up with it.
    Joining.net(bench.kit(), pads.isEmpty() ? List.of() : pads)
        .ifPresent(net ->
            bench.kit().nets().getOrDefault(net, List.of()).stream()
                .filter(pin -> !pads.contains(pin))
                .forEach(pin -> bench.parts().padAt(pin).ifPresent(rings::add)));
    return bench
        .mat(say("own.mat.pads"), rings, List.of(), Set.of(), OwnMat.Answers.PADS)
        .withTrack(track);
  }
}
