package humble.core.marking;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class InductorBandsTest {
  private static List<BandColour> bands(String letters) {
    return Arrays.stream(letters.split("-")).map(b -> BandColour.named(b).orElseThrow()).toList();
  }

  @ParameterizedTest
  @CsvSource({
    "bn-bk-bk-sr, 10e-6, 10",
    "ye-vt-bn-gd, 470e-6, 5",
    "rd-rd-gd-gd, 2.2e-6, 5",
    "bn-bk-rd, 1e-3, 20",
    "bn-gn-bn-bk, 150e-6, 20",
  })
  void countsInMicrohenries(String letters, double henries, double tolerance) {
    InductorBands.Reading first = InductorBands.read(bands(letters)).getFirst();
    assertThat(first.henries()).isCloseTo(henries, within(henries * 1e-9));
    assertThat(first.tolerancePct()).isEqualTo(tolerance);
    assertThat(first.reversed()).isFalse();
  }

  @Test
  void bothEndsAreTriedAndAWrongNumberIsRefused() {
    assertThat(InductorBands.read(bands("gd-bn-bk-bn")))
        .singleElement()
        .satisfies(r -> assertThat(r.reversed()).isTrue());
    assertThat(InductorBands.read(bands("gd-gd-gd-gd"))).isEmpty();
    assertThatThrownBy(() -> InductorBands.read(bands("bn-bk"))).hasMessageContaining("not 2");
  }
}
