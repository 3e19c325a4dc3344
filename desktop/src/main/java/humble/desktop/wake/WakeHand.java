package humble.desktop.wake;

import humble.bench.PracticeBench;
import humble.core.build.BuildEvent;
import humble.core.kit.BoardState;
import humble.core.kit.Caution;
import humble.core.kit.Peripheral;
import humble.core.kit.Says;
import humble.core.mend.TwoFaults;
import humble.core.wake.LightSuspect;
import humble.desktop.draw.Mat;
import humble.desktop.hand.Hand;
import humble.desktop.session.Errand;
import humble.desktop.session.OpenBuild;
import humble.desktop.stage.Card;
import humble.desktop.stage.Standing;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.BiFunction;
import java.util.function.Consumer;
import java.util.function.Supplier;
import org.jspecify.annotations.Nullable;

/**
 * Wakes one peripheral: what to set before, what to do, what should be seen, and three answers: it
 * does, it does not, it does something else. How it is tried is its kind's; what else it does, in
 * the author's words or in those that people have for its kind, is asked the same way everywhere.
 *
 * <p>Facts of all kinds: {@code answer} (does, not, other), {@code seen} (what was seen instead),
 * {@code later}.
 */
abstract class WakeHand extends Hand {
  private static final int MOST_CHOICES = 9;

  protected final WakeBench bench;
  protected final OpenBuild open;
  protected final TestWords words;
  private final Peripheral peripheral;
  private boolean elsewise;
  private @Nullable Errand<?> asking;
  private String trouble = "";

  WakeHand(WakeBench bench, Peripheral peripheral) {
    super(bench.seat());
    this.bench = bench;
    this.open = bench.open();
    this.peripheral = peripheral;
    this.words = new TestWords(bench.seat(), peripheral);
  }

  /** Gives the card of the test itself. */
  protected abstract Card test();

  @Override
  public final Card card() {
    if (!ails().isEmpty() && !seen().isEmpty()) {
      elsewise = false;
      return ailing();
    }
    return elsewise ? otherwise() : test();
  }

  private String seen() {
    return bench.facts(peripheral).getOrDefault("seen", "");
  }

  /** Asks what it does instead. */
  protected final void elsewise() {
    elsewise = true;
  }

  /** Adds the keys that hold at the beginning of every test. */
  protected final void beside(Card.Maker card) {
    card.key('+', say("wake.else"), this::elsewise);
    later(card);
  }

  /** Tells whether it may be called awake although nothing was measured. */
  protected boolean mayBeUnmeasured() {
    return false;
  }

  /** What the author says may be seen, then the words that people have for it. */
  private Card otherwise() {
    Card.Maker card = begun(say("wake.which")).how(say("wake.which.how"));
    int number = 1;
    for (Says.Otherwise other : peripheral.says().otherwise()) {
      number = choice(card, number, other.seen(), "other", other.seen());
    }
    for (String code : words.odd()) {
      number = choice(card, number, say("wake.odd." + code), "not", code);
    }
    card.key(Card.ESC, say("mend.leave"), () -> elsewise = false);
    return mayBeUnmeasured()
        ? card.go(say("wake.read.unmeasured"), () -> answered(Map.of(), true, false))
        : card.notYet(say("wake.which.press"));
  }

  private int choice(Card.Maker card, int number, String text, String answer, String seen) {
    if (number <= MOST_CHOICES) {
      card.choice(
          number, Standing.TO_DO, say("mend.choice", number, text), () -> odd(answer, seen));
    }
    return number + 1;
  }

  /** Writes down that it does something else. */
  protected final void odd(String answer, String seen) {
    open.act(saw(Map.of("answer", answer, "seen", seen), false));
  }

  private Card ailing() {
    String seen = seen();
    String told = words.odd().contains(seen) ? say("wake.odd." + seen) : seen;
    Card.Maker card = begun(say("wake.ails", words.title(), told));
    peripheral.says().otherwise().stream()
        .filter(other -> other.seen().equals(seen))
        .findFirst()
        .ifPresentOrElse(
            other -> {
              if (!other.say().isEmpty()) {
                card.how(other.say());
              }
              other.means().forEach(fault -> card.row(Standing.TO_DO, faultName(fault)));
            },
            () -> card.how(say("wake.ails.how")));
    card.choice(1, Standing.TO_DO, say("mend.choice", 1, say("wake.again")), this::again);
    later(card);
    return card.go(say("wake.mend"), this::mend);
  }

  /** Tries it once more: what was seen before counts no longer. */
  private void again() {
    open.act(saw(Map.of("answer", "", "seen", ""), false));
  }

  /** Writes down how a test ended; what was seen instead before counts no longer. */
  protected final void answered(Map<String, String> facts, boolean does, boolean practice) {
    Map<String, String> all = new HashMap<>(facts);
    all.put("answer", does ? "does" : "not");
    all.put("seen", "");
    if (does) {
      open.act(saw(all, practice), woke());
    } else {
      open.act(saw(all, practice));
    }
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

  /** Tells whether a real board can be told to do it over its line. */
  protected boolean isTold() {
    return false;
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
    return card.go(
        say(open.practiceOn() ? simulated : bench.hasBoard() && isTold() ? "wake.line.run" : own),
        run);
  }

  /** Asks the board; what it then shows goes to {@code then}, or stops with a sentence. */
  protected final <T> void ask(
      List<String> requests, Supplier<WakeBench.Answer<T>> look, Consumer<T> then) {
    ask(requests, 0, look, then);
  }

  /**
   * Asks the board, each request standing so long on a real one. Where nothing answers, it is the
   * maker's to do: it goes on at once.
   */
  protected final <T> void ask(
      List<String> requests, int dwellMs, Supplier<WakeBench.Answer<T>> look, Consumer<T> then) {
    trouble = "";
    if (bench.hasBoard()) {
      asking = own(bench.ask(requests, dwellMs, look, answer -> take(answer, then)));
    } else {
      take(look.get(), then);
    }
  }

  private <T> void take(WakeBench.Answer<T> answer, Consumer<T> then) {
    switch (answer) {
      case WakeBench.Answer.Shown<T> shown -> then.accept(shown.what());
      case WakeBench.Answer.Trouble<T> stopped -> trouble = stopped.sentence();
    }
  }

  /** Looks at the simulated board as it lies there, whether or not its program runs. */
  protected final <T> void look(Supplier<WakeBench.Answer<T>> look, Consumer<T> then) {
    trouble = "";
    asking = own(open.works().start(calledOff -> look.get(), answer -> take(answer, then)));
  }

  /**
   * Asks the simulated board, powered and with its chips in; empty is told as nothing to read here.
   */
  protected final <T> void practise(
      BiFunction<PracticeBench, BoardState, Optional<T>> look, Consumer<T> then) {
    BoardState state = bench.powered().orElse(null);
    PracticeBench practice = open.practice();
    ask(
        List.of(),
        () ->
            state == null
                ? new WakeBench.Answer.Trouble<T>(say("wake.no-state"))
                : look.apply(practice, state)
                    .<WakeBench.Answer<T>>map(WakeBench.Answer.Shown::new)
                    .orElseGet(() -> new WakeBench.Answer.Trouble<>(say("wake.read.none"))),
        then);
  }

  /** Adds the key that chooses the line to a real board, for what is told over it. */
  protected final void overLine(Card.Maker card) {
    if (!open.practiceOn() && !open.kit().firmware().targets().isEmpty()) {
      card.key('0', say("wake.line.key"), bench.line()::ask);
      card.why(
          bench
              .line()
              .port()
              .map(port -> say("wake.line.now", port))
              .orElseGet(() -> say("wake.line.without")));
    }
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
  private void later(Card.Maker card) {
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
    String begin = colon < 0 ? fault : fault.substring(0, colon);
    // All of it off is one thing, a switch that is off another.
    String kind = colon > 0 && begin.equals("off") ? "off-of" : begin;
    return seat.words().knows("wake.fault." + kind)
        ? say("wake.fault." + kind, colon < 0 ? "" : subject(fault.substring(colon + 1)))
        : fault;
  }

  /** A light of a matrix or a chain is told by its number, a part by its ref. */
  private String subject(String name) {
    return name.matches("[0-9]{1,6}") ? say("wake.light", name) : name;
  }

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
