package humble.core.route;

import humble.core.circuit.CircuitInput;
import humble.core.circuit.Fault;
import humble.core.circuit.OhmBench;
import humble.core.circuit.OhmMeter;
import humble.core.circuit.Snapshot;
import humble.core.circuit.StateSolver;
import humble.core.kit.BoardState;
import humble.core.kit.Cable;
import humble.core.kit.Gate;
import humble.core.kit.Model;
import humble.core.kit.Part;
import humble.core.kit.PartKind;
import humble.core.kit.Parts;
import humble.core.kit.PinRef;
import humble.core.kit.RefOrder;
import humble.core.kit.Supply;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;

/**
 * What has to be on the board before a gate can be read: every part that carries current in its
 * state, chips included; what its probes go into and what the supply is plugged into; and the
 * capacitors that a regulator leans on. A gate of ohms needs what its reading hangs on.
 */
final class GateNeeds {
  private static final double CARRIES_A = 1e-9;
  private static final double SAME_PART = 1e-6;

  private final Parts parts;
  private final Map<String, Set<String>> known = new HashMap<>();

  GateNeeds(Parts parts) {
    this.parts = parts;
  }

  /** Gives the parts a gate needs, and the tasks that plug its cables in, in natural order. */
  Set<String> of(Gate gate) {
    return known.computeIfAbsent(gate.id(), id -> reckoned(gate));
  }

  private Set<String> reckoned(Gate gate) {
    Set<String> refs = new TreeSet<>(RefOrder.NATURAL);
    Optional<BoardState> state = parts.kit().state(gate.state());
    if (state.isPresent()) {
      refs.addAll(gate.measure().isPowered() ? carrying(state.get()) : deciding(gate, state.get()));
      if (gate.measure().isPowered()) {
        Optional.ofNullable(state.get().supply())
            .flatMap(id -> parts.kit().supply(id))
            .ifPresent(supply -> refs.addAll(plugs(supply)));
        refs.addAll(leanedOn(refs));
      }
      refs.removeAll(parts.gone(state.get()));
    }
    for (String at : gate.at()) {
      PinRef.parse(at)
          .ifPresent(
              pin -> parts.socketOf(pin.ref()).ifPresentOrElse(refs::add, () -> probed(pin, refs)));
    }
    return refs;
  }

  /** A probe that goes onto a part's own pin needs the part, unless its pad is bare then. */
  private void probed(PinRef pin, Set<String> refs) {
    boolean socket =
        parts.part(pin.ref()).map(part -> part.line().kind() == PartKind.SOCKET).orElse(false);
    if (socket) {
      refs.add(pin.ref());
    }
  }

  private Set<String> carrying(BoardState state) {
    Set<String> refs = new HashSet<>();
    Optional<Snapshot> board;
    try {
      board = new StateSolver(parts, state).asDesigned();
    } catch (CircuitInput e) {
      // A state that names what the kit lacks was reported by the check.
      board = Optional.empty();
    }
    for (Part part : parts.all()) {
      // Where nothing is known of the current, the gate waits for everything its state has.
      boolean carries =
          board
              .map(at -> at.mostAmps(part.ref()) > CARRIES_A)
              .orElse(!(part.model() instanceof Model.Open));
      if (carries) {
        refs.add(part.ref());
      }
    }
    for (Cable cable : parts.kit().handwork().cables()) {
      if (board.map(at -> at.mostAmps(cable.id()) > CARRIES_A).orElse(false)) {
        refs.add(cable.a());
        refs.add(cable.b());
        refs.addAll(parts.kit().linksOf(cable));
      }
    }
    return refs;
  }

  /** Where a supply is plugged in, or soldered on. */
  private static Set<String> plugs(Supply supply) {
    Set<String> plugs = new HashSet<>();
    PinRef.parse(supply.plus()).ifPresent(pin -> plugs.add(pin.ref()));
    PinRef.parse(supply.minus()).ifPresent(pin -> plugs.add(pin.ref()));
    return plugs;
  }

  /** A regulator may swing without the capacitors at its pins. */
  private Set<String> leanedOn(Set<String> refs) {
    Set<String> nets = new HashSet<>();
    for (String ref : refs) {
      if (parts.part(ref).map(Part::model).orElse(null) instanceof Model.Regulator regulator) {
        parts.netOf(new PinRef(ref, regulator.in())).ifPresent(nets::add);
        parts.netOf(new PinRef(ref, regulator.out())).ifPresent(nets::add);
      }
    }
    Set<String> leaned = new HashSet<>();
    for (Part part : parts.all()) {
      boolean beside =
          part.line().kind() == PartKind.CAPACITOR_POLARISED
              && part.pack().pins().stream()
                  .flatMap(pin -> parts.netOf(new PinRef(part.ref(), pin.number())).stream())
                  .anyMatch(nets::contains);
      if (beside) {
        leaned.add(part.ref());
      }
    }
    return leaned;
  }

  /** The parts without which the ohms between the probes would be others. */
  private Set<String> deciding(Gate gate, BoardState state) {
    Set<String> refs = new HashSet<>();
    if (gate.at().size() < 2) {
      return refs;
    }
    Set<String> gone = parts.gone(state);
    OhmBench bench = new OhmBench(parts, state);
    String red = parts.net(gate.at().get(0)).orElse("");
    String black = parts.net(gate.at().get(1)).orElse("");
    if (red.isEmpty() || black.isEmpty()) {
      return refs;
    }
    OhmMeter.Reading whole = bench.between(red, black, List.of());
    for (Part part : parts.all()) {
      if (!gone.contains(part.ref()) && !(part.model() instanceof Model.Open)) {
        OhmMeter.Reading without =
            bench.between(red, black, List.of(new Fault.Missing(part.ref())));
        if (!isSame(whole, without)) {
          refs.add(part.ref());
        }
      }
    }
    return refs;
  }

  private static boolean isSame(OhmMeter.Reading a, OhmMeter.Reading b) {
    return switch (a) {
      case OhmMeter.Reading.Ohms one ->
          b instanceof OhmMeter.Reading.Ohms other
              && Math.abs(one.ohms() - other.ohms()) <= SAME_PART * Math.abs(one.ohms());
      case OhmMeter.Reading.Open open -> b instanceof OhmMeter.Reading.Open;
      case OhmMeter.Reading.Unsolved unsolved -> b instanceof OhmMeter.Reading.Unsolved;
    };
  }
}
