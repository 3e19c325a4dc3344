package humble.core.wake;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;

import net.jqwik.api.Arbitraries;
import net.jqwik.api.Arbitrary;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.Provide;
import org.junit.jupiter.api.Test;

class PoseTest {
  @Provide
  Arbitrary<Pose> poses() {
    return Arbitraries.of(Pose.all());
  }

  /** A picture as points: mirrored left to right first, then turned counter-clockwise. */
  private static int[] moved(Pose pose, int[] point) {
    int x = pose.mirror() ? -point[0] : point[0];
    int y = point[1];
    for (int i = 0; i < pose.rotateDeg() / 90; i++) {
      int turned = -y;
      y = x;
      x = turned;
    }
    return new int[] {x, y};
  }

  @Property
  void composingPosesComposesPictures(@ForAll("poses") Pose a, @ForAll("poses") Pose b) {
    int[] point = {3, 1};
    assertThat(moved(a.after(b), point)).isEqualTo(moved(a, moved(b, point)));
  }

  @Property
  void theInverseUndoes(@ForAll("poses") Pose pose) {
    assertThat(pose.after(pose.inverse())).isEqualTo(Pose.UPRIGHT);
    assertThat(pose.inverse().after(pose)).isEqualTo(Pose.UPRIGHT);
  }

  @Test
  void thereAreEightAndTheyDiffer() {
    assertThat(Pose.all()).hasSize(8).doesNotHaveDuplicates();
    assertThat(
            Pose.all().stream()
                .map(p -> moved(p, new int[] {3, 1})[0] + "," + moved(p, new int[] {3, 1})[1]))
        .doesNotHaveDuplicates();
    assertThat(new Pose(-90, false)).isEqualTo(new Pose(270, false));
    assertThatIllegalArgumentException().isThrownBy(() -> new Pose(45, false));
  }

  /** However the module is mounted and whatever is set now, one answer turns it upright. */
  @Property
  void theNeededSettingStandsUpright(
      @ForAll("poses") Pose mounting, @ForAll("poses") Pose present, @ForAll boolean swap) {
    DisplaySetting now = new DisplaySetting(present, swap, false, 4, 0);
    Pose seen = mounting.after(present);
    DisplaySetting needed = now.neededFor(new DisplaySetting.Seen(seen, true, true, 2, -1));
    assertThat(mounting.after(needed.pose())).isEqualTo(Pose.UPRIGHT);
    assertThat(needed.swapRedBlue()).isEqualTo(!swap);
    assertThat(needed.invert()).isTrue();
    assertThat(needed.xOffsetPx()).isEqualTo(2);
    assertThat(needed.yOffsetPx()).isEqualTo(1);
  }
}
