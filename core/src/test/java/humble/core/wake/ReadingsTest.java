package humble.core.wake;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.data.Offset.offset;

import java.util.List;
import java.util.Set;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;
import org.junit.jupiter.api.Test;

/** Sticks, keys, light, clocks and tones by their figures. */
class ReadingsTest {
  @Test
  void aStickRestsAtItsMedianAndReachesItsEnds() {
    AxisReading x =
        AxisReading.of("x", List.of(512.0, 514.0, 510.0, 513.0), List.of(3.0, 512.0, 1020.0));
    assertThat(x.centre()).isEqualTo(512.5);
    assertThat(x.low()).isEqualTo(3);
    assertThat(x.high()).isEqualTo(1020);
    assertThat(x.deadZone()).isEqualTo(2.5);
    assertThat(x.noise()).isCloseTo(1.7078, offset(1e-4));
    assertThat(x.reaches(1024)).isTrue();
    assertThat(x.isCentred()).isTrue();
    assertThat(x.isDead()).isFalse();
    assertThat(AxisReading.of("y", List.of(700.0, 701.0), List.of(700.0, 701.0, 699.0)).isDead())
        .isTrue();
  }

  /**
   * Equal deviations put the threshold in the middle; 3 deviations to each side are 1.35 in 1000.
   */
  @Test
  void theThresholdIsThatOfEqualError() {
    LightThreshold even =
        LightThreshold.of(List.of(99.0, 100.0, 101.0), List.of(105.0, 106.0, 107.0));
    assertThat(even.threshold()).isCloseTo(103, offset(1e-9));
    assertThat(even.margin()).isCloseTo(3, offset(1e-9));
    assertThat(even.errorRate()).isCloseTo(1.3499e-3, offset(1e-7));
    LightThreshold apart =
        LightThreshold.of(List.of(98.0, 100.0, 102.0), List.of(148.0, 149.0, 150.0));
    double left = (apart.threshold() - apart.darkMean()) / apart.darkSd();
    double right = (apart.lightMean() - apart.threshold()) / apart.lightSd();
    assertThat(left).isCloseTo(right, offset(1e-9)).isCloseTo(apart.margin(), offset(1e-9));
  }

  @Test
  void aBounceEndsWhereTheLevelRests() {
    Bounce bounce = Bounce.of(List.of(0.0, 1.0, 3.5, 200.0, 200.4, 400.0));
    assertThat(bounce.longestMs()).isEqualTo(3.5);
    assertThat(bounce.presses()).isEqualTo(2);
    assertThat(bounce.waitMs()).isEqualTo(7);
    assertThat(Bounce.of(List.of()).waitMs()).isEqualTo(5);
  }

  /** Three corners of a rectangle press the fourth, unless diodes stop it. */
  @Test
  void threeKeysOfARectangleRaiseAGhost() {
    assertThat(new GhostKeys(3, 4, false).seen(Set.of(1, 2, 5))).containsExactly(1, 2, 5, 6);
    assertThat(new GhostKeys(3, 4, true).seen(Set.of(1, 2, 5))).containsExactlyInAnyOrder(1, 2, 5);
    assertThat(new GhostKeys(3, 4, false).seen(Set.of(1, 6, 11))).containsExactly(1, 6, 11);
  }

  @Test
  void silentKeysOfOneRowAreThatRow() {
    assertThat(new GhostKeys(3, 4, true).common(Set.of(5, 6, 7, 8)))
        .containsExactly(new GhostKeys.Common(true, 1, List.of(5, 6, 7, 8)));
    assertThat(new GhostKeys(3, 4, true).common(Set.of(2, 6, 10, 7)))
        .containsExactly(new GhostKeys.Common(false, 1, List.of(2, 6, 10)));
    assertThat(new GhostKeys(3, 4, true).common(Set.of(2, 6))).isEmpty();
  }

  @Test
  void ratesAreThePublishedOnes() {
    assertThat(Rates.cents(466.1637615, 440)).isCloseTo(100, offset(1e-4));
    assertThat(Rates.cents(880, 440)).isCloseTo(1200, offset(1e-9));
    assertThat(Rates.ppm(86_400 + 1.728, 86_400)).isCloseTo(20, offset(1e-6));
    assertThat(Rates.correction(20, 4.34)).isEqualTo(-5);
    assertThat(Rates.quarterWaveMm(433.92e6, 1)).isCloseTo(172.7, offset(0.1));
    Rates.Serial serial = Rates.serial(8e6, 57_600, 16);
    assertThat(serial.divider()).isEqualTo(9);
    assertThat(serial.offPct()).isCloseTo(-3.55, offset(0.01));
    assertThat(serial.agreesWith(0)).isFalse();
    assertThat(Rates.serial(8e6, 57_600, 8).offPct()).isCloseTo(2.12, offset(0.01));
  }

  @Property
  void noOtherDividerComesNearerToATone(@ForAll @DoubleRange(min = 30, max = 5000) double hz) {
    long divider = Rates.toneDivider(1e6, hz);
    double off = Math.abs(Rates.cents(Rates.toneHz(1e6, divider), hz));
    for (long other : new long[] {divider - 1, divider + 1}) {
      assertThat(off)
          .isLessThanOrEqualTo(Math.abs(Rates.cents(Rates.toneHz(1e6, other), hz)) + 1e-9);
    }
  }

  @Test
  void aBeamIsTurnedOnBackAndGlued() {
    assertThat(new Aim(List.of(), 5).next()).isEqualTo(Aim.Next.BEGIN);
    assertThat(new Aim(List.of(1.0, 2.0), 5).next()).isEqualTo(Aim.Next.ON);
    assertThat(new Aim(List.of(1.0, 3.0, 2.0), 5).next()).isEqualTo(Aim.Next.BACK);
    assertThat(new Aim(List.of(1.0, 3.0, 2.0), 5).best()).hasValue(1);
    assertThat(new Aim(List.of(1.0, 5.5), 5).next()).isEqualTo(Aim.Next.GLUE);
    assertThat(new Aim(List.of(3.0, 2.0, 1.0, 2.0, 1.0), 5).next()).isEqualTo(Aim.Next.STUCK);
  }
}
