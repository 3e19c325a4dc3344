package humble.core.picture;

import static org.assertj.core.api.Assertions.assertThat;

import humble.core.KitMaker;
import humble.core.kit.PackagePin;
import humble.core.kit.Part;
import humble.core.kit.PartKind;
import humble.core.kit.PointMm;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class TopViewTest {
  private static Part part(PartKind kind, String pack) {
    return KitMaker.kit()
        .line("x", kind, "", pack, null, "X1")
        .place("X1", 30, 30)
        .parts()
        .get("X1");
  }

  private static PointMm middle(Piece piece) {
    double x = piece.corners().stream().mapToDouble(PointMm::xMm).average().orElse(0);
    double y = piece.corners().stream().mapToDouble(PointMm::yMm).average().orElse(0);
    return new PointMm(x, y);
  }

  private static PointMm markOf(PartKind kind, String pack) {
    return TopView.of(part(kind, pack)).stream()
        .filter(piece -> piece.role() == Piece.Role.MARK)
        .map(TopViewTest::middle)
        .findFirst()
        .orElseThrow();
  }

  /** The mark of each package lies where the kit format puts it in the zero orientation. */
  @ParameterizedTest
  @CsvSource({
    "DIODE, axial-small-glass, -1, 0",
    "DIODE, axial-power-diode, -1, 0",
    "LED, led-3, -1, 0",
    "LED, led-5, -1, 0",
    "CAPACITOR_POLARISED, radial-5x11, 1, 0",
    "CAPACITOR_POLARISED, radial-10x16, 1, 0",
    "TRANSISTOR_NPN, half-round-3, 0, -1",
    "REGULATOR, tab-3-upright, 0, 1",
    "REGULATOR, tab-3-lying, 0, 1",
    "IC, dip-8, 0, 1",
    "IC, dip-40-wide, 0, 1",
    "SOCKET, socket-dip-28, 0, 1"
  })
  void theMarkLiesOnItsSide(PartKind kind, String pack, int x, int y) {
    PointMm mark = markOf(kind, pack);
    assertThat(Math.round(Math.signum(Math.abs(mark.xMm()) < 0.3 ? 0 : mark.xMm()))).isEqualTo(x);
    assertThat(Math.round(Math.signum(Math.abs(mark.yMm()) < 0.3 ? 0 : mark.yMm()))).isEqualTo(y);
  }

  @ParameterizedTest
  @CsvSource({
    "axial-quarter-watt",
    "axial-half-watt",
    "axial-small-glass",
    "axial-power-diode",
    "disc-2.5",
    "disc-5",
    "film-5",
    "radial-5x11",
    "radial-6x11",
    "radial-8x12",
    "radial-10x16",
    "bead",
    "half-round-3",
    "tab-3-upright",
    "tab-3-lying",
    "dip-8",
    "dip-28",
    "dip-28-wide",
    "dip-40-wide",
    "socket-dip-8",
    "socket-dip-40-wide",
    "sip-9",
    "led-3",
    "led-5",
    "crystal-tall",
    "crystal-low",
    "tact-6",
    "slide-3",
    "toggle-panel",
    "header-1x6",
    "header-2x17",
    "receptacle-1x8",
    "trimmer-6",
    "pot-9",
    "buzzer-12",
    "jack-barrel",
    "usb-edge",
    "coin-holder",
    "card-slot",
    "terminal-3"
  })
  void everyBuiltInPackageHasABodyFirstThatReachesOverItsPinsMiddle(String pack) {
    Part part = part(PartKind.OTHER, pack);
    List<Piece> pieces = TopView.of(part);
    assertThat(pieces.getFirst().role()).isEqualTo(Piece.Role.BODY);
    assertThat(pieces.stream().filter(p -> p.role() == Piece.Role.BODY)).hasSize(1);
    List<PointMm> body = pieces.getFirst().corners();
    double left = body.stream().mapToDouble(PointMm::xMm).min().orElseThrow();
    double right = body.stream().mapToDouble(PointMm::xMm).max().orElseThrow();
    assertThat(left).isNegative();
    assertThat(right).isPositive();
    double widestPin =
        part.pack().pins().stream().map(PackagePin::at).mapToDouble(PointMm::xMm).max().orElse(0);
    assertThat(right).as("no larger than what it is fitted with").isLessThan(widestPin + 8);
  }

  @Test
  void pinOneOfASingleRowIsDotted() {
    assertThat(markOf(PartKind.RESISTOR_NETWORK, "sip-9").xMm()).isLessThan(-10);
  }
}
