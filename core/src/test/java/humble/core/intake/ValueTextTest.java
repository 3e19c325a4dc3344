package humble.core.intake;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import humble.core.kit.PartKind;
import humble.core.words.Phrase;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class ValueTextTest {
  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      textBlock =
          """
          RESISTOR            | 10k              | 10000
          RESISTOR            | 4,7 kΩ           | 4700
          RESISTOR            | 10 k 1% 0.25W    | 10000
          RESISTOR            | 4k7/5%           | 4700
          RESISTOR            | metal film 22k   | 22000
          RESISTOR            | 0R47             | 0.47
          RESISTOR            | 470              | 470
          RESISTOR            | 473              | 47000
          RESISTOR            | 01C              | 10000
          CAPACITOR           | 104              | 1e-7
          CAPACITOR           | 100nF 50V        | 1e-7
          CAPACITOR           | 22p              | 22e-12
          CAPACITOR_POLARISED | 47uF/16V         | 47e-6
          CAPACITOR_POLARISED | 100              | 100e-6
          INDUCTOR            | 10 uH            | 10e-6
          CRYSTAL             | 16 MHz           | 16e6
          CRYSTAL             | 8.000MHz         | 8e6
          """)
  void numbersAsListsWriteThem(PartKind kind, String text, double number) {
    ValueText value = ValueText.of(text, kind);
    assertThat(value.problem()).isEmpty();
    assertThat(value.number()).isCloseTo(number, within(number * 1e-9));
  }

  @Test
  void aToleranceBesideItIsTakenAndVoltsAndWattsAreNot() {
    ValueText value = ValueText.of("10k ±1 % 0,25 W", PartKind.RESISTOR);
    assertThat(value.tolerancePct()).isEqualTo(1.0);
    assertThat(value.value()).isEqualTo("10k");
    assertThat(value.rest()).isEmpty();
  }

  @Test
  void onlyWhatWasReadAnotherWayIsAGuess() {
    assertThat(ValueText.of("10k", PartKind.RESISTOR).guess()).isNull();
    assertThat(ValueText.of("104", PartKind.CAPACITOR).guess())
        .isEqualTo(Phrase.of("guess.value.capacitor", "104"));
    assertThat(ValueText.of("473", PartKind.RESISTOR).confidence()).isLessThan(0.8);
  }

  @ParameterizedTest
  @ValueSource(strings = {"abc", "", "k", "see drawing"})
  void aResistorWithoutANumberIsAProblem(String text) {
    assertThat(ValueText.of(text, PartKind.RESISTOR).problem()).endsWith(".");
  }

  @Test
  void kindsThatAreNotMeasuredKeepTheirWords() {
    ValueText value = ValueText.of("red 5mm", PartKind.LED);
    assertThat(value.value()).isEqualTo("red 5mm");
    assertThat(value.number()).isNaN();
  }
}
