package humble.desktop.fit;

import humble.core.build.BuildEvent;
import humble.core.kit.Part;
import humble.core.kit.Place;
import humble.core.route.Planner;
import humble.core.route.Step;
import humble.desktop.draw.Mat;
import humble.desktop.session.Progress;
import humble.desktop.stage.Card;
import humble.desktop.stage.LineNames;
import humble.desktop.stage.Standing;
import humble.desktop.stage.Takes;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/**
 * It goes otherwise than planned: only some of a group tonight, another bag in the hand, a part
 * left out or another in its place.
 */
final class OtherwiseHand extends OnBoardHand {
  private static final int REASONS = 3;
  private static final int SHORTEST = 3;

  private final StepHand.Of of;
  private final Step step;
  private final Optional<String> focus;
  private Ask ask = Ask.WHAT;
  private int bag;
  private boolean over;

  private enum Ask {
    WHAT,
    HOW_MANY,
    WHICH_BAG,
    LEFT_OUT,
    REPLACED
  }

  OtherwiseHand(StepHand.Of of, Optional<String> focus) {
    super(of.seat(), of.open(), of.board());
    this.of = of;
    this.step = of.step();
    this.focus = focus;
  }

  @Override
  public boolean over() {
    return over;
  }

  private String ref() {
    return focus.orElse(step.isByCount() ? step.id() : step.refs().getFirst());
  }

  /** What is left out or replaced, as it is called. */
  private String said() {
    return step.isByCount() ? named(step) : ref();
  }

  /** The parts of the step that are neither fitted nor left out. */
  private List<String> unfitted() {
    Set<String> gone = new HashSet<>(open.build().fittedRefs());
    gone.addAll(open.build().leftOut().keySet());
    return step.refs().stream().filter(ref -> !gone.contains(ref)).toList();
  }

  /** The other steps that may be done now, as far as the hard facts go. */
  private List<Step> bags() {
    return open.plan()
        .map(plan -> {
          Set<String> done = new HashSet<>();
          plan.steps().stream()
              .filter(each -> Progress.stepDone(open.build(), each))
              .forEach(each -> done.add(each.id()));
          return Planner.mayComeNow(
                  open.parts(), plan, open.build().choices(), open.lacking(), done)
              .stream()
              .filter(each -> !each.id().equals(step.id()) && each.count() > 0)
              .toList();
        })
        .orElse(List.of());
  }

  @Override
  public Card card() {
    return switch (ask) {
      case WHAT -> what();
      case HOW_MANY -> howMany();
      case WHICH_BAG -> whichBag();
      case LEFT_OUT -> reason("fit.otherwise.left-out");
      case REPLACED -> reason("fit.otherwise.replaced");
    };
  }

  private Card.Maker begun(String title) {
    Card.Maker card = seat.card(StepHand.kicker(seat, open, step), title);
    return card.key('.', say("fit.otherwise.back"), () -> over = true);
  }

  private void ask(Ask next) {
    ask = next;
    typed().clear();
  }

  private Card what() {
    Card.Maker card = begun(say("fit.otherwise"));
    if (unfitted().size() > 1) {
      choice(card, 1, say("fit.otherwise.some"), () -> ask(Ask.HOW_MANY));
    }
    if (!bags().isEmpty()) {
      choice(card, 2, say("fit.otherwise.bag"), () -> ask(Ask.WHICH_BAG));
    }
    choice(card, 3, say("fit.otherwise.leave", said()), () -> ask(Ask.LEFT_OUT));
    if (step.isByCount()) {
      return card.notYet(say("fit.otherwise.choose"));
    }
    choice(card, 4, say("fit.otherwise.other", said()), () -> ask(Ask.REPLACED));
    return card.notYet(say("fit.otherwise.choose"));
  }

  private void choice(Card.Maker card, int digit, String text, Runnable act) {
    card.choice(digit, Standing.TO_DO, say("fit.choice", digit, text), act);
  }

  private Card howMany() {
    List<String> left = unfitted();
    Card.Maker card = begun(say("fit.otherwise.how-many"));
    card.how(say("fit.otherwise.from", left.getFirst(), left.size()));
    card.field(typed().text(), "", Takes.DIGITS);
    int count = count(left.size());
    return count < 1
        ? card.notYet(say("fit.otherwise.type", left.size() - 1))
        : card.go(
            say("fit.otherwise.some.go", left.getFirst(), left.get(count - 1)), () -> some(count));
  }

  /** What was typed, when it is a count of some and not all; else 0. */
  private int count(int most) {
    try {
      int count = Integer.parseInt(typed().text());
      return count > 0 && count < most ? count : 0;
    } catch (NumberFormatException e) {
      return 0;
    }
  }

  private void some(int count) {
    List<String> refs = unfitted().subList(0, count);
    int joints = 0;
    for (String ref : refs) {
      Part part = open.built().get(ref);
      int empty = part.placed().map(Place::leaveEmpty).map(List::size).orElse(0);
      joints += step.act() == Step.Act.FIT ? part.pack().pins().size() - empty : 0;
    }
    open.act(new BuildEvent.FittedSome(step.id(), refs, joints));
    over = true;
  }

  private Card whichBag() {
    List<Step> bags = bags();
    Card.Maker card = begun(say("fit.otherwise.which"));
    if (bags.isEmpty()) {
      return card.notYet(say("fit.otherwise.none"));
    }
    Step now = bags.get(bag % bags.size());
    card.how(say("fit.otherwise.may"));
    List<Step> shown = new ArrayList<>();
    for (int i = 0; i < Math.min(7, bags.size()); i++) {
      shown.add(bags.get((bag + i) % bags.size()));
    }
    shown.forEach(each -> card.row(each == now ? Standing.NOW : Standing.TO_DO, named(each)));
    card.key('+', say("fit.otherwise.next"), () -> bag++);
    return card.go(
        say("fit.otherwise.take", named(now)),
        () -> {
          of.takeUp().accept(now);
          over = true;
        });
  }

  private String named(Step each) {
    if (each.isByCount()) {
      return open.kit()
          .line(each.line())
          .map(line -> say("plan.by-count", LineNames.single(seat.words(), line), each.count()))
          .orElse(each.line());
    }
    String refs =
        each.refs().size() > 3
            ? each.refs().getFirst() + "–" + each.refs().getLast()
            : String.join(", ", each.refs());
    return say(
        "fit.otherwise.named",
        refs,
        LineNames.single(seat.words(), open.built().get(each.refs().getFirst()).line()));
  }

  private Card reason(String key) {
    Card.Maker card = begun(say(key, said())).field(typed().text(), "", Takes.TEXT);
    for (int i = 1; i <= REASONS; i++) {
      card.row(Standing.TO_DO, say("fit.choice", i, say(key + "." + i)));
    }
    String reason = reason(typed().text().strip(), key);
    return reason.isEmpty()
        ? card.notYet(say("fit.otherwise.why"))
        : card.go(say(key + ".go"), () -> write(reason));
  }

  /** A digit stands for one of the usual reasons; anything longer is a reason of its own. */
  private String reason(String text, String key) {
    if (text.length() == 1 && Character.isDigit(text.charAt(0))) {
      int number = text.charAt(0) - '0';
      return number >= 1 && number <= REASONS ? say(key + "." + number) : "";
    }
    return text.length() < SHORTEST ? "" : text;
  }

  private void write(String reason) {
    open.act(
        ask == Ask.LEFT_OUT
            ? new BuildEvent.LeftOut(ref(), reason)
            : new BuildEvent.Replaced(ref(), reason));
    over = true;
  }

  @Override
  public Mat mat() {
    return board.mat(Optional.of(step), focus, Optional.empty());
  }
}
