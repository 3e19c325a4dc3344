package humble.desktop.wake;

import humble.core.kit.Peripheral;
import humble.desktop.hand.HandStage;
import humble.desktop.hand.StageTask;
import humble.desktop.hand.Turn;
import humble.desktop.session.OpenBuild;
import humble.desktop.stage.Desk;
import humble.desktop.stage.StageId;
import java.util.Optional;

/** Wakes the board, peripheral by peripheral. */
public final class WakeStage extends HandStage {
  private final WakeBench bench;

  /** Makes the stage. */
  public WakeStage(OpenBuild open, Desk desk) {
    super(desk);
    this.bench = new WakeBench(seat, open);
  }

  @Override
  protected Turn turn() {
    Optional<StageTask> task = StageTask.next(seat, bench.open(), StageId.WAKE);
    if (task.isPresent()) {
      return new Turn(
          task.get().id(),
          () -> new TestTaskHand(seat, task.get(), () -> bench.mat(Optional.empty())));
    }
    if (!bench.loaded()) {
      return new Turn("load first", () -> new LoadFirstHand(bench));
    }
    return bench
        .current()
        .map(this::turn)
        .orElseGet(() -> new Turn("none left", () -> new NoneLeftHand(bench)));
  }

  private Turn turn(Peripheral peripheral) {
    return new Turn(peripheral, () -> Waking.of(bench, peripheral));
  }
}
