package humble.core.kit;

import static org.assertj.core.api.Assertions.assertThat;

import humble.core.words.Words;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class PackageWordsTest {
  private static final Words WORDS = Words.core(Locale.ENGLISH);

  @ParameterizedTest
  @CsvSource({
    "socket-dip-8, 'socket, 8 pins'", "dip-40-wide, 'wide chip, 40 pins'",
    "header-2x5, 'two pin rows, 10 pins'", "radial-5x11, 'can, 5 mm wide, 11 mm high'",
    "pads-u8, pads-u8"
  })
  void inWords(String id, String words) {
    assertThat(WORDS.say(PackageWords.of(id))).isEqualTo(words);
  }

  @Test
  void noTwoPackagesHaveTheSameWords() {
    Set<String> said = new HashSet<>();
    List<String> ids =
        List.of(
            "dip-8",
            "dip-28",
            "dip-28-wide",
            "socket-dip-28",
            "socket-dip-28-wide",
            "sip-9",
            "header-1x4",
            "header-2x4",
            "receptacle-1x4",
            "terminal-2",
            "radial-5x11",
            "radial-6x11",
            "disc-2.5",
            "disc-5",
            "tab-3-upright",
            "tab-3-lying",
            "half-round-3",
            "led-3",
            "led-5",
            "crystal-low",
            "crystal-tall",
            "axial-quarter-watt",
            "axial-half-watt");
    ids.forEach(id -> said.add(WORDS.say(PackageWords.of(id))));
    assertThat(said).hasSameSizeAs(ids).noneMatch(ids::contains);
  }
}
