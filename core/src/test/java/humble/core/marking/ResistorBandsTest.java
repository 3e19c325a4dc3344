package humble.core.marking;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import java.util.List;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class ResistorBandsTest {
  private static final int[] E24 = {
    10, 11, 12, 13, 15, 16, 18, 20, 22, 24, 27, 30, 33, 36, 39, 43, 47, 51, 56, 62, 68, 75, 82, 91
  };

  private static List<BandColour> bands(String letters) {
    return Arrays.stream(letters.split(" ")).map(l -> BandColour.named(l).orElseThrow()).toList();
  }

  @ParameterizedTest
  @CsvSource({
    "ye vt rd gd,4700,5", "bn bk og sr,10000,10", "bn bk bk rd bn,10000,1",
        "bn bn bk rd bn,11000,1",
    "rd rd bn gd,220,5", "bn gn gn,1500000,20", "bk bn bn gd,0,0", "gn bu sr gd,0.56,5",
    "og og wh bk bn rd,339,1", "bn bk gn bk gn og,105,0.5", "rd vt gd gd,2.7,5"
  })
  void readsTheColoursOfTheStandard(String letters, double ohms, double tolerancePct) {
    List<BandReading> readings = ResistorBands.read(bands(letters), v -> false);
    if (ohms == 0) {
      assertThat(readings).noneMatch(r -> !r.reversed());
    } else {
      BandReading straight = readings.stream().filter(r -> !r.reversed()).findFirst().orElseThrow();
      assertThat(straight.ohms()).isCloseTo(ohms, within(ohms * 1e-12));
      assertThat(straight.tolerancePct()).isEqualTo(tolerancePct);
    }
  }

  @Test
  void sixBandsSayTheTemperatureCoefficient() {
    BandReading reading =
        ResistorBands.read(bands("bn bk bk rd bn rd"), v -> false).stream()
            .filter(r -> !r.reversed())
            .findFirst()
            .orElseThrow();
    assertThat(reading.ohms()).isEqualTo(10_000);
    assertThat(reading.tempcoPpm()).isEqualTo(50);
  }

  @Test
  void oneBlackBandIsALinkAndAnyOtherIsNothing() {
    assertThat(ResistorBands.read(bands("bk"), v -> false))
        .singleElement()
        .satisfies(r -> assertThat(r.ohms()).isZero());
    assertThat(ResistorBands.read(bands("rd"), v -> false)).isEmpty();
  }

  @Test
  void bothEndsAreReadAndThePreferredValueComesFirst() {
    // From one end 1 kΩ 1 %; from the other brown-red-black-black-brown, 120 Ω, both legal.
    List<BandReading> readings = ResistorBands.read(bands("bn bk bk rd bn"), v -> false);
    assertThat(readings).hasSize(2);
    assertThat(readings).extracting(BandReading::reversed).containsExactlyInAnyOrder(false, true);
    assertThat(readings.getFirst().ohms()).isEqualTo(10_000);
  }

  @Test
  void aValueOfTheKitWinsAmongEquals() {
    List<BandReading> other =
        ResistorBands.read(bands("bn bk bk rd bn"), v -> Math.abs(v - 120) < 1e-6);
    assertThat(other.getFirst().ohms()).isEqualTo(120);
    assertThat(other.getFirst().reversed()).isTrue();
  }

  @Test
  void aGoldFirstBandCanOnlyBeReadFromTheOtherEnd() {
    assertThat(ResistorBands.read(bands("gd bn rd rd"), v -> false))
        .singleElement()
        .satisfies(r -> {
          assertThat(r.ohms()).isEqualTo(220);
          assertThat(r.reversed()).isTrue();
        });
  }

  @Test
  void noLegalReadingGivesAnEmptyList() {
    assertThat(ResistorBands.read(bands("gd gd gd gd"), v -> false)).isEmpty();
  }

  @ParameterizedTest
  @ValueSource(ints = {0, 2, 7})
  void anotherNumberOfBandsIsRefused(int count) {
    List<BandColour> bands = java.util.Collections.nCopies(count, BandColour.RED);
    assertThatIllegalArgumentException()
        .isThrownBy(() -> ResistorBands.read(bands, v -> false))
        .withMessageContaining(Integer.toString(count));
  }

  @Property
  void everyE24ValueThatIsPaintedReadsBack(
      @ForAll @IntRange(min = 0, max = 23) int index,
      @ForAll @IntRange(min = -1, max = 5) int decade,
      @ForAll @IntRange(min = 4, max = 5) int count) {
    double ohms = E24[index] * Math.pow(10, decade);
    double tolerance = count == 4 ? 5.0 : 1.0;
    List<BandColour> painted = ResistorBands.paint(ohms, tolerance, count).orElseThrow();
    assertThat(painted).hasSize(count);
    assertThat(ResistorBands.read(painted, v -> false))
        .anySatisfy(r -> {
          assertThat(r.ohms()).isCloseTo(ohms, within(ohms * 1e-9));
          assertThat(r.tolerancePct()).isEqualTo(tolerance);
          assertThat(r.reversed()).isFalse();
        });
  }

  @Test
  void whatBandsCannotSayIsNotPainted() {
    assertThat(ResistorBands.paint(10_050, 5.0, 4)).isEmpty();
    assertThat(ResistorBands.paint(-1, 5.0, 4)).isEmpty();
    assertThat(ResistorBands.paint(1000, 3.0, 4)).isEmpty();
    assertThat(ResistorBands.paint(1000, 5.0, 6)).isEmpty();
  }

  @Test
  void coloursAreNamedInFullOrByTwoLetters() {
    assertThat(BandColour.named("violet")).contains(BandColour.VIOLET);
    assertThat(BandColour.named(" GD ")).contains(BandColour.GOLD);
    assertThat(BandColour.named("gray")).contains(BandColour.GREY);
    assertThat(BandColour.named("pink")).isEmpty();
  }
}
