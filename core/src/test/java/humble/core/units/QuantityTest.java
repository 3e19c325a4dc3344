package humble.core.units;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class QuantityTest {
  private static double read(String text) {
    return switch (Quantity.parse(text)) {
      case QuantityText.Read read -> read.value();
      case QuantityText.Unreadable bad -> throw new AssertionError(bad.sentence());
    };
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "4k7|4700", "4.7k|4700", "4,7 k|4700", "4700|4700", "4700R|4700", "0R47|0.47", "2M2|2.2e6",
        "100n|1e-7", "0.1u|1e-7", "0.1µ|1e-7", "0.1μ|1e-7", "1nJ|1e-9", "1e3|1000", "-0.2|-0.2",
        "22R|22", "10K|10000", "47 kΩ|47000", "4.98 V|4.98", "20 mA|0.02", "8 MHz|8e6",
            "3p3|3.3e-12",
        "1.5e-3|0.0015", ".5|0.5", "5.|5", "+12|12"
      })
  void readsWhatMakersWrite(String text, double value) {
    assertThat(read(text)).isCloseTo(value, within(Math.abs(value) * 1e-12));
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "4..7|2|'.' cannot stand here",
        "k|0|needs a digit",
        "''|0|no number yet",
        "12x|2|'x' cannot",
        "4.7kk|4|'k' cannot",
        "--3|1|needs a digit",
        "1e9999|2|exponent"
      })
  void namesTheCharacterThatCannotStand(String text, int position, String why) {
    assertThat(Quantity.parse(text))
        .isInstanceOfSatisfying(
            QuantityText.Unreadable.class,
            bad -> {
              assertThat(bad.sentence()).contains(why).contains(text);
              assertThat(bad.position()).isGreaterThanOrEqualTo(position);
            });
  }

  @Test
  void theSentenceCountsCharactersFromOne() {
    assertThat(((QuantityText.Unreadable) Quantity.parse("4..7")).sentence())
        .isEqualTo("\"4..7\": '.' cannot stand here, at character 3.");
  }

  @ParameterizedTest
  @CsvSource({"3.32,0.01", "11.02k,10", "470,1", "4k7,100", "1.0M,100000"})
  void knowsTheWorthOfTheLastDigit(String text, double worth) {
    assertThat(((QuantityText.Read) Quantity.parse(text)).resolution())
        .isCloseTo(worth, within(worth * 1e-9));
  }

  @ParameterizedTest
  @ValueSource(strings = {"10K", "10k"})
  void givesOnePrefixLetterForBothCases(String text) {
    assertThat(((QuantityText.Read) Quantity.parse(text)).prefix()).isEqualTo("k");
  }

  @Property
  void aPrintedReadingReadsBackWithinItsThreeDigits(
      @ForAll @IntRange(min = 100_000, max = 999_999) int digits,
      @ForAll @IntRange(min = -17, max = 4) int exponent) {
    double value = digits * Math.pow(10, exponent);
    assertThat(read(Engineering.reading(value, "Ω"))).isCloseTo(value, within(value * 0.0051));
  }

  @Property
  void printingTwiceChangesNothing(
      @ForAll @IntRange(min = 100, max = 999) int digits,
      @ForAll @IntRange(min = -14, max = 7) int exponent) {
    double value = digits * Math.pow(10, exponent);
    String once = Engineering.nominal(value, "F");
    assertThat(Engineering.nominal(read(once), "F")).isEqualTo(once);
  }

  @Property
  void neverThrowsForAnyText(@ForAll String text) {
    assertThat(Quantity.parse(text)).isNotNull();
  }
}
