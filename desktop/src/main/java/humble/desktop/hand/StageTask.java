package humble.desktop.hand;

import humble.core.build.BuildEvent;
import humble.core.craft.Stop;
import humble.core.kit.Caution;
import humble.core.kit.Task;
import humble.core.kit.TaskKind;
import humble.core.route.Step;
import humble.core.words.Phrase;
import humble.core.words.Words;
import humble.desktop.session.OpenBuild;
import humble.desktop.session.Progress;
import humble.desktop.stage.Card;
import humble.desktop.stage.StageId;
import java.util.List;
import java.util.Optional;

/** A task of the kit that is done in a stage of its own: loading, a test, the case. */
public final class StageTask {
  private static final long MINUTES_OF_HOUR = 60;

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

  /** Gives what kind of work it is. */
  public TaskKind kind() {
    return task.kind();
  }

  /** Says how long a task has to be left alone after it; empty where it has not. */
  public static Optional<String> unattended(Words words, Task task) {
    long minutes = Math.round(task.minutesUnattended());
    return minutes <= 0
        ? Optional.empty()
        : Optional.of(
            minutes < MINUTES_OF_HOUR * 2
                ? words.say("task.unattended.minutes", minutes)
                : words.say(
                    "task.unattended.hours", Math.round(minutes / (double) MINUTES_OF_HOUR)));
  }

  /** Gives its card; a caution that says stop is acknowledged first. */
  public Card card() {
    Card.Maker card = seat.card(seat.say("stage.task"), task.title());
    card.key(Card.BACK, seat.say("key.take-back"), () -> seat.desk().back());
    Optional<Stop> stop = open.stopBefore(List.of(task.id()));
    if (stop.isPresent()) {
      return StopCard.of(card, stop.get(), open, seat.typed(), seat.words());
    }
    String craft = "fit.task." + task.kind().text();
    if (seat.words().knows(craft)) {
      card.how(seat.say(craft));
    }
    unattended(seat.words(), task).ifPresent(card::how);
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
