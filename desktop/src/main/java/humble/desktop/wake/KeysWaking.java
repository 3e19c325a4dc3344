package humble.desktop.wake;

import humble.bench.PracticeBench;
import humble.core.kit.BoardState;
import humble.core.kit.Peripheral;
import humble.core.wake.GhostKeys;
import humble.core.wake.LightNumbers;
import humble.desktop.stage.Card;
import humble.desktop.stage.Standing;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import org.jspecify.annotations.Nullable;

/**
 * Keys: each is pressed, those that nothing answers to are marked, and what they have in common is
 * told. Facts: {@code silent}, their numbers, and {@code answer}.
 */
final class KeysWaking extends WakeHand {
  private final Peripheral.Buttons keys;
  private final TestWords words;
  private final Set<Integer> silent = new TreeSet<>();
  private boolean ran;
  private @Nullable Set<Integer> simulated;

  private KeysWaking(WakeBench bench, Peripheral.Buttons keys) {
    super(bench, keys);
    this.keys = keys;
    this.words = new TestWords(bench.seat(), keys);
  }

  static Optional<WakeHand> of(WakeBench bench, Peripheral peripheral) {
    return peripheral instanceof Peripheral.Buttons keys && !keys.refs().isEmpty()
        ? Optional.of(new KeysWaking(bench, keys))
        : Optional.empty();
  }

  @Override
  public Card card() {
    return !ran ? first() : which();
  }

  private Card first() {
    Card.Maker card = words.prepared(begun(words.title()));
    card.how(say("wake.keys.how", keys.refs().size()));
    if (!ails().isEmpty()) {
      Set<Integer> before = LightNumbers.of(bench.facts(keys).getOrDefault("silent", ""));
      card.verdict(false, say("wake.keys.silent", List.copyOf(before)));
      common(before).forEach(text -> card.row(Standing.TO_DO, text));
      card.choice(1, Standing.TO_DO, say("mend.choice", 1, say("wake.again")), this::run);
      later(card);
      return card.go(say("wake.mend"), this::mend);
    }
    later(card);
    return begins(card, "wake.keys.run", "wake.keys.own", this::run);
  }

  private void run() {
    simulated = null;
    silent.clear();
    if (!open.practiceOn()) {
      ran = true;
      return;
    }
    BoardState state = bench.powered().orElse(null);
    PracticeBench practice = open.practice();
    ask(
        List.of(),
        () ->
            state == null
                ? new WakeBench.Answer.Trouble<>(say("wake.no-state"))
                : new WakeBench.Answer.Shown<>(practice.wake().silentKeys(keys, state)),
        shown -> {
          simulated = shown;
          silent.addAll(shown);
          ran = true;
        });
  }

  private Card which() {
    Card.Maker card = begun(say("wake.keys.which")).how(say("wake.keys.which.how"));
    card.field(typed().text(), say("wake.keys.unit"));
    Optional<Integer> number = number();
    if (!typed().isEmpty() && number.isEmpty()) {
      card.verdict(false, say("wake.keys.no-such", keys.refs().size()));
    } else if (!silent.isEmpty()) {
      card.verdict(false, say("wake.keys.silent", List.copyOf(silent)));
      common(silent).forEach(text -> card.row(Standing.TO_DO, text));
    }
    if (simulated != null) {
      card.why(say("wake.simulated"));
    }
    if (!typed().isEmpty()) {
      return number
          .map(n ->
              card.go(
                  say(silent.contains(n) ? "wake.keys.unmark" : "wake.keys.mark", n),
                  () -> mark(n)))
          .orElseGet(() -> card.notYet(say("wake.lights.number")));
    }
    return card.go(
        say(silent.isEmpty() ? "wake.keys.all" : "wake.keys.write", silent.size()), this::write);
  }

  private List<String> common(Set<Integer> numbers) {
    if (keys.rows().isEmpty()) {
      return List.of();
    }
    return new GhostKeys(keys.rows().size(), keys.columns().size(), keys.diodes())
        .common(numbers).stream()
            .map(all ->
                say(
                    all.row() ? "wake.keys.row" : "wake.keys.column",
                    (all.row() ? keys.rows() : keys.columns()).get(all.index())))
            .toList();
  }

  private Optional<Integer> number() {
    return typed().text().matches("[0-9]{1,4}")
        ? Optional.of(Integer.parseInt(typed().text()))
            .filter(number -> number >= 1 && number <= keys.refs().size())
        : Optional.empty();
  }

  private void mark(int number) {
    if (!silent.remove(number)) {
      silent.add(number);
    }
    typed().clear();
  }

  /** A click on a key marks it, as its number does. */
  @Override
  public void pick(String spot) {
    int at = keys.refs().indexOf(spot.replaceFirst("^part:", ""));
    if (ran && at >= 0) {
      mark(at + 1);
    }
  }

  private void write() {
    boolean all = silent.isEmpty();
    Map<String, String> facts =
        Map.of("silent", LightNumbers.text(silent), "answer", all ? "does" : "not");
    if (all) {
      open.act(saw(facts, simulated != null), woke());
    } else {
      open.act(saw(facts, simulated != null));
    }
    ran = false;
    silent.clear();
  }

  @Override
  protected Optional<Waking.Picture> picture() {
    Set<Integer> marked =
        ran ? Set.copyOf(silent) : LightNumbers.of(bench.facts(keys).getOrDefault("silent", ""));
    return Optional.of(
        TestPicture.of(open, keys, keys.refs(), marked, say("wake.keys.legend"), seat.words()));
  }
}
