package humble.core.intake;

import static org.assertj.core.api.Assertions.assertThat;

import humble.core.kit.Mount;
import humble.core.kit.PackageLibrary;
import humble.core.kit.PackagePin;
import humble.core.kit.PartPackage;
import humble.core.kit.Place;
import humble.core.kit.PointMm;
import humble.core.kit.Side;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import org.junit.jupiter.api.Test;

class PadPlacesTest {
  private static final List<String> PACKAGES =
      List.of(
          "dip-8",
          "dip-40-wide",
          "header-2x5",
          "half-round-3",
          "tact-6",
          "jack-barrel",
          "axial-quarter-watt",
          "card-slot");

  private static Place place(Side side, double x, double y, int turnDeg) {
    return new Place(
        "X1",
        "main",
        side,
        new PointMm(x, y),
        turnDeg,
        Mount.FLUSH,
        0,
        null,
        null,
        null,
        null,
        List.of(),
        List.of(),
        0,
        1);
  }

  private static Map<String, BoardFacts.Pad> pads(Place place, PartPackage pack, boolean told) {
    Map<String, BoardFacts.Pad> pads = new HashMap<>();
    for (PackagePin pin : pack.pins()) {
      Optional<Side> side = told ? Optional.of(place.side()) : Optional.empty();
      pads.put("X1." + pin.number(), new BoardFacts.Pad(place.onBoard(pin.at()), side));
    }
    return pads;
  }

  @Property
  void aPlaceIsFoundThatPutsEveryPinOnItsPad(
      @ForAll @IntRange(max = 7) int which,
      @ForAll @IntRange(max = 3) int quarters,
      @ForAll boolean bottom,
      @ForAll boolean told,
      @ForAll @IntRange(min = 0, max = 500) int x,
      @ForAll @IntRange(min = 0, max = 500) int y) {
    PartPackage pack = PackageLibrary.find(PACKAGES.get(which)).orElseThrow();
    Place truth = place(bottom ? Side.BOTTOM : Side.TOP, x / 10.0, y / 10.0, 90 * quarters);
    Place found = PadPlaces.of("X1", pack, pads(truth, pack, told)).orElseThrow();
    for (PackagePin pin : pack.pins()) {
      assertThat(found.onBoard(pin.at()).distanceMm(truth.onBoard(pin.at()))).isLessThan(1e-3);
    }
    if (told) {
      assertThat(found.side()).isEqualTo(truth.side());
    }
  }

  @Test
  void padsThatLackAPinOrDoNotFitGiveNoPlace() {
    PartPackage chip = PackageLibrary.find("dip-8").orElseThrow();
    Place truth = place(Side.TOP, 20, 20, 0);
    Map<String, BoardFacts.Pad> pads = pads(truth, chip, true);
    pads.remove("X1.8");
    assertThat(PadPlaces.of("X1", chip, pads)).isEmpty();
    PartPackage wide = PackageLibrary.find("dip-8-wide").orElseThrow();
    assertThat(PadPlaces.of("X1", wide, pads(truth, chip, true))).isEmpty();
  }
}
