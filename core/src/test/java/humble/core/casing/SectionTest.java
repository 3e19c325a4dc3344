package humble.core.casing;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import humble.core.KitMaker;
import humble.core.kit.Enclosure;
import humble.core.kit.Enclosure.LayerKind;
import humble.core.kit.LeadClass;
import humble.core.kit.Mount;
import humble.core.kit.PackagePin;
import humble.core.kit.PartKind;
import humble.core.kit.PartPackage;
import humble.core.kit.Parts;
import humble.core.kit.PointMm;
import humble.core.kit.Side;
import humble.core.units.Band;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;

/** Only what stands in the plane is in the section, and where it is. */
class SectionTest {
  private static Enclosure.Layer layer(String id, LayerKind kind, double mm) {
    return new Enclosure.Layer(id, id, new Band(mm, mm), Optional.of(kind), "", Optional.empty());
  }

  /** A lid 2 mm, 14 mm of posts, the board 1.6 mm, 4 mm of rings, a floor 2 mm. */
  private static Parts parts(Side face) {
    Enclosure.Layer board =
        new Enclosure.Layer(
            "main",
            "board",
            new Band(1.6, 1.6),
            Optional.of(LayerKind.BOARD),
            "",
            Optional.of(new Enclosure.Lies(new PointMm(0, 0), face)));
    return KitMaker.kit()
        .line("s", PartKind.BUTTON, "", "tact-6", null, "S1", "S2", "S3")
        .place("S1", 20, 20)
        .place("S2", Side.TOP, 60, 20, 0, Mount.RAISED, 3, null)
        .place("S3", 20, 50)
        .casing(
            new Enclosure(
                "",
                List.of(
                    layer("lid", LayerKind.PLATE, 2),
                    layer("post", LayerKind.POST, 14),
                    board,
                    layer("ring", LayerKind.WASHER, 4),
                    layer("floor", LayerKind.PLATE, 2)),
                List.of(),
                List.of(),
                List.of(new Enclosure.Cutout("key", "lid", "S1", new PointMm(20, 20), 8, 6, null))))
        .parts();
  }

  private static Section cut(Side face, double at) {
    return Section.at(parts(face), Map.of(), at);
  }

  @Test
  void whatStandsElsewhereIsNotInIt() {
    Section section = cut(Side.TOP, 20);
    assertThat(section.of("S3")).isEmpty();
    assertThat(section.depthMm()).isCloseTo(23.6, within(1e-9));
    assertThat(section.of("S1"))
        .filteredOn(shape -> shape.role() == Section.Role.PART)
        .singleElement()
        .satisfies(shape -> {
          assertThat(shape.toMm()).as("on the board").isCloseTo(16, within(1e-9));
          assertThat(shape.fromMm()).as("5 mm high").isCloseTo(11, within(1e-9));
          assertThat(shape.leftMm()).isCloseTo(16.75, within(1e-9));
          assertThat(shape.rightMm()).isCloseTo(23.25, within(1e-9));
        });
    assertThat(section.of("S1"))
        .filteredOn(shape -> shape.role() == Section.Role.TAILS)
        .singleElement()
        .satisfies(shape -> {
          assertThat(shape.fromMm()).as("behind the board").isCloseTo(17.6, within(1e-9));
          assertThat(shape.toMm()).isCloseTo(17.6 + 1.7, within(1e-9));
        });
    assertThat(cut(Side.TOP, 35).shapes())
        .extracting(Section.Shape::role)
        .doesNotContain(Section.Role.PART, Section.Role.TAILS);
  }

  @Test
  void aPartThatStandsOffHasItsUndersideWhereItIs() {
    assertThat(cut(Side.TOP, 20).of("S2"))
        .filteredOn(shape -> shape.role() == Section.Role.PART)
        .singleElement()
        .satisfies(shape -> {
          assertThat(shape.toMm()).isCloseTo(13, within(1e-9));
          assertThat(shape.fromMm()).isCloseTo(8, within(1e-9));
        });
  }

  @Test
  void aPlateIsCutIntoWhatItsHolesLeave() {
    assertThat(cut(Side.TOP, 20).of("lid"))
        .extracting(Section.Shape::leftMm, Section.Shape::rightMm)
        .containsExactly(
            org.assertj.core.groups.Tuple.tuple(-3.0, 16.0),
            org.assertj.core.groups.Tuple.tuple(24.0, 83.0));
    assertThat(cut(Side.TOP, 24).of("lid")).as("beside the hole").hasSize(1);
  }

  /** Turned over, left is right and front is back. */
  @Test
  void aBoardThatIsTurnedOverIsMirroredAndHangsDown() {
    assertThat(cut(Side.BOTTOM, 20).of("S1"))
        .filteredOn(shape -> shape.role() == Section.Role.PART)
        .singleElement()
        .satisfies(shape -> {
          assertThat(shape.fromMm()).isCloseTo(17.6, within(1e-9));
          assertThat(shape.toMm()).isCloseTo(22.6, within(1e-9));
          assertThat(shape.leftMm()).isCloseTo(80 - 23.25, within(1e-9));
          assertThat(shape.front()).isFalse();
        });
  }

  /** A kit's own package may be called anything, and a light in it be any shape. */
  @Test
  void aLightOfAShapeOfItsOwnGetsAHoleOfItsOwnShape() {
    Enclosure casing =
        new Enclosure(
            "",
            List.of(
                layer("lid", LayerKind.PLATE, 2),
                layer("post", LayerKind.POST, 3),
                layer("main", LayerKind.BOARD, 1.6)),
            List.of(),
            List.of(),
            List.of());
    PartPackage square =
        new PartPackage(
            "led-square",
            6,
            List.of(
                new PackagePin("1", new PointMm(-1, 0)), new PackagePin("2", new PointMm(1, 0))),
            LeadClass.THIN);
    var kit =
        KitMaker.kit()
            .pack(square)
            .line("a", PartKind.LED, "", "led-square", null, "LED1")
            .line("b", PartKind.LED, "", "led-5", null, "LED2")
            .place("LED1", 20, 20)
            .place("LED2", 50, 20)
            .casing(casing)
            .make();
    assertThat(DrillTemplate.of(kit, Map.of()).getFirst().holes())
        .satisfiesExactly(
            hole -> assertThat(hole).isInstanceOf(DrillTemplate.Hole.Window.class),
            hole -> assertThat(((DrillTemplate.Hole.Round) hole).mm()).isEqualTo(5.2));
  }

  @Test
  void itIsCutFirstThroughWhatDoesNotFit() {
    Parts parts = parts(Side.BOTTOM);
    CaseFit fit = CaseFit.of(parts, Map.of());
    // Hanging down there are 4 mm, and a button wants 5.
    assertThat(fit.misfits()).extracting(Misfit::ref).contains("S2", "S3");
    List<Section.Plane> planes = Section.planes(parts, Map.of(), fit);
    assertThat(planes.getFirst().ref()).isEqualTo(fit.misfits().getFirst().ref());
    assertThat(planes).extracting(Section.Plane::ref).doesNotHaveDuplicates();
    planes.forEach(plane ->
        assertThat(Section.at(parts, Map.of(), plane.atMm()).of(plane.ref())).isNotEmpty());
  }
}
