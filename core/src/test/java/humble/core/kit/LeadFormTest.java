package humble.core.kit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import humble.core.KitMaker;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Leads and holes that are not the same distance apart. */
class LeadFormTest {
  private static Place place(Double pitchMm, Double mostMm) {
    return new Place(
        "X1",
        "main",
        Side.TOP,
        new PointMm(20, 20),
        90,
        Mount.FLUSH,
        0,
        mostMm,
        null,
        null,
        null,
        java.util.List.of(),
        java.util.List.of(),
        0,
        1,
        pitchMm);
  }

  private static KitMaker kit(String pack, Double pitchMm, Double mostMm) {
    return KitMaker.kit()
        .line("x", PartKind.RESISTOR, "1k", pack, null, "X1")
        .place(place(pitchMm, mostMm));
  }

  @ParameterizedTest
  @CsvSource({
    // A body of 6.3 mm and 1 mm of lead at each end lie down in 8.3 mm and no less.
    "axial-quarter-watt, 12.7, 40, WIDER",
    "axial-quarter-watt, 8.4, 40, CLOSER",
    "axial-quarter-watt, 8.2, 40, STAND",
    "axial-quarter-watt, 2.54, 40, STAND",
    // Standing it is 7.8 mm high; leaning it still reaches √(6.3² − 4.08²) mm and its girth.
    "axial-quarter-watt, 5.08, 7.7, LEAN",
    "axial-quarter-watt, 5.08, 6, NONE",
    "disc-5, 2.54, 40, CLOSER",
    "disc-5, 2.54, 6, NONE",
    "radial-5x11, 5.08, 40, WIDER"
  })
  void theHolesAndTheHeightDecide(String pack, double pitchMm, double mostMm, LeadForm.Way way) {
    PartPackage nominal = PackageLibrary.find(pack).orElseThrow();
    assertThat(LeadForm.of(nominal, place(pitchMm, mostMm)).orElseThrow().way()).isEqualTo(way);
  }

  @Test
  void leadsThatMeetTheirHolesAreNotFormed() {
    PartPackage nominal = PackageLibrary.find("axial-quarter-watt").orElseThrow();
    assertThat(LeadForm.of(nominal, place(null, null))).isEmpty();
    assertThat(LeadForm.of(nominal, place(nominal.pitchMm() + 0.3, null))).isEmpty();
  }

  @Test
  void thePadsAreWhereTheHolesAre() {
    Parts parts = kit("axial-quarter-watt", 5.08, 40.0).parts();
    PointMm first = parts.padAt(new PinRef("X1", "1")).orElseThrow();
    assertThat(first.xMm()).isCloseTo(20, within(1e-9));
    assertThat(first.yMm()).isCloseTo(20 - 2.54, within(1e-9));
    assertThat(parts.fittedHeightMm("X1")).as("it stands").isCloseTo(7.8, within(1e-9));
  }
}
