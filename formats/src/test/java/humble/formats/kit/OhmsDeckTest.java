package humble.formats.kit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.junit.jupiter.api.Assumptions.assumeTrue;

import humble.core.circuit.OhmBench;
import humble.core.circuit.OhmMeter;
import humble.core.kit.BoardState;
import humble.core.kit.Parts;
import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;

/** Ohms have an answer between any two nets, and it is that of a real SPICE. */
class OhmsDeckTest {
  private static final int ASKED_OF_SPICE = 14;
  private static final int LARGE = 60;
  private static final int EVERY = 23;

  @TempDir Path folder;

  static Stream<Arguments> states() {
    return DemoKits.all().stream()
        .map(path -> Parts.of(((KitRead.Opened) KitFolder.at(path).read()).kit()))
        .flatMap(parts -> parts.kit().states().stream().map(state -> Arguments.of(parts, state)));
  }

  private record Pair(String red, String black) {}

  private static List<Pair> pairs(Parts parts) {
    List<String> nets = new ArrayList<>(parts.kit().nets().keySet());
    List<Pair> pairs = new ArrayList<>();
    for (String red : nets) {
      for (String black : nets) {
        if (!red.equals(black)) {
          pairs.add(new Pair(red, black));
        }
      }
    }
    return pairs;
  }

  @ParameterizedTest
  @MethodSource("states")
  void everyOrderedPairHasAnAnswerThatSpiceAgreesWith(Parts parts, BoardState state)
      throws IOException, InterruptedException {
    OhmBench bench = new OhmBench(parts, state);
    List<Pair> all = pairs(parts);
    int step = parts.kit().nets().size() > LARGE ? EVERY : 1;
    List<Pair> answered = new ArrayList<>();
    for (int i = 0; i < all.size(); i += step) {
      Pair pair = all.get(i);
      OhmMeter.Reading read = bench.between(pair.red, pair.black, List.of());
      assertThat(read).as("%s", pair).isNotInstanceOf(OhmMeter.Reading.Unsolved.class);
      if (read instanceof OhmMeter.Reading.Ohms ohms && ohms.ohms() > 0.1) {
        answered.add(pair);
      }
    }
    assumeTrue(Ngspice.installed(), "the launcher installs ngspice where it can");
    int every = Math.max(1, answered.size() / ASKED_OF_SPICE);
    for (int i = 0; i < answered.size(); i += every) {
      Pair pair = answered.get(i);
      double ours = ((OhmMeter.Reading.Ohms) bench.between(pair.red, pair.black, List.of())).ohms();
      String deck = bench.deck(pair.red, pair.black, List.of(), "ohms").orElseThrow();
      Map<String, Double> volts = Ngspice.volts(folder, deck);
      double across = volts.get(Ngspice.word(pair.red)) - volts.get(Ngspice.word(pair.black));
      // Where the meter gives its 0.2 V the current is what it is; else it is 100 µA.
      double theirs = ours * 1e-4 < 0.2 * 0.999 ? across / 1e-4 : ours;
      assertThat(theirs)
          .as("%s %s", state.id(), pair)
          .isCloseTo(ours, org.assertj.core.api.Assertions.within(0.002 * ours + 0.05));
      assertThat(Math.abs(across)).isLessThan(0.2001);
    }
  }
}
