package humble.desktop.fit;

import humble.core.build.BuildEvent;
import humble.core.kit.Caution;
import humble.core.kit.Part;
import humble.core.route.Step;
import humble.core.words.Phrase;
import humble.desktop.draw.Mat;
import humble.desktop.hand.Hand;
import humble.desktop.hand.Seat;
import humble.desktop.session.OpenBuild;
import humble.desktop.stage.Card;
import humble.desktop.stage.Standing;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.function.Consumer;

/** One step of the plan, with the keys that hold in every step. */
abstract class StepHand extends OnBoardHand {
  private static final int MARKS_NEEDED = 2;

  protected final Step step;
  private final Of of;

  /** What every step is made of. */
  record Of(
      Seat seat,
      OpenBuild open,
      Step step,
      BoardInHand board,
      Consumer<Hand> layOver,
      Consumer<Step> takeUp) {}

  StepHand(Of of) {
    super(of.seat(), of.open(), of.board());
    this.step = of.step();
    this.of = of;
  }

  /** Gives what is said of the step as a whole: which it is of how many, by which school. */
  static String kicker(Seat seat, OpenBuild open, Step step) {
    return open.plan()
        .map(plan ->
            seat.say(
                "fit.kicker",
                step.n(),
                plan.steps().size(),
                seat.say("plan." + plan.school().text())))
        .orElseGet(() -> seat.say("fit.kicker.plain"));
  }

  /** Gives what can be cautioned of in a step. */
  static List<String> names(Step step) {
    List<String> names = new ArrayList<>(step.refs());
    names.add(step.id());
    return names;
  }

  /** Gives the title of the step. */
  abstract String title();

  /** Begins the card. */
  protected final Card.Maker begun() {
    Card.Maker card = seat.card(kicker(seat, open, step), title());
    return step.switchOff() ? card.how(seat.say(Phrase.of("route.switch-off"))) : card;
  }

  /** Adds every caution of the kit at the step; tells whether there is one. */
  protected final boolean caution(Card.Maker card) {
    List<Caution> all = cautions(open, step);
    all.forEach(c -> card.caution(c.level() != Caution.Level.CARE, c.text()));
    return !all.isEmpty();
  }

  /** Tells whether the kit itself says at the step what comes of reversing it. */
  protected final boolean cautionsOfReversing() {
    return cautions(open, step).stream()
        .anyMatch(c -> c.text().toLowerCase(Locale.ROOT).contains("revers"));
  }

  private static List<Caution> cautions(OpenBuild open, Step step) {
    return open.kit().cautions().stream().filter(c -> names(step).contains(c.at())).toList();
  }

  /** Adds the last reasons for the place of the step. */
  protected final void why(Card.Maker card) {
    List<Phrase> because = step.because().stream().filter(phrase -> !isOfCase(phrase)).toList();
    because
        .subList(Math.max(0, because.size() - 2), because.size())
        .forEach(phrase -> card.why(seat.say(phrase)));
  }

  /** What the case will decide: said by a sentence of its own. */
  private static boolean isOfCase(Phrase phrase) {
    return phrase.key().startsWith("case.");
  }

  /** Says what the case will decide of the parts of the step, before their joints are made. */
  protected final void fitsCase(Card.Maker card) {
    List<Phrase> all = step.because().stream().filter(StepHand::isOfCase).toList();
    all.stream()
        .filter(StepHand::isMisfit)
        .findFirst()
        .ifPresent(phrase -> card.how(say("fit.case", seat.say(phrase))));
    all.stream().filter(phrase -> !isMisfit(phrase)).forEach(phrase -> card.how(seat.say(phrase)));
  }

  private static boolean isMisfit(Phrase phrase) {
    return phrase.key().startsWith("case.misfit.");
  }

  /** Adds the keys that hold in every step. */
  protected final Card.Maker withTools(Card.Maker card) {
    keys(card, seat);
    if (weighs()) {
      card.key('0', say("fit.key.cues"), this::weigh);
    }
    withTurning(card);
    if (focused().filter(ref -> NetHand.isOnAny(open, ref)).isPresent()) {
      card.key('7', say("fit.key.net"), this::followNext).silent('N', this::followNext);
    }
    withMagnifier(card);
    if (step.act() == Step.Act.FIT || step.act() == Step.Act.INSERT) {
      card.key('.', say("fit.key.otherwise"), () -> layOver(new OtherwiseHand(of, focused())));
    }
    return open.kit().boards().isEmpty()
        ? card
        : card.key('9', say("fit.key.inspect"), this::inspect);
  }

  /** Adds the keys that hold in the whole stage. */
  static void keys(Card.Maker card, Seat seat) {
    card.key(Card.BACK, seat.say("key.take-back"), () -> seat.desk().back());
    card.key('*', seat.say("key.note"), () -> seat.desk().note());
  }

  /** Gives the part that is in focus. */
  protected Optional<String> focused() {
    return step.refs().stream().findFirst();
  }

  private boolean weighs() {
    return step.act() == Step.Act.FIT
        && focused().map(ref -> CuesHand.weighs(open.built().get(ref).line())).orElse(false);
  }

  private void weigh() {
    focused().ifPresent(ref -> layOver(new CuesHand(seat, open, open.built().get(ref).line())));
  }

  private void followNext() {
    focused().flatMap(ref -> NetHand.first(of, title(), ref)).ifPresent(this::layOver);
  }

  /** Gives what the step is made of. */
  protected final Of of() {
    return of;
  }

  /** Lays the joints under the magnifier, where any are left to look at. */
  protected final void inspect() {
    InspectHand inspect = new InspectHand(seat, open, board.view(), board.faces());
    if (!inspect.over()) {
      layOver(inspect);
    }
  }

  protected final void layOver(Hand hand) {
    of.layOver().accept(hand);
  }

  /** What is said of a part of the step at its place. */
  protected final PartWords said(String ref) {
    Part part = open.built().get(ref);
    return new PartWords(
        open.built(),
        board.view(),
        part,
        ref,
        open.build().doubtfulLines().contains(part.line().id()),
        seat.words(),
        seat.desk().coreWords());
  }

  /** Gives the marks of a part still to be looked at, of the two that are asked for. */
  protected final long unseen(PartWords said, String prefix) {
    Set<String> seen = open.build().marksSeen(step.id());
    List<String> marks = said.marks();
    long looked = marks.stream().filter(mark -> seen.contains(prefix + mark)).count();
    return Math.max(0, Math.min(MARKS_NEEDED, marks.size()) - looked);
  }

  /**
   * Asks for two marks, each a different thing to look at; gives how many are still to be seen.
   *
   * @param prefix stands before each in the journal where the step has parts of several kinds
   */
  protected final int marks(Card.Maker card, PartWords said, String prefix) {
    List<String> marks = said.marks();
    Set<String> seen = open.build().marksSeen(step.id());
    card.row(Standing.NOW, seat.say("fit.two-marks"));
    for (int i = 0; i < marks.size(); i++) {
      String mark = prefix + marks.get(i);
      boolean done = seen.contains(mark);
      card.choice(
          i + 1,
          done ? Standing.DONE : Standing.TO_DO,
          seat.say("fit.choice", i + 1, said.markText(marks.get(i))),
          () -> {
            if (!done) {
              open.act(new BuildEvent.MarkSeen(step.id(), mark));
            }
          });
    }
    return (int) unseen(said, prefix);
  }

  /** Writes the step down as done. */
  protected void done() {
    open.act(new BuildEvent.Fitted(step.id(), step.refs(), step.joints()));
  }

  @Override
  public void pick(String spot) {
    NetHand.at(of, title(), spot).ifPresent(this::layOver);
  }

  @Override
  public Mat mat() {
    return board.mat(Optional.of(step), focused(), Optional.empty());
  }
}
