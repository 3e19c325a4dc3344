package humble.core.own;

import static org.assertj.core.api.Assertions.assertThat;

import humble.core.kit.PackageLibrary;
import humble.core.kit.PartPackage;
import humble.core.kit.PointMm;
import java.util.List;
import org.junit.jupiter.api.Test;

/** Which hole a click means. */
class HoleSnapTest {
  private static final PartPackage CAN = PackageLibrary.find("radial-6x11").orElseThrow();

  @Test
  void theGridIsATwentiethOfAnInch() {
    assertThat(HoleSnap.first(new PointMm(12.9, 20.1), List.of()))
        .isEqualTo(new PointMm(12.7, 20.32));
  }

  @Test
  void aHoleThatWasFoundComesBeforeTheGrid() {
    PointMm hole = new PointMm(13.1, 20.6);
    assertThat(HoleSnap.first(new PointMm(12.7, 20.32), List.of(hole))).isEqualTo(hole);
    assertThat(HoleSnap.first(new PointMm(10, 20.32), List.of(hole)))
        .as("one that is further off than a click is not meant")
        .isEqualTo(new PointMm(10.16, 20.32));
  }

  @Test
  void theSecondHoleIsWhereThePartHasIt() {
    PointMm first = new PointMm(10.16, 10.16);
    assertThat(HoleSnap.second(new PointMm(12.3, 10.5), first, CAN, List.of()))
        .as("2.5 mm lie on no grid")
        .isEqualTo(new PointMm(12.66, 10.16));
    assertThat(HoleSnap.second(new PointMm(10.4, 7.9), first, CAN, List.of()))
        .isEqualTo(new PointMm(10.16, 7.66));
  }

  @Test
  void farFromWhereThePartHasItTheGridGoesOnFromTheFirst() {
    PointMm first = new PointMm(10.5, 10.5);
    assertThat(HoleSnap.second(new PointMm(18.2, 10.4), first, CAN, List.of()))
        .isEqualTo(new PointMm(18.12, 10.5));
  }
}
