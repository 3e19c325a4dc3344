package humble.core.intake;

import static org.assertj.core.api.Assertions.assertThat;

import humble.core.kit.LeadClass;
import humble.core.kit.PackageLibrary;
import humble.core.kit.PackagePin;
import humble.core.kit.PartKind;
import humble.core.words.Words;
import java.util.HashSet;
import java.util.Locale;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;
import org.junit.jupiter.params.provider.ValueSource;

class PackageGuessTest {
  private static PackageGuess guess(String text, String words, PartKind kind, String value) {
    return PackageGuess.of(text, words, kind, value, new PackageGuess.Memory());
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      textBlock =
          """
          DIP-14                | IC                  | dip-14
          PDIP-16               | IC                  | dip-16
          DIL 28 narrow         | IC                  | dip-28
          DIP-40                | IC                  | dip-40-wide
          28 pin DIP            | SOCKET              | socket-dip-28
          TO-92                 | TRANSISTOR_NPN      | half-round-3
          TO-220                | REGULATOR           | tab-3-upright
          DO-41                 | DIODE               | axial-power-diode
          HC-49/U               | CRYSTAL             | crystal-tall
          HC49S                 | CRYSTAL             | crystal-low
          5mm                   | LED                 | led-5
          T-1 3/4               | LED                 | led-5
          0.25W                 | RESISTOR            | axial-quarter-watt
          1/2W                  | RESISTOR            | axial-half-watt
          1x08                  | HEADER              | header-1x8
          2x20                  | HEADER              | header-2x20
          screw terminal 3-pin  | CONNECTOR           | terminal-3
          DC jack               | CONNECTOR           | jack-barrel
          8x11.5mm              | CAPACITOR_POLARISED | radial-8x12
          5 x 11                | CAPACITOR_POLARISED | radial-5x11
          coin cell             | BATTERY_HOLDER      | coin-holder
          R_0805                | RESISTOR            | chip-0805
          SOT-23                | MOSFET_N            | sot-23
          SOIC-8                | IC                  | so-8
          TQFP-32               | IC                  | qfp-32
          SIP-9                 | RESISTOR_NETWORK    | sip-9
          """)
  void packagesAsListsWriteThem(String text, PartKind kind, String id) {
    assertThat(guess(text, "", kind, "").pack().id()).isEqualTo(id);
  }

  @ParameterizedTest
  @ValueSource(strings = {"chip-0805", "so-16", "qfp-44", "sot-23"})
  void surfaceMountedOnesAreMadeWithPinsThatDoNotCoincide(String wanted) {
    String text = wanted.replace("chip-", "C_");
    PackageGuess guess = guess(text, "", PartKind.IC, "");
    assertThat(guess.builtIn()).isFalse();
    assertThat(guess.pack().lead()).isEqualTo(LeadClass.SMD);
    Set<Object> places = new HashSet<>(guess.pack().pins().stream().map(PackagePin::at).toList());
    assertThat(places).hasSameSizeAs(guess.pack().pins());
    assertThat(guess.pack().heightMm()).isPositive();
  }

  @Test
  void anUnknownTextBecomesAPackageOfItsOwnAndIsSaidToBeUnknown() {
    PackageGuess guess = guess("Harbour special 12", "", PartKind.IC, "");
    assertThat(guess.pack().id()).isEqualTo("harbour-special-12");
    assertThat(guess.pack().pins()).hasSize(12);
    assertThat(guess.confidence()).isLessThan(0.5);
    assertThat(Words.core(Locale.ENGLISH).say(guess.because())).contains("no package known here");
  }

  /**
   * Whatever the kind, there is a package for it, and never a certain one where nothing was said.
   */
  @ParameterizedTest
  @EnumSource(PartKind.class)
  void everyKindHasAUsualPackage(PartKind kind) {
    PackageGuess guess = guess("", "", kind, "");
    assertThat(guess.confidence()).isBetween(0.1, 0.85);
    assertThat(PackageLibrary.find(guess.pack().id())).isPresent();
    assertThat(guess.others())
        .doesNotContain(guess.pack().id())
        .allSatisfy(other -> assertThat(PackageLibrary.find(other)).isPresent());
  }

  @ParameterizedTest
  @CsvSource({"4u7, radial-5x11", "100u, radial-6x11", "330u, radial-8x12", "1000u, radial-10x16"})
  void electrolyticsGrowWithTheirFarads(String value, String id) {
    assertThat(guess("", "", PartKind.CAPACITOR_POLARISED, value).pack().id()).isEqualTo(id);
  }
}
