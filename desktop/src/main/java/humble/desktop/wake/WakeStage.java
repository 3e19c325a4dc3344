package humble.desktop.wake;

import humble.core.kit.Caution;
import humble.core.kit.Peripheral;
import humble.desktop.draw.Mat;
import humble.desktop.hand.HandStage;
import humble.desktop.hand.StageTask;
import humble.desktop.hand.StopHand;
import humble.desktop.hand.Turn;
import humble.desktop.session.OpenBuild;
import humble.desktop.stage.Desk;
import humble.desktop.stage.StageId;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Optional;
import java.util.SequencedMap;
import java.util.function.Supplier;

/** Wakes the board, peripheral by peripheral. */
public final class WakeStage extends HandStage {
  private final WakeBench bench;

  /** Makes the stage. */
  public WakeStage(OpenBuild open, Desk desk) {
    super(desk);
    this.bench = new WakeBench(seat, open, new WakeLine(seat, open, this::askForLine));
  }

  private void askForLine() {
    layOver(new LineHand(bench));
  }

  @Override
  public void left() {
    bench.line().close();
    super.left();
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
    // What was left for later comes after what was not, what was left last at the end.
    SequencedMap<String, Supplier<Turn>> ready = new LinkedHashMap<>();
    bench.ready().forEach(each -> ready.put(each.id(), () -> turn(each)));
    bench.finish().ready().forEach((id, turn) -> ready.put(id, () -> turn));
    List<String> later = bench.open().build().later();
    return ready.entrySet().stream()
        .min(Comparator.comparingInt(each -> later.indexOf(each.getKey())))
        .map(each -> each.getValue().get())
        .orElseGet(() -> new Turn("none left", () -> new NoneLeftHand(bench)));
  }

  private Turn turn(Peripheral peripheral) {
    String kicker = seat.say("wake.kicker.first");
    String title = new TestWords(seat, peripheral).title();
    Supplier<Mat> picture = () -> bench.mat(Optional.empty());
    return StopHand.before(List.of(peripheral.id()), seat, bench.open(), kicker, title, picture)
        .or(() ->
            transmitting(peripheral)
                .flatMap(stop -> StopHand.of(stop, seat, bench.open(), kicker, title, picture)))
        .orElseGet(() -> new Turn(peripheral, () -> Waking.of(bench, peripheral)));
  }

  /** What transmits is stopped at whether its author thought of it or not. */
  private Optional<Caution> transmitting(Peripheral peripheral) {
    return peripheral instanceof Peripheral.Radio
        ? Optional.of(
            new Caution(
                "transmit:" + peripheral.id(), seat.say("wake.radio.stop"), Caution.Level.STOP))
        : Optional.empty();
  }
}
