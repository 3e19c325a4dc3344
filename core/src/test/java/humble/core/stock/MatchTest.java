package humble.core.stock;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import humble.core.KitMaker;
import humble.core.kit.Kit;
import humble.core.kit.PartKind;
import humble.core.units.Band;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class MatchTest {
  private static final Kit KIT =
      KitMaker.kit()
          .line(
              "r220",
              PartKind.RESISTOR,
              "220",
              5.0,
              "axial-quarter-watt",
              null,
              java.util.List.of(),
              "R1")
          .line(
              "r10k",
              PartKind.RESISTOR,
              "10k",
              1.0,
              "axial-quarter-watt",
              null,
              java.util.List.of(),
              "R2")
          .line(
              "r10k2",
              PartKind.RESISTOR,
              "10.2k",
              1.0,
              "axial-quarter-watt",
              null,
              java.util.List.of(),
              "R4")
          .line(
              "r11k",
              PartKind.RESISTOR,
              "11k",
              1.0,
              "axial-quarter-watt",
              null,
              java.util.List.of(),
              "R3")
          .make();

  private static Match match(double value, double digit) {
    return Match.of(KIT, PartKind.RESISTOR, value, digit, Meter.USUAL);
  }

  @ParameterizedTest
  @CsvSource({"221,1,r220", "11020,10,r11k", "9950,10,r10k", "215,1,r220"})
  void decidesWhereOneLineIsTwentyTimesLikelier(double value, double digit, String line) {
    assertThat(match(value, digit).decision()).contains(line);
  }

  @Test
  void betweenTwoLinesItSaysBothAndDecidesNothing() {
    Match match = match(10_100, 10);
    assertThat(match.decision()).isEmpty();
    assertThat(match.ambiguous()).containsExactlyInAnyOrder("r10k", "r10k2");
  }

  @Test
  void aReadingThatFitsNothingIsOutsideEverything() {
    Match match = match(4700, 10);
    assertThat(match.decision()).isEmpty();
    assertThat(match.ambiguous()).isEmpty();
    assertThat(match.lines()).extracting(Match.Candidate::verdict).containsOnly(Verdict.OUTSIDE);
  }

  @Test
  void theLikelihoodIsADensity() {
    // Under one line alone the densities over all readings add up to one.
    double sum = 0;
    for (double ohms = 150; ohms < 300; ohms += 0.25) {
      double density =
          match(ohms, 1).lines().stream()
              .filter(c -> c.line().id().equals("r220"))
              .findFirst()
              .orElseThrow()
              .likelihood();
      sum += density * 0.25;
    }
    assertThat(sum).isCloseTo(1, within(0.02));
  }

  @Property
  void decisionsNeverContradictTheVerdict(
      @ForAll @DoubleRange(min = 100, max = 20_000) double ohms) {
    Match match = match(ohms, 1);
    match
        .decision()
        .ifPresent(id -> assertThat(match.lines().getFirst().line().id()).isEqualTo(id));
    assertThat(
            match.decision().isPresent() && match.lines().getFirst().verdict() == Verdict.OUTSIDE)
        .isFalse();
    assertThat(match.interval().holds(ohms)).isTrue();
  }

  @Test
  void theDecisionRuleHasAnEdge() {
    Band window = new Band(9900, 10_100);
    assertThat(Verdict.of(Band.around(10_000, 50), window)).isEqualTo(Verdict.INSIDE);
    assertThat(Verdict.of(Band.around(10_080, 50), window)).isEqualTo(Verdict.EDGE);
    assertThat(Verdict.of(Band.around(10_200, 50), window)).isEqualTo(Verdict.OUTSIDE);
    assertThat(Verdict.of(Band.around(10_150, 50), window)).isEqualTo(Verdict.EDGE);
  }

  @Test
  void aMeterIsPerCentOfReadingAndCounts() {
    Meter meter = Meter.parse("0.8%+3@1").orElseThrow();
    assertThat(meter.uncertainty(1000, 10)).isEqualTo(11);
    assertThat(Meter.parse("0.5%+2@").orElseThrow().uncertainty(100, 0.1))
        .isCloseTo(0.7, within(1e-12));
    assertThat(Meter.parse("0.5%+2@1m").orElseThrow().resolution()).isEqualTo(0.001);
  }

  @ParameterizedTest
  @CsvSource({"0.8+3@1", "x%+3@1", "0.8%+3", "-1%+2@1", "0.8%+3@x"})
  void whatIsNoMeterIsNotRead(String text) {
    assertThat(Meter.parse(text)).isEmpty();
  }
}
