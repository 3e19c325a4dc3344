package humble.bench.trim;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Random;
import org.junit.jupiter.api.Test;

/** A simulated bridge behaves as one. */
class SimulatedNullTest {
  private static double[] somewhere(Random random, int screws) {
    return random.doubles(screws).toArray();
  }

  @Test
  void nothingReadsLessThanWhatCreepsPast() {
    for (int seed = 0; seed < 40; seed++) {
      SimulatedNull bridge = new SimulatedNull(2 + seed % 2, seed);
      Random random = new Random(seed);
      for (int i = 0; i < 50; i++) {
        assertThat(bridge.exact(somewhere(random, bridge.screws())))
            .isGreaterThanOrEqualTo(bridge.least());
      }
    }
  }

  /** The best of one screw moves when another is turned: they pull at each other. */
  @Test
  void theScrewsPullAtEachOther() {
    SimulatedNull bridge = new SimulatedNull(2, 4);
    assertThat(Math.abs(best(bridge, 0.2) - best(bridge, 0.8))).isGreaterThan(0.05);
  }

  private static double best(SimulatedNull bridge, double other) {
    double best = 0;
    for (int i = 0; i <= 1000; i++) {
      double at = i / 1000.0;
      if (bridge.exact(new double[] {at, other}) < bridge.exact(new double[] {best, other})) {
        best = at;
      }
    }
    return best;
  }

  @Test
  void theMeterShowsWholeDigitsAndWavers() {
    SimulatedNull bridge = new SimulatedNull(2, 9);
    double[] at = {0.4, 0.4};
    double sum = 0;
    for (int i = 0; i < 400; i++) {
      double read = bridge.read(at, true);
      double digits = read / bridge.meterStep();
      assertThat(digits).isCloseTo(Math.round(digits), within(1e-6));
      sum += read;
    }
    assertThat(sum / 400).isCloseTo(bridge.exact(at), within(bridge.meterStep() / 2 + 1e-9));
  }

  /** Coming from above a screw stands elsewhere than its dial says; from below it does not. */
  @Test
  void aScrewHasBacklashFromAboveAlone() {
    int differ = 0;
    for (int seed = 0; seed < 20; seed++) {
      SimulatedNull bridge = new SimulatedNull(2, seed);
      double[] at = {0.5, 0.5};
      bridge.read(new double[] {0.9, 0.9}, true);
      double above = bridge.read(at, false);
      bridge.read(new double[] {0.9, 0.9}, true);
      double below = bridge.read(at, true);
      double slack = 3 * bridge.noise() + bridge.meterStep();
      assertThat(below).isCloseTo(bridge.exact(at), within(slack));
      differ += Math.abs(above - below) > slack ? 1 : 0;
    }
    assertThat(differ).isGreaterThan(5);
  }
}
