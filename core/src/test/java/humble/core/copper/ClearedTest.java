package humble.core.copper;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import humble.core.kit.PointMm;
import java.util.List;
import net.jqwik.api.Arbitraries;
import net.jqwik.api.Arbitrary;
import net.jqwik.api.Combinators;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.Provide;
import org.locationtech.jts.geom.Geometry;

class ClearedTest {
  @Provide
  Arbitrary<List<Piece>> taken() {
    Arbitrary<Double> along = Arbitraries.integers().between(-2, 62).map(i -> i / 3.0);
    Arbitrary<Double> short1 = Arbitraries.integers().between(-4, 4).map(i -> i / 2.0);
    return Combinators.combine(along, along, short1, short1, Arbitraries.of(0.2, 0.45, 0.45, 1.6))
        .as((x, y, dx, dy, radius) ->
            (Piece)
                Piece.Round.of(
                    new Shape.Stadium(
                        new PointMm(x, y),
                        radius > 1 ? new PointMm(x, y) : new PointMm(x + dx, y + dy),
                        radius)))
        .list()
        .ofMinSize(8)
        .ofMaxSize(60);
  }

  private static Piece plane(boolean holed) {
    Geometry whole =
        Piece.polygon(
            List.of(
                new PointMm(0, 0), new PointMm(20, 0), new PointMm(20, 20), new PointMm(0, 20)));
    Geometry hole =
        Piece.polygon(
            List.of(new PointMm(8, 8), new PointMm(9, 8), new PointMm(9, 9), new PointMm(8, 9)));
    return Piece.flats(holed ? Piece.without(whole, hole) : whole).getFirst();
  }

  /** One overlay of everything knows no short cuts. */
  @Property(tries = 200)
  void whatIsLeftIsWhatOneOverlayLeaves(@ForAll("taken") List<Piece> taken, @ForAll boolean holed) {
    Piece plane = plane(holed);
    Geometry reference = Piece.without(plane.area(), Piece.union(taken));
    List<Piece> left = Cleared.of(plane, taken);
    assertThat(left).hasSize(reference.getNumGeometries());
    assertThat(left).allMatch(piece -> piece.area().isValid());
    assertThat(left.stream().mapToDouble(piece -> piece.area().getArea()).sum())
        .isEqualTo(reference.getArea(), within(1e-6));
  }
}
