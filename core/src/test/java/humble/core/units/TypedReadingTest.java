package humble.core.units;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class TypedReadingTest {
  private static TypedReading ohms(String typed, double... expected) {
    return new TypedReading(
        typed, TypedReading.Kind.OHMS, java.util.Arrays.stream(expected).boxed().toList(), 0);
  }

  private static double value(TypedReading reading) {
    return ((QuantityText.Read) reading.value()).value();
  }

  @ParameterizedTest
  @CsvSource({
    "4.7, k, 4700, 4.7k",
    "4700, '', 4700, 4700",
    "0.3, '', 0.3, 0.3",
    "30, '', 30, 30",
    "4.7M, M, 4.7e6, 4.7M",
    "4k7, k, 4700, 4k7",
  })
  void ohmsTakeThePrefixThatIsExpectedAndAreNeverTakenForMoreThanThat(
      String typed, String prefix, double value, String text) {
    TypedReading reading = ohms(typed, 4680, 0.2, Double.POSITIVE_INFINITY);
    assertThat(reading.prefix()).isEqualTo(prefix);
    assertThat(value(reading)).isCloseTo(value, within(1e-9 * value));
    assertThat(reading.text()).isEqualTo(text);
  }

  @Test
  void whereTwoPrefixesAreExpectedThePlainOneIsTakenAndTheNextIsOneKeyAway() {
    TypedReading plain = ohms("4.7", 4.7, 4700);
    assertThat(plain.unit()).isEqualTo("Ω");
    TypedReading moved = new TypedReading("4.7", plain.kind(), plain.expected(), 1);
    assertThat(moved.unit()).isEqualTo("kΩ");
    assertThat(moved.text()).isEqualTo("4.7k");
    assertThat(new TypedReading("4.7", plain.kind(), plain.expected(), 3).unit()).isEqualTo("Ω");
  }

  @Test
  void voltsInMillivoltsAndCurrentsInMilliamperesAreKnownByTheirSize() {
    TypedReading.Kind volts = TypedReading.Kind.VOLTS;
    List<Double> rails = List.of(3.3, 0.0, 0.12);
    assertThat(new TypedReading("3.28", volts, rails, 0).unit()).isEqualTo("V");
    assertThat(new TypedReading("0.12", volts, rails, 0).unit()).isEqualTo("V");
    assertThat(new TypedReading("120", volts, rails, 0).unit()).isEqualTo("mV");
    assertThat(new TypedReading("5.1", volts, List.of(), 0).unit()).isEqualTo("V");
    TypedReading supply = new TypedReading("22.3", TypedReading.Kind.AMPS, List.of(0.0223, 0.5), 0);
    assertThat(supply.unit()).isEqualTo("mA");
    assertThat(supply.text()).isEqualTo("22.3m");
    assertThat(new TypedReading("0.5", TypedReading.Kind.AMPS, List.of(0.5), 0).unit())
        .isEqualTo("A");
    assertThat(new TypedReading("", TypedReading.Kind.AMPS, List.of(), 2).unit()).isEqualTo("µA");
    assertThat(new TypedReading("250", TypedReading.Kind.AMPS, List.of(), 2).text())
        .isEqualTo("250u");
  }

  @Test
  void beforeAnythingIsTypedTheUnitIsThatOfWhatIsLikeliest() {
    assertThat(ohms("", 4700, 0.1).unit()).isEqualTo("kΩ");
    assertThat(ohms("", Double.POSITIVE_INFINITY, 12e6).unit()).isEqualTo("MΩ");
    assertThat(ohms("").unit()).isEqualTo("Ω");
    assertThat(ohms("4..7", 4700).value()).isInstanceOf(QuantityText.Unreadable.class);
  }

  @Property(tries = 300)
  void whatIsReadAsExpectedIsReadRightWithAnyPrefix(
      @ForAll @DoubleRange(min = 1, max = 5e6) double truth) {
    String typed =
        truth >= 1e6
            ? String.format(java.util.Locale.ROOT, "%.3f", truth / 1e6)
            : truth >= 1e3
                ? String.format(java.util.Locale.ROOT, "%.3f", truth / 1e3)
                : String.format(java.util.Locale.ROOT, "%.2f", truth);
    assertThat(value(ohms(typed, truth))).isCloseTo(truth, within(0.01 * truth));
  }
}
