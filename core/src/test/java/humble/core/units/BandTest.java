package humble.core.units;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;

import org.junit.jupiter.api.Test;

class BandTest {
  @Test
  void holdsBothItsEnds() {
    Band band = new Band(3.2, 3.4);
    assertThat(band.holds(3.2)).isTrue();
    assertThat(band.holds(3.4)).isTrue();
    assertThat(band.holds(3.41)).isFalse();
    assertThat(band.holds(new Band(3.3, 3.4))).isTrue();
    assertThat(band.holds(new Band(3.1, 3.3))).isFalse();
  }

  @Test
  void touchingBandsAreNotApart() {
    assertThat(new Band(1, 2).apartFrom(new Band(2, 3))).isFalse();
    assertThat(new Band(1, 2).apartFrom(new Band(2.1, 3))).isTrue();
    assertThat(new Band(1, 2).union(new Band(4, 5))).isEqualTo(new Band(1, 5));
    assertThat(Band.around(5, -1)).isEqualTo(new Band(4, 6));
  }

  @Test
  void refusesEndsThatAreTurnedRound() {
    assertThatIllegalArgumentException().isThrownBy(() -> new Band(2, 1));
    assertThatIllegalArgumentException().isThrownBy(() -> new Band(Double.NaN, 1));
  }
}
