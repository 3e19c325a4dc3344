package humble.core.casing;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import humble.core.KitMaker;
import humble.core.kit.Enclosure;
import humble.core.kit.PartKind;
import humble.core.kit.PointMm;
import humble.core.kit.Side;
import humble.core.units.Band;
import java.util.List;
import java.util.Map;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;
import org.junit.jupiter.api.Test;

class CaseFitTest {
  private static final List<Enclosure.Layer> LAYERS =
      List.of(
          new Enclosure.Layer("front", "front plate", new Band(2.8, 3.2)),
          new Enclosure.Layer("post", "post", new Band(11.8, 12.0)),
          new Enclosure.Layer("main", "board", new Band(1.5, 1.7)),
          new Enclosure.Layer("washer", "washer", new Band(0.4, 0.6)));

  private static ScrewFit fit(
      double engage, Double depth, List<Double> lengths, String... through) {
    Enclosure.Screw screw =
        new Enclosure.Screw("s", 4, "M2.5", List.of(through), "post", engage, depth, lengths);
    return ScrewFit.of(new Enclosure("", LAYERS, List.of(screw), List.of(), List.of()), screw);
  }

  @Test
  void aScrewHoldsAtTheThickestStackAndDoesNotBottomAtTheThinnest() {
    ScrewFit fit = fit(3, 6.0, List.of(12.0, 10.0, 8.0, 6.0, 5.0), "front");
    assertThat(fit.stackMm()).isEqualTo(new Band(2.8, 3.2));
    assertThat(fit.tooShortMm()).isEqualTo(6.2);
    assertThat(fit.tooLongMm()).isEqualTo(8.8);
    assertThat(fit.chooseMm()).containsExactly(8.0);
  }

  @Test
  void aNutCannotBeBottomed() {
    ScrewFit fit = fit(2.4, null, List.of(6.0, 8.0, 10.0, 12.0), "front", "main", "washer");
    assertThat(fit.stackMm()).isEqualTo(new Band(4.7, 5.5));
    assertThat(fit.tooLongMm()).isNull();
    assertThat(fit.chooseMm()).containsExactly(8.0, 10.0, 12.0);
  }

  @Test
  void bothEndsOfTheRangeAreRight() {
    assertThat(fit(2.8, 5.2, List.of(6.0, 8.0), "front").chooseMm()).containsExactly(6.0, 8.0);
  }

  @Property
  void everyChosenLengthKeepsItsPromise(
      @ForAll @DoubleRange(min = 1, max = 5) double engage,
      @ForAll @DoubleRange(min = 1, max = 8) double depth) {
    List<Double> lengths =
        java.util.stream.IntStream.rangeClosed(3, 30).mapToObj(i -> i / 2.0).toList();
    for (double length : fit(engage, depth, lengths, "front").chooseMm()) {
      assertThat(length - 3.2).isGreaterThanOrEqualTo(engage - 1e-6);
      assertThat(length - 2.8).isLessThanOrEqualTo(depth + 1e-6);
    }
  }

  private static Enclosure.Layer of(String id, double mm, String material) {
    return new Enclosure.Layer(
        id,
        id,
        new Band(mm, mm),
        java.util.Optional.of(Enclosure.LayerKind.PLATE),
        material,
        java.util.Optional.empty());
  }

  private static String tight(String into, Enclosure.Layer... layers) {
    List<String> through = java.util.Arrays.stream(layers).map(Enclosure.Layer::id).toList();
    Enclosure.Screw screw =
        new Enclosure.Screw("s", 1, "M3", through, into, 3, null, List.of(10.0));
    List<Enclosure.Layer> all = new java.util.ArrayList<>(List.of(layers));
    all.add(of("post", 12, "brass"));
    all.add(of("boss", 12, "printed plastic"));
    return ScrewFit.tight(new Enclosure("", all, List.of(screw), List.of(), List.of()), screw)
        .key();
  }

  @Test
  void howTightFollowsFromWhatLiesUnderTheHeadAndWhatTheThreadIsIn() {
    assertThat(tight("post", of("lid", 3, "acrylic"))).isEqualTo("case.tight.brittle");
    assertThat(tight("boss", of("lid", 3, "aluminium"))).isEqualTo("case.tight.plastic");
    assertThat(tight("post", of("lid", 1.5, ""))).isEqualTo("case.tight.thin");
    assertThat(tight("post", of("lid", 1.5, "steel"))).isEqualTo("case.tight.metal");
    assertThat(tight("post", of("shell", 3, ""), of("main", 1.6, "")))
        .as("what lies below the head does not bend")
        .isEqualTo("case.tight.metal");
    assertThat(tight("nut", of("lid", 3, ""))).isEqualTo("case.tight.metal");
    assertThat(tight("wall", of("lid", 3, ""))).isEqualTo("case.tight.unsaid");
  }

  private static KitMaker tall() {
    return KitMaker.kit()
        .line("e", PartKind.CAPACITOR_POLARISED, "10u", "radial-10x16", null, "C1")
        .line("d", PartKind.DISPLAY, "", "header-1x4", null, "DISP1")
        .resistor("R1", "1k")
        .place("C1", 10, 10)
        .place("DISP1", 40, 30)
        .place("R1", 30, 10);
  }

  private static Enclosure room(List<String> but, Enclosure.Cutout... cutouts) {
    return new Enclosure(
        "",
        LAYERS,
        List.of(),
        List.of(new Enclosure.Room("main", Side.TOP, new Band(11.8, 12.0), "front", but)),
        List.of(cutouts));
  }

  @Test
  void aPartTallerThanItsRoomIsNamed() {
    CaseFit fit = CaseFit.of(tall().casing(room(List.of())).make(), Map.of());
    assertThat(fit.clearances())
        .filteredOn(c -> !c.ok())
        .singleElement()
        .satisfies(c -> {
          assertThat(c.ref()).isEqualTo("C1");
          assertThat(c.needsMm()).isEqualTo(16);
          assertThat(c.roomMm()).isEqualTo(11.8);
        });
    assertThat(fit.ok()).isFalse();
  }

  @Test
  void whatStandsOutsideIsNotHeldAgainstTheRoom() {
    CaseFit fit = CaseFit.of(tall().casing(room(List.of("C1"))).make(), Map.of());
    assertThat(fit.clearances()).extracting(CaseFit.Clearance::ref).containsExactly("DISP1", "R1");
    assertThat(fit.ok()).isTrue();
  }

  @Test
  void aCutOutWantsTheTopInItsBandAndTheMiddleWithinHalfAMillimetre() {
    Enclosure.Cutout right =
        new Enclosure.Cutout("w", "front", "DISP1", new PointMm(40.3, 30), 30, 16, new Band(8, 9));
    Enclosure.Cutout off =
        new Enclosure.Cutout("w", "front", "DISP1", new PointMm(41, 30), 30, 16, new Band(8, 9));
    Enclosure.Cutout low =
        new Enclosure.Cutout("w", "front", "DISP1", new PointMm(40, 30), 30, 16, new Band(11, 13));
    assertThat(cutout(right).ok()).isTrue();
    assertThat(cutout(right).dxMm()).isCloseTo(-0.3, within(1e-9));
    assertThat(cutout(off).ok()).isFalse();
    assertThat(cutout(low).ok()).isFalse();
    assertThat(cutout(low).topMm()).isEqualTo(8.5);
  }

  private static CaseFit.CutoutFit cutout(Enclosure.Cutout cutout) {
    return CaseFit.of(tall().casing(room(List.of("C1"), cutout)).make(), Map.of())
        .cutouts()
        .getFirst();
  }
}
