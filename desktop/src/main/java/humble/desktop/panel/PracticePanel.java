package humble.desktop.panel;

import humble.bench.PracticeBench;
import humble.bench.panel.FrontPanel;
import humble.core.kit.BoardState;
import humble.core.kit.Panel;
import humble.desktop.session.Errand;
import humble.desktop.session.OpenBuild;
import humble.desktop.session.PoweredState;
import java.util.Optional;
import java.util.function.BiConsumer;
import java.util.function.Consumer;
import java.util.function.Function;
import org.jspecify.annotations.Nullable;

/** The panel of the practice bench, asked in the background; what it showed last is kept. */
final class PracticePanel {
  /** How many instructions it does between two acts of a hand. */
  private static final int BETWEEN_ACTS = 20_000;

  private final OpenBuild open;
  private final Panel kit;
  private FrontPanel.@Nullable Lights lights;
  private int switches;
  private Errand<?> busy = Errand.over();
  private boolean without;

  PracticePanel(OpenBuild open, Panel kit) {
    this.open = open;
    this.kit = kit;
  }

  /** Gives what its lights showed last; empty before the first key. */
  Optional<FrontPanel.Lights> lights() {
    return Optional.ofNullable(lights);
  }

  /** Gives how its switches stand. */
  int switches() {
    return switches;
  }

  /** Tells whether it is being asked. */
  boolean isBusy() {
    return busy.isRunning();
  }

  /** Tells whether nobody can say what its lines carry. */
  boolean isWithout() {
    return without;
  }

  /** Tells whether it is under power: then its memory holds what was put in. */
  boolean isOn() {
    return open.practice().isPanelOn();
  }

  /** Sets the switches; what runs sees them. */
  Errand<?> set(int value, Runnable then) {
    switches = value & 0xff;
    return act((front, made) -> {}, shown -> then.run());
  }

  /** Presses a key, with the switches as they stand. */
  Errand<?> press(Panel.Key key, Consumer<FrontPanel.Lights> then) {
    return act((front, made) -> made.apply(key).ifPresent(front::press), then);
  }

  private Errand<?> act(
      BiConsumer<FrontPanel, Function<Panel.Key, Optional<Panel.Key>>> act,
      Consumer<FrontPanel.Lights> then) {
    PracticeBench practice = open.practice();
    BoardState state = PoweredState.of(open).orElse(null);
    int now = switches;
    busy =
        open.works()
            .talk(
                "front panel",
                calledOff ->
                    state == null
                        ? Optional.<FrontPanel.Lights>empty()
                        : practice.atPanel(
                            kit,
                            state,
                            (front, made) -> {
                              front.set(now);
                              act.accept(front, made);
                              front.run(BETWEEN_ACTS);
                              return front.lights();
                            }),
                shown -> {
                  without = shown.isEmpty();
                  shown.ifPresent(seen -> {
                    lights = seen;
                    then.accept(seen);
                  });
                });
    return busy;
  }

  /** The power goes. */
  void off() {
    lights = null;
    open.practice().panelOff();
  }

  void cancel() {
    busy.cancel();
  }
}
