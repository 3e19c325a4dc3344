package humble.core.power;

import humble.core.circuit.DcOutcome;
import humble.core.circuit.DcResult;
import humble.core.circuit.DcSolver;
import humble.core.circuit.Fault;
import humble.core.circuit.StateSolver;
import humble.core.kit.BoardState;
import humble.core.kit.Gate;
import humble.core.kit.Kit;
import humble.core.kit.Model;
import humble.core.kit.PackagePin;
import humble.core.kit.Part;
import humble.core.kit.PartKind;
import humble.core.kit.Parts;
import humble.core.kit.PinRef;
import humble.core.kit.Supply;
import humble.core.units.Band;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/**
 * Computes what a gate should read from the circuit.
 *
 * <p>Windows: every resistor and regulator is moved by one σ (tolerance/2.5) and the board solved
 * again; the squares of the changes add up, and the window holds 1.96 σ to both sides, 95 % of
 * boards. A supply with a range is solved at both ends and the windows are joined. Limit: one and a
 * half times the upper end of the current, at least 20 mA, never above what the supply gives.
 */
public final class GateReckoning {
  private static final double SIGMAS_OF_95_PERCENT = 1.96;
  private static final double TOLERANCE_SIGMAS = 2.5;
  private static final double LEAST_WINDOW_PART = 0.005;
  private static final int MOST_MISTAKES = 4;

  private final Parts parts;
  private final Kit kit;

  /** Makes the reckoning for one kit. */
  public GateReckoning(Parts parts) {
    this.parts = parts;
    this.kit = parts.kit();
  }

  /** Parts that carry less than this change nothing when their value moves. */
  private static final double CARRIES_MA = 1e-6;

  private record Point(double volts, double ma, boolean limited, Set<String> carrying) {}

  /**
   * Computes what {@code gate} should read; empty when it is no voltage or the circuit has no
   * operating point.
   */
  public Optional<Expectation> of(Gate gate) {
    BoardState state = kit.state(gate.state()).orElse(null);
    Supply supply =
        state == null || state.supply() == null ? null : kit.supply(state.supply()).orElse(null);
    if (!gate.measure().equals("voltage") || state == null || supply == null) {
      return Optional.empty();
    }
    Point nominal = point(kit, gate, state, List.of());
    if (nominal == null) {
      return Optional.empty();
    }
    Spread spread = spread(gate, state, nominal);
    Band window =
        Band.around(
            nominal.volts, Math.max(spread.volts, LEAST_WINDOW_PART * Math.abs(nominal.volts)));
    Band current = Band.around(nominal.ma, spread.ma);
    Band range = supply.rangeV();
    if (range != null) {
      for (double volts : new double[] {range.low(), range.high()}) {
        Point at = point(withSupply(supply, volts), gate, state, List.of());
        if (at != null) {
          window = window.union(Band.around(at.volts, spread.volts));
          current = current.union(Band.around(at.ma, spread.ma));
        }
      }
    }
    double most = current.high();
    double limit =
        new StateSolver(parts, state)
            .asDesigned()
            .map(board -> SupplyLimit.ma(parts, supply, board, most))
            .orElse(supply.limitMa());
    Band fixed = gate.fixedWindow().orElse(window);
    Band shown = new Band(Math.max(0, current.low()), Math.max(0, current.high()));
    return Optional.of(
        new Expectation(
            nominal.volts,
            fixed,
            shown,
            limit,
            supply.volts(),
            mistakes(gate, state, supply, limit, fixed)));
  }

  private record Spread(double volts, double ma) {}

  private Spread spread(Gate gate, BoardState state, Point nominal) {
    double volts = 0;
    double amps = 0;
    for (Part part : parts.all()) {
      Double tolerance = part.line().tolerancePct();
      Model moved =
          tolerance == null || !nominal.carrying.contains(part.ref())
              ? null
              : scaled(part.model(), 1 + tolerance / 100 / TOLERANCE_SIGMAS);
      if (moved != null) {
        Point at = point(KitEdits.withModel(kit, part.ref(), moved), gate, state, List.of());
        if (at != null) {
          volts += Math.pow(at.volts - nominal.volts, 2);
          amps += Math.pow(at.ma - nominal.ma, 2);
        }
      }
    }
    return new Spread(
        SIGMAS_OF_95_PERCENT * Math.sqrt(volts), SIGMAS_OF_95_PERCENT * Math.sqrt(amps));
  }

  private static @Nullable Model scaled(Model model, double factor) {
    return switch (model) {
      case Model.Resistor r -> new Model.Resistor(r.ohms() * factor);
      case Model.Regulator r ->
          new Model.Regulator(
              r.voutV() * factor,
              r.dropoutV(),
              r.limitMa(),
              r.iqMa(),
              r.thetaJaCPerW(),
              r.in(),
              r.gnd(),
              r.out());
      default -> null;
    };
  }

  private Kit withSupply(Supply supply, double volts) {
    return KitEdits.withSupply(kit, supply.with(volts, supply.limitMa()));
  }

  /**
   * The likely mistakes whose reading falls outside the window, one of each reading, furthest off
   * first.
   */
  private List<Expectation.IfInstead> mistakes(
      Gate gate, BoardState state, Supply supply, double limitMa, Band window) {
    Kit limited = KitEdits.withSupply(kit, supply.with(supply.volts(), limitMa));
    List<Expectation.IfInstead> all = new ArrayList<>();
    for (Fault fault : likely(state)) {
      Point at = point(limited, gate, state, List.of(fault));
      boolean fresh =
          at != null
              && all.stream()
                  .noneMatch(
                      o -> Math.abs(o.volts() - at.volts) < 0.05 && o.limited() == at.limited);
      if (at != null && fresh && !window.holds(at.volts)) {
        all.add(new Expectation.IfInstead(fault, at.volts, at.ma, at.limited));
      }
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

  private static Set<String> carrying(DcResult result) {
    Set<String> carrying = new HashSet<>(result.regulators().keySet());
    result
        .parts()
        .forEach((ref, current) -> {
          if (Math.abs(current.ma()) > CARRIES_MA) {
            carrying.add(ref);
          }
        });
    return carrying;
  }

  private @Nullable Point point(Kit edited, Gate gate, BoardState state, List<Fault> faults) {
    Parts index = edited == kit ? parts : parts.with(edited);
    return switch (new DcSolver(index).solve(state, faults)) {
      case DcOutcome.Unsolved unsolved -> null;
      case DcOutcome.Solved solved -> {
        DcResult result = solved.result();
        Double plus = index.net(gate.at().get(0)).map(result::volts).orElse(null);
        Double minus = index.net(gate.at().get(1)).map(result::volts).orElse(null);
        DcResult.SupplyReading shown = result.supply();
        yield shown == null
            ? null
            : new Point(
                (plus == null ? 0 : plus) - (minus == null ? 0 : minus),
                shown.ma(),
                shown.limited(),
                carrying(result));
      }
    };
  }
}
