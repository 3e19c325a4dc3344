package humble.desktop.hand;

import humble.core.build.BuildEvent;
import humble.core.craft.Stop;
import humble.core.kit.Caution;
import humble.core.kit.Task;
import humble.core.route.Step;
import humble.core.words.Phrase;
import humble.desktop.session.OpenBuild;
import humble.desktop.session.Progress;
import humble.desktop.stage.Card;
import humble.desktop.stage.StageId;
import java.util.List;
import java.util.Optional;

/** A task of the kit that is done in a stage of its own: loading, a test, the case. */
public final class StageTask {
  private final Seat seat;
  private final OpenBuild open;
  private final Step step;
  private final Task task;

  private StageTask(Seat seat, OpenBuild open, Step step, Task task) {
    this.seat = seat;
    this.open = open;
    this.step = step;
    this.task = task;
  }

  /** Gives the task of a stage when it is the next step of the plan. */
  public static Optional<StageTask> next(Seat seat, OpenBuild open, StageId stage) {
    return Progress.step(open)
        .filter(step -> Progress.place(open.kit(), step) == stage)
        .flatMap(
            step -> open.kit().task(step.id()).map(task -> new StageTask(seat, open, step, task)));
  }

  /** Gives the id of the task. */
  public String id() {
    return task.id();
  }

  /** Gives its card; a caution that says stop is acknowledged first. */
  public Card card() {
    Card.Maker card = seat.card(seat.say("stage.task"), task.title());
    card.key(Card.BACK, seat.say("key.take-back"), () -> seat.desk().back());
    Optional<Stop> stop = open.stopBefore(List.of(task.id()));
    if (stop.isPresent()) {
      return StopCard.of(card, stop.get(), open, seat.typed(), seat.words());
    }
    if (step.switchOff()) {
      card.how(seat.say(Phrase.of("route.switch-off")));
    }
    open.kit().cautions().stream()
        .filter(caution -> caution.at().equals(task.id()))
        .forEach(c -> card.caution(c.level() != Caution.Level.CARE, c.text()));
    step.because().forEach(phrase -> card.why(seat.say(phrase)));
    return card.go(
        seat.say("fit.task.go"), () -> open.act(new BuildEvent.Fitted(step.id(), List.of(), 0)));
  }
}
