package humble.benchmarks;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.util.Random;
import org.junit.jupiter.api.Test;

/** The short form of the figures of waking. */
class WakeFindingTest {
  @Test
  void mostFaultsComeFirstInASmallGroup() {
    Path root = Path.of(System.getProperty("humble.root", ".."));
    assertThat(WakeFinding.tallies(root, 40, new Random(7)))
        .hasSize(4)
        .allSatisfy(tally -> {
          assertThat(tally.first()).isGreaterThanOrEqualTo(0.85);
          assertThat(tally.within()).isGreaterThanOrEqualTo(0.9);
        });
  }
}
