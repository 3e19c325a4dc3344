package humble.desktop.wake;

import humble.core.kit.Peripheral;
import humble.core.kit.TaskKind;
import humble.desktop.draw.Mat;
import humble.desktop.finish.Finish;
import humble.desktop.hand.Hand;
import humble.desktop.session.Progress;
import humble.desktop.stage.Card;
import humble.desktop.stage.StageId;
import humble.desktop.stage.Standing;
import java.util.List;
import java.util.Optional;

/** Nothing is left that can wake: all are awake, or what is left waits for what never woke. */
final class NoneLeftHand extends Hand {
  private final WakeBench bench;

  NoneLeftHand(WakeBench bench) {
    super(bench.seat());
    this.bench = bench;
  }

  @Override
  public Card card() {
    List<Peripheral> all = bench.open().kit().peripherals();
    List<Finish.Row> finish = bench.finish().rows();
    boolean awake =
        all.stream().allMatch(p -> bench.awake(p.id()))
            && finish.stream().allMatch(Finish.Row::over);
    boolean tests =
        bench.open().kit().tasks().stream().anyMatch(task -> task.kind() == TaskKind.TEST);
    String title =
        all.isEmpty() && finish.isEmpty()
            ? (tests ? "wake.tried" : "wake.nothing")
            : awake ? "wake.done" : "wake.stuck";
    Card.Maker card = seat.card(say("wake.kicker.done"), say(title));
    all.forEach(p -> card.row(bench.awake(p.id()) ? Standing.DONE : Standing.TO_DO, p.id()));
    finish.forEach(each -> card.row(each.standing(), each.title()));
    boolean toggles =
        Progress.toggled(bench.open()).stream()
            .anyMatch(each -> !Progress.ran(bench.open().build(), each));
    if (toggles) {
      card.key('0', say("wake.close"), () -> seat.desk().go(StageId.CLOSE));
      return card.go(say("wake.toggle"), () -> seat.desk().go(StageId.LOAD));
    }
    return card.go(say("wake.close"), () -> seat.desk().go(StageId.CLOSE));
  }

  @Override
  public Mat mat() {
    return bench.mat(Optional.empty());
  }
}
