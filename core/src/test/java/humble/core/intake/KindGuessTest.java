package humble.core.intake;

import static org.assertj.core.api.Assertions.assertThat;

import humble.core.kit.PartKind;
import humble.core.words.Words;
import java.util.List;
import java.util.Locale;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class KindGuessTest {
  private static KindGuess guess(String ref, String words, String value, String pack) {
    return KindGuess.of(ref.isEmpty() ? List.of() : List.of(ref), words, value, pack);
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      textBlock =
          """
          R1   | ''                       | 10k   | ''        | RESISTOR
          C1   | ''                       | 100n  | ''        | CAPACITOR
          C1   | ''                       | 220u  | ''        | CAPACITOR_POLARISED
          C1   | Elko                     | ''    | ''        | CAPACITOR_POLARISED
          D1   | Schottky diode           | ''    | ''        | DIODE
          Q1   | MOSFET                   | ''    | ''        | MOSFET_N
          Q1   | P-MOSFET                 | ''    | ''        | MOSFET_P
          Q1   | ''                       | ''    | ''        | TRANSISTOR_NPN
          D1   | grün                     | ''    | ''        | LED
          D1   | Zener                    | 5V1   | ''        | ZENER
          ''   | Widerstand               | 1k    | ''        | RESISTOR
          ''   | 7-segment display        | ''    | ''        | DISPLAY
          ''   | seven segment display    | ''    | ''        | DISPLAY
          ''   | wire link                | ''    | ''        | LINK
          ''   | push button              | ''    | ''        | BUTTON
          ''   | Schraube M3              | ''    | ''        | MECHANICAL
          ''   | resistor network         | 10k   | ''        | RESISTOR_NETWORK
          Q1   | p-channel                | ''    | ''        | MOSFET_P
          Q1   | PNP                      | ''    | ''        | TRANSISTOR_PNP
          U1   | ''                       | ''    | dip-14    | IC
          U1   | voltage regulator        | ''    | ''        | REGULATOR
          X1   | ''                       | 8MHz  | ''        | CRYSTAL
          F1   | ''                       | ''    | ''        | FUSE
          ''   | photoresistor            | ''    | ''        | LDR
          """)
  void lettersWordsUnitsAndCases(
      String ref, String words, String value, String pack, PartKind kind) {
    assertThat(guess(ref, words, value, pack).kind()).isEqualTo(kind);
  }

  @Test
  void moreEvidenceMakesItSurerAndIsNamed() {
    KindGuess letters = guess("C1", "", "", "");
    KindGuess words = guess("C1", "ceramic capacitor", "", "");
    KindGuess all = guess("C1", "ceramic capacitor", "100n", "disc-5");
    assertThat(words.confidence()).isGreaterThan(letters.confidence());
    assertThat(all.confidence()).isGreaterThanOrEqualTo(words.confidence());
    assertThat(Words.core(Locale.ENGLISH).say(all.because()))
        .contains("begins with C", "ceramic", "100n", "disc-5");
  }

  @Test
  void whatCompetesIsOfferedAndNothingIsNeverSure() {
    KindGuess either = guess("S1", "", "", "");
    assertThat(either.confidence()).isLessThan(0.8);
    assertThat(either.others())
        .contains(either.kind() == PartKind.SWITCH ? PartKind.BUTTON : PartKind.SWITCH);
    KindGuess nothing = guess("", "", "", "");
    assertThat(nothing.kind()).isEqualTo(PartKind.OTHER);
    assertThat(nothing.confidence()).isLessThan(0.5);
  }

  @Test
  void aWordWithinAnotherWordDoesNotCount() {
    assertThat(guess("", "misled scaffolding", "", "").kind()).isEqualTo(PartKind.OTHER);
    assertThat(KindGuess.isOnly(PartKind.LED, "LED")).isTrue();
    assertThat(KindGuess.isOnly(PartKind.LED, "red LED")).isFalse();
    assertThat(KindGuess.isOnly(PartKind.TRANSISTOR_NPN, "NPN transistor")).isTrue();
  }
}
