package humble.core.circuit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.offset;

import java.util.Random;
import org.ejml.data.DMatrixRMaj;
import org.ejml.dense.row.CommonOps_DDRM;
import org.ejml.dense.row.NormOps_DDRM;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class BlockLuTest {
  /** Conductances between random nodes, few enough that the copper falls into pieces. */
  private static DMatrixRMaj pieces(Random random, int size) {
    DMatrixRMaj matrix = new DMatrixRMaj(size, size);
    for (int i = 0; i < size; i++) {
      matrix.add(i, i, random.nextDouble(0.01, 1));
    }
    for (int k = 0; k < size / 2; k++) {
      int a = random.nextInt(size);
      int b = random.nextInt(size);
      double siemens = random.nextDouble(0.01, 10);
      matrix.add(a, a, siemens);
      matrix.add(b, b, siemens);
      if (a != b) {
        matrix.add(a, b, -siemens);
        matrix.add(b, a, -siemens * random.nextDouble(0.2, 1));
      }
    }
    return matrix;
  }

  @ParameterizedTest
  @ValueSource(longs = {1, 2, 3, 4, 5, 6})
  void solutionAndInverseAreThoseOfTheWhole(long seed) {
    Random random = new Random(seed);
    int size = 40;
    DMatrixRMaj matrix = pieces(random, size);
    DMatrixRMaj right = new DMatrixRMaj(size, 1);
    for (int i = 0; i < size; i++) {
      right.data[i] = random.nextGaussian();
    }
    BlockLu lu = new BlockLu();
    assertThat(lu.setA(matrix)).isTrue();
    DMatrixRMaj solution = new DMatrixRMaj(size, 1);
    lu.solve(right, solution);
    DMatrixRMaj residual = new DMatrixRMaj(size, 1);
    CommonOps_DDRM.mult(matrix, solution, residual);
    CommonOps_DDRM.subtractEquals(residual, right);
    assertThat(NormOps_DDRM.normP2(residual)).isCloseTo(0, offset(1e-10));
    DMatrixRMaj inverse = matrix.copy();
    CommonOps_DDRM.invert(inverse);
    NodalLu alongEntries = new NodalLu();
    assertThat(alongEntries.setA(matrix)).isTrue();
    DMatrixRMaj again = new DMatrixRMaj(size, 1);
    alongEntries.solve(right, again);
    for (int i = 0; i < size; i++) {
      assertThat(again.data[i]).isCloseTo(solution.data[i], offset(1e-9));
      for (int k = 0; k < size; k++) {
        assertThat(lu.inverse(size).get(i, k)).isCloseTo(inverse.get(i, k), offset(1e-9));
        assertThat(alongEntries.inverse().get(i, k)).isCloseTo(inverse.get(i, k), offset(1e-9));
      }
    }
  }

  @Test
  void aNodeThatNothingHoldsCannotBeSolved() {
    DMatrixRMaj matrix = new DMatrixRMaj(3, 3);
    matrix.set(0, 0, 1);
    matrix.set(2, 2, 1);
    assertThat(new BlockLu().setA(matrix)).isFalse();
  }
}
