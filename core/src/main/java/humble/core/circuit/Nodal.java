package humble.core.circuit;

import java.util.Arrays;
import org.ejml.data.DMatrixRMaj;

/** The linearised nodal equations {@code G·v = i} of one Newton step; node {@code -1} is ground. */
final class Nodal {
  final DMatrixRMaj conductance;
  final DMatrixRMaj current;
  private final int size;
  private double[] guess;
  private final double[] leaving;

  private double bookedWatts;

  Nodal(int size) {
    this(new DMatrixRMaj(size, size), size);
  }

  private Nodal(DMatrixRMaj conductance, int size) {
    this.size = size;
    this.conductance = conductance;
    this.current = new DMatrixRMaj(size, 1);
    this.guess = new double[size];
    this.leaving = new double[size];
  }

  /** Gives voltages to read currents at, without room for equations. */
  static Nodal reading(double[] volts) {
    Nodal nodal = new Nodal(new DMatrixRMaj(0, 0), volts.length);
    nodal.guess = volts;
    return nodal;
  }

  /** Gives the heat in the devices booked, in watts. */
  double bookedWatts() {
    return bookedWatts;
  }

  /** Empties the equations and sets the voltages they are linearised about. */
  void restart(double[] volts) {
    guess = volts;
    conductance.zero();
    current.zero();
    Arrays.fill(leaving, 0);
  }

  double volts(int node) {
    return node < 0 ? 0 : guess[node];
  }

  double volts(int a, int b) {
    return volts(a) - volts(b);
  }

  /**
   * Adds a current {@code amps} from {@code a} to {@code b} that grows by {@code siemens} per volt
   * from c to d, true at {@code aboutV}.
   */
  void add(int a, int b, double amps, int c, int d, double siemens, double aboutV) {
    entry(a, c, siemens);
    entry(a, d, -siemens);
    entry(b, c, -siemens);
    entry(b, d, siemens);
    source(a, b, amps - siemens * aboutV);
  }

  /** Adds a plain conductance. */
  void conductance(int a, int b, double siemens) {
    add(a, b, 0, a, b, siemens, 0);
  }

  /** Adds a fixed current from {@code a} to {@code b}. */
  void source(int a, int b, double amps) {
    if (a >= 0) {
      current.data[a] -= amps;
    }
    if (b >= 0) {
      current.data[b] += amps;
    }
  }

  /** Books a true device current from {@code a} to {@code b}, for the residual. */
  void book(int a, int b, double amps) {
    bookedWatts += amps * volts(a, b);
    if (a >= 0) {
      leaving[a] += amps;
    }
    if (b >= 0) {
      leaving[b] -= amps;
    }
  }

  /** Gives the largest sum of currents left at any node, in amperes. */
  double worstSum() {
    double worst = 0;
    for (double sum : leaving) {
      worst = Math.max(worst, Math.abs(sum));
    }
    return worst;
  }

  private void entry(int row, int column, double siemens) {
    if (row >= 0 && column >= 0) {
      conductance.data[row * size + column] += siemens;
    }
  }
}
