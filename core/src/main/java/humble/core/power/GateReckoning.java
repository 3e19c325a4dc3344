package humble.core.power;

import humble.core.circuit.CircuitInput;
import humble.core.circuit.Fault;
import humble.core.circuit.Feed;
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
import java.util.function.Function;
import org.jspecify.annotations.Nullable;

/**
 * Computes what a gate should read from the circuit. Windows of volts and amperes are those of
 * {@link BoardWindows}, at least half a per cent to both sides; those of ohms follow from the
 * resistors. A window that the kit states is always the one that is judged by, also where the
 * circuit says nothing.
 */
public final class GateReckoning {
  private static final double LEAST_WINDOW_PART = 0.005;

  /** A supply's display shows tenths of a milliampere. */
  private static final double DISPLAY_A = 1e-4;

  private static final int MOST_MISTAKES = 4;

  private final Parts parts;
  private final Kit kit;

  /** Makes the reckoning for one kit. */
  public GateReckoning(Parts parts) {
    this.parts = parts;
    this.kit = parts.kit();
  }

  /**
   * Computes what {@code gate} should read; empty when the kit states no window and the circuit
   * gives none: its state is unknown, nothing feeds the board, or it has no operating point.
   */
  public Optional<Expectation> of(Gate gate) {
    BoardState state = kit.state(gate.state()).orElse(null);
    Optional<Expectation> computed;
    try {
      computed =
          state == null
              ? Optional.empty()
              : gate.measure().isPowered() ? powered(gate, state) : unpowered(gate, state);
    } catch (CircuitInput e) {
      // The state names what the kit lacks, which the check tells.
      computed = Optional.empty();
    }
    return computed.or(() ->
        gate.fixedWindow()
            .map(window ->
                new Expectation(gate.measure(), middle(window), window, null, List.of())));
  }

  private static double middle(Band window) {
    return Double.isInfinite(window.high()) ? window.high() : (window.low() + window.high()) / 2;
  }

  private Optional<Expectation> powered(Gate gate, BoardState state) {
    BoardWindows windows = BoardWindows.of(parts, state).orElse(null);
    Feed feed = Feed.of(parts, state).orElse(null);
    if (windows == null || feed == null) {
      return Optional.empty();
    }
    Band current = windows.currentMa();
    Double limit =
        feed.limited()
            .map(supply -> SupplyLimit.ma(parts, supply, windows.nominal(), current.high()))
            .orElse(null);
    Expectation.Powered power = new Expectation.Powered(feed, current, limit);
    if (gate.measure() == Measured.CURRENT) {
      double nominal = windows.nominalMa(windows.nominal()) / 1000;
      Band computed = new Band(current.low() / 1000, current.high() / 1000);
      return Optional.of(
          finished(
              gate,
              state,
              nominal,
              computed.union(
                  Band.around(nominal, Math.max(DISPLAY_A, LEAST_WINDOW_PART * nominal))),
              power,
              board -> OptionalDouble.of(windows.nominalMa(board) / 1000)));
    }
    String red = gate.at().size() == 2 ? gate.at().get(0) : "";
    String black = gate.at().size() == 2 ? gate.at().get(1) : "";
    OptionalDouble reads = windows.nominal().meterVolts(red, black);
    if (reads.isEmpty()) {
      return Optional.empty();
    }
    double nominal = reads.getAsDouble();
    return Optional.of(
        finished(
            gate,
            state,
            nominal,
            windows
                .volts(red, black)
                .union(Band.around(nominal, Math.abs(LEAST_WINDOW_PART * nominal))),
            power,
            board -> board.meterVolts(red, black)));
  }

  private Expectation finished(
      Gate gate,
      BoardState state,
      double nominal,
      Band computed,
      Expectation.Powered power,
      Function<Snapshot, OptionalDouble> reads) {
    Band window = gate.fixedWindow().orElse(computed);
    Expectation plain = new Expectation(gate.measure(), nominal, window, power, List.of());
    Double limit = power.limitMa();
    Supply supply = power.feed().limited().orElse(null);
    Parts limited =
        supply == null || limit == null
            ? parts
            : parts.with(KitEdits.withSupply(kit, supply.with(supply.volts(), limit)));
    StateSolver solver = new StateSolver(limited, state);
    return withMistakes(
        plain,
        state,
        fault ->
            solver
                .with(List.of(fault))
                .map(board -> instead(fault, reads.apply(board), power.feed().ma(board), board))
                .orElse(null));
  }

  private static Expectation.@Nullable IfInstead instead(
      Fault fault, OptionalDouble reads, double ma, Snapshot board) {
    return reads.isEmpty()
        ? null
        : new Expectation.IfInstead(fault, reads.getAsDouble(), ma, board.limited());
  }

  private Optional<Expectation> unpowered(Gate gate, BoardState state) {
    String red = gate.at().isEmpty() ? "" : parts.net(gate.at().getFirst()).orElse("");
    String black = gate.at().isEmpty() ? "" : parts.net(gate.at().getLast()).orElse("");
    if (red.isEmpty() || black.isEmpty()) {
      return Optional.empty();
    }
    OhmWindow ohms = new OhmWindow(parts, state, red, black);
    OptionalDouble nominal = ohms.nominal();
    if (nominal.isEmpty()) {
      return Optional.empty();
    }
    double reads = nominal.getAsDouble();
    Band computed =
        gate.measure() == Measured.CONTINUITY
            ? Measured.JOINED_OHM.holds(reads) ? Measured.JOINED_OHM : Measured.OPEN_OHM
            : Double.isInfinite(reads)
                ? ohms.band()
                : ohms.band().union(Band.around(reads, LEAST_WINDOW_PART * reads));
    Expectation plain =
        new Expectation(
            gate.measure(), reads, gate.fixedWindow().orElse(computed), null, List.of());
    return Optional.of(
        withMistakes(
            plain,
            state,
            fault -> {
              OptionalDouble other = ohms.with(fault);
              return other.isEmpty()
                  ? null
                  : new Expectation.IfInstead(fault, other.getAsDouble(), 0, false);
            }));
  }

  /**
   * Adds the likely mistakes whose reading falls outside the window, one of each reading, furthest
   * off first.
   */
  private Expectation withMistakes(
      Expectation plain,
      BoardState state,
      Function<Fault, Expectation.@Nullable IfInstead> reading) {
    List<Expectation.IfInstead> all = new ArrayList<>();
    for (Fault fault : likely(state)) {
      Expectation.IfInstead each = reading.apply(fault);
      if (each != null
          && !plain.window().holds(each.value())
          && all.stream().noneMatch(known -> plain.alike(known, each))) {
        all.add(each);
      }
    }
    all.sort(Comparator.comparingDouble(Expectation.IfInstead::value));
    return new Expectation(
        plain.measure(),
        plain.nominal(),
        plain.window(),
        plain.powered(),
        all.size() > MOST_MISTAKES ? spread(all) : all);
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
}
