package humble.core.own;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import humble.core.kit.Mount;
import humble.core.kit.PackageLibrary;
import humble.core.kit.PackagePin;
import humble.core.kit.PartPackage;
import humble.core.kit.Place;
import humble.core.kit.PointMm;
import humble.core.kit.Side;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** How parts lie on the holes that were clicked for them. */
class FootingTest {
  private static PartPackage pack(String id) {
    return PackageLibrary.find(id).orElseThrow();
  }

  private static Place place(Lie lie, Side side) {
    return lie.place("X", "main", side, Mount.FLUSH);
  }

  /** Whoever puts a part somewhere, clicks its far holes a little off, gets it there again. */
  @ParameterizedTest
  @ValueSource(
      strings = {
        "axial-quarter-watt",
        "radial-8x12",
        "half-round-3",
        "header-1x6",
        "header-2x5",
        "dip-8",
        "dip-28",
        "dip-40-wide",
        "socket-dip-16",
        "tact-6",
        "jack-barrel",
        "usb-edge"
      })
  void partsComeBackWhereTheyWere(String id) {
    PartPackage pack = pack(id);
    Random random = new Random(id.hashCode());
    for (int i = 0; i < 60; i++) {
      Side side = random.nextBoolean() ? Side.TOP : Side.BOTTOM;
      double turn = 90.0 * random.nextInt(4);
      PointMm at = new PointMm(20 + random.nextInt(60), 20 + random.nextInt(40));
      Place was = place(new Lie(pack, at, turn, null, 0), side);
      List<PointMm> pads = pack.pins().stream().map(pin -> was.onBoard(pin.at())).toList();
      PointMm[] far = farthest(pads);
      PointMm a = off(far[0], random);
      PointMm b = off(far[1], random);
      List<Lie> lies = Footing.on(pack, a, b, side);
      assertThat(lies).as("%s turned %s on %s", id, turn, side).isNotEmpty();
      assertThat(lies)
          .as("one of the ways is the one it was in")
          .anySatisfy(lie -> {
            assertThat(lie.pack().id()).isEqualTo(id);
            assertThat(lie.rotationDeg()).isEqualTo(turn);
            assertThat(lie.at().distanceMm(at)).isLessThan(0.25);
          });
      assertThat(lies)
          .as("in every way there is a pin at both holes that were clicked")
          .allSatisfy(lie -> {
            Place now = place(lie, side);
            for (PointMm hole : List.of(far[0], far[1])) {
              assertThat(
                      lie.pack().pins().stream()
                          .map(PackagePin::at)
                          .mapToDouble(pin -> now.onBoard(pin).distanceMm(hole))
                          .min()
                          .orElse(9))
                  .isLessThan(0.35);
            }
          });
    }
  }

  private static PointMm off(PointMm at, Random random) {
    return at.plus(
        new PointMm((random.nextDouble() - 0.5) * 0.3, (random.nextDouble() - 0.5) * 0.3));
  }

  private static PointMm[] farthest(List<PointMm> pads) {
    PointMm[] far = {pads.getFirst(), pads.getFirst()};
    for (PointMm a : pads) {
      for (PointMm b : pads) {
        if (a.distanceMm(b) > far[0].distanceMm(far[1]) + 1e-6) {
          far = new PointMm[] {a, b};
        }
      }
    }
    return far;
  }

  @ParameterizedTest
  @CsvSource({"10.11,", "12.62,12.7", "7.7,7.62", "5.05,5.08", "4.99,5", "3.4,3.5"})
  void leadsAreFormedToTheUsualDistances(double clicked, Double pitch) {
    List<Lie> lies =
        Footing.on(
            pack("axial-quarter-watt"),
            new PointMm(10, 10),
            new PointMm(10 + clicked, 10),
            Side.TOP);
    assertThat(lies.getFirst().pitchMm()).isEqualTo(pitch);
    assertThat(lies.getFirst().pack().id()).isEqualTo("axial-quarter-watt");
  }

  @Test
  void aWideSocketIsToldByItsCorners() {
    PartPackage narrow = pack("socket-dip-28");
    List<Lie> lies =
        Footing.on(narrow, new PointMm(10, 10), new PointMm(10 + 33.02, 10 + 15.24), Side.TOP);
    assertThat(lies.getFirst().pack().id()).isEqualTo("socket-dip-28-wide");
  }

  @Test
  void aRowWithAnotherPitchIsAPackageOfItsOwn() {
    List<Lie> lies =
        Footing.on(
            pack("header-1x4"), new PointMm(10, 10), new PointMm(10, 10 + 3 * 2.0), Side.TOP);
    PartPackage made = lies.getFirst().pack();
    assertThat(made.id()).isNotEqualTo("header-1x4");
    assertThat(made.pins().get(1).at().distanceMm(made.pins().get(0).at()))
        .isCloseTo(2.0, within(1e-9));
    assertThat(lies.getFirst().rotationDeg() % 180).isEqualTo(90);
  }

  @Test
  void aPartOnTheSlantStaysOnTheSlant() {
    Lie lie =
        Footing.on(pack("disc-5"), new PointMm(10, 10), new PointMm(14.7, 11.71), Side.TOP)
            .getFirst();
    assertThat(lie.rotationDeg()).isCloseTo(20, within(0.2));
  }

  @Test
  void betweenTheCornersOfASquareAPartMayLieAcross() {
    assertThat(Footing.on(pack("dip-8"), new PointMm(10, 10), new PointMm(17.62, 17.62), Side.TOP))
        .extracting(Lie::rotationDeg)
        .containsExactlyInAnyOrder(0.0, 90.0, 180.0, 270.0);
    assertThat(Footing.on(pack("dip-28"), new PointMm(10, 10), new PointMm(43.02, 17.62), Side.TOP))
        .extracting(Lie::rotationDeg)
        .containsExactlyInAnyOrder(90.0, 270.0);
  }

  @Test
  void theSameHoleTwiceIsNoPlace() {
    assertThat(Footing.on(pack("disc-5"), new PointMm(1, 1), new PointMm(1, 1), Side.TOP))
        .isEmpty();
  }

  @Test
  void aPartOfOnePinLiesOnItsHole() {
    PartPackage one = pack("header-1x1");
    assertThat(Footing.clicks(one)).isEqualTo(1);
    assertThat(Footing.on(one, new PointMm(7, 9), Side.TOP).at()).isEqualTo(new PointMm(7, 9));
  }
}
