package humble.desktop.wake;

import humble.core.build.BuildEvent;
import humble.core.kit.Peripheral;
import humble.desktop.draw.Mat;
import humble.desktop.hand.Hand;
import humble.desktop.session.Errand;
import humble.desktop.session.OpenBuild;
import humble.desktop.stage.Card;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.function.Supplier;
import org.jspecify.annotations.Nullable;

/** Wakes one peripheral: asks the board to run a test, then asks what is seen. */
abstract class WakeHand extends Hand {
  protected final WakeBench bench;
  protected final OpenBuild open;
  private final Peripheral peripheral;
  private @Nullable Errand<?> asking;
  private String trouble = "";

  WakeHand(WakeBench bench, Peripheral peripheral) {
    super(bench.seat());
    this.bench = bench;
    this.open = bench.open();
    this.peripheral = peripheral;
  }

  /** Begins a card with which peripheral it is of how many. */
  protected final Card.Maker begun(String title) {
    List<Peripheral> all = open.kit().peripherals();
    return seat.card(
        say("wake.kicker", peripheral.id(), all.indexOf(peripheral) + 1, all.size()), title);
  }

  /** Ends the card before the test: Enter runs it, unless it runs already. */
  protected final Card begins(Card.Maker card, String simulated, String own, Runnable run) {
    Errand<?> now = asking;
    if (now != null && now.isRunning()) {
      card.key(Card.ESC, say("wake.stop"), now::cancel);
      return card.notYet(say("wake.asking"));
    }
    if (!trouble.isEmpty()) {
      card.verdict(false, trouble);
    }
    return card.go(say(open.practiceOn() ? simulated : own), run);
  }

  /**
   * Asks the simulated board; what it then shows goes to {@code then}, or stops with a sentence.
   */
  protected final <T> void ask(
      List<String> requests, Supplier<WakeBench.Answer<T>> look, Consumer<T> then) {
    trouble = "";
    asking =
        own(
            bench.ask(
                requests,
                look,
                answer -> {
                  switch (answer) {
                    case WakeBench.Answer.Shown<T> shown -> then.accept(shown.what());
                    case WakeBench.Answer.Trouble<T> stopped -> trouble = stopped.sentence();
                  }
                }));
  }

  /** Tells whether the board is being asked. */
  protected final boolean asking() {
    Errand<?> now = asking;
    return now != null && now.isRunning();
  }

  /** Gives one sentence about what stopped the last request; empty when nothing did. */
  protected final String trouble() {
    return trouble;
  }

  /** Gives the event that facts were seen. */
  protected final BuildEvent saw(Map<String, String> facts, boolean practice) {
    return bench.saw(peripheral, facts, practice);
  }

  /** Gives the event that it does what it should. */
  protected final BuildEvent woke() {
    return new BuildEvent.Woke(peripheral.id());
  }

  /** Gives the picture of the test; empty before it has one. */
  protected abstract Optional<Waking.Picture> picture();

  @Override
  public final Mat mat() {
    return bench.mat(picture());
  }
}
