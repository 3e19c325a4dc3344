package humble.core.wake;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import humble.core.kit.Proof;
import humble.core.kit.Trim;
import humble.core.stock.Verdict;
import humble.core.trim.Knob;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;

/** An instrument that is held to known parts, averaged and turned. */
class ProvingTest {
  private static Proof known(String kind, double nominal, double tolerancePct, String meter) {
    return new Proof("p", "p", kind, nominal, tolerancePct, meter, "", List.of(), false, List.of());
  }

  /** 10 kΩ ± 1 % by a meter of 0.3 % and 2 Ω: 9932 ± 31.8 is inside, 9925 ± 31.8 is not. */
  @Test
  void theWholeIntervalHasToLieInTheWindow() {
    Proof proof = known("resistor", 10e3, 1, "0.3%+2@1");
    assertThat(Proving.of(proof, 9933, 1).verdict()).isEqualTo(Verdict.INSIDE);
    assertThat(Proving.of(proof, 9925, 1).verdict()).isEqualTo(Verdict.EDGE);
    assertThat(Proving.of(proof, 9875, 1).verdict()).isEqualTo(Verdict.EDGE);
    assertThat(Proving.of(proof, 9860, 1).verdict()).isEqualTo(Verdict.OUTSIDE);
    assertThat(Proving.of(proof, 9860, 1).errorPct()).isCloseTo(-1.4, within(1e-9));
  }

  @Test
  void aDecadeOffIsARangeBeforeItIsAFault() {
    Proof proof = known("capacitor", 10e-9, 5, "1%+2@10p");
    assertThat(Proving.of(proof, 1.01e-9, 1e-12).decades()).isEqualTo(-1);
    assertThat(Proving.of(proof, 101e-9, 1e-10).decades()).isEqualTo(1);
    assertThat(Proving.of(proof, 10.1e-9, 1e-11).decades()).isZero();
    assertThat(Proving.of(proof, 5e-9, 1e-11).decades()).isZero();
    assertThat(Proving.of(proof, 1.5e-9, 1e-11).decades()).isZero();
    assertThat(Proving.of(proof, 0, 1e-11).decades()).isZero();
  }

  @Test
  void aSecondOpinionIsWorthItWhereItTells() {
    Proof good = known("resistor", 10e3, 1, "0.3%+2@1");
    assertThat(Proving.of(good, 10e3, 1).opinion()).isInstanceOf(Proving.Opinion.Needless.class);
    // Known better than the instrument claims to be: no reading of it can lie inside.
    Proof sharp = known("resistor", 10e3, 0.1, "1%+2@10");
    assertThat(Proving.of(sharp, 10e3, 10).verdict()).isEqualTo(Verdict.EDGE);
    assertThat(Proving.of(sharp, 10e3, 10).opinion())
        .isInstanceOf(Proving.Opinion.BetterPart.class);
    assertThat(Proving.of(sharp, 12e3, 10).opinion())
        .isInstanceOf(Proving.Opinion.OtherMeter.class);
    // 3 % off: a meter within 1 % tells, and a pocket one reads 10 kΩ within 1.1 %.
    Proving off = Proving.of(good, 9700, 1);
    assertThat(off.opinion()).isInstanceOf(Proving.Opinion.OtherMeter.class);
    Proving.Opinion.OtherMeter other = (Proving.Opinion.OtherMeter) off.opinion();
    assertThat(other.withinPct()).isCloseTo(1, within(1e-9));
    assertThat(other.profile()).contains("bench");
    Proving far = Proving.of(good, 8000, 1);
    assertThat(((Proving.Opinion.OtherMeter) far.opinion()).profile()).contains("pocket");
    Proving farads = Proving.of(known("capacitor", 1e-8, 1, ""), 2e-8, 1e-11);
    assertThat(((Proving.Opinion.OtherMeter) farads.opinion()).profile())
        .isEqualTo(Optional.empty());
  }

  /** Of 0.9, 1.0, 1.1 the deviation is 0.1, and twice that over the root of 4 is 0.1. */
  @Test
  void readingsAreEnoughWhenTheirMeanIsKnown() {
    Averaged three = Averaged.of(List.of(0.9, 1.0, 1.1), 3, 0);
    assertThat(three.mean()).isCloseTo(1, within(1e-12));
    assertThat(three.spread()).isCloseTo(0.1, within(1e-12));
    assertThat(three.isEnough()).isTrue();
    Averaged wanted = Averaged.of(List.of(0.9, 1.0, 1.1), 3, 0.1001);
    assertThat(wanted.wanted()).isEqualTo(4);
    assertThat(wanted.isEnough()).isFalse();
    assertThat(Averaged.of(List.of(1.0, 1.0), 3, 0.1).isEnough()).isFalse();
    assertThat(Averaged.of(List.of(1.0), 1, 0.1).isEnough()).as("once tells no spread").isFalse();
    assertThat(Averaged.of(List.of(1.0), 1, 0).isEnough()).isTrue();
    assertThat(Averaged.of(List.of(0.0, 100.0), 2, 0.1).wanted()).isGreaterThan(1_000_000);
    assertThatThrownBy(() -> Averaged.of(List.of(), 1, 0))
        .isInstanceOf(IllegalArgumentException.class);
  }

  @Test
  void aScrewIsTurnedByWholeTurnsAndDegrees() {
    Trim.Screw many = new Trim.Screw(new Knob("T", 0, 1, 0), "", 12);
    assertThat(Turning.of(many, 0, 0.5)).isEqualTo(new Turning(6, 0, 2160));
    assertThat(Turning.of(many, 0.5, 0.49)).isEqualTo(new Turning(5, 317, -43));
    Trim.Screw one = new Trim.Screw(new Knob("T", 10, 20, 0), "", 0.75);
    assertThat(Turning.of(one, 10, 20)).isEqualTo(new Turning(0, 270, 270));
    assertThat(Turning.of(one, 20, 15).comesFromAbove()).isTrue();
    assertThat(Turning.of(one, 15, 20).comesFromAbove()).isFalse();
  }
}
