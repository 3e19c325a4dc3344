package humble.core.circuit;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.BitSet;
import java.util.List;
import org.ejml.data.DMatrixRMaj;

/**
 * Factorises nodal equations along their few entries: nodes are eliminated in the order of least
 * degree (Tinney, Walker 1967), each by its own entry on the diagonal, which nodal equations of
 * real devices have. Where one is too small beside its column, the dense factorisation with pivots
 * of {@link BlockLu} takes over. The order is kept while no entry comes up outside its pattern.
 */
final class NodalLu {
  private static final double LEAST_PIVOT_PART = 1e-9;

  private final BlockLu dense = new BlockLu();
  private boolean useDense;
  private int size = -1;
  private double[] work = new double[0];
  private boolean[] entries = new boolean[0];
  private int[] order = new int[0];
  private int[][] neighbours = new int[0][];

  /** Factorises {@code matrix}, which is left as it is; tells whether it can be solved. */
  boolean setA(DMatrixRMaj matrix) {
    plan(matrix);
    work = matrix.data.clone();
    useDense = !eliminate();
    return !useDense || dense.setA(matrix);
  }

  private void plan(DMatrixRMaj matrix) {
    int n = matrix.numRows;
    if (n == size && within(matrix.data)) {
      return;
    }
    size = n;
    List<BitSet> rows = new ArrayList<>(n);
    for (int i = 0; i < n; i++) {
      rows.add(new BitSet(n));
    }
    for (int i = 0; i < n; i++) {
      for (int k = 0; k < n; k++) {
        if (i != k && matrix.data[i * n + k] != 0) {
          rows.get(i).set(k);
          rows.get(k).set(i);
        }
      }
    }
    entries = new boolean[n * n];
    order = new int[n];
    neighbours = new int[n][];
    int[] degree = rows.stream().mapToInt(BitSet::cardinality).toArray();
    for (int step = 0; step < n; step++) {
      int best = -1;
      for (int i = 0; i < n; i++) {
        if (degree[i] >= 0 && (best < 0 || degree[i] < degree[best])) {
          best = i;
        }
      }
      BitSet joined = rows.get(best);
      order[step] = best;
      neighbours[step] = joined.stream().toArray();
      degree[best] = -1;
      entries[best * n + best] = true;
      for (int neighbour : neighbours[step]) {
        BitSet row = rows.get(neighbour);
        row.or(joined);
        row.clear(neighbour);
        row.clear(best);
        degree[neighbour] = row.cardinality();
        entries[best * n + neighbour] = true;
        entries[neighbour * n + best] = true;
      }
    }
  }

  /** Tells whether every entry has its place in the order found before. */
  private boolean within(double[] data) {
    for (int i = 0; i < data.length; i++) {
      if (data[i] != 0 && !entries[i]) {
        return false;
      }
    }
    return true;
  }

  private boolean eliminate() {
    int n = size;
    for (int step = 0; step < n; step++) {
      int k = order[step];
      double pivot = work[k * n + k];
      double largest = 0;
      for (int i : neighbours[step]) {
        largest = Math.max(largest, Math.abs(work[i * n + k]));
      }
      if (!(Math.abs(pivot) > LEAST_PIVOT_PART * largest) || pivot == 0) {
        return false;
      }
      for (int i : neighbours[step]) {
        double factor = work[i * n + k] / pivot;
        work[i * n + k] = factor;
        if (factor != 0) {
          for (int j : neighbours[step]) {
            work[i * n + j] -= factor * work[k * n + j];
          }
        }
      }
    }
    return true;
  }

  /** Solves for {@code right}; {@code solution} receives what was found. */
  void solve(DMatrixRMaj right, DMatrixRMaj solution) {
    if (useDense) {
      dense.solve(right, solution);
      return;
    }
    System.arraycopy(right.data, 0, solution.data, 0, size);
    solve(solution.data);
  }

  private void solve(double[] x) {
    int n = size;
    for (int step = 0; step < n; step++) {
      double value = x[order[step]];
      if (value != 0) {
        for (int i : neighbours[step]) {
          x[i] -= work[i * n + order[step]] * value;
        }
      }
    }
    for (int step = n - 1; step >= 0; step--) {
      int k = order[step];
      double value = x[k];
      for (int j : neighbours[step]) {
        value -= work[k * n + j] * x[j];
      }
      x[k] = value / work[k * n + k];
    }
  }

  /** Gives the inverse. */
  DMatrixRMaj inverse() {
    if (useDense) {
      return dense.inverse(size);
    }
    DMatrixRMaj whole = new DMatrixRMaj(size, size);
    double[] column = new double[size];
    for (int k = 0; k < size; k++) {
      Arrays.fill(column, 0);
      column[k] = 1;
      solve(column);
      for (int i = 0; i < size; i++) {
        whole.data[i * size + k] = column[i];
      }
    }
    return whole;
  }
}
