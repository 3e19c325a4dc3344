package humble.desktop.wake;

import humble.core.kit.Peripheral;
import humble.desktop.stage.Card;
import java.util.Optional;

/** A peripheral whose test is by eye and hand. */
final class ByEyeTest extends WakeHand {
  private final Peripheral.Other other;

  private ByEyeTest(WakeBench bench, Peripheral.Other other) {
    super(bench, other);
    this.other = other;
  }

  static Optional<WakeHand> of(WakeBench bench, Peripheral peripheral) {
    return peripheral instanceof Peripheral.Other other
        ? Optional.of(new ByEyeTest(bench, other))
        : Optional.empty();
  }

  @Override
  public Card card() {
    return begun(say("wake.by-eye", other.kind().text()))
        .how(say("wake.by-eye.how"))
        .go(say("wake.by-eye.go"), () -> open.act(woke()));
  }

  @Override
  protected Optional<WakeTest.Picture> picture() {
    return Optional.empty();
  }
}
