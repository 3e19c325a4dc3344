package humble.desktop.wake;

import humble.core.kit.Peripheral;
import humble.desktop.stage.Card;
import humble.desktop.stage.Standing;
import humble.desktop.stage.Takes;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;

/**
 * Lines and memories: one word after the other is written and read back, then they are judged
 * together. Facts: {@code words}, what was read in hexadecimal, in the order of the test.
 */
final class WordsWaking extends WakeHand {
  private final WordTest test;
  private final List<Long> read = new ArrayList<>();
  private boolean begun;
  private boolean practised;

  private WordsWaking(WakeBench bench, Peripheral peripheral, WordTest test) {
    super(bench, peripheral);
    this.test = test;
  }

  static Optional<WakeHand> of(WakeBench bench, Peripheral peripheral) {
    return WordTest.of(peripheral).map(test -> new WordsWaking(bench, peripheral, test));
  }

  private String key(String end) {
    return "wake." + test.kind() + "." + end;
  }

  @Override
  protected Card test() {
    return !begun ? first() : read.size() < test.accesses().size() ? asks() : judged();
  }

  /** Digits are words later: what is chosen by a digit is chosen here. */
  private Card first() {
    Card.Maker card = words.prepared(begun(words.title()));
    if (!peripheral().says().expect().isEmpty()) {
      card.how(say("wake.expect", words.expect()));
    }
    card.how(say(key("first"), test.accesses().size()));
    if (!ails().isEmpty()) {
      card.verdict(
          false, say("wake.read.before", bench.facts(peripheral()).getOrDefault("words", "")));
      card.key('/', say("wake.mend"), this::mend);
    }
    beside(card);
    if (!open.practiceOn()) {
      return card.go(say(key("begin")), () -> begun = true);
    }
    card.choice(1, Standing.TO_DO, say("mend.choice", 1, say(key("begin"))), () -> begun = true);
    return begins(card, "wake.words.run", "wake.words.run", this::run);
  }

  private Card asks() {
    WordTest.Access now = test.accesses().get(read.size());
    Card.Maker card = begun(words.title());
    card.how(say(key("ask"), now.at(), test.shown(now.word())));
    card.why(say("wake.words.count", read.size() + 1, test.accesses().size()));
    card.field(typed().text(), say("wake.words.hex"), Takes.digitsOr("abcdef"));
    if (typed().isEmpty()) {
      card.key(Card.ESC, say("wake.read.anew"), this::anew);
    }
    String text = typed().text().strip();
    if (text.isEmpty()) {
      return card.go(say("wake.words.same", test.shown(now.word())), () -> take(now.word()));
    }
    if (!text.matches("(0[xX])?[0-9a-fA-F]{1,8}")) {
      return card.verdict(false, say("wake.words.unreadable")).notYet(say("wake.read.type"));
    }
    long word = Long.parseLong(text.replaceFirst("0[xX]", ""), 16);
    if (word >> test.bits() != 0) {
      return card.verdict(false, say("wake.words.wide", text, test.bits()))
          .notYet(say("wake.read.type"));
    }
    return card.go(say("wake.read.go", test.shown(word)), () -> take(word));
  }

  private void take(long word) {
    read.add(word);
    typed().clear();
  }

  private void anew() {
    read.clear();
    practised = false;
    begun = false;
  }

  private void run() {
    practise(
        (practice, state) -> test.simulated(practice.wake().lines(), state),
        words -> {
          read.clear();
          read.addAll(words);
          practised = true;
          begun = true;
        });
  }

  private Card judged() {
    WordTest.Judged judged = test.judge(seat, read);
    Card.Maker card =
        begun(words.title()).verdict(judged.good(), say(key(judged.good() ? "good" : "not")));
    judged.rows().forEach(row -> card.row(Standing.TO_DO, row));
    if (practised) {
      card.why(say("wake.simulated"));
    }
    card.key(Card.ESC, say("wake.read.anew"), this::anew);
    return card.go(say(judged.good() ? "wake.does" : "wake.write"), () -> write(judged.good()));
  }

  private void write(boolean good) {
    String all = read.stream().map(test::shown).collect(Collectors.joining(" "));
    boolean practice = practised;
    anew();
    answered(Map.of("words", all), good, practice);
  }

  @Override
  protected boolean mayBeUnmeasured() {
    return true;
  }

  @Override
  protected Optional<Waking.Picture> picture() {
    return Optional.of(new WordsPicture(test, List.copyOf(read), begun, seat.words()));
  }
}
