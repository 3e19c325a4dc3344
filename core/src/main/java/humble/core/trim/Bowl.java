package humble.core.trim;

import java.util.Arrays;
import org.ejml.data.DMatrixRMaj;
import org.ejml.dense.row.CommonOps_DDRM;
import org.ejml.dense.row.factory.DecompositionFactory_DDRM;
import org.ejml.interfaces.decomposition.EigenDecomposition_F64;

/**
 * A bowl laid through readings: a quadratic form of up to four variables by weighted least squares.
 * The square of a null's amplitude is one exactly where its imbalance is linear in the settings,
 * and nearly one close to any least value.
 */
final class Bowl {
  private static final double RIDGE = 1e-9;
  private static final double FLATTEST = 1e-5;
  private static final int SWEEPS = 200;

  private final int n;
  private final double[] coefficients;

  /** How little the readings tell of each number, as a matrix of variances. */
  private final DMatrixRMaj spread;

  private Bowl(int n, double[] coefficients, DMatrixRMaj spread) {
    this.n = n;
    this.coefficients = coefficients;
    this.spread = spread;
  }

  /** Gives how little is known of its value at a point, as a variance. */
  double unsure(double[] d) {
    double[] row = row(d);
    double sum = 0;
    for (int i = 0; i < row.length; i++) {
      for (int j = 0; j < row.length; j++) {
        sum += row[i] * spread.get(i, j) * row[j];
      }
    }
    return Math.max(0, sum);
  }

  /** Gives how many numbers a bowl of {@code n} variables has. */
  static int size(int n) {
    return 1 + n + n * (n + 1) / 2;
  }

  private static double[] row(double[] d) {
    int n = d.length;
    double[] row = new double[size(n)];
    int at = 0;
    row[at++] = 1;
    for (double each : d) {
      row[at++] = each;
    }
    for (int i = 0; i < n; i++) {
      for (int j = i; j < n; j++) {
        row[at++] = d[i] * d[j];
      }
    }
    return row;
  }

  /**
   * Lays a bowl through values.
   *
   * @param points where, from the middle of the bowl
   * @param values what is there
   * @param weights how much each counts, above 0
   */
  static Bowl through(double[][] points, double[] values, double[] weights) {
    int n = points[0].length;
    int size = size(n);
    DMatrixRMaj normal = new DMatrixRMaj(size, size);
    DMatrixRMaj right = new DMatrixRMaj(size, 1);
    for (int k = 0; k < points.length; k++) {
      double[] row = row(points[k]);
      for (int i = 0; i < size; i++) {
        right.add(i, 0, weights[k] * row[i] * values[k]);
        for (int j = 0; j < size; j++) {
          normal.add(i, j, weights[k] * row[i] * row[j]);
        }
      }
    }
    // Each number is measured in a unit of its own: products of small distances are small.
    double[] units = new double[size];
    for (int i = 0; i < size; i++) {
      units[i] = 1 / Math.sqrt(Math.max(normal.get(i, i), Double.MIN_NORMAL));
    }
    for (int i = 0; i < size; i++) {
      right.set(i, 0, right.get(i, 0) * units[i]);
      for (int j = 0; j < size; j++) {
        normal.set(i, j, normal.get(i, j) * units[i] * units[j] + (i == j ? RIDGE : 0));
      }
    }
    DMatrixRMaj solved = new DMatrixRMaj(size, 1);
    DMatrixRMaj spread = CommonOps_DDRM.identity(size);
    if (CommonOps_DDRM.invert(normal, spread)) {
      CommonOps_DDRM.mult(spread, right, solved);
    }
    for (int i = 0; i < size; i++) {
      solved.set(i, 0, solved.get(i, 0) * units[i]);
      for (int j = 0; j < size; j++) {
        spread.set(i, j, spread.get(i, j) * units[i] * units[j]);
      }
    }
    return new Bowl(n, Arrays.copyOf(solved.getData(), size), spread);
  }

  /** Brings weights to a size that can be reckoned with: the heaviest is 1. */
  static void scale(double[] weights) {
    double most = 0;
    for (double weight : weights) {
      most = Math.max(most, weight);
    }
    for (int k = 0; k < weights.length; k++) {
      weights[k] /= most;
    }
  }

  /** Gives how much it bends along a way of the length of one: the factor of its square. */
  double bend(double[] way) {
    double sum = 0;
    int at = 1 + n;
    for (int i = 0; i < n; i++) {
      for (int j = i; j < n; j++) {
        sum += coefficients[at++] * way[i] * way[j];
      }
    }
    return sum;
  }

  /** Gives its value at a point. */
  double at(double[] d) {
    double[] row = row(d);
    double sum = 0;
    for (int i = 0; i < row.length; i++) {
      sum += row[i] * coefficients[i];
    }
    return sum;
  }

  /** Its curvature, made such that it opens upwards in every direction. */
  private DMatrixRMaj curvature() {
    DMatrixRMaj h = new DMatrixRMaj(n, n);
    int at = 1 + n;
    for (int i = 0; i < n; i++) {
      for (int j = i; j < n; j++) {
        double c = coefficients[at++];
        h.set(i, j, i == j ? 2 * c : c);
        h.set(j, i, i == j ? 2 * c : c);
      }
    }
    EigenDecomposition_F64<DMatrixRMaj> eigen = DecompositionFactory_DDRM.eig(n, true, true);
    if (!eigen.decompose(h)) {
      return CommonOps_DDRM.identity(n);
    }
    double steepest = 0;
    for (int i = 0; i < n; i++) {
      steepest = Math.max(steepest, Math.abs(eigen.getEigenvalue(i).getReal()));
    }
    DMatrixRMaj up = new DMatrixRMaj(n, n);
    for (int k = 0; k < n; k++) {
      double value = Math.max(eigen.getEigenvalue(k).getReal(), steepest * FLATTEST);
      DMatrixRMaj v = eigen.getEigenVector(k);
      for (int i = 0; i < n; i++) {
        for (int j = 0; j < n; j++) {
          up.add(i, j, value * v.get(i, 0) * v.get(j, 0));
        }
      }
    }
    return up;
  }

  /** Gives the ways along and across its valleys, each of the length of one. */
  double[][] axes() {
    EigenDecomposition_F64<DMatrixRMaj> eigen = DecompositionFactory_DDRM.eig(n, true, true);
    double[][] axes = new double[n][n];
    boolean found = eigen.decompose(curvature());
    for (int k = 0; k < n; k++) {
      DMatrixRMaj v = found ? eigen.getEigenVector(k) : null;
      for (int i = 0; i < n; i++) {
        axes[k][i] = v == null ? (i == k ? 1 : 0) : v.get(i, 0);
      }
    }
    return axes;
  }

  /** Gives its lowest point within a box, as far from its middle as the box lets it. */
  double[] lowest(double[] low, double[] high) {
    DMatrixRMaj h = curvature();
    double[] d = new double[n];
    for (int i = 0; i < n; i++) {
      d[i] = Math.clamp(0, low[i], high[i]);
    }
    for (int sweep = 0; sweep < SWEEPS; sweep++) {
      double moved = 0;
      for (int i = 0; i < n; i++) {
        double slope = coefficients[1 + i];
        for (int j = 0; j < n; j++) {
          slope += h.get(i, j) * d[j];
        }
        double steep = h.get(i, i);
        double to =
            steep > 0
                ? Math.clamp(d[i] - slope / steep, low[i], high[i])
                : slope > 0 ? low[i] : high[i];
        moved = Math.max(moved, Math.abs(to - d[i]));
        d[i] = to;
      }
      if (moved < 1e-9) {
        break;
      }
    }
    return d;
  }
}
