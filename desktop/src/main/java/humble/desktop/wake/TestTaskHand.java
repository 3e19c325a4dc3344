package humble.desktop.wake;

import humble.desktop.draw.Mat;
import humble.desktop.hand.Hand;
import humble.desktop.hand.Seat;
import humble.desktop.hand.StageTask;
import humble.desktop.stage.Card;
import java.util.function.Supplier;

/** A test that the kit names as a task of its own. */
final class TestTaskHand extends Hand {
  private final StageTask task;
  private final Supplier<Mat> picture;

  TestTaskHand(Seat seat, StageTask task, Supplier<Mat> picture) {
    super(seat);
    this.task = task;
    this.picture = picture;
  }

  @Override
  public Card card() {
    return task.card();
  }

  @Override
  public Mat mat() {
    return picture.get();
  }
}
