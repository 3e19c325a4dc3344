package humble.core.circuit;

import humble.core.kit.BoardState;
import humble.core.kit.Model;
import humble.core.kit.Part;
import humble.core.kit.Parts;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.ejml.data.DMatrixRMaj;

/**
 * The unpowered board in one state, ready for an ohmmeter: supplies and batteries out, outputs off,
 * switches as in the state. Any number of threads may ask at once.
 */
public final class OhmBench {
  private static final double TEST_A = 1e-4;
  private static final double TEST_V = 0.2;
  private static final double OPEN_OHM = 10e6;

  private final Parts parts;
  private final BoardState state;

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
   * Gives what the meter shows: a test current of 100 µA from {@code red} to {@code black}, or 0.2 V
   * where that would need more, so that junctions stay off.
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
   * Gives the volts between two nets and the amperes into {@code red} while a tester gives at most so
   * much: a diode test, a continuity test. Empty when no operating point was found.
   *
   * @throws CircuitInput when a fault or a net is none of the kit's
   */
  public Optional<Tested> tested(
      String red, String black, double mostVolts, double mostAmps, List<Fault> faults) {
    for (String rung : Newton.LADDER) {
      Circuit circuit = Circuit.of(parts, state, faults);
      BenchSupply test =
          new BenchSupply(node(circuit, red), node(circuit, black), mostVolts, mostAmps);
      Newton newton = new Newton(circuit.with(test), DcOptions.USUAL);
      if (newton.by(rung)) {
        Nodal at = newton.point();
        return Optional.of(new Tested(test.volts(at), test.amps(at)));
      }
    }
    return Optional.empty();
  }

  /** What a tester finds: the volts across it and the amperes through it. */
  public record Tested(double volts, double amps) {}

  private int node(Circuit circuit, String net) {
    Map<String, Integer> nodes = circuit.nodeOfNet();
    return nodes.getOrDefault(parts.net(net).orElseThrow(), -1);
  }

  /** Two nets to put the ohmmeter on. */
  public record Pair(String red, String black) {}

  /**
   * Gives the ohms between many pairs of nets at once, with every junction taken as a straight line
   * about 0 V: what {@link #between} shows, but for leakage of diodes in megohms. More than 10 MΩ is
   * given as infinite.
   */
  public double[] straight(List<Pair> pairs, List<Fault> faults) {
    Circuit circuit = Circuit.of(parts, state, faults);
    DMatrixRMaj inverse = new Newton(circuit, DcOptions.USUAL).inverse();
    double[] ohms = new double[pairs.size()];
    for (int i = 0; i < ohms.length; i++) {
      int a = node(circuit, pairs.get(i).red());
      int b = node(circuit, pairs.get(i).black());
      double rise = entry(inverse, a, a) + entry(inverse, b, b) - 2 * entry(inverse, a, b);
      ohms[i] = rise > OPEN_OHM ? Double.POSITIVE_INFINITY : Math.max(0, rise);
    }
    return ohms;
  }

  private static double entry(DMatrixRMaj inverse, int row, int column) {
    return row < 0 || column < 0 ? 0 : inverse.data[row * inverse.numCols + column];
  }
}
