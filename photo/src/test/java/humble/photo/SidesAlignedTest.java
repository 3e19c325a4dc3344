package humble.photo;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import humble.core.kit.PointMm;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;

class SidesAlignedTest {
  private static final double WIDTH_MM = 74;
  private static final double HEIGHT_MM = 52;

  private static List<PointMm> holes(Random random, int count) {
    List<PointMm> holes = new ArrayList<>();
    while (holes.size() < count) {
      PointMm at = new PointMm(2 + random.nextDouble() * 70, 2 + random.nextDouble() * 48);
      if (holes.stream().allMatch(other -> other.distanceMm(at) > 2)) {
        holes.add(at);
      }
    }
    return holes;
  }

  /** The same holes as a second photo shows them from below, a little off and turned. */
  private static List<PointMm> below(List<PointMm> top, Random random, boolean halfTurn) {
    double turn = Math.toRadians(0.4);
    List<PointMm> below = new ArrayList<>();
    for (PointMm at : top) {
      double x = WIDTH_MM - at.xMm();
      double y = at.yMm();
      if (halfTurn) {
        x = WIDTH_MM - x;
        y = HEIGHT_MM - y;
      }
      below.add(
          new PointMm(
              1.001 * (x * Math.cos(turn) - y * Math.sin(turn))
                  + 0.3
                  + 0.02 * random.nextGaussian(),
              1.001 * (x * Math.sin(turn) + y * Math.cos(turn))
                  - 0.2
                  + 0.02 * random.nextGaussian()));
    }
    Collections.shuffle(below, random);
    return below;
  }

  @Test
  void theHolesOfBothSidesMeetWhicheverWayUpTheSecondPhotoWasTaken() throws Exception {
    for (int seed = 0; seed < 40; seed++) {
      Random random = new Random(seed);
      List<PointMm> top = holes(random, 12 + random.nextInt(80));
      boolean halfTurn = random.nextBoolean();
      List<PointMm> bottom = below(top, random, halfTurn);
      SidesAligned sides = SidesAligned.of(top, bottom);
      assertThat(sides.halfTurn()).as("seed %d", seed).isEqualTo(halfTurn);
      assertThat(sides.unsure()).isFalse();
      assertThat(sides.pairs()).hasSize(top.size());
      assertThat(sides.fitMm()).isBetween(0.005, 0.06);
      for (SidesAligned.Pair pair : sides.pairs()) {
        assertThat(sides.onTop(pair.bottom()).distanceMm(pair.top())).isLessThan(0.12);
      }
    }
  }

  @Test
  void holesThatOnlyOneSideShowsAreInNoPair() throws Exception {
    Random random = new Random(99);
    List<PointMm> all = holes(random, 60);
    List<PointMm> bottom = below(all.subList(0, 50), random, false);
    bottom.addAll(List.of(new PointMm(1, 1), new PointMm(73, 51)));
    SidesAligned sides = SidesAligned.of(all.subList(5, 60), bottom);
    assertThat(sides.pairs()).hasSizeBetween(44, 46);
    assertThat(sides.fitMm()).isLessThan(0.1);
  }

  @Test
  void aPatternThatIsTheSameOverHeadIsSaidToBeUnsure() throws Exception {
    List<PointMm> top = new ArrayList<>();
    for (int i = 0; i < 5; i++) {
      for (int j = 0; j < 3; j++) {
        top.add(new PointMm(10 + i * 10, 10 + j * 14));
      }
    }
    assertThat(SidesAligned.of(top, below(top, new Random(1), false)).unsure()).isTrue();
  }

  @Test
  void twoBoardsAreNotTakenForOne() {
    List<PointMm> one = holes(new Random(5), 40);
    List<PointMm> other = holes(new Random(6), 40);
    assertThatThrownBy(() -> SidesAligned.of(one, other)).isInstanceOf(PhotoRefused.class);
    assertThatThrownBy(() -> SidesAligned.of(one, List.of())).isInstanceOf(PhotoRefused.class);
  }
}
