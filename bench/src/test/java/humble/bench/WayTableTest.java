package humble.bench;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Random;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.function.IntUnaryOperator;
import org.junit.jupiter.api.Test;

class WayTableTest {
  /** Lines that hang, are swapped or touch in twos and threes: every byte comes out as asked. */
  @Test
  void everyByteIsAsIfItHadBeenAsked() {
    Random random = new Random(7);
    for (int wiring = 0; wiring < 300; wiring++) {
      IntUnaryOperator lines = lines(random);
      AtomicInteger asked = new AtomicInteger();
      WayTable table =
          new WayTable(value -> {
            asked.incrementAndGet();
            return lines.applyAsInt(value);
          });
      for (int value = 0; value < 256; value++) {
        assertThat(table.of(value))
            .as("wiring %d, byte %02x", wiring, value)
            .isEqualTo(lines.applyAsInt(value));
      }
      assertThat(asked.get()).isLessThan(60);
    }
  }

  private static IntUnaryOperator lines(Random random) {
    int low = 1 << random.nextInt(9);
    int high = 1 << random.nextInt(9);
    int joined = 0;
    for (int i = 0; i < 2 + random.nextInt(2); i++) {
      joined |= 1 << random.nextInt(8);
    }
    boolean and = random.nextBoolean();
    int group = random.nextInt(3) == 0 ? 0 : joined;
    int turned = random.nextInt(8);
    return value -> {
      int moved = (value << turned | value >> 8 - turned) & 0xff;
      boolean is = and ? (moved & group) == group : (moved & group) != 0;
      int bound = group == 0 ? moved : is ? moved | group : moved & ~group;
      return bound & ~low & 0xff | high & 0xff;
    };
  }
}
