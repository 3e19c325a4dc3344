package humble.desktop.draw;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.offset;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class ClipBoxTest {
  private static final ClipBox BOX = new ClipBox(10, 20, 110, 80);

  @ParameterizedTest
  @ValueSource(longs = {1, 2, 3})
  void aPointIsInTheCutShapeWhenItIsInBoth(long seed) {
    Random random = new Random(seed);
    for (int run = 0; run < 60; run++) {
      List<double[]> triangle = new ArrayList<>();
      for (int i = 0; i < 3; i++) {
        triangle.add(new double[] {random.nextDouble(-40, 160), random.nextDouble(-30, 130)});
      }
      List<double[]> cut = BOX.shape(triangle);
      for (int k = 0; k < 40; k++) {
        double x = random.nextDouble(-40, 160);
        double y = random.nextDouble(-30, 130);
        boolean both = holds(triangle, x, y) && BOX.holds(x, y, x, y);
        assertThat(cut.size() > 2 && holds(cut, x, y)).as("%f %f", x, y).isEqualTo(both);
      }
    }
  }

  private static boolean holds(List<double[]> shape, double x, double y) {
    boolean inside = false;
    for (int i = 0; i < shape.size(); i++) {
      double[] a = shape.get(i);
      double[] b = shape.get((i + 1) % shape.size());
      if (a[1] > y != b[1] > y && x < (b[0] - a[0]) * (y - a[1]) / (b[1] - a[1]) + a[0]) {
        inside = !inside;
      }
    }
    return inside;
  }

  @Test
  void aLineIsCutAtTheEdgesAndLeftAwayOutside() {
    assertThat(BOX.line(0, 50, 200, 50).orElseThrow())
        .containsExactly(new double[] {10, 50, 110, 50}, offset(1e-9));
    assertThat(BOX.line(60, 0, 60, 50).orElseThrow())
        .containsExactly(new double[] {60, 20, 60, 50}, offset(1e-9));
    assertThat(BOX.line(0, 0, 5, 100)).isEmpty();
    assertThat(BOX.line(20, 30, 40, 60).orElseThrow()).containsExactly(20, 30, 40, 60);
  }
}
