package humble.desktop.mend;

import humble.core.circuit.Fault;
import humble.core.mend.Diagnosis;
import humble.core.mend.Measure;
import humble.core.mend.Observation;
import humble.core.mend.Trial;
import humble.desktop.stage.Card;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/** Asks for one thing to be measured or looked at, and says what that is worth. */
abstract class AskHand<M extends Measure> extends MendHand {
  private static final int MOST_SO_FAR = 4;

  protected final Search now;
  protected final M measure;
  private Diagnosis.@Nullable Known ranked;
  private Optional<Trial> best = Optional.empty();

  AskHand(Of of, Search now, M measure) {
    super(of);
    this.now = now;
    this.measure = measure;
  }

  protected final ProbeWords probes() {
    return new ProbeWords(seat.words(), open.built(), now.state());
  }

  @Override
  List<ProbeWords.Probed> touched() {
    return probes().on(measure);
  }

  private boolean advised() {
    return now.own().isEmpty();
  }

  /** Begins the card: what to do, how, and why that. */
  protected final Card.Maker begun() {
    Card.Maker card = known(now, probes().title(measure)).how(probes().how(measure));
    now.next()
        .ifPresent(next ->
            card.why(
                say(
                    advised() ? "mend.worth" : "mend.worth-own",
                    String.format(Locale.ROOT, "%.1f", next.minutes()),
                    String.format(Locale.ROOT, "%.1f", next.gainBits()))));
    now.known()
        .flatMap(this::first)
        .filter(trial -> trial.act() != Trial.Act.MEASURE)
        .ifPresent(trial ->
            card.how(
                say(
                    "mend.trial." + trial.act().text() + (isSupply(trial) ? ".supply" : ""),
                    trial.what(),
                    String.format(Locale.ROOT, "%.1f", trial.minutes()))));
    return card;
  }

  private static boolean isSupply(Trial trial) {
    return trial.act() == Trial.Act.SWITCH_ON && trial.what().equals(Fault.Off.SUPPLY);
  }

  /** Ranked once for what is known: the card is drawn at every key. */
  private Optional<Trial> first(Diagnosis.Known known) {
    if (ranked != known) {
      ranked = known;
      best = Trial.ranked(open.built(), known).stream().findFirst();
    }
    return best;
  }

  /** Adds what was seen so far, and the keys. */
  protected final void soFar(Card.Maker card, String backCap) {
    if (now.nothingToHide()) {
      card.why(say("mend.nothing-to-hide"));
    }
    List<String> so = open.build().observed(now.state().id());
    if (!so.isEmpty()) {
      card.why(
          say(
              "mend.so-far",
              String.join(
                  "; ",
                  so.reversed().stream().limit(MOST_SO_FAR).map(ObservationText::plain).toList())));
    }
    if (now.lastKnown().filter(known -> !known.explained()).isPresent()) {
      naming().unexplained(card, now);
    }
    card.key(
        '+',
        say(!typed().isEmpty() ? "sort.prefix" : advised() ? "mend.unreachable" : "mend.advice"),
        this::plus);
    card.key('/', say("mend.found"), this::found);
    if (!so.isEmpty()) {
      card.key(Card.BACK, backCap, say("key.take-back"), mending::takeBack);
    }
    dialKeys(card);
  }

  private void plus() {
    if (!typed().isEmpty()) {
      typed().nextPrefix();
    } else if (advised()) {
      now.outOfReach(measure);
    } else {
      mending.next();
    }
  }

  /** Writes down what was seen, and goes on. */
  protected final void observed(String what) {
    now.observe(what, false);
    mending.next();
  }

  /** Lets the practice bench answer. */
  protected final void practised() {
    mending.practised().map(simulated -> simulated.answer(measure)).ifPresent(this::practised);
  }

  private void practised(Observation answer) {
    now.observe(ObservationText.of(answer), true);
    mending.next();
  }
}
