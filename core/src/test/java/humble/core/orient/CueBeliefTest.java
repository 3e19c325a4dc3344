package humble.core.orient;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import humble.core.kit.PartKind;
import java.util.List;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import org.junit.jupiter.api.Test;

class CueBeliefTest {
  private static final List<String> LEADS = List.of("A", "B");

  private static CueBelief.Seen seen(Cue cue, String at) {
    return new CueBelief.Seen(cue, at, cue.reliability());
  }

  @Test
  void cuesThatAgreeMultiplyAsOdds() {
    CueBelief belief =
        CueBelief.of(PartKind.LED, LEADS, List.of(seen(Cue.LONG_LEAD, "A"), seen(Cue.FLAT, "B")));
    double odds = 0.9 / 0.1 * (0.93 / 0.07);
    assertThat(belief.lead()).isEqualTo("A");
    assertThat(belief.belief()).isCloseTo(odds / (1 + odds), within(1e-12));
    assertThat(belief.conflict()).isFalse();
    assertThat(belief.next()).isEmpty();
  }

  @Test
  void strongCuesThatDisagreeAskForATestWithItsResistor() {
    CueBelief belief =
        CueBelief.of(PartKind.LED, LEADS, List.of(seen(Cue.LONG_LEAD, "A"), seen(Cue.FLAT, "A")));
    assertThat(belief.conflict()).isTrue();
    assertThat(belief.lead()).isNull();
    assertThat(belief.trust()).isEqualTo(Cue.FLAT);
    assertThat(belief.next().orElseThrow().arguments()).containsExactly("B", "1.5 kΩ");
  }

  @Test
  void aTestThatLitSettlesAConflict() {
    CueBelief belief =
        CueBelief.of(
            PartKind.LED,
            LEADS,
            List.of(seen(Cue.LONG_LEAD, "A"), seen(Cue.FLAT, "A"), seen(Cue.LIGHTS, "B")));
    assertThat(belief.lead()).isEqualTo("B");
    assertThat(belief.conflict()).isTrue();
    assertThat(belief.next()).isEmpty();
  }

  @Test
  void nothingSeenIsEven() {
    CueBelief belief = CueBelief.of(PartKind.DIODE, LEADS, List.of());
    assertThat(belief.belief()).isEqualTo(0.5);
    assertThat(belief.lead()).isNull();
    assertThat(belief.next().orElseThrow().key()).isEqualTo("orient.test.diode");
    assertThatThrownBy(() -> CueBelief.of(PartKind.DIODE, List.of("A"), List.of()))
        .isInstanceOf(IllegalArgumentException.class);
  }

  @Property
  void namesOfLeadsDoNotMatter(@ForAll Cue one, @ForAll Cue other, @ForAll boolean same) {
    CueBelief here =
        CueBelief.of(PartKind.LED, LEADS, List.of(seen(one, "A"), seen(other, same ? "A" : "B")));
    CueBelief there =
        CueBelief.of(
            PartKind.LED,
            List.of("B", "A"),
            List.of(seen(one, "B"), seen(other, same ? "B" : "A")));
    assertThat(there.belief()).isEqualTo(here.belief(), within(1e-12));
    assertThat(there.conflict()).isEqualTo(here.conflict());
  }
}
