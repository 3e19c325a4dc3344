package humble.core.circuit;

import java.util.Arrays;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.SequencedMap;
import org.ejml.data.DMatrixRMaj;
import org.jspecify.annotations.Nullable;

/** Newton's method on one circuit, with the rungs that help it where it does not settle. */
final class Newton {
  /**
   * Holds floating copper at some voltage; large enough to survive beside a closed contact in
   * double precision.
   */
  private static final double NODE_LEAK_S = 1e-12;

  private static final double LIT_A = 1e-4;

  /**
   * A point whose currents do not add up to this is no operating point, whatever the steps said.
   */
  private static final double RESIDUAL_A = 1e-6;

  /** Plain Newton may not throw a node further than this in a step. */
  private static final double PLAIN_STEP_V = 100;

  private static final int WARM_STEPS = 40;

  /**
   * After so many steps a point whose currents add up to picoamperes counts, although copper that
   * nothing holds still drifts.
   */
  private static final int ADRIFT_STEPS = 25;

  private static final double ADRIFT_A = 1e-10;

  /** Steps in a row that must be settled: two from nowhere, one from a point nearby. */
  private static final int SETTLED = 2;

  private static final int WARM_SETTLED = 1;
  private static final int SETTLING_STEPS = 12;
  private static final int MOST_SETTLING = 400;
  private static final double SHORT_STEP_V = 0.3;
  private static final int SHORT_STEPS_FACTOR = 4;
  private static final double AMBIENT_C = 25;

  /** The rungs in the order tried. */
  static final List<String> LADDER = List.of("newton", "gmin", "settle", "short", "drift");

  private final Circuit circuit;
  private final DcOptions options;
  private final Nodal nodal;
  private final NodalLu lu = new NodalLu();
  private final DMatrixRMaj next;
  private double[] volts;
  private double[] anchor = new double[0];
  private double anchorS;
  private boolean mayDrift;
  private int steps;

  Newton(Circuit circuit, DcOptions options) {
    this.options = options;
    this.circuit = circuit;
    this.nodal = new Nodal(circuit.nodeCount());
    this.next = new DMatrixRMaj(circuit.nodeCount(), 1);
    this.volts = new double[circuit.nodeCount()];
  }

  Circuit circuit() {
    return circuit;
  }

  int steps() {
    return steps;
  }

  double[] volts() {
    return volts;
  }

  /** Tries one rung; the point counts only when its currents add up. */
  boolean by(String rung) {
    boolean settled =
        switch (rung) {
          case "newton" -> newton(0).isPresent();
          case "gmin" -> gminStepping();
          case "settle" -> settling();
          case "drift" -> drifting();
          default -> softStart();
        };
    return settled && worstSum() <= RESIDUAL_A;
  }

  /**
   * Starts from the point {@code from} of nearly the same circuit, where limiting and pieces begin
   * too; a few steps then do. Nodes beyond its length begin at 0 V.
   */
  boolean from(double[] from) {
    System.arraycopy(from, 0, volts, 0, Math.min(from.length, volts.length));
    nodal.restart(volts);
    circuit.devices().forEach(device -> device.begin(nodal));
    double[] most = new double[volts.length];
    Arrays.fill(most, PLAIN_STEP_V);
    return newton(0, most, WARM_STEPS, WARM_SETTLED, this::move).isPresent()
        && worstSum() <= RESIDUAL_A;
  }

  /**
   * Gives resistances of the point found: entry (k, m) is the rise of node k, in volts, for an
   * ampere fed into node m.
   */
  DMatrixRMaj inverse() {
    stamp(0);
    return lu.setA(nodal.conductance)
        ? lu.inverse()
        : new DMatrixRMaj(circuit.nodeCount(), circuit.nodeCount());
  }

  /**
   * Gives the rise between two nodes for an ampere from the one to the other, at the point found.
   */
  double rise(int a, int b) {
    stamp(0);
    if (!lu.setA(nodal.conductance)) {
      return Double.POSITIVE_INFINITY;
    }
    DMatrixRMaj in = new DMatrixRMaj(circuit.nodeCount(), 1);
    if (a >= 0) {
      in.data[a] += 1;
    }
    if (b >= 0) {
      in.data[b] -= 1;
    }
    lu.solve(in, next);
    return (a < 0 ? 0 : next.data[a]) - (b < 0 ? 0 : next.data[b]);
  }

  /** Gives the equations at the point found, for reading currents. */
  Nodal point() {
    nodal.restart(volts);
    return nodal;
  }

  /** Gives the number of steps when it settled, with {@code leakS} from every node to ground. */
  OptionalInt newton(double leakS) {
    double[] most = new double[volts.length];
    Arrays.fill(most, PLAIN_STEP_V);
    return newton(leakS, most, options.mostSteps(), SETTLED, this::move);
  }

  /** Takes the solution of a step, held back; tells whether any node moved. */
  private interface Move {
    boolean to(double[] to, double[] mostStepV);
  }

  private OptionalInt newton(
      double leakS, double[] mostStepV, int mostSteps, int settled, Move move) {
    int settledSteps = 0;
    for (int step = 1; step <= mostSteps; step++) {
      steps++;
      boolean devicesSettled = stamp(leakS);
      if (!lu.setA(nodal.conductance) || !finite()) {
        return OptionalInt.empty();
      }
      lu.solve(nodal.current, next);
      double[] to = next.data.clone();
      boolean moved = move.to(to, mostStepV);
      boolean adrift =
          mayDrift && moved && devicesSettled && step > ADRIFT_STEPS && worstSum() <= ADRIFT_A;
      settledSteps = devicesSettled && (!moved || adrift) ? settledSteps + 1 : 0;
      if (settledSteps == settled) {
        return OptionalInt.of(step);
      }
    }
    return OptionalInt.empty();
  }

  private boolean finite() {
    for (double value : nodal.current.data) {
      if (!Double.isFinite(value)) {
        return false;
      }
    }
    return true;
  }

  private boolean stamp(double leakS) {
    nodal.restart(volts);
    boolean settled = true;
    for (Device device : circuit.devices()) {
      settled &= device.stamp(nodal);
    }
    for (int node = 0; node < circuit.nodeCount(); node++) {
      nodal.conductance(node, -1, NODE_LEAK_S + leakS);
      if (anchorS > 0) {
        nodal.add(node, -1, 0, node, -1, anchorS, anchor[node]);
      }
    }
    return settled;
  }

  private boolean move(double[] to, double[] mostStepV) {
    boolean moved = false;
    for (int i = 0; i < to.length; i++) {
      double step = to[i] - volts[i];
      double tolerance =
          options.absoluteVoltageToleranceV()
              + options.relativeVoltageTolerance() * Math.abs(to[i]);
      moved |= !(Math.abs(step) <= tolerance);
      if (Math.abs(step) > mostStepV[i]) {
        to[i] = volts[i] + Math.copySign(mostStepV[i], step);
      }
    }
    volts = to;
    return moved;
  }

  boolean gminStepping() {
    for (double leak = 1e-2; leak > 1e-13; leak /= 10) {
      if (newton(leak).isEmpty()) {
        return false;
      }
    }
    return newton(0).isPresent();
  }

  /**
   * Where every current adds up although copper that nothing holds wanders on, the wandering is no
   * reason to give up: what such copper stands at is nobody's reading.
   */
  private boolean drifting() {
    mayDrift = true;
    boolean settled = newton(0).isPresent();
    mayDrift = false;
    return settled;
  }

  /**
   * Follows the board as it would settle with a capacitor at every node, by backward Euler steps
   * that grow while they go well: pseudo-transient continuation (Kelley, Keyes 1998). It ends where
   * the board itself would.
   */
  boolean settling() {
    double[] most = new double[volts.length];
    Arrays.fill(most, PLAIN_STEP_V);
    anchor = volts.clone();
    anchorS = 1;
    for (int step = 0; step < MOST_SETTLING && anchorS > 1e-12; step++) {
      if (newton(0, most, SETTLING_STEPS, WARM_SETTLED, this::move).isPresent()) {
        anchor = volts.clone();
        anchorS /= 4;
      } else {
        volts = anchor.clone();
        nodal.restart(volts);
        circuit.devices().forEach(device -> device.begin(nodal));
        anchorS *= 8;
      }
    }
    boolean near = anchorS <= 1e-12;
    anchorS = 0;
    return near && newton(0).isPresent();
  }

  /**
   * Lets no node move by more than a little in a step, and less and less where it swings: slow, but
   * it follows the pieces of limited sources, which throw each other from end to end.
   */
  boolean softStart() {
    double[] most = new double[volts.length];
    double[] last = new double[volts.length];
    for (double leak : new double[] {1e-3, 1e-6, 1e-9, 0}) {
      Arrays.fill(most, SHORT_STEP_V);
      Arrays.fill(last, 0);
      int budget = SHORT_STEPS_FACTOR * options.mostSteps();
      if (newton(leak, most, budget, SETTLED, (to, cap) -> moveSwinging(to, cap, last)).isEmpty()) {
        return false;
      }
    }
    return true;
  }

  private boolean moveSwinging(double[] to, double[] most, double[] last) {
    for (int i = 0; i < to.length; i++) {
      double step = to[i] - volts[i];
      most[i] = step * last[i] < 0 ? most[i] / 2 : Math.min(SHORT_STEP_V, most[i] * 1.3);
      last[i] = step;
    }
    return move(to, most);
  }

  double worstSum() {
    nodal.restart(volts);
    circuit.devices().forEach(device -> device.book(nodal));
    return nodal.worstSum();
  }

  String deck(String title) {
    nodal.restart(volts);
    return SpiceDeck.of(circuit, nodal, title);
  }

  DcResult result() {
    boolean[] floating = floating();
    nodal.restart(volts);
    SequencedMap<String, @Nullable Double> nets = new LinkedHashMap<>();
    circuit.nodeOfNet().forEach((net, node) -> nets.put(net, volts(node, floating)));
    Map<String, @Nullable Double> pins = new HashMap<>();
    circuit.nodeOfPin().forEach((pin, node) -> pins.put(pin, volts(node, floating)));
    SequencedMap<String, DcResult.PartCurrent> currents = new LinkedHashMap<>();
    circuit.reported().forEach((ref, devices) -> currents.put(ref, current(ref, devices)));
    SequencedMap<String, DcResult.RegulatorHeat> heats = new LinkedHashMap<>();
    circuit.regulators().forEach((ref, regulator) -> heats.put(ref, heat(regulator, nodal)));
    return new DcResult(nets, pins, currents, supply(circuit.supply()), heats);
  }

  private DcResult.PartCurrent current(String ref, List<Device> devices) {
    double amps = devices.stream().mapToDouble(device -> device.amps(nodal)).sum();
    return new DcResult.PartCurrent(
        amps * 1000, circuit.shining().contains(ref) ? (Boolean) (amps >= LIT_A) : null);
  }

  static DcResult.RegulatorHeat heat(SeriesRegulator regulator, Nodal nodal) {
    double watts = regulator.watts(nodal);
    return new DcResult.RegulatorHeat(
        watts, AMBIENT_C + watts * regulator.thetaJaCPerW(), regulator.inDropout(nodal));
  }

  private DcResult.@Nullable SupplyReading supply(Optional<BenchSupply> supply) {
    return supply
        .map(
            s -> new DcResult.SupplyReading(s.volts(nodal), s.amps(nodal) * 1000, s.limited(nodal)))
        .orElse(null);
  }

  private @Nullable Double volts(int node, boolean[] floating) {
    if (node < 0) {
      return 0.0;
    }
    return floating[node] ? null : (Double) volts[node];
  }

  /**
   * A node floats when its driving-point resistance at the operating point is more than fifty
   * megohms.
   */
  private boolean[] floating() {
    boolean[] floating = new boolean[circuit.nodeCount()];
    stamp(0);
    if (circuit.nodeCount() > 0 && lu.setA(nodal.conductance)) {
      DMatrixRMaj inverse = lu.inverse();
      for (int i = 0; i < floating.length; i++) {
        floating[i] = !(Math.abs(inverse.get(i, i)) < Snapshot.FLOATING_OHM);
      }
    }
    return floating;
  }
}
