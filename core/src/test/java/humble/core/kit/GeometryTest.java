package humble.core.kit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import humble.core.KitMaker;
import java.util.List;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;
import net.jqwik.api.constraints.IntRange;
import org.junit.jupiter.api.Test;

class GeometryTest {
  private static Place place(Side side, double turn) {
    return new Place(
        "D1",
        "main",
        side,
        new PointMm(20, 30),
        turn,
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

  @Test
  void aTopPinLandsWhereTheTurnPutsIt() {
    assertThat(place(Side.TOP, 0).onBoard(new PointMm(-5, 2))).isEqualTo(new PointMm(15, 32));
    assertThat(place(Side.TOP, 90).onBoard(new PointMm(-5, 2))).isEqualTo(new PointMm(18, 25));
    assertThat(place(Side.TOP, 180).onBoard(new PointMm(-5, 2))).isEqualTo(new PointMm(25, 28));
    assertThat(place(Side.TOP, 270).onBoard(new PointMm(-5, 2))).isEqualTo(new PointMm(22, 35));
  }

  @Test
  void aBottomPatternIsMirroredBeforeItIsTurned() {
    assertThat(place(Side.BOTTOM, 0).onBoard(new PointMm(-5, 2))).isEqualTo(new PointMm(25, 32));
    assertThat(place(Side.BOTTOM, 90).onBoard(new PointMm(-5, 2))).isEqualTo(new PointMm(18, 35));
  }

  @Property
  void turningKeepsDistances(
      @ForAll @DoubleRange(min = -50, max = 50) double x,
      @ForAll @DoubleRange(min = -50, max = 50) double y,
      @ForAll @IntRange(min = -720, max = 720) int degrees) {
    PointMm turned = new PointMm(x, y).turned(degrees);
    assertThat(Math.hypot(turned.xMm(), turned.yMm())).isCloseTo(Math.hypot(x, y), within(1e-9));
  }

  @Test
  void aChipStandsOnTheSocketAtItsPlace() {
    Parts parts =
        KitMaker.kit()
            .line("s", PartKind.SOCKET, "", "socket-dip-8", null, "SK1")
            .line("u", PartKind.IC, "", "dip-8", null, "U1")
            .place("SK1", 20, 20)
            .place("U1", Side.TOP, 20, 20, 0, Mount.SOCKETED, 0, null)
            .parts();
    assertThat(parts.socketOf("U1")).contains("SK1");
    assertThat(parts.chipIn("SK1")).contains("U1");
    assertThat(parts.fittedHeightMm("U1")).isCloseTo(8.5, within(1e-9));
  }

  @Test
  void aStandoffCountsIntoTheHeight() {
    Parts parts =
        KitMaker.kit()
            .resistor("R1", "1k")
            .place("R1", Side.TOP, 5, 5, 0, Mount.RAISED, 3, null)
            .parts();
    assertThat(parts.fittedHeightMm("R1")).isCloseTo(5.5, within(1e-9));
  }

  @Test
  void aliasesAndNumbersAreInterchangeable() {
    Parts parts =
        KitMaker.kit()
            .line("d", PartKind.DIODE, "", "axial-small-glass", null, "D1")
            .line("c", PartKind.CAPACITOR_POLARISED, "10u", "radial-5x11", null, "C1")
            .net("A", "D1.k", "C1.+")
            .net("B", "D1.a", "C1.-")
            .parts();
    assertThat(parts.netOf(new PinRef("D1", "1"))).contains("A");
    assertThat(parts.netOf(new PinRef("D1", "a"))).contains("B");
    assertThat(parts.netOf(new PinRef("C1", "2"))).contains("B");
    assertThat(parts.net("D1.k")).contains("A");
    assertThat(parts.netOf(new PinRef("D1", "3"))).isEmpty();
    assertThat(parts.get("D1").pinName("1")).isEqualTo("cathode");
  }

  @Test
  void refsStandInNaturalOrder() {
    List<String> refs =
        new java.util.ArrayList<>(List.of("R10", "R2", "C1", "R1", "LED20", "LED3"));
    refs.sort(RefOrder.NATURAL);
    assertThat(refs).containsExactly("C1", "LED3", "LED20", "R1", "R2", "R10");
  }

  @Test
  void pinsAreWrittenRefDotPin() {
    assertThat(PinRef.parse("U1.10")).contains(new PinRef("U1", "10"));
    assertThat(PinRef.parse("U1")).isEmpty();
    assertThat(PinRef.parse(".3")).isEmpty();
    assertThat(PinRef.parse("U1.")).isEmpty();
  }
}
