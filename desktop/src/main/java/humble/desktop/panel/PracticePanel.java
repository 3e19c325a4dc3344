package humble.desktop.panel;

import humble.bench.PracticeBench;
import humble.bench.SimulatedPanel;
import humble.bench.panel.FrontPanel;
import humble.core.circuit.Fault;
import humble.core.kit.BoardState;
import humble.core.kit.Panel;
import humble.desktop.session.Errand;
import humble.desktop.session.OpenBuild;
import humble.desktop.session.PoweredState;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.function.Consumer;
import java.util.function.Function;
import org.jspecify.annotations.Nullable;

/**
 * The panel of the practice bench, under power from the first act on: its memory stays until it is
 * switched off, or until something else is wrong with the board. It is used on the thread of its
 * link alone; what it showed last is kept for the picture.
 */
final class PracticePanel {
  /** How many instructions it does between two acts of a hand. */
  private static final int BETWEEN_ACTS = 20_000;

  private final OpenBuild open;
  private final Panel kit;
  private @Nullable FrontPanel panel;
  private @Nullable SimulatedPanel wires;
  private List<Fault> faults = List.of();
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

  /** Sets the switches; what runs sees them. */
  Errand<?> set(int value, Runnable then) {
    switches = value & 0xff;
    int now = switches;
    return act(
        front -> {
          front.set(now);
          front.run(BETWEEN_ACTS);
          return front.lights();
        },
        shown -> then.run());
  }

  /** Presses a key, with the switches as they stand. */
  Errand<?> press(Panel.Key key, Consumer<FrontPanel.Lights> then) {
    int now = switches;
    return act(
        front -> {
          front.set(now);
          made(key).ifPresent(front::press);
          front.run(BETWEEN_ACTS);
          return front.lights();
        },
        then);
  }

  private Optional<Panel.Key> made(Panel.Key key) {
    SimulatedPanel now = wires;
    return now == null ? Optional.empty() : now.pressed(key);
  }

  private Errand<?> act(
      Function<FrontPanel, FrontPanel.Lights> act, Consumer<FrontPanel.Lights> then) {
    PracticeBench practice = open.practice();
    BoardState state = PoweredState.of(open).orElse(null);
    busy =
        open.works()
            .talk(
                "front panel",
                calledOff ->
                    ready(practice, state)
                        .map(act::apply)
                        .map(Optional::of)
                        .orElse(Optional.empty()),
                shown -> {
                  without = shown.isEmpty();
                  shown.ifPresent(now -> {
                    lights = now;
                    then.accept(now);
                  });
                });
    return busy;
  }

  /** On the thread of the link: switched on anew where another fault is on the board. */
  private Optional<FrontPanel> ready(PracticeBench practice, @Nullable BoardState state) {
    if (state != null && (panel == null || !faults.equals(practice.faults()))) {
      faults = practice.faults();
      wires = practice.wake().panel(kit, state).orElse(null);
      SimulatedPanel made = wires;
      panel = made == null ? null : new FrontPanel(new Random(practice.seed()), made);
    }
    return Optional.ofNullable(panel);
  }

  /** The power goes. */
  void off() {
    lights = null;
    open.works()
        .talk(
            "front panel",
            calledOff -> {
              panel = null;
              return true;
            },
            done -> {});
  }

  void cancel() {
    busy.cancel();
  }
}
