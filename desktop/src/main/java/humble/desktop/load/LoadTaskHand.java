package humble.desktop.load;

import humble.desktop.hand.StageTask;
import humble.desktop.stage.Card;

/** A task of the kit that is done in Load. */
final class LoadTaskHand extends LoadHand {
  private final StageTask task;

  LoadTaskHand(LoadBench bench, StageTask task) {
    super(bench, bench.next());
    this.task = task;
  }

  @Override
  public Card card() {
    return task.card();
  }
}
