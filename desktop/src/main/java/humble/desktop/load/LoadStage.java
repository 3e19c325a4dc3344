package humble.desktop.load;

import humble.core.kit.Caution;
import humble.core.kit.Setting;
import humble.desktop.hand.HandStage;
import humble.desktop.hand.StageTask;
import humble.desktop.hand.StopHand;
import humble.desktop.hand.Turn;
import humble.desktop.session.OpenBuild;
import humble.desktop.stage.Desk;
import humble.desktop.stage.StageId;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;

/** Reads, checks, sends and verifies the programs of the kit, one after the other. */
public final class LoadStage extends HandStage {
  private final OpenBuild open;
  private final LoadBench bench;

  /** Makes the stage. */
  public LoadStage(OpenBuild open, Desk desk, Path home) {
    super(desk);
    this.open = open;
    this.bench = new LoadBench(open, seat, home);
  }

  private record Doing(String what, String image) {}

  @Override
  protected Turn turn() {
    if (!bench.isRead()) {
      return new Turn(new Doing("reading", ""), () -> new ReadingHand(bench));
    }
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
    Optional<Setting> setting = bench.unset();
    if (setting.isPresent()) {
      return new Turn(setting.get(), () -> new SettingHand(bench, setting.get()));
    }
    return bench
        .beside()
        .before()
        .or(() -> bench.next().map(this::sending))
        .or(() -> bench.beside().after())
        .or(() -> bench.panel().next())
        .orElseGet(() -> new Turn(new Doing("all in", ""), () -> new AllInHand(bench)));
  }

  private Turn sending(ImageOnBench image) {
    Optional<Turn> stop =
        StopHand.before(
                List.of(image.image().id()),
                seat,
                open,
                seat.say("load.kicker"),
                seat.say("load.title", image.image().title()),
                () -> bench.street(Optional.of(image), 0))
            .or(() -> locking(image));
    return stop.orElseGet(() -> send(image));
  }

  private Turn send(ImageOnBench image) {
    return new Turn(
        new Doing("send", image.image().id()),
        () -> new SendHand(bench, image, () -> layOver(ways(image))));
  }

  private Optional<Turn> locking(ImageOnBench image) {
    return image
        .stop()
        .flatMap(problem ->
            StopHand.of(
                new Caution(
                    "lock:" + image.image().id(), seat.say(problem.phrase()), Caution.Level.STOP),
                seat,
                open,
                seat.say("load.kicker"),
                seat.say("load.title", image.image().title()),
                () -> bench.street(Optional.of(image), 0)));
  }

  private WaysHand ways(ImageOnBench image) {
    return new WaysHand(bench, image, () -> layOver(new CommandHand(bench, image)));
  }

  @Override
  public void left() {
    bench.closed();
    super.left();
  }
}
