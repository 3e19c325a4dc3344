package humble.desktop.wake;

import humble.core.kit.Peripheral;
import humble.core.units.Quantity;
import humble.core.units.QuantityText;
import humble.desktop.stage.Card;
import humble.desktop.stage.Standing;
import humble.desktop.stage.Takes;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.stream.Collectors;

/**
 * A test by readings: one after the other is asked for, then they are judged together. Facts:
 * {@code read}, the readings in their order, and {@code answer}.
 */
final class MeasuredWaking extends WakeHand {
  private final Readings test;
  private final List<Double> read = new ArrayList<>();
  private boolean practised;

  private MeasuredWaking(WakeBench bench, Peripheral peripheral, Readings test) {
    super(bench, peripheral);
    this.test = test;
  }

  static Optional<WakeHand> of(WakeBench bench, Peripheral peripheral) {
    return Readings.of(bench, peripheral).map(test -> new MeasuredWaking(bench, peripheral, test));
  }

  @Override
  protected Card test() {
    return read.size() < test.asked().size() ? asks() : judged();
  }

  private Card asks() {
    Asked now = test.asked().get(read.size());
    Card.Maker card = begun(words.title());
    if (read.isEmpty()) {
      words.prepared(card);
    }
    card.how(now.words());
    for (int i = 0; test.asked().size() > 1 && i < test.asked().size(); i++) {
      card.row(
          i < read.size() ? Standing.DONE : i == read.size() ? Standing.NOW : Standing.TO_DO,
          i < read.size()
              ? say("wake.read.row", test.asked().get(i).label(), shown(read.get(i)))
              : test.asked().get(i).label());
    }
    if (read.isEmpty() && !ails().isEmpty()) {
      card.verdict(
          false, say("wake.read.before", bench.facts(peripheral()).getOrDefault("read", "")));
      // Digits are readings here.
      card.key('/', say("wake.mend"), this::mend);
    }
    card.field(typed().text(), now.unit(), now.signed() ? Takes.SIGNED : Takes.DIGITS);
    if (read.isEmpty()) {
      beside(card);
    } else if (typed().isEmpty()) {
      card.key(Card.ESC, say("wake.read.anew"), read::clear);
    }
    if (asking()) {
      return card.notYet(say("wake.asking"));
    }
    if (typed().isEmpty()) {
      if (!trouble().isEmpty()) {
        card.verdict(false, trouble());
      }
      return open.practiceOn()
          ? card.go(say("wake.read.practice"), () -> practise(now))
          : card.notYet(say("wake.read.type"));
    }
    return switch (Quantity.parse(typed().text())) {
      case QuantityText.Read number ->
          card.go(
              say("wake.read.go", shown(number.value()) + " " + now.unit()), () -> take(number));
      case QuantityText.Unreadable bad ->
          card.verdict(false, bad.sentence()).notYet(say("wake.read.type"));
    };
  }

  /** It may do what it should for eye and ear alone; the book then has no reading. */
  @Override
  protected boolean mayBeUnmeasured() {
    return true;
  }

  private void take(QuantityText.Read number) {
    practised |= typed().isPractice();
    read.add(number.value());
    typed().clear();
  }

  private void practise(Asked now) {
    ask(
        List.of(),
        () -> {
          OptionalDouble shows = now.practice().get();
          return shows.isPresent()
              ? new WakeBench.Answer.Shown<>(shows.getAsDouble())
              : new WakeBench.Answer.Trouble<>(say("wake.read.none"));
        },
        shows -> typed().show(shown(shows)));
  }

  private static String shown(double value) {
    return value == Math.rint(value) && Math.abs(value) < 1e9
        ? String.format(Locale.ROOT, "%.0f", value)
        : String.format(Locale.ROOT, "%.4g", value);
  }

  private Card judged() {
    Readings.Judged judged = test.judge(read);
    Card.Maker card = begun(words.title()).verdict(judged.good(), judged.sentence());
    judged.rows().forEach(row -> card.row(judged.good() ? Standing.DONE : Standing.TO_DO, row));
    if (practised) {
      card.why(say("wake.simulated"));
    }
    card.key(Card.ESC, say("wake.read.anew"), read::clear);
    return card.go(
        say(judged.good() ? "wake.read.good" : "wake.write"), () -> write(judged.good()));
  }

  private void write(boolean good) {
    String all = read.stream().map(MeasuredWaking::shown).collect(Collectors.joining(" "));
    boolean practice = practised;
    read.clear();
    practised = false;
    answered(Map.of("read", all), good, practice);
  }

  @Override
  protected Optional<Waking.Picture> picture() {
    return Optional.of(
        new ReadingsPicture(
            TestPicture.of(open, peripheral(), seat.words()), test.scale(), List.copyOf(read)));
  }
}
