package humble.desktop.finish;

import humble.bench.trim.PracticeTrim;
import humble.core.build.BuildEvent;
import humble.core.kit.Trim;
import humble.core.trim.Ear;
import humble.core.trim.Goal;
import humble.core.trim.TrimAdvice;
import humble.core.trim.TrimState;
import humble.core.trim.Trimmer;
import humble.core.units.Engineering;
import humble.core.units.Quantity;
import humble.core.units.QuantityText;
import humble.core.wake.Turning;
import humble.desktop.draw.Mat;
import humble.desktop.hand.Seat;
import humble.desktop.session.OpenBuild;
import humble.desktop.stage.Card;
import humble.desktop.stage.Standing;
import humble.desktop.stage.Takes;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/**
 * Screws that are turned until a reading is as it should be: the next setting, the reading there,
 * and when it is over. Every try stands in the journal, so that it may be left and gone on with.
 */
final class TrimHand extends FinishHand {
  private static final int ENDS_AT = 2;

  private final Trim trim;
  private @Nullable List<BuildEvent.TrimTried> seen;
  private @Nullable TrimAdvice advised;
  private boolean onForBetter;

  /** A setting that is read once more although nothing asks for it. */
  private @Nullable List<Double> again;

  TrimHand(Seat seat, OpenBuild open, Trim trim) {
    super(seat, open, trim.id());
    this.trim = trim;
  }

  private List<BuildEvent.TrimTried> tries() {
    return open.build().finished().tries(trim.id());
  }

  private TrimState state() {
    return trim.state(
        tries().stream().map(each -> new TrimState.Try(each.at(), each.reads())).toList());
  }

  /** The advice is worked out once for what was tried: a few thousandths of a second. */
  private TrimAdvice advice() {
    List<BuildEvent.TrimTried> now = tries();
    TrimAdvice known = advised;
    if (known == null || !now.equals(seen)) {
      known = Trimmer.advise(state());
      advised = known;
      seen = now;
    }
    return known;
  }

  /** Where the screws stand: at the last try, else where the trim that began anew left them. */
  private List<Double> stands() {
    List<BuildEvent.TrimTried> all = tries();
    return all.isEmpty()
        ? open.build().finished().from(trim.id()).orElse(advice().next())
        : all.getLast().at();
  }

  private List<Double> next() {
    List<Double> once = again;
    if (once != null) {
      return once;
    }
    Optional<List<Double>> from = open.build().finished().from(trim.id());
    return tries().isEmpty() && from.isPresent() ? from.get() : advice().next();
  }

  private Optional<TrimState.Try> good() {
    return onForBetter
        ? Optional.empty()
        : state().best().filter(best -> trim.isGood(best.reads()));
  }

  @Override
  public Card card() {
    if (again != null) {
      return asks(advice());
    }
    Optional<TrimState.Try> good = good();
    if (good.isPresent()) {
      return inWindow(good.get());
    }
    return advice().stop() ? over(advice()) : asks(advice());
  }

  private String kicker() {
    return tries().isEmpty()
        ? say("trim.kicker.first", trim.title())
        : say("trim.kicker", trim.title(), tries().size());
  }

  private Card asks(TrimAdvice advice) {
    List<Double> next = next();
    Card.Maker card = begun(kicker(), moves(next));
    card.how(say("trim.read", trim.reading().what()));
    if (tries().isEmpty() && !trim.hint().isEmpty()) {
      card.how(trim.hint());
    }
    begins(card, next);
    slack(card, next);
    best().ifPresent(best -> card.row(Standing.NOW, best));
    card.why(
        tries().isEmpty() && !next.equals(advice.next())
            ? say("trim.from-before")
            : say("trim.why", seat.say(advice.why())));
    if (advice.expectedGain() > trim.reading().step() / 2
        && trim.reading().shown() != Trim.Shown.EAR) {
      card.why(say("trim.gain", shown(advice.expectedGain())));
    }
    later(card);
    if (tries().size() >= ENDS_AT) {
      boolean gone = showsNothing();
      boolean good = state().best().filter(best -> trim.isGood(best.reads())).isPresent();
      card.key('+', say(gone ? "trim.gone" : "trim.enough"), () -> leave(gone || good));
      card.key('/', say("trim.anew"), this::anew);
    }
    return trim.reading().shown() == Trim.Shown.EAR ? heard(card, next) : read(card, next);
  }

  /** What to turn and how far, as the title says it: what stays is not named. */
  private String moves(List<Double> next) {
    List<String> all = new ArrayList<>();
    for (int i = 0; i < trim.knobs().size(); i++) {
      Trim.Screw screw = trim.knobs().get(i);
      if (screw.turns() <= 0) {
        all.add(say("trim.set", screw.knob().id(), number(next.get(i))));
        continue;
      }
      Turning turning = Turning.of(screw, stands().get(i), next.get(i));
      if (turning.move() != 0) {
        all.add(
            say(
                turning.comesFromAbove() ? "trim.title-back" : "trim.title-on",
                screw.knob().id(),
                Math.abs(turning.move())));
      }
    }
    if (!all.isEmpty()) {
      return String.join(", ", all);
    }
    return tries().isEmpty() ? say("trim.title-begin", settings(next)) : say("trim.title-stays");
  }

  /** Nobody knows where a screw stands before it was at its end. */
  private void begins(Card.Maker card, List<Double> next) {
    if (!tries().isEmpty() || open.build().finished().from(trim.id()).isPresent()) {
      return;
    }
    for (int i = 0; i < trim.knobs().size(); i++) {
      Trim.Screw screw = trim.knobs().get(i);
      if (screw.turns() > 0) {
        Turning turning = Turning.of(screw, screw.knob().low(), next.get(i));
        card.row(
            Standing.TO_DO,
            turning.turns() == 0
                ? say("trim.begins", screw.knob().id(), turning.degrees())
                : say("trim.begins-turns", screw.knob().id(), turning.turns(), turning.degrees()));
      }
    }
  }

  /** The play of a thread is taken out from below. */
  private void slack(Card.Maker card, List<Double> to) {
    List<String> back = new ArrayList<>();
    for (int i = 0; i < trim.knobs().size(); i++) {
      Trim.Screw screw = trim.knobs().get(i);
      if (screw.turns() > 0 && Turning.of(screw, stands().get(i), to.get(i)).comesFromAbove()) {
        back.add(screw.knob().id());
      }
    }
    if (!back.isEmpty()) {
      card.row(Standing.TO_DO, say("trim.slack", String.join(", ", back)));
    }
  }

  static String name(Trim.Screw screw) {
    return screw.ref().isEmpty() || screw.ref().equals(screw.knob().id())
        ? screw.knob().id()
        : screw.knob().id() + " (" + screw.ref() + ")";
  }

  private Optional<String> best() {
    return state()
        .best()
        .map(best ->
            trim.reading().shown() == Trim.Shown.EAR
                ? say("trim.best-ear", settings(best.at()))
                : say("trim.best", shown(best.reads()), settings(best.at())));
  }

  private Card read(Card.Maker card, List<Double> next) {
    card.field(typed().text(), trim.reading().unit(), mayBeBelow() ? Takes.SIGNED : Takes.DIGITS);
    if (typed().isEmpty()) {
      return open.practiceOn()
          ? card.go(say("wake.read.practice"), () -> practise(next))
          : card.notYet(say("wake.read.type"));
    }
    return switch (Quantity.parse(typed().text())) {
      case QuantityText.Read number ->
          card.go(
              say("wake.read.go", typed().text() + " " + trim.reading().unit()),
              () -> take(next, number.value()));
      case QuantityText.Unreadable bad ->
          card.verdict(false, bad.sentence()).notYet(say("wake.read.type"));
    };
  }

  /** Where no reading lies below 0, minus takes back as everywhere. */
  private boolean mayBeBelow() {
    return trim.reading().goal() instanceof Goal.Reach reach
        && (reach.value() <= 0 || trim.reading().good().filter(band -> band.low() < 0).isPresent());
  }

  private void take(List<Double> at, double reads) {
    boolean practice = typed().isPractice();
    typed().clear();
    tried(at, reads, "", practice);
  }

  private void tried(List<Double> at, double reads, String heard, boolean practice) {
    again = null;
    open.act(new BuildEvent.TrimTried(trim.id(), at, reads, heard, practice));
  }

  private PracticeTrim simulated() {
    return new PracticeTrim(trim, open.practice().seed());
  }

  private void practise(List<Double> at) {
    typed().show(plain(simulated().shows(at, tries().size())));
  }

  /** A meter that shows 0 at a null can show nothing better. */
  private boolean showsNothing() {
    return trim.reading().goal() instanceof Goal.Least
        && trim.reading().shown() != Trim.Shown.EAR
        && state().best().filter(best -> best.reads() < trim.reading().step() / 2).isPresent();
  }

  /** As much more or less as an ear tells, beside the best so far. */
  private Card heard(Card.Maker card, List<Double> next) {
    Optional<TrimState.Try> best = state().best();
    if (best.isEmpty()) {
      return card.go(
          say("trim.ear.first"), () -> tried(next, Ear.FIRST, "first", open.practiceOn()));
    }
    Ear[] all = {Ear.FAR_MORE, Ear.MORE, Ear.SAME, Ear.LESS, Ear.FAR_LESS};
    for (int i = 0; i < all.length; i++) {
      Ear ear = all[i];
      card.choice(
          i + 1,
          Standing.TO_DO,
          say("mend.choice", i + 1, say("trim.ear." + name(ear))),
          () -> heard(next, ear, best.get(), false));
    }
    return open.practiceOn()
        ? card.go(
            say("trim.ear.practice"),
            () ->
                heard(
                    next,
                    simulated().hears(next, best.get().at(), tries().size()),
                    best.get(),
                    true))
        : card.notYet(say("trim.ear.compare"));
  }

  private void heard(List<Double> at, Ear ear, TrimState.Try best, boolean practice) {
    tried(at, ear.reads(best.reads()), name(ear), practice);
  }

  private static String name(Ear ear) {
    return ear.name().toLowerCase(Locale.ROOT);
  }

  private Card inWindow(TrimState.Try best) {
    Card.Maker card =
        begun(kicker(), say("trim.set-so", trim.title()))
            .verdict(true, say("trim.in-window", shown(best.reads())));
    back(card, best);
    offset(card, best.reads());
    card.key('/', say("trim.better"), () -> onForBetter = true);
    return card.go(leaves(best.at(), true), () -> leave(true));
  }

  /** Hertz are told as cents or millionths too, as clocks and tones want them. */
  private void offset(Card.Maker card, double reads) {
    if (trim.reading().goal() instanceof Goal.Reach reach
        && trim.reading().unit().equals("Hz")
        && reach.value() > 0
        && reads > 0) {
      double cents = 1200 * Math.log(reads / reach.value()) / Math.log(2);
      double ppm = (reads / reach.value() - 1) * 1e6;
      card.row(
          Standing.NOW,
          say(
              "trim.cents",
              String.format(Locale.ROOT, "%+.1f", cents),
              String.format(Locale.ROOT, "%+.0f", ppm)));
    }
  }

  private void back(Card.Maker card, TrimState.Try best) {
    if (!best.at().equals(stands())) {
      card.how(say("trim.back-to", moves(best.at())));
      slack(card, best.at());
    }
    card.row(Standing.DONE, say("trim.count", tries().size()));
  }

  private String leaves(List<Double> at, boolean done) {
    return say(
        at.equals(stands())
            ? done ? "trim.leave-here" : "trim.leave-so"
            : done ? "trim.leave" : "trim.leave-back");
  }

  private Card over(TrimAdvice advice) {
    TrimState.Try left =
        tries().stream()
            .filter(each -> each.at().equals(advice.next()))
            .findFirst()
            .map(each -> new TrimState.Try(each.at(), each.reads()))
            .or(() -> advice.best())
            .orElseThrow(() -> new IllegalStateException("nothing was tried"));
    boolean done = advice.why().key().equals("trim.done") && isWanted(left.reads());
    Card.Maker card = begun(kicker(), say(done ? "trim.set-so" : "trim.no-better", trim.title()));
    card.verdict(
        done,
        trim.reading().shown() == Trim.Shown.EAR
            ? say("trim.verdict-ear", seat.say(advice.why()))
            : say("trim.verdict", shown(left.reads()), seat.say(advice.why())));
    back(card, left);
    if (trim.reading().good().isPresent() && !done) {
      card.why(say("trim.out-of-window"));
    }
    card.key('+', say("trim.on"), () -> again = left.at());
    if (advice.why().key().equals("trim.coarse")) {
      card.key('/', say("trim.leave-so"), () -> leave(false));
      return card.go(say("trim.anew"), this::anew);
    }
    card.key('/', say("trim.anew"), this::anew);
    return card.go(leaves(left.at(), done), () -> leave(done));
  }

  /** Where there is a window, only what lies in it is as it should be. */
  private boolean isWanted(double reads) {
    return trim.reading().good().isEmpty() || trim.isGood(reads);
  }

  private void anew() {
    typed().clear();
    again = null;
    onForBetter = false;
    open.act(new BuildEvent.TrimAnew(trim.id()));
  }

  private void leave(boolean reached) {
    TrimAdvice advice = advice();
    List<Double> at =
        advice.stop() && good().isEmpty()
            ? advice.next()
            : state().best().map(TrimState.Try::at).orElse(advice.next());
    BuildEvent.TrimTried last =
        tries().stream().filter(each -> each.at().equals(at)).findFirst().orElse(tries().getLast());
    boolean practice = tries().stream().anyMatch(BuildEvent.TrimTried::practice);
    again = null;
    typed().clear();
    open.act(
        new BuildEvent.TrimLeft(
            trim.id(),
            last.at(),
            last.reads(),
            trim.reading().shown() == Trim.Shown.EAR,
            reached,
            practice));
  }

  private String settings(List<Double> at) {
    List<String> all = new ArrayList<>();
    for (int i = 0; i < at.size(); i++) {
      all.add(trim.knobs().get(i).knob().id() + " " + number(at.get(i)));
    }
    return String.join(", ", all);
  }

  static String number(double value) {
    String text = String.format(Locale.ROOT, "%.3f", value);
    return text.contains(".") ? text.replaceFirst("0+$", "").replaceFirst("\\.$", "") : text;
  }

  private String plain(double value) {
    return trim.reading().step() >= 1
        ? String.format(Locale.ROOT, "%.0f", value)
        : String.format(Locale.ROOT, "%.4g", value);
  }

  private String shown(double value) {
    String unit = trim.reading().unit();
    return List.of("V", "A", "Hz", "F", "H", "Ω").contains(unit)
        ? Engineering.reading(value, unit)
        : plain(value) + (unit.isEmpty() ? "" : " " + unit);
  }

  @Override
  public Mat mat() {
    Optional<TrimState.Try> good = good();
    List<Double> to = good.map(TrimState.Try::at).orElseGet(this::next);
    return new TrimMat(trim, state(), stands(), to, seat.words());
  }
}
