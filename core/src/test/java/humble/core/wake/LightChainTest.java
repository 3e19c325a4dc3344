package humble.core.wake;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import org.junit.jupiter.api.Test;

class LightChainTest {
  @Property(tries = 200)
  void behindTheFirstDarkLightTheWayInIsSuspectedFirst(
      @ForAll @IntRange(min = 2, max = 60) int count, @ForAll @IntRange(min = 1, max = 60) int at) {
    int from = 1 + at % count;
    List<LightSuspect> all = new LightChain(count).suspects(from, Set.of());
    LightSuspect first = all.getFirst();
    assertThat(first.fault()).isEqualTo("data:" + from);
    assertThat(first.group()).contains("power:" + from, "dead:" + from);
    assertThat(first.group().size()).isLessThanOrEqualTo(4);
    assertThat(first.explains()).hasSize(count - from + 1).startsWith(from);
    assertThat(all.stream().mapToDouble(LightSuspect::belief).sum()).isLessThanOrEqualTo(1 + 1e-9);
  }

  @Test
  void aLightBeforeTheDarkOnesThatIsDimLivesOnItsDataLine() {
    LightSuspect first = new LightChain(12).suspects(5, Set.of(4)).getFirst();
    assertThat(first.fault()).isEqualTo("power:4");
    assertThat(first.explains()).containsExactly(4, 5, 6, 7, 8, 9, 10, 11, 12);
  }

  @Test
  void oneOddLightAmongGoodOnesIsItsOwnFault() {
    LightSuspect first = new LightChain(12).suspects(0, Set.of(7)).getFirst();
    assertThat(first.fault()).isEqualTo("dead:7");
  }

  @Test
  void whatIsGarbledFromSomewhereOnCameInGarbled() {
    LightSuspect first = new LightChain(6).suspects(0, Set.of(3, 4, 5, 6)).getFirst();
    assertThat(first.fault()).isEqualTo("data:3");
    assertThat(first.group()).containsExactly("data:3");
  }

  @Test
  void nothingDarkAndNothingOddSuspectsNothing() {
    assertThat(new LightChain(6).suspects(0, Set.of())).isEmpty();
  }

  /** Told red, green, blue in the order GRB, an RGB light shows green for red. */
  @Test
  void theOrderOfColoursFollowsFromWhatTwoLookLike() {
    assertThat(LightChain.order("GRB", 'R', 'G')).contains("GRB");
    assertThat(LightChain.order("GRB", 'G', 'R')).contains("RGB");
    assertThat(LightChain.order("GRB", 'R', 'R')).isEqualTo(Optional.empty());
  }

  /** What a light of a certain order shows is played, and its order is found again. */
  @Test
  void everyOrderIsFoundAgain() {
    List<String> orders = List.of("RGB", "RBG", "GRB", "GBR", "BRG", "BGR");
    for (String sent : orders) {
      for (String real : orders) {
        // The byte at place i is meant for sent[i] and lights real[i].
        char red = real.charAt(sent.indexOf('R'));
        char green = real.charAt(sent.indexOf('G'));
        assertThat(LightChain.order(sent, red, green)).as(sent + " " + real).contains(real);
      }
    }
  }
}
