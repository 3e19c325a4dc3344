package humble.core.circuit;

import humble.core.kit.BoardState;
import humble.core.kit.Model;
import humble.core.kit.Part;
import humble.core.kit.Parts;
import humble.core.kit.PinRef;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.ToIntBiFunction;
import org.ejml.data.DMatrixRMaj;
import org.jspecify.annotations.Nullable;

/**
 * The unpowered board in one state, ready for an ohmmeter: supplies and batteries out, outputs off,
 * switches as in the state. Any number of threads may ask at once.
 */
public final class OhmBench {
  private static final double TEST_A = 1e-4;
  private static final double TEST_V = 0.2;

  /** Above this a usual meter shows open, in ohms. */
  public static final double OPEN_OHM = 10e6;

  /** What is left of a path when all of it but rounding is taken away. */
  private static final double LEAST_LEFT = 1e-9;

  private static final double LEAST_SHARE = 1e-4;

  private final Parts parts;
  private final BoardState state;
  private @Nullable Designed designed;

  /** Takes the power off {@code state}. */
  public OhmBench(Parts parts, BoardState state) {
    this.parts = parts;
    this.state =
        state.unpowered(
            parts.all().stream()
                .filter(part -> part.model() instanceof Model.Battery)
                .map(Part::ref)
                .toList());
  }

  /**
   * Gives what the meter shows: a test current of 100 µA from {@code red} to {@code black}, or 0.2
   * V where that would need more, so that junctions stay off.
   *
   * @throws CircuitInput when a fault or a net is none of the kit's
   */
  public OhmMeter.Reading between(String red, String black, List<Fault> faults) {
    for (String net : List.of(red, black)) {
      if (parts.net(net).isEmpty()) {
        throw new CircuitInput("'" + net + "' is neither a net nor a pin on one.");
      }
    }
    Circuit circuit = Circuit.of(parts, state, faults);
    int a = node(circuit, red);
    int b = node(circuit, black);
    if (a == b) {
      return new OhmMeter.Reading.Ohms(0);
    }
    Tested found = tested(red, black, TEST_V, TEST_A, faults).orElse(null);
    if (found == null) {
      return new OhmMeter.Reading.Unsolved("No operating point was found.");
    }
    double ohms = found.volts() / found.amps();
    return ohms >= 0 && ohms <= OPEN_OHM
        ? new OhmMeter.Reading.Ohms(ohms)
        : new OhmMeter.Reading.Open();
  }

  /**
   * Gives the volts between two nets and the amperes into {@code red} while a tester gives at most
   * so much: a diode test, a continuity test. Empty when no operating point was found.
   *
   * @throws CircuitInput when a fault or a net is none of the kit's
   */
  public Optional<Tested> tested(
      String red, String black, double mostVolts, double mostAmps, List<Fault> faults) {
    return tested(red, black, mostVolts, mostAmps, faults, this::node);
  }

  /**
   * Gives the same with the probes on the leads of parts, which an open joint lifts off their nets.
   */
  public Optional<Tested> testedOnLeads(
      String red, String black, double mostVolts, double mostAmps, List<Fault> faults) {
    return tested(red, black, mostVolts, mostAmps, faults, this::lead);
  }

  private Optional<Tested> tested(
      String red,
      String black,
      double mostVolts,
      double mostAmps,
      List<Fault> faults,
      ToIntBiFunction<Circuit, String> node) {
    for (String rung : Newton.LADDER) {
      Circuit circuit = Circuit.of(parts, state, faults);
      BenchSupply test =
          new BenchSupply(
              node.applyAsInt(circuit, red), node.applyAsInt(circuit, black), mostVolts, mostAmps);
      Newton newton = new Newton(circuit.with(test), DcOptions.USUAL);
      if (newton.by(rung)) {
        Nodal at = newton.point();
        return Optional.of(new Tested(test.volts(at), test.amps(at)));
      }
    }
    return Optional.empty();
  }

  /**
   * Gives the unpowered board with the meter on it as a SPICE deck; empty when no operating point
   * was found.
   *
   * @param title first line
   * @throws CircuitInput when a fault or a net is none of the kit's
   */
  public Optional<String> deck(String red, String black, List<Fault> faults, String title) {
    for (String rung : Newton.LADDER) {
      Circuit circuit = Circuit.of(parts, state, faults);
      BenchSupply test = new BenchSupply(node(circuit, red), node(circuit, black), TEST_V, TEST_A);
      Newton newton = new Newton(circuit.with(test), DcOptions.USUAL);
      if (newton.by(rung)) {
        return Optional.of(newton.deck(title));
      }
    }
    return Optional.empty();
  }

  /** What a tester finds: the volts across it and the amperes through it. */
  public record Tested(double volts, double amps) {}

  private int lead(Circuit circuit, String point) {
    Integer lifted =
        PinRef.parse(point)
            .flatMap(parts::canonical)
            .map(pin -> circuit.nodeOfPin().get(pin.toString()))
            .orElse(null);
    return lifted == null ? node(circuit, point) : lifted;
  }

  private int node(Circuit circuit, String net) {
    Map<String, Integer> nodes = circuit.nodeOfNet();
    return nodes.getOrDefault(parts.net(net).orElseThrow(), -1);
  }

  /**
   * Gives the ohms with every junction taken as a straight line about 0 V: what {@link #between}
   * shows, but for leakage of diodes in megohms, and quick where the fault is a conductance or two
   * more or less. More than 10 MΩ is given as infinite.
   */
  public double straight(String red, String black, List<Fault> faults) {
    Designed whole = designed();
    double rise =
        whole
            .changes(parts, faults)
            .map(changes ->
                whole.changed(node(whole.circuit, red), node(whole.circuit, black), changes))
            .orElseGet(() -> {
              Circuit circuit = Circuit.of(parts, state, faults);
              return new Newton(circuit, DcOptions.USUAL)
                  .rise(node(circuit, red), node(circuit, black));
            });
    return rise > OPEN_OHM ? Double.POSITIVE_INFINITY : Math.max(0, rise);
  }

  private synchronized Designed designed() {
    Designed made = designed;
    if (made == null) {
      Circuit circuit = Circuit.of(parts, state, List.of());
      made = new Designed(circuit, new Newton(circuit, DcOptions.USUAL).inverse());
      designed = made;
    }
    return made;
  }

  /** A conductance more or less between two nodes, in siemens. */
  private record Change(int a, int b, double siemens) {}

  /**
   * The board as designed, unpowered: what a conductance more or less makes of it follows in few
   * steps.
   */
  private record Designed(Circuit circuit, DMatrixRMaj inverse) {
    private double entry(int row, int column) {
      return row < 0 || column < 0 ? 0 : inverse.data[row * inverse.numCols + column];
    }

    /** Volts between c and d for an ampere from a to b. */
    private double transfer(int a, int b, int c, int d) {
      return entry(c, a) - entry(c, b) - entry(d, a) + entry(d, b);
    }

    /** Gives the ohms from a to b with all changes made. */
    double changed(int a, int b, List<Change> changes) {
      return transfer(a, b, a, b, changes);
    }

    /** Makes the changes one after the other (Sherman, Morrison 1950). */
    private double transfer(int a, int b, int c, int d, List<Change> changes) {
      if (changes.isEmpty()) {
        return transfer(a, b, c, d);
      }
      Change last = changes.getLast();
      List<Change> before = changes.subList(0, changes.size() - 1);
      double rest = transfer(a, b, c, d, before);
      double in = transfer(a, b, last.a, last.b, before);
      double out = transfer(last.a, last.b, c, d, before);
      double own = 1 + last.siemens * transfer(last.a, last.b, last.a, last.b, before);
      if (!(own > LEAST_LEFT)) {
        // The path was all there was: what part of the current went through it?
        return Math.abs(last.siemens * in) > LEAST_SHARE ? Double.POSITIVE_INFINITY : rest;
      }
      return rest - last.siemens * in * out / own;
    }

    /** Gives the change that the faults are, when they are none or one conductance. */
    Optional<List<Change>> changes(Parts parts, List<Fault> faults) {
      if (faults.isEmpty()) {
        return Optional.of(List.of());
      }
      if (faults.size() > 1) {
        return Optional.empty();
      }
      return switch (faults.getFirst()) {
        case Fault.Bridge f -> {
          Integer a = parts.netOf(f.a()).map(circuit.nodeOfNet()::get).orElse(null);
          Integer b = parts.netOf(f.b()).map(circuit.nodeOfNet()::get).orElse(null);
          yield a == null || b == null
              ? Optional.empty()
              : Optional.of(List.of(new Change(a, b, 1 / Physics.CLOSED_OHM)));
        }
        case Fault.Missing f -> without(f.ref());
        case Fault.Dead f -> without(f.ref());
        case Fault.OpenJoint f -> opened(parts, f);
        case Fault.WrongValue f ->
            resistance(f.ref())
                .map(r -> List.of(new Change(r.a(), r.b(), 1 / f.ohms() - 1 / r.ohms())));
        case Fault.Swapped f ->
            resistance(f.a())
                .flatMap(a ->
                    resistance(f.b())
                        .map(b -> {
                          double more = 1 / b.ohms() - 1 / a.ohms();
                          return List.of(
                              new Change(a.a(), a.b(), more), new Change(b.a(), b.b(), -more));
                        }));
        case Fault.Cold f -> Optional.empty();
        case Fault.Off f -> f.isSupply() ? Optional.of(List.of()) : Optional.empty();
        // Without power no output drives.
        case Fault.Blank f -> Optional.of(List.of());
        case Fault.Stuck f -> Optional.of(List.of());
        // A junction about 0 V is the same either way round.
        case Fault.Reversed f ->
            parts.part(f.ref()).filter(part -> part.pack().pins().size() == 2).isPresent()
                ? Optional.of(List.of())
                : Optional.empty();
      };
    }

    /** Off its pad a two-leaded part is as good as gone. */
    private Optional<List<Change>> opened(Parts parts, Fault.OpenJoint open) {
      String ref = open.pin().ref();
      boolean cabled = parts.kit().handwork().cableAt(ref).isPresent();
      return !cabled && parts.get(ref).pack().pins().size() == 2 ? without(ref) : Optional.empty();
    }

    private Optional<List<Change>> without(String ref) {
      List<Change> changes = new ArrayList<>();
      for (Device device : circuit.byPart().getOrDefault(ref, List.of())) {
        switch (device) {
          case Resistance r -> changes.add(new Change(r.a(), r.b(), -1 / r.ohms()));
          case Junction j -> changes.add(new Change(j.anode(), j.cathode(), -j.restingS()));
          case ChipLoad load ->
              changes.add(new Change(load.plus(), load.minus(), -BodyDiode.restingS()));
          case ReverseLeak leak -> {}
          case Avalanche zener -> {
            return Optional.empty();
          }
          case BenchSupply supply -> {
            return Optional.empty();
          }
          case Bipolar transistor -> {
            return Optional.empty();
          }
          case HeldNode held -> {
            return Optional.empty();
          }
          case SeriesRegulator regulator -> {
            return Optional.empty();
          }
          case SquareLaw transistor -> {
            return Optional.empty();
          }
        }
      }
      return changes.size() > 2 ? Optional.empty() : Optional.of(List.copyOf(changes));
    }

    private Optional<Resistance> resistance(String ref) {
      List<Device> devices = circuit.byPart().getOrDefault(ref, List.of());
      return devices.size() == 1 && devices.getFirst() instanceof Resistance r
          ? Optional.of(r)
          : Optional.empty();
    }
  }
}
