package humble.core.circuit;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import org.ejml.data.DMatrixRMaj;
import org.ejml.dense.row.factory.LinearSolverFactory_DDRM;
import org.ejml.interfaces.linsol.LinearSolverDense;

/**
 * Solves nodal equations block by block: copper that nothing joins at this point falls into blocks
 * of its own, most of them of one node, and a dense factorisation of a few small blocks costs a
 * small part of that of the whole. O(n² + Σ m³) for n nodes in blocks of m.
 */
final class BlockLu {
  private final List<Block> blocks = new ArrayList<>();

  private record Block(int[] nodes, LinearSolverDense<DMatrixRMaj> lu) {}

  /** Factorises {@code matrix}, which is left as it is; tells whether every block can be solved. */
  boolean setA(DMatrixRMaj matrix) {
    blocks.clear();
    for (int[] nodes : components(matrix)) {
      DMatrixRMaj part = new DMatrixRMaj(nodes.length, nodes.length);
      for (int i = 0; i < nodes.length; i++) {
        for (int k = 0; k < nodes.length; k++) {
          part.set(i, k, matrix.get(nodes[i], nodes[k]));
        }
      }
      LinearSolverDense<DMatrixRMaj> lu = LinearSolverFactory_DDRM.lu(nodes.length);
      // A quality, the product of the pivots, would be no test: that of many leaks underflows.
      if (!lu.setA(part) || nodes.length == 1 && part.get(0, 0) == 0) {
        return false;
      }
      blocks.add(new Block(nodes, lu));
    }
    return true;
  }

  /** Solves for {@code right}; {@code solution} receives what was found. */
  void solve(DMatrixRMaj right, DMatrixRMaj solution) {
    for (Block block : blocks) {
      DMatrixRMaj b = new DMatrixRMaj(block.nodes.length, 1);
      for (int i = 0; i < block.nodes.length; i++) {
        b.data[i] = right.data[block.nodes[i]];
      }
      DMatrixRMaj x = new DMatrixRMaj(block.nodes.length, 1);
      block.lu.solve(b, x);
      for (int i = 0; i < block.nodes.length; i++) {
        solution.data[block.nodes[i]] = x.data[i];
      }
    }
  }

  /** Gives the inverse of a matrix with {@code size} rows; 0 between blocks. */
  DMatrixRMaj inverse(int size) {
    DMatrixRMaj whole = new DMatrixRMaj(size, size);
    for (Block block : blocks) {
      int[] nodes = block.nodes;
      DMatrixRMaj inverse = new DMatrixRMaj(nodes.length, nodes.length);
      block.lu.invert(inverse);
      for (int i = 0; i < nodes.length; i++) {
        for (int k = 0; k < nodes.length; k++) {
          whole.data[nodes[i] * size + nodes[k]] = inverse.data[i * nodes.length + k];
        }
      }
    }
    return whole;
  }

  /** Gives the nodes that hang together by entries other than zero, in rising order. */
  private static List<int[]> components(DMatrixRMaj matrix) {
    int size = matrix.numRows;
    int[] of = new int[size];
    Arrays.fill(of, -1);
    List<int[]> components = new ArrayList<>();
    int[] queue = new int[size];
    for (int start = 0; start < size; start++) {
      if (of[start] >= 0) {
        continue;
      }
      int head = 0;
      int tail = 0;
      queue[tail++] = start;
      of[start] = components.size();
      while (head < tail) {
        int node = queue[head++];
        for (int other = 0; other < size; other++) {
          boolean joined =
              matrix.data[node * size + other] != 0 || matrix.data[other * size + node] != 0;
          if (of[other] < 0 && joined) {
            of[other] = components.size();
            queue[tail++] = other;
          }
        }
      }
      int[] nodes = Arrays.copyOf(queue, tail);
      Arrays.sort(nodes);
      components.add(nodes);
    }
    return components;
  }
}
