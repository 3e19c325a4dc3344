package humble.desktop.fit;

import humble.core.kit.Part;
import humble.core.kit.PinRef;
import humble.core.orient.NetTrace;
import humble.core.route.Step;
import humble.desktop.draw.Mat;
import humble.desktop.hand.Hand;
import humble.desktop.session.OpenBuild;
import humble.desktop.stage.Card;
import humble.desktop.stage.Standing;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/** Follows the net of a pin: what it joins, and what each is for. */
final class NetHand extends OnBoardHand {
  private static final int MOST_JOINED = 9;

  private final Step step;
  private final String title;
  private @Nullable PinRef pin;

  private NetHand(StepHand.Of of, String title, PinRef pin) {
    super(of.seat(), of.open(), of.board());
    this.step = of.step();
    this.title = title;
    this.pin = pin;
  }

  /** Begins with the first pin of a part that is on a net; empty when none is. */
  static Optional<Hand> first(StepHand.Of of, String title, String ref) {
    return pins(of.open(), ref).stream().findFirst().map(pin -> new NetHand(of, title, pin));
  }

  /** Tells whether a part has a pin that is on a net. */
  static boolean isOnAny(OpenBuild open, String ref) {
    return !pins(open, ref).isEmpty();
  }

  /** Begins with the pad that was clicked; empty when that is on no net. */
  static Optional<Hand> at(StepHand.Of of, String title, String spot) {
    return pad(spot)
        .filter(pin -> NetTrace.of(of.open().built(), pin).isPresent())
        .map(pin -> new NetHand(of, title, pin));
  }

  private static Optional<PinRef> pad(String spot) {
    return spot.startsWith("pad:")
        ? PinRef.parse(spot.substring("pad:".length()))
        : Optional.empty();
  }

  private static List<PinRef> pins(OpenBuild open, String ref) {
    return open.built().part(ref).map(Part::pack).stream()
        .flatMap(pack -> pack.pins().stream())
        .map(pin -> new PinRef(ref, pin.number()))
        .filter(pin -> NetTrace.of(open.built(), pin).isPresent())
        .toList();
  }

  private Optional<NetTrace> trace() {
    PinRef now = pin;
    return now == null ? Optional.empty() : NetTrace.of(open.built(), now);
  }

  @Override
  public boolean over() {
    return trace().isEmpty();
  }

  @Override
  public Card card() {
    Card.Maker card = seat.card(StepHand.kicker(seat, open, step), title);
    trace().ifPresent(trace -> joined(card, trace));
    card.key('7', say("fit.key.net"), this::next).silent('N', this::next);
    withMagnifier(withTurning(card));
    return card.go(say("fit.net.leave"), () -> pin = null);
  }

  private void joined(Card.Maker card, NetTrace trace) {
    card.verdict(true, say("fit.net", trace.net(), trace.joined().size()));
    trace.joined().stream()
        .limit(MOST_JOINED)
        .forEach(joined -> card.row(Standing.DONE, seat.say(joined.what())));
    if (trace.joined().size() > MOST_JOINED) {
      card.row(Standing.TO_DO, say("fit.net.more", trace.joined().size() - MOST_JOINED));
    }
  }

  /** Goes from net to net of the part, then back to none. */
  private void next() {
    PinRef now = pin;
    if (now != null) {
      List<PinRef> pins = pins(open, now.ref());
      int next = pins.indexOf(now) + 1;
      pin = next > 0 && next < pins.size() ? pins.get(next) : null;
    }
  }

  @Override
  public void pick(String spot) {
    Optional<PinRef> clicked = pad(spot);
    if (clicked.isPresent()) {
      PinRef at = clicked.get();
      pin = at.equals(pin) ? null : at;
    }
  }

  @Override
  public Mat mat() {
    return board.mat(Optional.of(step), step.refs().stream().findFirst(), trace());
  }
}
