package humble.core.marking;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class PrintedCodeTest {
  private static MarkReading first(String text, MarkReading.Kind kind) {
    List<MarkReading> readings = PrintedCode.read(text, kind);
    assertThat(readings).as(text).isNotEmpty();
    return readings.getFirst();
  }

  @ParameterizedTest
  @CsvSource({
    "104,1e-7", "22,22e-12", "479,4.7e-12", "478,0.47e-12", "4n7,4.7e-9", "n47,0.47e-9",
        "p47,0.47e-12",
    "4R7,4.7e-12", "47n,47e-9", "4p7,4.7e-12", "µ47,0.47e-6", "u1,0.1e-6", ".1,0.1e-6",
        "0.047,47e-9",
    "100 16V,100e-6", "10µF 25V,10e-6", "4.7 50V,4.7e-6"
  })
  void readsCapacitors(String text, double farads) {
    assertThat(first(text, MarkReading.Kind.CAPACITOR).value())
        .isCloseTo(farads, within(farads * 1e-9));
  }

  @ParameterizedTest
  @CsvSource({
    "104K,-10,10,", "104Z,-20,80,", "2A104J,-5,5,100", "104J1H,-5,5,50", "4R7C,-5.319149,5.319149,",
    "8R2D,-6.097561,6.097561,", "220J,-5,5,", "1E226M,-20,20,25", "0J107,,,6.3",
        "103M 50V,-20,20,50"
  })
  void readsToleranceAndVoltage(String text, Double low, Double high, Double volts) {
    MarkReading reading = first(text, MarkReading.Kind.CAPACITOR);
    if (low == null) {
      assertThat(reading.tolerancePct()).isNull();
    } else {
      assertThat(reading.tolerancePct().low()).isCloseTo(low, within(1e-5));
      assertThat(reading.tolerancePct().high()).isCloseTo(high, within(1e-5));
    }
    assertThat(reading.volts()).isEqualTo(volts);
  }

  @ParameterizedTest
  @CsvSource({
    "0E,2.5", "0G,4", "0J,6.3", "1A,10", "1C,16", "1E,25", "1V,35", "1H,50", "1J,63", "2A,100",
    "2D,200", "2E,250", "2G,400", "2W,450", "2J,630", "3A,1000"
  })
  void knowsTheVoltageCodes(String code, double volts) {
    assertThat(VoltageCode.volts(code)).contains(volts);
  }

  @ParameterizedTest
  @CsvSource({
    "472,4700",
    "4701,4700",
    "103,10000",
    "1002,10000",
    "000,0",
    "0,0",
    "4R7,4.7",
    "R47,0.47",
    "R010,0.01",
    "4K7,4700",
    "1M5,1.5e6",
    "01C,10000",
    "96A,976",
    "68X,49.9",
    "30Y,2.0",
    "12D,130000"
  })
  void readsResistors(String text, double ohms) {
    assertThat(first(text, MarkReading.Kind.RESISTOR).value())
        .isCloseTo(ohms, within(Math.max(ohms, 1) * 1e-9));
  }

  @Test
  void aLetterAfterTheValueIsItsTolerance() {
    MarkReading reading = first("4K7J", MarkReading.Kind.RESISTOR);
    assertThat(reading.value()).isEqualTo(4700);
    assertThat(reading.tolerancePct().high()).isEqualTo(5);
  }

  @Test
  void anAmbiguousCodeGivesAllItsReadingsTheLikeliestFirst() {
    List<MarkReading> readings = PrintedCode.read("22R", MarkReading.Kind.RESISTOR);
    assertThat(readings).extracting(MarkReading::value).containsExactly(22.0, 1.65);
    assertThat(PrintedCode.read("104", null))
        .extracting(MarkReading::as)
        .contains(MarkReading.Kind.CAPACITOR, MarkReading.Kind.RESISTOR, MarkReading.Kind.INDUCTOR);
    assertThat(PrintedCode.read("104", null).getFirst().text()).isEqualTo("100 nF");
    assertThat(PrintedCode.read("100", MarkReading.Kind.CAPACITOR))
        .extracting(MarkReading::text)
        .containsExactly("10 pF", "100 µF");
  }

  @ParameterizedTest
  @CsvSource({"101,100e-6", "4R7,4.7e-6", "R47K,0.47e-6", "221J,220e-6", "4N7,4.7e-9", "47N,47e-9"})
  void readsInductors(String text, double henry) {
    assertThat(first(text, MarkReading.Kind.INDUCTOR).value())
        .isCloseTo(henry, within(henry * 1e-9));
  }

  @ParameterizedTest
  @CsvSource({
    "8.000,8e6",
    "16.000MHz,16e6",
    "32.768,32768",
    "32.768K,32768",
    "12M,12e6",
    "3.579545,3579545"
  })
  void readsCrystals(String text, double hertz) {
    assertThat(first(text, MarkReading.Kind.CRYSTAL).value()).isCloseTo(hertz, within(0.5));
  }

  @ParameterizedTest
  @ValueSource(strings = {"", "XYZ", "R", "97A", "00A", "--", "4..7", "104 volts"})
  void whatIsNoCodeHasNoReading(String text) {
    assertThat(PrintedCode.read(text, MarkReading.Kind.RESISTOR)).isEmpty();
  }

  @Property
  void everyThreeDigitCodeIsTwoDigitsAndAnExponent(
      @ForAll @IntRange(min = 10, max = 99) int digits,
      @ForAll @IntRange(min = 0, max = 7) int zeros) {
    double expected = digits * Math.pow(10, zeros);
    String code = digits + "" + zeros;
    assertThat(PrintedCode.read(code, MarkReading.Kind.RESISTOR).getFirst().value())
        .isCloseTo(expected, within(expected * 1e-9));
    assertThat(PrintedCode.read(code, MarkReading.Kind.CAPACITOR))
        .anySatisfy(
            r -> assertThat(r.value()).isCloseTo(expected * 1e-12, within(expected * 1e-21)));
  }

  @Property
  void neverThrowsAndNeverGivesANonsenseValue(@ForAll String text) {
    assertThat(PrintedCode.read(text, null))
        .allSatisfy(r -> assertThat(r.value()).isFinite().isGreaterThanOrEqualTo(0));
  }
}
