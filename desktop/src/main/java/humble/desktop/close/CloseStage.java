package humble.desktop.close;

import humble.core.build.BuildEvent;
import humble.core.casing.Misfit;
import humble.core.casing.ScrewFit;
import humble.core.kit.Enclosure;
import humble.core.kit.Gate;
import humble.core.kit.TaskKind;
import humble.desktop.hand.HandStage;
import humble.desktop.hand.StageTask;
import humble.desktop.hand.Turn;
import humble.desktop.power.GateAgain;
import humble.desktop.session.OpenBuild;
import humble.desktop.session.Session;
import humble.desktop.stage.Desk;
import humble.desktop.stage.StageId;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * Closes the case: what does not fit, the tasks of the kit, which screws; power once more before
 * the last screw.
 */
public final class CloseStage extends HandStage {
  private final CloseCards cards;

  /** Makes the stage. */
  public CloseStage(Session session, Desk desk) {
    super(desk);
    this.cards = new CloseCards(seat, session);
  }

  /** Every screw but the last kind, then power once more, then the last. */
  private List<String> steps() {
    List<String> steps = new ArrayList<>();
    List<Enclosure.Screw> screws = cards.casing().map(Enclosure::screws).orElse(List.of());
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

  private record Decide(Misfit misfit) {}

  private record Task(String id) {}

  private record OnceMore(Optional<Gate> read) {}

  @Override
  protected Turn turn() {
    OpenBuild open = cards.open();
    List<Misfit> undecided = MisfitHand.undecided(cards);
    if (!undecided.isEmpty()) {
      Misfit first = undecided.getFirst();
      return new Turn(new Decide(first), () -> new MisfitHand(seat, cards, first));
    }
    Optional<StageTask> next = StageTask.next(seat, open, StageId.CLOSE);
    boolean glues = next.filter(task -> task.kind() == TaskKind.GLUE).isPresent();
    if (glues && !open.build().closed().contains(BuildEvent.Closed.ONCE_MORE)) {
      // What is glued is not opened again: it is powered once more before.
      return closing(List.of(BuildEvent.Closed.ONCE_MORE));
    }
    return next.map(
            task -> new Turn(new Task(task.id()), () -> new CaseTaskHand(seat, cards, task)))
        .orElseGet(() -> closing(steps()));
  }

  private Turn closing(List<String> steps) {
    OpenBuild open = cards.open();
    String step =
        steps.stream().filter(each -> !open.build().closed().contains(each)).findFirst().orElse("");
    int number = step.isEmpty() ? steps.size() : steps.indexOf(step) + 1;
    String kicker = seat.say("close.kicker", String.valueOf(number), String.valueOf(steps.size()));
    if (step.equals(BuildEvent.Closed.ONCE_MORE)) {
      return onceMore(kicker);
    }
    return cards.fit().screws().stream()
        .filter(screw -> screw.screw().id().equals(step))
        .findFirst()
        .map(screw -> screw(screw, kicker))
        .orElseGet(() -> new Turn(step, () -> new LastHand(seat, cards, kicker)));
  }

  private Turn screw(ScrewFit screw, String kicker) {
    return new Turn(screw.screw().id(), () -> new ScrewHand(seat, cards, screw, kicker));
  }

  /** The last gate is read anew; what was read with the case open does not count. */
  private Turn onceMore(String kicker) {
    OpenBuild open = cards.open();
    Optional<Gate> unread = GateAgain.last(open).filter(gate -> !GateAgain.isReadSince(open, gate));
    return unread
        .flatMap(gate -> GateAgain.hand(seat, open, gate, this::layOver))
        .map(hand -> new Turn(new OnceMore(unread), () -> hand))
        .orElseGet(() ->
            new Turn(new OnceMore(Optional.empty()), () -> new OnceMoreHand(seat, cards, kicker)));
  }
}
