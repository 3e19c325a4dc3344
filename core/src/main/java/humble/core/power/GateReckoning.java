package humble.core.power;

import humble.core.circuit.Fault;
import humble.core.circuit.Snapshot;
import humble.core.circuit.StateSolver;
import humble.core.kit.BoardState;
import humble.core.kit.Gate;
import humble.core.kit.Kit;
import humble.core.kit.Measured;
import humble.core.kit.PackagePin;
import humble.core.kit.Part;
import humble.core.kit.PartKind;
import humble.core.kit.Parts;
import humble.core.kit.PinRef;
import humble.core.kit.Supply;
import humble.core.units.Band;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;

/**
 * Computes what a gate should read from the circuit. Its window is that of {@link BoardWindows}, at
 * least half a per cent to both sides; its limit that of {@link SupplyLimit}.
 */
public final class GateReckoning {
  private static final double LEAST_WINDOW_PART = 0.005;
  private static final int MOST_MISTAKES = 4;

  private final Parts parts;
  private final Kit kit;

  /** Makes the reckoning for one kit. */
  public GateReckoning(Parts parts) {
    this.parts = parts;
    this.kit = parts.kit();
  }

  /**
   * Computes what {@code gate} should read; empty when it is no voltage or the circuit has no
   * operating point.
   */
  public Optional<Expectation> of(Gate gate) {
    BoardState state = kit.state(gate.state()).orElse(null);
    Supply supply =
        state == null || state.supply() == null ? null : kit.supply(state.supply()).orElse(null);
    if (gate.measure() != Measured.VOLTAGE || state == null || supply == null) {
      return Optional.empty();
    }
    return BoardWindows.of(parts, state, supply)
        .flatMap(windows -> of(gate, state, supply, windows));
  }

  private Optional<Expectation> of(
      Gate gate, BoardState state, Supply supply, BoardWindows windows) {
    OptionalDouble reads = windows.nominal().meterVolts(gate.at().get(0), gate.at().get(1));
    if (reads.isEmpty()) {
      return Optional.empty();
    }
    double nominal = reads.getAsDouble();
    Band computed =
        windows
            .volts(gate.at().get(0), gate.at().get(1))
            .union(Band.around(nominal, LEAST_WINDOW_PART * nominal));
    Band window = gate.fixedWindow().orElse(computed);
    Band current = windows.currentMa();
    double limit = SupplyLimit.ma(parts, supply, windows.nominal(), current.high());
    return Optional.of(
        new Expectation(
            nominal,
            window,
            current,
            limit,
            supply.volts(),
            mistakes(gate, state, supply, limit, window)));
  }

  /**
   * The likely mistakes whose reading falls outside the window, one of each reading, furthest off
   * first.
   */
  private List<Expectation.IfInstead> mistakes(
      Gate gate, BoardState state, Supply supply, double limitMa, Band window) {
    Parts limited = parts.with(KitEdits.withSupply(kit, supply.with(supply.volts(), limitMa)));
    StateSolver solver = new StateSolver(limited, state);
    List<Expectation.IfInstead> all = new ArrayList<>();
    for (Fault fault : likely(state)) {
      solver
          .with(List.of(fault))
          .flatMap(board -> instead(gate, fault, board))
          .filter(each -> !window.holds(each.volts()))
          .filter(each -> all.stream().noneMatch(known -> known.readsLike(each)))
          .ifPresent(all::add);
    }
    all.sort(Comparator.comparingDouble((Expectation.IfInstead o) -> o.volts()));
    return all.size() > MOST_MISTAKES ? spread(all) : all;
  }

  /** Keeps the two ends and what lies evenly between. */
  private static List<Expectation.IfInstead> spread(List<Expectation.IfInstead> sorted) {
    List<Expectation.IfInstead> kept = new ArrayList<>();
    for (int i = 0; i < MOST_MISTAKES; i++) {
      kept.add(sorted.get(i * (sorted.size() - 1) / (MOST_MISTAKES - 1)));
    }
    return kept;
  }

  private List<Fault> likely(BoardState state) {
    List<Fault> faults = new ArrayList<>();
    Set<String> gone = parts.gone(state);
    for (Part part : parts.all()) {
      boolean here = part.placed().isPresent() && !gone.contains(part.ref());
      PartKind kind = part.line().kind();
      if (here && (kind == PartKind.DIODE || kind.isThreeLegged())) {
        faults.add(new Fault.Reversed(part.ref()));
        for (PackagePin pin : part.pack().pins()) {
          faults.add(new Fault.OpenJoint(new PinRef(part.ref(), pin.number())));
        }
      }
      if (here && kind == PartKind.CAPACITOR_POLARISED) {
        faults.add(new Fault.Bridge(new PinRef(part.ref(), "1"), new PinRef(part.ref(), "2")));
      }
    }
    return faults;
  }

  private static Optional<Expectation.IfInstead> instead(Gate gate, Fault fault, Snapshot board) {
    OptionalDouble reads = board.meterVolts(gate.at().get(0), gate.at().get(1));
    return reads.isEmpty()
        ? Optional.empty()
        : Optional.of(
            new Expectation.IfInstead(
                fault, reads.getAsDouble(), board.supplyA() * 1000, board.limited()));
  }
}
