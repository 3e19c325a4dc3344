package humble.core.wake;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Random;
import java.util.Set;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import org.junit.jupiter.api.Test;

class ThroughChecksTest {
  private static ThroughChecks straight(int count) {
    List<List<String>> pairs = new ArrayList<>();
    for (int i = 0; i < count; i++) {
      pairs.add(List.of("J1." + (i + 1), "J2." + (i + 1)));
    }
    return ThroughChecks.of(pairs);
  }

  private static List<ThroughChecks.Check.Apart> apart(ThroughChecks checks) {
    return checks.checks().stream()
        .filter(ThroughChecks.Check.Apart.class::isInstance)
        .map(ThroughChecks.Check.Apart.class::cast)
        .toList();
  }

  @Test
  void oneInputWithThreeOutputsIsThreeChecks() {
    ThroughChecks checks =
        ThroughChecks.of(
            List.of(List.of("J1.1", "J2.1"), List.of("J1.1", "J2.2"), List.of("J2.2", "J2.3")));
    assertThat(checks.groups()).containsExactly(List.of("J1.1", "J2.1", "J2.2", "J2.3"));
    assertThat(checks.checks())
        .containsExactly(
            new ThroughChecks.Check.Through("J1.1", "J2.1"),
            new ThroughChecks.Check.Through("J1.1", "J2.2"),
            new ThroughChecks.Check.Through("J1.1", "J2.3"));
  }

  /** A ribbon of 34: 34 wires, and six checks that no two of them touch, not 561. */
  @Test
  void thirtyFourWiresAreFortyChecks() {
    assertThat(straight(34).checks()).hasSize(40);
    assertThat(straight(1).checks()).hasSize(1);
    assertThat(straight(2).checks()).hasSize(3);
  }

  /** Whatever two of them touch, one of the checks beeps, and the pair is among those named. */
  @Property
  void everyBridgeIsFoundAndNamed(
      @ForAll @IntRange(min = 2, max = 40) int count, @ForAll long seed) {
    ThroughChecks checks = straight(count);
    Random random = new Random(seed);
    int a = random.nextInt(count);
    int b = (a + 1 + random.nextInt(count - 1)) % count;
    Set<String> touch = Set.of("J1." + (a + 1), "J1." + (b + 1));
    Set<Integer> beeped = new HashSet<>();
    List<ThroughChecks.Check.Apart> all = apart(checks);
    for (int i = 0; i < all.size(); i++) {
      Set<String> one = new HashSet<>(all.get(i).one());
      one.retainAll(touch);
      if (one.size() == 1) {
        beeped.add(i);
      }
    }
    assertThat(beeped).isNotEmpty();
    List<List<String>> named = checks.bridged(beeped);
    assertThat(named).anyMatch(pair -> Set.copyOf(pair).equals(touch));
    assertThat(named).hasSizeLessThanOrEqualTo((count + 1) / 2);
    assertThat(1 << all.size() - 1).as("no fewer would do").isLessThan(count);
    assertThat(checks.bridged(Set.of())).isEmpty();
  }
}
