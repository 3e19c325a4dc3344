package humble.core.circuit;

import humble.core.kit.Model;
import humble.core.kit.Part;
import humble.core.kit.Parts;
import humble.core.kit.PinRef;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.IdentityHashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.SequencedMap;
import java.util.Set;
import org.ejml.data.DMatrixRMaj;
import org.jspecify.annotations.Nullable;

/**
 * A board at one operating point, as instruments see it. Volts are against ground unless two points
 * are named; a voltmeter is 10 MΩ between its probes.
 */
public final class Snapshot {
  /** Above this nothing holds a net any more, in ohms: it floats. */
  public static final double FLOATING_OHM = 50e6;

  /** Inner resistance of a voltmeter, in ohms. */
  public static final double METER_OHM = 10e6;

  /**
   * Where the meter loads the point by less than this part, a straight line is as good as a solve.
   */
  private static final double LIGHT_LOAD = 2e-3;

  private static final double LIT_A = 1e-4;
  private static final double NOTHING_V = 1e-4;

  private final Parts parts;
  private final Circuit circuit;
  private final double[] volts;
  private final double[] riseOhm;
  private final double[] sigma;

  /** By how much one σ of everything drawn moves every node; kept where windows are asked for. */
  private final double @Nullable [][] moves;

  private final double supplyA;
  private final double supplySigmaA;
  private final boolean limited;

  private final Map<String, Double> batterySigmaA = new HashMap<>();
  private final Map<String, double[]> sharedVolts = new LinkedHashMap<>();
  private final Map<String, Map<String, Double>> sharedAmps = new HashMap<>();
  private final Map<String, Double> sharedSupplyA = new HashMap<>();

  /**
   * Takes a solved board.
   *
   * @param keepsMoves where the spread between two points is asked for
   * @param feedVaries whether what feeds it stands anywhere in its range; what moves many points at
   *     once, feeds and regulators, is then told apart from the spreads
   */
  Snapshot(Parts parts, Newton newton, boolean keepsMoves, boolean feedVaries) {
    this.parts = parts;
    this.circuit = newton.circuit();
    this.volts = newton.volts();
    int n = volts.length;
    DMatrixRMaj inverse = newton.inverse();
    Nodal at = newton.point();
    this.riseOhm = new double[n];
    this.sigma = new double[n];
    for (int k = 0; k < n; k++) {
      riseOhm[k] = inverse.data[k * n + k];
    }
    BenchSupply supply = circuit.supply().orElse(null);
    this.supplyA = supply == null ? 0 : supply.amps(at);
    this.limited = supply != null && supply.limited(at);
    double slope = supply == null || limited ? 0 : supply.slope(at);
    double supplySquares = 0;
    List<double[]> kept = new ArrayList<>();
    List<Drawn> all = new ArrayList<>(circuit.drawn());
    if (feedVaries) {
      all.addAll(circuit.feeds());
    }
    Map<String, HeldNode> batteries = batteries();
    double[] moved = new double[n];
    Map<Device, String> regulatorOf = new IdentityHashMap<>();
    circuit.regulators().forEach((ref, device) -> regulatorOf.put(device, ref));
    // A value that is off by ε moves node k by ε·I·(Z_ka − Z_kb).
    for (Drawn drawn : all) {
      double amps = drawn.amps(at);
      if (amps == 0) {
        continue;
      }
      String shared = feedVaries ? name(drawn, regulatorOf, batteries) : "";
      boolean keepsThis = keepsMoves || !shared.isEmpty();
      double[] each = keepsThis ? new double[n] : moved;
      int a = drawn.into();
      int b = drawn.outOf();
      for (int k = 0; k < n; k++) {
        double za = a < 0 ? 0 : inverse.data[k * n + a];
        double zb = b < 0 ? 0 : inverse.data[k * n + b];
        each[k] = amps * (za - zb);
      }
      double supplyMove = 0;
      if (supply != null && slope > 0) {
        double own = drawn instanceof Drawn.OfSupply ? amps : 0;
        supplyMove = own - slope * (at(each, supply.plus()) - at(each, supply.minus()));
      }
      Map<String, Double> sourceMoves = batteryMoves(batteries, drawn, amps, each);
      if (!shared.isEmpty()) {
        sharedVolts.put(shared, each);
        sharedAmps.put(shared, sourceMoves);
        sharedSupplyA.put(shared, supplyMove);
        continue;
      }
      for (int k = 0; k < n; k++) {
        sigma[k] += each[k] * each[k];
      }
      if (keepsMoves) {
        kept.add(each);
      }
      supplySquares += supplyMove * supplyMove;
      sourceMoves.forEach((ref, move) -> batterySigmaA.merge(ref, move * move, Double::sum));
    }
    batterySigmaA.replaceAll((ref, squares) -> Math.sqrt(squares));
    for (int k = 0; k < n; k++) {
      sigma[k] = Math.sqrt(sigma[k]);
    }
    this.supplySigmaA = Math.sqrt(supplySquares);
    this.moves = keepsMoves ? kept.toArray(double[][]::new) : null;
  }

  /** By how much the current of each battery moves where the nodes move by {@code each}. */
  private static Map<String, Double> batteryMoves(
      Map<String, HeldNode> batteries, Drawn drawn, double amps, double[] each) {
    if (batteries.isEmpty()) {
      return Map.of();
    }
    Map<String, Double> moves = new HashMap<>();
    batteries.forEach((ref, held) -> {
      double own = drawn instanceof Drawn.OfBattery of && of.device() == held ? amps : 0;
      double across = at(each, held.plus()) - at(each, held.minus());
      moves.put(ref, own - across / held.ohms());
    });
    return moves;
  }

  /** Names what moves many points at once: the supply, a battery, a regulator; else nothing. */
  private static String name(
      Drawn drawn, Map<Device, String> regulatorOf, Map<String, HeldNode> batteries) {
    return switch (drawn) {
      case Drawn.OfSupply d -> "supply";
      case Drawn.OfBattery d ->
          batteries.entrySet().stream()
              .filter(battery -> battery.getValue() == d.device())
              .map(Map.Entry::getKey)
              .findFirst()
              .orElse("");
      case Drawn.OfRegulator d -> regulatorOf.getOrDefault(d.device(), "");
      case Drawn.OfResistance d -> "";
      case Drawn.OfJunction d -> "";
      case Drawn.OfChip d -> "";
    };
  }

  /** Gives what moves many points at once on this board. */
  public Set<String> shared() {
    return sharedVolts.keySet();
  }

  /** Gives by how much one σ of {@code shared} moves a net or lead, in volts. */
  public double sharedVolts(String shared, String point) {
    double[] moved = sharedVolts.get(shared);
    return moved == null ? 0 : node(point).map(node -> at(moved, node)).orElse(0.0);
  }

  /** Gives by how much one σ of {@code shared} moves what a source gives, in amperes. */
  public double sharedAmps(String shared, String source) {
    return battery(source)
        .map(part -> sharedAmps.getOrDefault(shared, Map.of()).getOrDefault(part.ref(), 0.0))
        .orElseGet(() -> sharedSupplyA.getOrDefault(shared, 0.0));
  }

  private static double at(double[] moves, int node) {
    return node < 0 ? 0 : moves[node];
  }

  private Map<String, HeldNode> batteries() {
    Map<String, HeldNode> batteries = new LinkedHashMap<>();
    circuit
        .byPart()
        .forEach((ref, devices) ->
            devices.forEach(device -> {
              if (device instanceof HeldNode held) {
                batteries.put(ref, held);
              }
            }));
    return batteries;
  }

  void fillNets(Map<String, Double> into) {
    circuit.nodeOfNet().forEach((net, node) -> into.put(net, node < 0 ? 0 : volts[node]));
  }

  /**
   * Gives the node that a probe at {@code point} touches: a net, or the lead of a part, which an
   * open joint lifts off its net; empty when nothing carries that name.
   */
  private Optional<Integer> node(String point) {
    Integer net = circuit.nodeOfNet().get(point);
    if (net != null) {
      return Optional.of(net);
    }
    Optional<PinRef> pin = PinRef.parse(point).flatMap(parts::canonical);
    Integer lifted = pin.map(p -> circuit.nodeOfPin().get(p.toString())).orElse(null);
    return lifted != null
        ? Optional.of(lifted)
        : pin.flatMap(parts::netOf).map(name -> circuit.nodeOfNet().get(name));
  }

  /** Gives the volts at a net or lead with nothing connected; empty when there is no such point. */
  public OptionalDouble openVolts(String point) {
    return node(point).stream().mapToDouble(node -> node < 0 ? 0 : volts[node]).findFirst();
  }

  /** Gives the resistance seen into a net or lead against ground, in ohms; 0 for ground itself. */
  public double riseOhm(String point) {
    return node(point).map(node -> node < 0 ? 0 : riseOhm[node]).orElse(0.0);
  }

  /**
   * Gives the spread of what is read between two nets or leads, one σ, in volts: what moves both
   * alike does not count.
   *
   * @throws IllegalStateException for a board with a fault, whose moves are not kept
   */
  public double sigmaVolts(String red, String black) {
    double[][] all = moves;
    if (all == null) {
      throw new IllegalStateException("only the board as designed keeps what moves it");
    }
    int a = node(red).orElse(-1);
    int b = node(black).orElse(-1);
    double squares = 0;
    for (double[] each : all) {
      double move = (a < 0 ? 0 : each[a]) - (b < 0 ? 0 : each[b]);
      squares += move * move;
    }
    return Math.sqrt(squares);
  }

  /** Gives the spread of a net or lead from the tolerances of its parts, one σ, in volts. */
  public double sigmaVolts(String point) {
    return node(point).map(node -> node < 0 ? 0 : sigma[node]).orElse(0.0);
  }

  /**
   * Gives what a voltmeter reads between a net or lead and ground; empty when there is none such.
   */
  public OptionalDouble meterVolts(String point) {
    int node = node(point).orElse(-2);
    if (node == -2) {
      return OptionalDouble.empty();
    }
    return OptionalDouble.of(node < 0 ? 0 : loaded(node, -1, riseOhm[node]));
  }

  /** Gives what a voltmeter reads from {@code red} to {@code black}; empty when one is no point. */
  public OptionalDouble meterVolts(String red, String black) {
    int a = node(red).orElse(-2);
    int b = node(black).orElse(-2);
    if (a == -2 || b == -2) {
      return OptionalDouble.empty();
    }
    double into = (a < 0 ? 0 : riseOhm[a]) + (b < 0 ? 0 : riseOhm[b]);
    return OptionalDouble.of(a == b ? 0 : loaded(a, b, into));
  }

  private double loaded(int a, int b, double intoOhm) {
    double open = (a < 0 ? 0 : volts[a]) - (b < 0 ? 0 : volts[b]);
    if (Math.abs(open) < NOTHING_V || intoOhm / METER_OHM < LIGHT_LOAD) {
      return open * METER_OHM / (METER_OHM + intoOhm);
    }
    synchronized (this) {
      Newton probed = new Newton(circuit.with(new Resistance(a, b, METER_OHM)), DcOptions.USUAL);
      boolean settled = probed.from(volts) || probed.gminStepping();
      double[] at = probed.volts();
      return settled
          ? (a < 0 ? 0 : at[a]) - (b < 0 ? 0 : at[b])
          : open * METER_OHM / (METER_OHM + intoOhm);
    }
  }

  /** Gives the current out of the supply, in amperes; 0 without one. */
  public double supplyA() {
    return supplyA;
  }

  /**
   * Gives the spread of the supply's current from the tolerances of resistors, one σ, in amperes.
   */
  public double supplySigmaA() {
    return supplySigmaA;
  }

  /**
   * Gives what a source gives, in amperes: a supply by its id, a battery by its ref.
   *
   * @param source id of the state's supply, or ref of a battery on the board
   */
  public double sourceA(String source) {
    return battery(source).map(part -> amps(part.ref())).orElse(supplyA);
  }

  /** Gives the spread of what a source gives, one σ, in amperes; 0 where it is not known. */
  public double sourceSigmaA(String source) {
    Part battery = battery(source).orElse(null);
    return battery == null ? supplySigmaA : batterySigmaA.getOrDefault(battery.ref(), 0.0);
  }

  private Optional<Part> battery(String source) {
    return parts.kit().supply(source).isPresent()
        ? Optional.empty()
        : parts.part(source).filter(part -> part.model() instanceof Model.Battery);
  }

  /** Tells whether the supply is at its limit. */
  public boolean limited() {
    return limited;
  }

  /** Gives the current that a part is reported with, in amperes; 0 for one that is not there. */
  public double amps(String ref) {
    List<Device> devices = circuit.reported().get(ref);
    if (devices == null) {
      return 0;
    }
    Nodal at = point();
    return devices.stream().mapToDouble(device -> device.amps(at)).sum();
  }

  /** Gives the largest current through any of a part's paths, in amperes, whatever its sign. */
  public double mostAmps(String ref) {
    Nodal at = point();
    return circuit.byPart().getOrDefault(ref, List.of()).stream()
        .mapToDouble(device -> Math.abs(device.amps(at)))
        .max()
        .orElse(0);
  }

  /** Gives the heat of every regulator. */
  public SequencedMap<String, DcResult.RegulatorHeat> regulators() {
    Nodal at = point();
    SequencedMap<String, DcResult.RegulatorHeat> heats = new LinkedHashMap<>();
    circuit.regulators().forEach((ref, regulator) -> heats.put(ref, Newton.heat(regulator, at)));
    return heats;
  }

  /** Tells whether a part that can shine does. */
  public boolean lit(String ref) {
    return circuit.shining().contains(ref) && amps(ref) >= LIT_A;
  }

  /** Gives the refs of the parts on the board that can shine. */
  public List<String> lights() {
    return circuit.shining().stream().sorted(humble.core.kit.RefOrder.NATURAL).toList();
  }

  /** Gives the heat that a part turns current into, in watts; negative for one that feeds. */
  public double watts(String ref) {
    Nodal at = point();
    List<Device> devices = circuit.byPart().getOrDefault(ref, List.of());
    devices.forEach(device -> device.book(at));
    return at.bookedWatts();
  }

  private Nodal point() {
    return Nodal.reading(volts);
  }
}
