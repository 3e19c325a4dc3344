package humble.desktop.wake;

import humble.core.kit.Peripheral;
import humble.desktop.draw.Pen;
import java.util.List;
import java.util.Optional;

/**
 * How the peripherals of one kind are woken: what to ask of the board, what to show, what to
 * deduce. One file for each kind, named in {@link #ALL}; its words begin with {@code wake.} and the
 * name of the kind, and the facts that it sees go into the journal by the names it gives them.
 */
interface Waking {
  /** Every way; the first that takes a peripheral wakes it. */
  List<Waking> ALL =
      List.of(
          LightsWaking::of,
          DisplayWaking::of,
          ChainWaking::of,
          KeysWaking::of,
          BusWaking::of,
          WordsWaking::of,
          ThroughWaking::of,
          MeasuredWaking::of,
          AimWaking::of,
          LookWaking::of);

  /** Gives the hand that wakes {@code peripheral}; empty when it is of another kind. */
  Optional<WakeHand> hand(WakeBench bench, Peripheral peripheral);

  /** Gives the hand that wakes a peripheral. */
  static WakeHand of(WakeBench bench, Peripheral peripheral) {
    return ALL.stream()
        .flatMap(test -> test.hand(bench, peripheral).stream())
        .findFirst()
        .orElseThrow(() -> new IllegalStateException("nobody wakes " + peripheral.id()));
  }

  /** The picture of a test that is under way, below the tree. */
  interface Picture {
    /** Draws it into a rectangle, in pixels. */
    void paint(Pen pen, double x, double y, double w, double h);
  }
}
