package humble.core.kit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Positions and heights of the published kit format. */
class PackageLibraryTest {
  private static PartPackage pack(String id) {
    return PackageLibrary.find(id).orElseThrow(() -> new AssertionError("no package " + id));
  }

  @ParameterizedTest
  @CsvSource({
    "axial-quarter-watt,2.5,2,THIN,-5.08,0",
    "axial-half-watt,3.5,2,THIN,-6.35,0",
    "axial-small-glass,2.0,2,THIN,-3.81,0",
    "axial-power-diode,2.8,2,THIN,-5.08,0",
    "disc-2.5,4.5,2,THIN,-1.25,0",
    "disc-5,5.0,2,THIN,-2.5,0",
    "film-5,7,2,THIN,-2.5,0",
    "radial-5x11,11,2,THIN,-1.0,0",
    "radial-6x11,11,2,THIN,-1.25,0",
    "radial-8x12,12,2,THIN,-1.75,0",
    "radial-10x16,16,2,THIN,-2.5,0",
    "bead,7,2,THIN,-1.27,0",
    "half-round-3,5.2,3,THIN,-2.54,0",
    "tab-3-upright,19,3,TAB,-2.54,0",
    "tab-3-lying,4.6,3,TAB,-2.54,0",
    "dip-8,4.0,8,PIN,-3.81,3.81",
    "dip-28,4.0,28,PIN,-3.81,16.51",
    "dip-28-wide,4.0,28,PIN,-7.62,16.51",
    "dip-40-wide,4.0,40,PIN,-7.62,24.13",
    "socket-dip-28,4.5,28,PIN,-3.81,16.51",
    "sip-9,5.5,9,PIN,-10.16,0",
    "led-3,5.3,2,THIN,-1.27,0",
    "led-5,8.7,2,THIN,-1.27,0",
    "crystal-tall,13.5,2,THIN,-2.45,0",
    "crystal-low,3.5,2,THIN,-2.45,0",
    "tact-6,5.0,4,PIN,-3.25,2.25",
    "slide-3,6.0,3,PIN,-2.54,0",
    "toggle-panel,20,3,TAB,-4.7,0",
    "header-1x4,8.5,4,PIN,-3.81,0",
    "header-2x3,8.5,6,PIN,-2.54,1.27",
    "receptacle-1x4,8.5,4,PIN,-3.81,0",
    "trimmer-6,7.0,3,PIN,-2.54,0",
    "pot-9,12,3,PIN,-2.5,0",
    "buzzer-12,9.5,2,PIN,-3.8,0",
    "jack-barrel,11,2,TAB,0,3",
    "usb-edge,3.2,4,SMD,-3.75,0",
    "coin-holder,6.0,2,TAB,-10,0",
    "card-slot,2.0,9,SMD,-10,0",
    "terminal-2,10,2,TAB,-2.5,0"
  })
  void hasEveryPackageOfTheFormat(
      String id, double heightMm, int pins, LeadClass lead, double firstX, double firstY) {
    PartPackage pack = pack(id);
    assertThat(pack.heightMm()).isEqualTo(heightMm);
    assertThat(pack.pins()).hasSize(pins);
    assertThat(pack.lead()).isEqualTo(lead);
    assertThat(pack.pins().getFirst().at().xMm()).isCloseTo(firstX, within(1e-9));
    assertThat(pack.pins().getFirst().at().yMm()).isCloseTo(firstY, within(1e-9));
  }

  @ParameterizedTest
  @ValueSource(
      strings = {"dip-7", "dip-0", "header-1x0", "header-1x9999", "sot-23", "", "dip-28-narrow"})
  void knowsNoOthers(String id) {
    assertThat(PackageLibrary.find(id)).isEmpty();
  }

  @Property
  void pinsOfADualInLineRunRoundCounterClockwise(@ForAll @IntRange(min = 2, max = 20) int half) {
    PartPackage pack = pack("dip-" + 2 * half);
    for (int k = 1; k <= half; k++) {
      PointMm left = pack.pin(Integer.toString(k)).orElseThrow().at();
      PointMm right = pack.pin(Integer.toString(2 * half + 1 - k)).orElseThrow().at();
      assertThat(right.yMm()).isCloseTo(left.yMm(), within(1e-9));
      assertThat(right.xMm()).isCloseTo(-left.xMm(), within(1e-9));
    }
    double sum = pack.pins().stream().mapToDouble(p -> p.at().yMm()).sum();
    assertThat(sum).isCloseTo(0, within(1e-9));
  }

  @Test
  void aDoubleRowHeaderZigzags() {
    PartPackage pack = pack("header-2x3");
    assertThat(pack.pin("2").orElseThrow().at()).isEqualTo(new PointMm(-2.54, -1.27));
    assertThat(pack.pin("3").orElseThrow().at()).isEqualTo(new PointMm(0, 1.27));
    assertThat(pack.pin("6").orElseThrow().at()).isEqualTo(new PointMm(2.54, -1.27));
  }
}
