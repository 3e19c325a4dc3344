package humble.core.trim;

import org.ejml.data.DMatrixRMaj;
import org.ejml.dense.row.factory.DecompositionFactory_DDRM;
import org.ejml.dense.row.factory.LinearSolverFactory_DDRM;
import org.ejml.interfaces.decomposition.EigenDecomposition_F64;
import org.ejml.interfaces.linsol.LinearSolverDense;

/**
 * What a null reads: the amplitude of as many parts as there are knobs, each of which bends a
 * little as it goes through 0, beside a floor that no knob moves. Of a bridge the parts are those
 * in and out of phase. It is laid through all readings by the method of Levenberg (1944) and
 * Marquardt (1963), with what is thought likely of bends and floor before anything was read, so
 * that fewer readings than numbers do too.
 */
final class Imbalance {
  /** How steep a part may be, in shares of the worst reading between the ends of a knob. */
  private static final double STEEP = 20;

  /** How much its slope may change between the ends. */
  private static final double BENDS = 4;

  /** How high the floor is thought to be, in blurs of the meter. */
  private static final double FLOOR = 1.5;

  private static final int ROUNDS = 60;
  private static final double GENTLE = 1e-2;
  private static final double TINY = 1e-18;
  private static final double LEAST_DAMPING = 1e-9;
  private static final double MOST_DAMPING = 1e8;
  private static final double NO_FARTHER = 1e-7;

  private final double[] middle;
  private final int n;

  /** How many numbers a part has. */
  private final int each;

  private final double[] numbers;
  private double cost;
  private final DMatrixRMaj told;
  private final LinearSolverDense<DMatrixRMaj> solver;

  private Imbalance(double[] middle) {
    this.middle = middle;
    this.n = middle.length;
    this.each = Bowl.size(n);
    this.numbers = new double[n * each + 1];
    this.told = new DMatrixRMaj(numbers.length, numbers.length);
    this.solver = LinearSolverFactory_DDRM.symmPosDef(numbers.length);
  }

  /**
   * Lays one through readings, from where a bowl says that they go.
   *
   * @param readings what was read, with how unsure each of it is
   * @param middle the point from which bends are counted
   * @param bowl a bowl through the squares of the readings, about the same point
   */
  static Imbalance through(Readings readings, double[] middle, Bowl bowl) {
    Imbalance laid = new Imbalance(middle);
    laid.begin(bowl);
    laid.numbers[laid.numbers.length - 1] = readings.blur() * FLOOR / 2;
    laid.settle(readings);
    return laid;
  }

  /**
   * Readings and how unsure they are.
   *
   * @param points where
   * @param reads what was read there, 0 or more
   * @param unsure one standard deviation of each
   * @param blur how unsure a reading is at the least
   */
  record Readings(double[][] points, double[] reads, double[] unsure, double blur) {}

  private void begin(Bowl bowl) {
    double[] low = new double[n];
    double[] high = new double[n];
    for (int i = 0; i < n; i++) {
      low[i] = -middle[i];
      high[i] = 1 - middle[i];
    }
    double[] lowest = bowl.lowest(low, high);
    double[][] axes = bowl.axes();
    for (int q = 0; q < n; q++) {
      double steep = Math.sqrt(Math.max(bowl.bend(axes[q]), GENTLE * GENTLE));
      for (int i = 0; i < n; i++) {
        numbers[q * each + 1 + i] = steep * axes[q][i];
        numbers[q * each] -= steep * axes[q][i] * lowest[i];
      }
    }
  }

  private double[] row(double[] point) {
    double[] row = new double[each];
    int at = 0;
    row[at++] = 1;
    for (int i = 0; i < n; i++) {
      row[at++] = point[i] - middle[i];
    }
    for (int i = 0; i < n; i++) {
      for (int j = i; j < n; j++) {
        row[at++] = (point[i] - middle[i]) * (point[j] - middle[j]) * (i == j ? 0.5 : 1);
      }
    }
    return row;
  }

  /** Gives the amplitude, and into {@code slope} how it changes with each number. */
  private double amplitude(double[] of, double[] point, double[] slope) {
    double[] row = row(point);
    double floor = of[of.length - 1];
    double sum = floor * floor + TINY;
    for (int q = 0; q < n; q++) {
      double part = 0;
      for (int a = 0; a < each; a++) {
        part += of[q * each + a] * row[a];
      }
      sum += part * part;
      for (int a = 0; a < each; a++) {
        slope[q * each + a] = part * row[a];
      }
    }
    double amplitude = Math.sqrt(sum);
    slope[of.length - 1] = floor;
    for (int i = 0; i < slope.length; i++) {
      slope[i] /= amplitude;
    }
    return amplitude;
  }

  private double likely(int number, double blur) {
    if (number == numbers.length - 1) {
      return FLOOR * blur;
    }
    return number % each <= n ? STEEP : BENDS;
  }

  /** Gives half the sum of squares, with its slope and curvature where they are wanted. */
  private double badness(Readings readings, double[] of, double[] down, DMatrixRMaj curve) {
    double sum = 0;
    java.util.Arrays.fill(down, 0);
    curve.zero();
    double[] slope = new double[of.length];
    for (int k = 0; k < readings.reads().length; k++) {
      double sigma = readings.unsure()[k];
      double off = (amplitude(of, readings.points()[k], slope) - readings.reads()[k]) / sigma;
      sum += off * off / 2;
      for (int i = 0; i < of.length; i++) {
        double one = slope[i] / sigma;
        down[i] += one * off;
        for (int j = 0; j <= i; j++) {
          curve.add(i, j, one * slope[j] / sigma);
        }
      }
    }
    for (int i = 0; i < of.length; i++) {
      double sigma = likely(i, readings.blur());
      sum += of[i] * of[i] / (2 * sigma * sigma);
      down[i] += of[i] / (sigma * sigma);
      curve.add(i, i, 1 / (sigma * sigma));
      for (int j = 0; j < i; j++) {
        curve.set(j, i, curve.get(i, j));
      }
    }
    return sum;
  }

  private void settle(Readings readings) {
    int size = numbers.length;
    double[] down = new double[size];
    double[] newDown = new double[size];
    DMatrixRMaj newTold = new DMatrixRMaj(size, size);
    DMatrixRMaj damped = new DMatrixRMaj(size, size);
    DMatrixRMaj step = new DMatrixRMaj(size, 1);
    double damping = GENTLE;
    cost = badness(readings, numbers, down, told);
    for (int round = 0; round < ROUNDS && damping < MOST_DAMPING; round++) {
      damped.setTo(told);
      for (int i = 0; i < size; i++) {
        damped.set(i, i, told.get(i, i) * (1 + damping));
      }
      if (!solver.setA(damped)) {
        damping *= 6;
        continue;
      }
      solver.solve(DMatrixRMaj.wrap(size, 1, down), step);
      double[] there = numbers.clone();
      for (int i = 0; i < size; i++) {
        there[i] -= step.get(i, 0);
      }
      double then = badness(readings, there, newDown, newTold);
      if (!(then < cost)) {
        damping *= 6;
        continue;
      }
      boolean done = cost - then < NO_FARTHER * (1 + cost);
      System.arraycopy(there, 0, numbers, 0, size);
      System.arraycopy(newDown, 0, down, 0, size);
      told.setTo(newTold);
      cost = then;
      damping = Math.max(LEAST_DAMPING, damping / 5);
      if (done) {
        break;
      }
    }
    solver.setA(told.copy());
  }

  /** Gives how badly it goes through the readings; less is better. */
  double cost() {
    return cost;
  }

  /** Gives what should be read at a point. */
  double at(double[] point) {
    return amplitude(numbers, point, new double[numbers.length]);
  }

  /** Gives how unsure that is, one standard deviation. */
  double unsure(double[] point) {
    double[] slope = new double[numbers.length];
    amplitude(numbers, point, slope);
    return deviation(slope);
  }

  private double deviation(double[] slope) {
    DMatrixRMaj solved = new DMatrixRMaj(slope.length, 1);
    solver.solve(DMatrixRMaj.wrap(slope.length, 1, slope.clone()), solved);
    double sum = 0;
    for (int i = 0; i < slope.length; i++) {
      sum += slope[i] * solved.get(i, 0);
    }
    return Math.sqrt(Math.max(0, sum));
  }

  /** Gives the least that the floor may be, so many standard deviations below what is likely. */
  double leastFloor(double deviations) {
    double[] slope = new double[numbers.length];
    slope[slope.length - 1] = 1;
    return Math.max(0, Math.abs(numbers[slope.length - 1]) - deviations * deviation(slope));
  }

  /** Gives the ways along and across its valleys at a point, each of the length of one. */
  double[][] axes(double[] point) {
    DMatrixRMaj pull = new DMatrixRMaj(n, n);
    for (int q = 0; q < n; q++) {
      double[] slope = slope(q, point);
      for (int i = 0; i < n; i++) {
        for (int j = 0; j < n; j++) {
          pull.add(i, j, slope[i] * slope[j]);
        }
      }
    }
    EigenDecomposition_F64<DMatrixRMaj> eigen = DecompositionFactory_DDRM.eig(n, true, true);
    double[][] axes = new double[n][n];
    boolean found = eigen.decompose(pull);
    for (int k = 0; k < n; k++) {
      DMatrixRMaj v = found ? eigen.getEigenVector(k) : null;
      for (int i = 0; i < n; i++) {
        axes[k][i] = v == null ? (i == k ? 1 : 0) : v.get(i, 0);
      }
    }
    return axes;
  }

  private double[] slope(int part, double[] point) {
    double[] slope = new double[n];
    int at = part * each + 1 + n;
    for (int i = 0; i < n; i++) {
      slope[i] += numbers[part * each + 1 + i];
      for (int j = i; j < n; j++) {
        double bend = numbers[at++];
        slope[i] += bend * (point[j] - middle[j]);
        if (i != j) {
          slope[j] += bend * (point[i] - middle[i]);
        }
      }
    }
    return slope;
  }
}
