package humble.bench;

import humble.core.circuit.DcOutcome;
import humble.core.circuit.DcResult;
import humble.core.circuit.DcSolver;
import humble.core.circuit.Fault;
import humble.core.kit.BoardState;
import humble.core.kit.Model;
import humble.core.kit.Panel;
import humble.core.kit.Part;
import humble.core.kit.Parts;
import humble.core.kit.Peripheral;
import humble.core.kit.PinRef;
import humble.core.wake.BusPlan;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.TreeSet;
import org.jspecify.annotations.Nullable;

/**
 * What the simulated board shows when a peripheral of it is tried: keys, chains, knobs and what is
 * driven. All of it comes from the circuit with its faults, solved as it stands at that moment.
 */
public final class SimulatedWake {
  /** What an input takes for another level, in volts. */
  private static final double MOVES_V = 0.8;

  private final Parts parts;
  private final List<Fault> faults;

  SimulatedWake(Parts parts, List<Fault> faults) {
    this.parts = parts;
    this.faults = List.copyOf(faults);
  }

  /**
   * Gives what the lines of its front panel carry; empty where the nets do not say which is which.
   */
  public Optional<SimulatedPanel> panel(Panel panel, BoardState powered) {
    return SimulatedPanel.of(parts, this, panel, powered);
  }

  /** Gives what its parallel lines carry. */
  public SimulatedLines lines() {
    return new SimulatedLines(parts, this);
  }

  /** Gives what a board shows that has nothing wrong. */
  public static SimulatedWake healthy(Parts parts) {
    return new SimulatedWake(parts, List.of());
  }

  Optional<DcResult> solved(BoardState state) {
    return new DcSolver(parts).solve(state, faults) instanceof DcOutcome.Solved solved
        ? Optional.of(solved.result())
        : Optional.empty();
  }

  /**
   * Gives the keys that nothing answers to, by number from 1: no line that is read moves when they
   * are pressed.
   */
  public Set<Integer> silentKeys(Peripheral.Buttons keys, BoardState powered) {
    Set<Integer> silent = new TreeSet<>();
    for (int i = 0; i < keys.refs().size(); i++) {
      boolean answers =
          keys.rows().isEmpty()
              ? answersAlone(keys.refs().get(i), powered)
              : answersInRow(keys, i, powered);
      if (!answers) {
        silent.add(i + 1);
      }
    }
    return silent;
  }

  private boolean answersInRow(Peripheral.Buttons keys, int key, BoardState powered) {
    int columns = keys.columns().size();
    String row = keys.rows().get(key / columns);
    String column = keys.columns().get(key % columns);
    for (String level : List.of("high", "low")) {
      Map<String, String> drive = new HashMap<>();
      drive.put(row, level);
      BoardState open = powered.withDrive(drive);
      if (moves(open, closing(open, keys.refs().get(key)), List.of(column))) {
        return true;
      }
    }
    return false;
  }

  boolean answersAlone(String key, BoardState powered) {
    return moves(powered, closing(powered, key), read());
  }

  /** Whatever a chip may read, be it behind a resistor or at the other end of a cable. */
  private List<String> read() {
    List<String> pins = new ArrayList<>();
    parts
        .kit()
        .nets()
        .values()
        .forEach(members ->
            members.stream().filter(this::mayBeRead).map(PinRef::toString).forEach(pins::add));
    return pins;
  }

  private boolean mayBeRead(PinRef pin) {
    return parts.part(pin.ref()).map(Part::model).orElse(null) instanceof Model.Load load
        && !pin.pin().equals(load.plus())
        && !pin.pin().equals(load.minus());
  }

  private boolean moves(BoardState before, BoardState after, List<String> pins) {
    Optional<DcResult> one = solved(before);
    Optional<DcResult> other = solved(after);
    if (one.isEmpty() || other.isEmpty()) {
      return false;
    }
    return pins.stream()
        .anyMatch(pin -> Math.abs(volts(one.get(), pin) - volts(other.get(), pin)) > MOVES_V);
  }

  /** Gives the volts at a pin's own lead, which an open joint lifts off its net. */
  double volts(DcResult result, String pin) {
    String lead = PinRef.parse(pin).flatMap(parts::canonical).map(PinRef::toString).orElse(pin);
    if (result.pins().containsKey(lead)) {
      Double own = result.pins().get(lead);
      return own == null ? 0 : own;
    }
    Double net = parts.net(pin).map(result::volts).orElse(null);
    return net == null ? 0 : net;
  }

  private static BoardState closing(BoardState state, String key) {
    List<String> closed = new ArrayList<>(state.closed());
    closed.add(key);
    return new BoardState(
        state.id(),
        state.title(),
        state.supply(),
        state.absent(),
        closed,
        state.drive(),
        state.set(),
        state.choose(),
        state.sources());
  }

  /**
   * What a chain shows.
   *
   * @param darkFrom the first light from which all are dark, 0 for none
   * @param odd lights before it that are dim
   */
  public record ChainShows(int darkFrom, Set<Integer> odd) {}

  /**
   * Lights a chain: each light has its supply from the circuit, and its data from the one before
   * over their joint.
   */
  public ChainShows chain(Peripheral.Chain chain, BoardState powered) {
    DcResult result = solved(powered).orElse(null);
    List<String> refs = chain.refs();
    if (result == null) {
      return new ChainShows(1, Set.of());
    }
    for (int i = 0; i < refs.size(); i++) {
      String ref = refs.get(i);
      boolean told =
          i == 0
              ? isFed(ref, refs.size() > 1 ? refs.get(1) : "")
              : isWhole(shared(refs.get(i - 1), ref), Set.of(refs.get(i - 1), ref));
      if (!told || !isAlive(result, ref)) {
        return new ChainShows(i + 1, Set.of());
      }
    }
    return new ChainShows(0, Set.of());
  }

  private boolean isAlive(DcResult result, String ref) {
    boolean gone =
        faults.stream()
            .anyMatch(fault ->
                fault.equals(new Fault.Dead(ref))
                    || fault.equals(new Fault.Missing(ref))
                    || fault.equals(new Fault.Reversed(ref)));
    return !gone
        && parts.part(ref).map(Part::model).orElse(null) instanceof Model.Load load
        && volts(result, ref + "." + load.plus()) - volts(result, ref + "." + load.minus())
            >= load.minV();
  }

  /** The first light is fed at the data pin that the second does not share. */
  private boolean isFed(String first, String second) {
    Set<String> data = nets(first);
    data.removeAll(supplies(first));
    if (!second.isEmpty()) {
      data.removeAll(shared(first, second));
    }
    return isWhole(data, Set.of(first));
  }

  /** Tells whether one of the nets joins these parts, none of their joints on it being open. */
  private boolean isWhole(Set<String> nets, Set<String> refs) {
    return nets.stream()
        .anyMatch(net ->
            Objects.requireNonNull(parts.kit().nets().get(net)).stream()
                .filter(pin -> refs.contains(pin.ref()))
                .flatMap(pin -> parts.canonical(pin).stream())
                .noneMatch(pin -> faults.contains(new Fault.OpenJoint(pin))));
  }

  private Set<String> shared(String a, String b) {
    Set<String> both = nets(a);
    both.retainAll(nets(b));
    both.removeAll(supplies(a));
    return both;
  }

  private Set<String> supplies(String ref) {
    Set<String> nets = new HashSet<>();
    if (parts.get(ref).model() instanceof Model.Load load) {
      for (String pin : List.of(load.plus(), load.minus())) {
        parts.netOf(new PinRef(ref, pin)).ifPresent(nets::add);
      }
    }
    return nets;
  }

  private Set<String> nets(String ref) {
    Set<String> nets = new HashSet<>();
    parts
        .part(ref)
        .ifPresent(part ->
            part.pack()
                .pins()
                .forEach(pin -> parts.netOf(new PinRef(ref, pin.number())).ifPresent(nets::add)));
    return nets;
  }

  /**
   * Gives what a converter of so many counts reads at a net, its range being that of the chip.
   *
   * @param set where knobs stand, by ref or by ref and wiper
   * @param values other values of parts, such as that of a sensor in the light
   */
  public OptionalDouble counts(
      Peripheral.Analog analog,
      String at,
      BoardState powered,
      Map<String, Double> set,
      Map<String, Double> values) {
    BoardState state =
        new BoardState(
            powered.id(),
            powered.title(),
            powered.supply(),
            powered.absent(),
            powered.closed(),
            powered.drive(),
            set,
            powered.choose(),
            powered.sources());
    List<Fault> all = new ArrayList<>(faults);
    values.forEach((ref, ohms) -> all.add(new Fault.WrongValue(ref, ohms, ohms.toString())));
    DcOutcome outcome = new DcSolver(parts).solve(state, all);
    if (!(outcome instanceof DcOutcome.Solved solved)) {
      return OptionalDouble.empty();
    }
    double rail = rail(solved.result());
    return rail < 1
        ? OptionalDouble.empty()
        : OptionalDouble.of(
            Math.clamp(
                Math.rint(volts(solved.result(), at) / rail * (analog.counts() - 1)),
                0,
                analog.counts() - 1.0));
  }

  private double rail(DcResult result) {
    return parts.kit().firmware().targets().stream()
        .flatMap(target -> parts.part(target.ref()).stream())
        .filter(part -> part.model() instanceof Model.Load)
        .mapToDouble(part -> {
          Model.Load load = (Model.Load) part.model();
          return volts(result, part.ref() + "." + load.plus())
              - volts(result, part.ref() + "." + load.minus());
        })
        .max()
        .orElse(0);
  }

  /**
   * Gives how much more the board takes, in milliamperes, when a pin is driven high; empty where
   * nothing is solved.
   */
  public OptionalDouble drivenMa(String pin, BoardState powered) {
    Double off = taken(powered);
    Double on = taken(powered.withDrive(Map.of(pin, "high")));
    return off == null || on == null
        ? OptionalDouble.empty()
        : OptionalDouble.of(Math.rint((on - off) * 10) / 10);
  }

  private @Nullable Double taken(BoardState state) {
    DcResult result = solved(state).orElse(null);
    if (result == null) {
      return null;
    }
    DcResult.SupplyReading supply = result.supply();
    if (supply != null) {
      return supply.ma();
    }
    return result.parts().entrySet().stream()
        .filter(entry -> parts.get(entry.getKey()).model() instanceof Model.Battery)
        .mapToDouble(entry -> entry.getValue().ma())
        .sum();
  }

  /**
   * Gives the addresses that answer on a bus: those of devices with a supply, whose joints on both
   * lines are whole.
   */
  public Set<Integer> answering(Peripheral.Bus bus, List<BusPlan.Given> plan, BoardState powered) {
    DcResult result = solved(powered).orElse(null);
    Set<Integer> found = new TreeSet<>();
    if (result != null) {
      for (BusPlan.Given given : plan) {
        boolean joined =
            List.of(bus.sda(), bus.scl()).stream()
                .flatMap(line -> parts.net(line).stream())
                .allMatch(net -> isWhole(Set.of(net), Set.of(given.ref())));
        if (joined && isAlive(result, given.ref())) {
          found.add(given.address());
        }
      }
    }
    return found;
  }

  /** Tells whether a chip has its supply. */
  public boolean isPowered(String ref, BoardState powered) {
    return solved(powered).filter(result -> isAlive(result, ref)).isPresent();
  }
}
