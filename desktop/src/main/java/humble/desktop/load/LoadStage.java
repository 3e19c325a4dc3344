package humble.desktop.load;

import humble.desktop.hand.HandStage;
import humble.desktop.hand.StageTask;
import humble.desktop.hand.Turn;
import humble.desktop.session.OpenBuild;
import humble.desktop.stage.Desk;
import humble.desktop.stage.StageId;
import java.util.Optional;

/** Reads, checks, sends and verifies the programs of the kit, one after the other. */
public final class LoadStage extends HandStage {
  private final OpenBuild open;
  private final LoadBench bench;

  /** Makes the stage. */
  public LoadStage(OpenBuild open, Desk desk) {
    super(desk);
    this.open = open;
    this.bench = new LoadBench(open, seat);
  }

  private record Doing(String what, String image) {}

  @Override
  protected Turn turn() {
    Optional<StageTask> task = StageTask.next(seat, open, StageId.LOAD);
    Optional<ImageOnBench> early =
        task.flatMap(each -> open.kit().firmware().earlyImage(each.id()))
            .flatMap(image -> bench.image(image.id()));
    if (early.isPresent()) {
      return sending(early.get());
    }
    if (task.isPresent()) {
      return new Turn(task.get().id(), () -> new LoadTaskHand(bench, task.get()));
    }
    Optional<ImageOnBench> begins = bench.toStart();
    if (begins.isPresent()) {
      return new Turn(
          new Doing("again", begins.get().image().id()), () -> new AgainHand(bench, begins.get()));
    }
    return bench
        .next()
        .map(this::sending)
        .orElseGet(() -> new Turn(new Doing("all in", ""), () -> new AllInHand(bench)));
  }

  private Turn sending(ImageOnBench image) {
    return new Turn(
        new Doing("send", image.image().id()),
        () -> new SendHand(bench, image, () -> layOver(new WaysHand(bench, image))));
  }

  @Override
  public void left() {
    bench.left();
    super.left();
  }
}
