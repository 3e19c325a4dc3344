package humble.core.trim;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Random;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import org.junit.jupiter.api.Test;

/** A bowl through readings is held against one whose bottom is known. */
class BowlTest {
  /** The sum of squares of {@code n} slanted parts, and so much below it. */
  private record Known(double[][] parts, double[] bottom, double floor) {
    static Known drawn(int n, Random random) {
      double[][] parts = new double[n][n];
      double[] bottom = new double[n];
      for (int i = 0; i < n; i++) {
        bottom[i] = random.nextDouble() - 0.5;
        for (int j = 0; j < n; j++) {
          parts[i][j] = (i == j ? 2 : 0) + random.nextDouble() - 0.5;
        }
      }
      return new Known(parts, bottom, random.nextDouble());
    }

    double at(double[] d) {
      double sum = floor;
      for (double[] part : parts) {
        double value = 0;
        for (int j = 0; j < d.length; j++) {
          value += part[j] * (d[j] - bottom[j]);
        }
        sum += value * value;
      }
      return sum;
    }
  }

  private static double[] filled(int n, double value) {
    double[] all = new double[n];
    java.util.Arrays.fill(all, value);
    return all;
  }

  @Property(tries = 60)
  void itsLowestPointIsTheBottom(@ForAll @IntRange(min = 1, max = 4) int n, @ForAll long seed) {
    Random random = new Random(seed);
    Known known = Known.drawn(n, random);
    int tries = Bowl.size(n) + 5;
    double[][] points = new double[tries][n];
    double[] values = new double[tries];
    for (int k = 0; k < tries; k++) {
      for (int i = 0; i < n; i++) {
        points[k][i] = 2 * random.nextDouble() - 1;
      }
      values[k] = known.at(points[k]);
    }
    Bowl bowl = Bowl.through(points, values, filled(tries, 1));
    double[] lowest = bowl.lowest(filled(n, -2), filled(n, 2));
    for (int i = 0; i < n; i++) {
      assertThat(lowest[i]).isCloseTo(known.bottom()[i], within(1e-3));
    }
    assertThat(bowl.at(lowest)).isCloseTo(known.floor(), within(1e-4));
    double[] elsewhere = filled(n, 0.37);
    assertThat(bowl.at(elsewhere)).isCloseTo(known.at(elsewhere), within(1e-4));
  }

  @Test
  void withinABoxItGoesAsFarAsTheBox() {
    double[][] points = {{-1}, {0}, {1}, {2}};
    double[] values = {16, 9, 4, 1};
    Bowl bowl = Bowl.through(points, values, filled(4, 1));
    assertThat(bowl.lowest(new double[] {-1}, new double[] {2})[0]).isCloseTo(2, within(1e-6));
    assertThat(bowl.lowest(new double[] {-1}, new double[] {9})[0]).isCloseTo(3, within(1e-3));
  }

  @Test
  void whatCountsMoreIsFollowedMore() {
    double[][] points = {{-1}, {0}, {1}, {2}, {0.5}};
    double[] values = {4, 1, 0, 1, 3};
    double[] heavy = {1, 1, 1, 1, 1000};
    double[] light = {1, 1, 1, 1, 1e-6};
    double[] at = {0.5};
    assertThat(Bowl.through(points, values, heavy).at(at)).isCloseTo(3, within(0.05));
    assertThat(Bowl.through(points, values, light).at(at)).isCloseTo(0.25, within(0.01));
  }

  /** Where nothing was read, less is known. */
  @Test
  void farFromEveryReadingItIsLessSure() {
    double[][] points = {{-1}, {0}, {1}, {0.2}};
    Bowl bowl = Bowl.through(points, new double[] {1, 0, 1, 0.04}, filled(4, 1));
    assertThat(bowl.unsure(new double[] {4})).isGreaterThan(20 * bowl.unsure(new double[] {0}));
  }
}
