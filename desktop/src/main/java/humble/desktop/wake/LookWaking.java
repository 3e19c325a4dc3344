package humble.desktop.wake;

import humble.core.kit.Peripheral;
import humble.core.kit.Says;
import humble.desktop.stage.Card;
import humble.desktop.stage.Standing;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * A test by looking and doing: what to set, what to do, what is seen then, and three answers.
 * Facts: {@code answer} (does, not, other) and {@code seen}, a word of its kind or the author's
 * sentence.
 */
class LookWaking extends WakeHand {
  private static final int MOST_CHOICES = 8;

  private final TestWords words;
  private boolean choosing;

  LookWaking(WakeBench bench, Peripheral peripheral) {
    super(bench, peripheral);
    this.words = new TestWords(bench.seat(), peripheral);
  }

  static Optional<WakeHand> of(WakeBench bench, Peripheral peripheral) {
    return Optional.of(new LookWaking(bench, peripheral));
  }

  /** Gives what is asked for before the answers; a kind may add to it. */
  Card.Maker asked() {
    return words.asked(begun(words.title()));
  }

  @Override
  public Card card() {
    if (!ails().isEmpty()) {
      return ailing();
    }
    return choosing ? which() : ask();
  }

  private Card ask() {
    Card.Maker card = asked();
    card.choice(1, Standing.TO_DO, say("mend.choice", 1, say("wake.not")), () -> choosing = true);
    int number = 2;
    for (Says.Otherwise other : otherwise()) {
      card.choice(
          number,
          Standing.TO_DO,
          say("mend.choice", number, other.seen()),
          () -> open.act(saw(Map.of("answer", "other", "seen", other.seen()), false)));
      number++;
    }
    later(card);
    return card.go(say("wake.does"), this::wakes);
  }

  private List<Says.Otherwise> otherwise() {
    return peripheral().says().otherwise().stream().limit(MOST_CHOICES - 1).toList();
  }

  private void wakes() {
    open.act(saw(Map.of("answer", "does", "seen", ""), false), woke());
  }

  /** The words that people have for it. */
  private Card which() {
    Card.Maker card = begun(say("wake.which")).how(say("wake.which.how"));
    List<String> odd = words.odd().stream().limit(MOST_CHOICES).toList();
    for (int i = 0; i < odd.size(); i++) {
      String code = odd.get(i);
      card.choice(
          i + 1,
          Standing.TO_DO,
          say("mend.choice", i + 1, say("wake.odd." + code)),
          () -> open.act(saw(Map.of("answer", "not", "seen", code), false)));
    }
    card.key(Card.ESC, say("mend.leave"), () -> choosing = false);
    return card.notYet(say("wake.which.press"));
  }

  private Card ailing() {
    choosing = false;
    String seen = bench.facts(peripheral()).getOrDefault("seen", "");
    boolean word = words.odd().contains(seen);
    Card.Maker card = begun(say("wake.ails", words.title(), word ? say("wake.odd." + seen) : seen));
    otherwise().stream()
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
    card.choice(1, Standing.TO_DO, say("mend.choice", 1, say("wake.does-now")), this::wakes);
    later(card);
    return card.go(say("wake.mend"), this::mend);
  }

  @Override
  protected Optional<Waking.Picture> picture() {
    return Optional.of(TestPicture.of(open, peripheral(), seat.words()));
  }
}
