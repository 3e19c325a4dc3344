package humble.desktop.power;

import humble.core.build.BuildEvent;
import humble.core.kit.BoardState;
import humble.core.kit.Gate;
import humble.core.kit.Kit;
import humble.core.kit.Measured;
import humble.core.power.Expectation;
import humble.desktop.hand.Hand;
import humble.desktop.hand.Seat;
import humble.desktop.session.Known;
import humble.desktop.session.OpenBuild;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;

/** The last gate of a build, read once more when everything else is in. */
public final class GateAgain {
  private GateAgain() {}

  /**
   * Gives the last gate that is read under power with nothing missing; where the kit has none, the
   * volts of its last gate are read where nothing is missing. Empty where neither is known.
   */
  public static Optional<Gate> last(OpenBuild open) {
    Kit kit = open.kit();
    List<Gate> powered =
        kit.gates().reversed().stream().filter(gate -> gate.measure().isPowered()).toList();
    Optional<Gate> whole =
        powered.stream()
            .filter(gate -> kit.state(gate.state()).filter(GateAgain::isWhole).isPresent())
            .findFirst();
    return whole.or(() ->
        powered.stream()
            .filter(gate -> gate.measure() == Measured.VOLTAGE)
            .findFirst()
            .flatMap(gate ->
                kit.states().stream()
                    .filter(GateAgain::isWhole)
                    .findFirst()
                    .map(state -> inState(kit, gate, state))));
  }

  private static boolean isWhole(BoardState state) {
    return state.absent().isEmpty();
  }

  private static Gate inState(Kit kit, Gate gate, BoardState state) {
    // What the kit says at the gate that was read before holds here too.
    List<String> cautions = new ArrayList<>();
    kit.cautions().stream()
        .filter(caution -> caution.at().equals(gate.id()))
        .forEach(caution -> cautions.add(caution.text()));
    if (!gate.caution().isEmpty()) {
      cautions.add(gate.caution());
    }
    return new Gate(
        BuildEvent.Closed.ONCE_MORE,
        // Its own title tells of empty sockets.
        String.join(", ", gate.at()),
        Measured.VOLTAGE,
        gate.at(),
        state.id(),
        null,
        List.of(),
        String.join(" ", cautions));
  }

  /** What was acted since the case was begun: after the last part, or the last screw before. */
  private static List<BuildEvent> since(OpenBuild open) {
    List<BuildEvent.Entry> all = open.build().inForce();
    int from = 0;
    for (int i = 0; i < all.size(); i++) {
      BuildEvent event = all.get(i).event();
      if (event instanceof BuildEvent.Closed
          || event instanceof BuildEvent.Fitted
          || event instanceof BuildEvent.FittedSome) {
        from = i;
      }
    }
    return all.subList(from, all.size()).stream().map(BuildEvent.Entry::event).toList();
  }

  /** Tells whether it was read, or passed with a reason, since the case was begun. */
  public static boolean isReadSince(OpenBuild open, Gate gate) {
    return !overriddenSince(open, gate).isEmpty()
        || since(open).stream()
            .anyMatch(event ->
                event instanceof BuildEvent.GatePassed passed && passed.gate().equals(gate.id()));
  }

  /** Gives the reason for which it was passed unread since then; empty where it was not. */
  public static String overriddenSince(OpenBuild open, Gate gate) {
    return since(open).stream()
        .flatMap(event ->
            event instanceof BuildEvent.GateOverridden over && over.gate().equals(gate.id())
                ? java.util.stream.Stream.of(over.reason())
                : java.util.stream.Stream.empty())
        .findFirst()
        .orElse("");
  }

  /** Tells whether it is still being worked out what it should read. */
  public static boolean isWaiting(OpenBuild open, Gate gate) {
    return open.expectation(gate, true) instanceof Known.Waiting<Expectation>;
  }

  /** Gives the hand that reads it; empty while nothing is known that it should read. */
  public static Optional<Hand> hand(Seat seat, OpenBuild open, Gate gate, Consumer<Hand> layOver) {
    GateCards cards = new GateCards(seat, open, new Locks(seat, open), layOver);
    return open.expectation(gate, true) instanceof Known.Is<Expectation> is
        ? Optional.of(new GateHand(cards, gate, is.value()))
        : Optional.empty();
  }
}
