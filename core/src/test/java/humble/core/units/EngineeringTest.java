package humble.core.units;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class EngineeringTest {
  @ParameterizedTest
  @CsvSource({
    "4700,Ω,4.7 kΩ", "10000,Ω,10 kΩ", "220,Ω,220 Ω", "1e-7,F,100 nF", "4.7e-6,F,4.7 µF",
    "0,V,0 V", "999.6,Ω,1 kΩ", "8e6,Hz,8 MHz", "2.2e-11,F,22 pF", "-0.002,A,-2 mA"
  })
  void writesNominalValuesWithoutTrailingZeros(double value, String unit, String text) {
    assertThat(Engineering.nominal(value, unit)).isEqualTo(text);
  }

  @ParameterizedTest
  @CsvSource({
    "3.3,V,3.30 V",
    "11020,Ω,11.0 kΩ",
    "0.0018,A,1.80 mA",
    "999.96,Ω,1.00 kΩ",
    "100,Ω,100 Ω"
  })
  void writesReadingsWithThreeDigits(double value, String unit, String text) {
    assertThat(Engineering.reading(value, unit)).isEqualTo(text);
  }

  @ParameterizedTest
  @CsvSource({"NaN", "Infinity"})
  void writesNoNumberWhereThereIsNone(double value) {
    assertThat(Engineering.reading(value, "V")).isEqualTo("— V");
  }
}
