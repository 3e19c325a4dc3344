package humble.desktop.wake;

import humble.core.build.BuildEvent;
import humble.core.kit.Caution;
import humble.core.kit.Peripheral;
import humble.core.mend.TwoFaults;
import humble.core.wake.LightSuspect;
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
    Card.Maker card =
        seat.card(
            say("wake.kicker", peripheral.id(), all.indexOf(peripheral) + 1, all.size()), title);
    // An acknowledged stop stays in sight.
    open.kit().cautions().stream()
        .filter(caution -> concerns().contains(caution.at()))
        .forEach(caution -> card.caution(caution.level() != Caution.Level.CARE, caution.text()));
    return card;
  }

  /** Gives the names at which a caution belongs to this test. */
  protected List<String> concerns() {
    return List.of(peripheral.id());
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

  /** Gives what is woken. */
  protected final Peripheral peripheral() {
    return peripheral;
  }

  /** Gives what was answered when it did not do what it should; empty when nothing was. */
  protected final String ails() {
    return bench.ails(peripheral);
  }

  /** Adds the key that leaves it for now, where something else may wake. */
  protected final void later(Card.Maker card) {
    if (bench.others(peripheral)) {
      card.key('.', say("wake.later"), () -> open.act(saw(Map.of("later", "yes"), false)));
    }
  }

  /** Opens the search for what is wrong, with what was seen where a meter can follow it. */
  protected final void mend() {
    bench.observed(peripheral).ifPresent(open::act);
    seat.desk().wrong();
  }

  /** Gives a fault in words. */
  protected final String faultName(String fault) {
    int both = fault.indexOf(TwoFaults.SEPARATOR);
    if (both >= 0) {
      return say(
          "wake.and",
          faultName(fault.substring(0, both)),
          faultName(fault.substring(both + TwoFaults.SEPARATOR.length())));
    }
    int colon = fault.indexOf(':');
    String kind = colon < 0 ? fault : fault.substring(0, colon);
    return FAULTS.contains(kind)
        ? say("wake.fault." + kind, colon < 0 ? "" : subject(fault.substring(colon + 1)))
        : fault;
  }

  /** A light of a matrix or a chain is told by its number, a part by its ref. */
  private String subject(String name) {
    return name.matches("[0-9]{1,6}") ? say("wake.light", name) : name;
  }

  /** The faults that have words of their own. */
  private static final List<String> FAULTS =
      List.of(
          "open",
          "cold",
          "dead",
          "reversed",
          "short",
          "pin",
          "off",
          "data",
          "power",
          "missing",
          "swapped",
          "value",
          "blank",
          "stuck",
          "kit");

  /** Gives a group of suspects in words, with how much it is believed. */
  protected final String suspected(LightSuspect suspect) {
    return say(
        "wake.suspect",
        Math.round(suspect.belief() * 100),
        String.join(say("wake.or"), suspect.group().stream().map(this::faultName).toList()));
  }

  /** Gives the picture of the test; empty before it has one. */
  protected abstract Optional<Waking.Picture> picture();

  @Override
  public final Mat mat() {
    return bench.mat(picture());
  }
}
