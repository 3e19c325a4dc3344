package humble.desktop.wake;

import humble.core.kit.Peripheral;
import humble.desktop.stage.Card;
import java.util.Optional;

/** A peripheral whose test is by eye and hand. */
final class ByEyeWaking extends WakeHand {
  private final Peripheral.Tried other;

  private ByEyeWaking(WakeBench bench, Peripheral.Tried other) {
    super(bench, other);
    this.other = other;
  }

  static Optional<WakeHand> of(WakeBench bench, Peripheral peripheral) {
    return peripheral instanceof Peripheral.Tried other
        ? Optional.of(new ByEyeWaking(bench, other))
        : Optional.empty();
  }

  @Override
  public Card card() {
    return begun(say("wake.by-eye", other.kind().text()))
        .how(say("wake.by-eye.how"))
        .go(say("wake.by-eye.go"), () -> open.act(woke()));
  }

  @Override
  protected Optional<Waking.Picture> picture() {
    return Optional.empty();
  }
}
