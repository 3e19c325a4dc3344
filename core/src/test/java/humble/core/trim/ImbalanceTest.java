package humble.core.trim;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Random;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import org.junit.jupiter.api.Test;

/** The model of a null is held against nulls whose parts bend in ways of their own. */
class ImbalanceTest {
  private static double saturating(double[] at, double[] bottom, double floor) {
    double sum = floor * floor;
    for (int q = 0; q < at.length; q++) {
      double part = 0;
      for (int j = 0; j < at.length; j++) {
        part += (q == j ? 1 : 0.4) * (Math.tanh(at[j] - 0.5) - Math.tanh(bottom[j] - 0.5));
      }
      sum += part * part;
    }
    return Math.sqrt(sum);
  }

  private static Imbalance laid(
      int n, int tries, double[] bottom, double floor, double blur, double share) {
    Random random = new Random(7);
    double[][] points = new double[tries][n];
    double[][] from = new double[tries][n];
    double[] reads = new double[tries];
    double[] squares = new double[tries];
    double[] unsure = new double[tries];
    double[] middle = Tried.filled(n, 0.5);
    for (int k = 0; k < tries; k++) {
      for (int i = 0; i < n; i++) {
        points[k][i] = random.nextDouble();
        from[k][i] = points[k][i] - middle[i];
      }
      reads[k] = saturating(points[k], bottom, floor);
      squares[k] = reads[k] * reads[k];
      unsure[k] = Math.hypot(blur, share * reads[k]);
    }
    Bowl bowl = Bowl.through(from, squares, Tried.filled(tries, 1));
    return Imbalance.through(new Imbalance.Readings(points, reads, unsure, blur), middle, bowl);
  }

  private static double[] bottom(int n, long seed) {
    Random random = new Random(seed);
    double[] bottom = new double[n];
    for (int i = 0; i < n; i++) {
      bottom[i] = 0.2 + 0.6 * random.nextDouble();
    }
    return bottom;
  }

  @Property(tries = 30)
  void itsLeastIsNearWhereTheNullIs(@ForAll @IntRange(min = 1, max = 3) int n, @ForAll long seed) {
    double[] bottom = bottom(n, seed);
    Imbalance model = laid(n, 4 * Bowl.size(n), bottom, 0, 0.001, 0.05);
    double[] least = new Box(Tried.filled(n, 0), Tried.filled(n, 1)).downhill(model::at, bottom);
    assertThat(saturating(least, bottom, 0)).isLessThan(0.06);
    assertThat(model.at(Tried.filled(n, 0.4)))
        .isCloseTo(saturating(Tried.filled(n, 0.4), bottom, 0), within(0.04));
  }

  /** No floor is thought of where the readings go down to 0. */
  @Test
  void noFloorIsMadeUp() {
    double[] bottom = {0.4, 0.6};
    Imbalance model = laid(2, 40, bottom, 0, 0.005, 0);
    assertThat(model.leastFloor(2)).isZero();
    assertThat(model.leastFloor(0)).isLessThan(0.01);
    assertThat(model.at(bottom)).isLessThan(0.02);
  }

  /** Where nothing was read less is known, and a blurred meter tells less. */
  @Test
  void itKnowsHowLittleItKnows() {
    double[] bottom = {0.4, 0.6};
    Imbalance sharp = laid(2, 20, bottom, 0, 0.001, 0);
    Imbalance blurred = laid(2, 20, bottom, 0, 0.01, 0);
    double[] there = {0.3, 0.3};
    assertThat(blurred.unsure(there)).isGreaterThan(2 * sharp.unsure(there));
    assertThat(sharp.unsure(new double[] {1.6, -0.6})).isGreaterThan(5 * sharp.unsure(there));
  }

  /** Along the valley two screws undo each other; across it both pull alike. */
  @Test
  void itsAxesLieAlongTheValleys() {
    Imbalance model = laid(2, 30, new double[] {0.5, 0.5}, 0, 0.001, 0);
    for (double[] axis : model.axes(new double[] {0.5, 0.5})) {
      assertThat(Math.abs(axis[0])).isCloseTo(Math.sqrt(0.5), within(0.1));
      assertThat(Math.hypot(axis[0], axis[1])).isCloseTo(1, within(1e-9));
    }
  }

  /** A part that bends is followed with few readings: the other root of its curve is no null. */
  @Test
  void aPartThatBendsIsFollowed() {
    double[][] points = {{0}, {0.25}, {0.5}, {0.75}, {1}};
    double[] reads = new double[points.length];
    double[] squares = new double[points.length];
    for (int k = 0; k < points.length; k++) {
      double d = points[k][0] - 0.3;
      reads[k] = Math.abs(d + 0.8 * d * d);
      squares[k] = reads[k] * reads[k];
    }
    Bowl bowl =
        Bowl.through(
            new double[][] {{-0.5}, {-0.25}, {0}, {0.25}, {0.5}}, squares, Tried.filled(5, 1));
    Imbalance model =
        Imbalance.through(
            new Imbalance.Readings(points, reads, Tried.filled(5, 0.002), 0.002),
            new double[] {0.5},
            bowl);
    assertThat(model.at(new double[] {0.3})).isLessThan(0.01);
    assertThat(model.at(new double[] {0.875})).isCloseTo(0.8395, within(0.01));
    assertThat(model.at(new double[] {0.1})).isCloseTo(0.168, within(0.01));
  }
}
