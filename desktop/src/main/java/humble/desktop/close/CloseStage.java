package humble.desktop.close;

import humble.core.build.BuildEvent;
import humble.core.casing.CaseFit;
import humble.core.casing.ScrewFit;
import humble.core.kit.Enclosure;
import humble.core.words.Words;
import humble.desktop.draw.Mat;
import humble.desktop.hand.Seat;
import humble.desktop.hand.StageTask;
import humble.desktop.session.OpenBuild;
import humble.desktop.stage.Card;
import humble.desktop.stage.Desk;
import humble.desktop.stage.Stage;
import humble.desktop.stage.StageId;
import humble.desktop.stage.Standing;
import humble.desktop.stage.Typed;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

/**
 * Closes the case: what fits, which screws, in which order; power once more before the last screw.
 */
public final class CloseStage implements Stage {
  private final OpenBuild open;
  private final Desk desk;
  private final Words words;
  private final Typed typed = new Typed();

  /** Makes the stage. */
  public CloseStage(OpenBuild open, Desk desk) {
    this.open = open;
    this.desk = desk;
    this.words = desk.words();
  }

  private CaseFit fit() {
    return open.reckoned()
        .map(r -> r.caseFit())
        .orElseGet(() -> CaseFit.of(open.kit(), open.build().choices()));
  }

  /** Every screw but the last kind, then power once more, then the last. */
  private List<String> steps() {
    List<String> steps = new ArrayList<>();
    List<Enclosure.Screw> screws = open.kit().casing().map(Enclosure::screws).orElse(List.of());
    for (int i = 0; i < screws.size(); i++) {
      if (i == screws.size() - 1) {
        steps.add(BuildEvent.Closed.ONCE_MORE);
      }
      steps.add(screws.get(i).id());
    }
    if (screws.isEmpty()) {
      steps.add(BuildEvent.Closed.ONCE_MORE);
    }
    steps.add(BuildEvent.Closed.LAST);
    return steps;
  }

  private Optional<String> current() {
    return steps().stream().filter(step -> !open.build().closed().contains(step)).findFirst();
  }

  private Optional<ScrewFit> screw(String step) {
    return fit().screws().stream().filter(s -> s.screw().id().equals(step)).findFirst();
  }

  private String name(String step) {
    if (step.equals(BuildEvent.Closed.ONCE_MORE) || step.equals(BuildEvent.Closed.LAST)) {
      return words.say("close." + step);
    }
    return screw(step)
        .map(s -> words.say("close.screw", s.screw().count(), s.screw().thread(), length(s)))
        .orElse(step);
  }

  private String length(ScrewFit screw) {
    return screw.chooseMm().isEmpty()
        ? words.say("close.no-length")
        : mm(screw.chooseMm().getFirst());
  }

  private static String mm(double value) {
    return String.format(Locale.ROOT, value == Math.rint(value) ? "%.0f mm" : "%.1f mm", value);
  }

  @Override
  public Card card() {
    Optional<StageTask> task = StageTask.next(new Seat(desk, typed), open, StageId.CLOSE);
    return task.isPresent() ? task.get().card() : closing();
  }

  private Card closing() {
    CaseFit fit = fit();
    String step = current().orElse(null);
    List<String> steps = steps();
    int number = step == null ? steps.size() : steps.indexOf(step) + 1;
    Card.Maker card =
        new Card.Maker(
            words.say("close.kicker", number, steps.size()),
            step == null ? words.say("close.done") : name(step));
    if (step != null) {
      screw(step)
          .ifPresentOrElse(
              s -> screwLines(card, s), () -> card.how(words.say("close." + step + ".how")));
    }
    problems(fit).forEach(problem -> card.verdict(false, problem));
    for (String each : steps) {
      Standing standing =
          open.build().closed().contains(each)
              ? Standing.DONE
              : each.equals(step) ? Standing.NOW : Standing.TO_DO;
      card.row(standing, name(each));
    }
    card.key(Card.BACK, words.say("key.take-back"), desk::back);
    if (step == null) {
      return card.go(words.say("close.book"), () -> desk.go(StageId.BOOK));
    }
    boolean possible = screw(step).map(s -> !s.chooseMm().isEmpty()).orElse(true);
    return possible
        ? card.go(
            words.say(step.equals(BuildEvent.Closed.LAST) ? "close.last.go" : "close.go"),
            () -> open.act(new BuildEvent.Closed(step)))
        : card.notYet(words.say("close.no-length"));
  }

  private void screwLines(Card.Maker card, ScrewFit screw) {
    card.how(words.say("close.through", screw.screw().through(), screw.screw().into()));
    card.how(words.say("close.short", mm(screw.tooShortMm())));
    Double tooLong = screw.tooLongMm();
    if (tooLong != null) {
      card.how(words.say("close.long", mm(tooLong)));
    }
  }

  private List<String> problems(CaseFit fit) {
    List<String> problems = new ArrayList<>();
    fit.clearances().stream()
        .filter(c -> !c.ok())
        .forEach(c -> problems.add(words.say("close.high", c.ref(), mm(c.needsMm() - c.roomMm()))));
    fit.cutouts().stream()
        .filter(c -> !c.ok())
        .forEach(c -> problems.add(words.say("close.cutout", c.ref(), c.id())));
    return problems;
  }

  @Override
  public Typed typed() {
    return typed;
  }

  @Override
  public Mat mat() {
    Enclosure casing = open.kit().casing().orElse(null);
    return new SectionMat(
        words.say("close.mat"),
        open.built(),
        casing,
        fit(),
        current().orElse(""),
        open.onBoard(),
        words);
  }
}
