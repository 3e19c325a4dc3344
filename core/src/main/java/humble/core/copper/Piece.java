package humble.core.copper;

import humble.core.kit.PointMm;
import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.locationtech.jts.algorithm.locate.IndexedPointInAreaLocator;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Envelope;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.GeometryFactory;
import org.locationtech.jts.geom.Location;
import org.locationtech.jts.geom.Polygon;
import org.locationtech.jts.geom.util.GeometryFixer;
import org.locationtech.jts.operation.distance.IndexedFacetDistance;
import org.locationtech.jts.operation.overlayng.OverlayNGRobust;
import org.locationtech.jts.operation.union.CascadedPolygonUnion;

/** One piece of copper that hangs together: round ended and exact, or a polygon. */
sealed interface Piece {
  /** Shapes nearer than this touch: a tenth of a micrometre, less than any plotter draws. */
  double TOUCH_MM = 1e-4;

  /** Corners of a whole circle where one must become a polygon; 0.12 % of its radius is lost. */
  int ROUND_CORNERS = 64;

  GeometryFactory PLANE = new GeometryFactory();

  /** Gives the box about it, in millimetres. */
  Envelope box();

  /** Tells whether the two touch. */
  boolean touches(Piece other);

  /** Gives it as polygons. */
  Geometry area();

  /** A track or a round pad. */
  record Round(double ax, double ay, double bx, double by, double radius) implements Piece {
    static Round of(Shape.Stadium s) {
      return new Round(s.from().xMm(), s.from().yMm(), s.to().xMm(), s.to().yMm(), s.radiusMm());
    }

    boolean isPoint() {
      return ax == bx && ay == by;
    }

    @Override
    public Envelope box() {
      Envelope box = new Envelope(ax, bx, ay, by);
      box.expandBy(radius);
      return box;
    }

    @Override
    public boolean touches(Piece other) {
      return switch (other) {
        case Round r -> {
          double reach = radius + r.radius + TOUCH_MM;
          yield Segments.squareDistance(ax, ay, bx, by, r.ax, r.ay, r.bx, r.by) <= reach * reach;
        }
        case Flat flat -> flat.touches(this);
      };
    }

    Geometry line() {
      return isPoint()
          ? PLANE.createPoint(new Coordinate(ax, ay))
          : PLANE.createLineString(
              new Coordinate[] {new Coordinate(ax, ay), new Coordinate(bx, by)});
    }

    @Override
    public Geometry area() {
      double along = Math.atan2(by - ay, bx - ax);
      int half = ROUND_CORNERS / 2;
      List<Coordinate> corners = new ArrayList<>();
      for (int i = 0; i <= half; i++) {
        double angle = along + Math.PI / 2 + Math.PI * i / half;
        corners.add(new Coordinate(ax + radius * Math.cos(angle), ay + radius * Math.sin(angle)));
      }
      for (int i = 0; i <= half; i++) {
        double angle = along - Math.PI / 2 + Math.PI * i / half;
        corners.add(new Coordinate(bx + radius * Math.cos(angle), by + radius * Math.sin(angle)));
      }
      corners.add(corners.getFirst().copy());
      return PLANE.createPolygon(corners.toArray(Coordinate[]::new));
    }
  }

  /** A polygon, perhaps with holes; what is asked often of a large one is looked up in an index. */
  final class Flat implements Piece {
    private final Polygon polygon;
    private @Nullable IndexedPointInAreaLocator inside;
    private @Nullable IndexedFacetDistance rim;

    Flat(Polygon polygon) {
      this.polygon = polygon;
    }

    @Override
    public Envelope box() {
      return polygon.getEnvelopeInternal();
    }

    @Override
    public boolean touches(Piece other) {
      return switch (other) {
        case Round r ->
            holds(new Coordinate(r.ax(), r.ay()))
                || rim().isWithinDistance(r.line(), r.radius() + TOUCH_MM);
        case Flat flat ->
            polygon.getNumPoints() >= flat.polygon.getNumPoints() ? meets(flat) : flat.meets(this);
      };
    }

    private boolean meets(Flat smaller) {
      return holds(smaller.polygon.getCoordinate())
          || smaller.holds(polygon.getCoordinate())
          || rim().isWithinDistance(smaller.polygon, TOUCH_MM);
    }

    /** Tells whether another lies in it and comes near none of its rims. */
    boolean holdsWithin(Polygon other) {
      return holds(other.getCoordinate()) && !rim().isWithinDistance(other, TOUCH_MM);
    }

    boolean holds(Coordinate at) {
      IndexedPointInAreaLocator now = inside;
      if (now == null) {
        now = new IndexedPointInAreaLocator(polygon);
        inside = now;
      }
      return now.locate(at) != Location.EXTERIOR;
    }

    private IndexedFacetDistance rim() {
      IndexedFacetDistance now = rim;
      if (now == null) {
        now = new IndexedFacetDistance(polygon);
        rim = now;
      }
      return now;
    }

    @Override
    public Geometry area() {
      return polygon;
    }
  }

  /** Gives what a shape covers; a shape without an area is none. */
  static List<Piece> of(Shape shape) {
    return switch (shape) {
      case Shape.Stadium s -> s.radiusMm() > 0 ? List.of(Round.of(s)) : List.of();
      case Shape.Area area -> flats(polygon(area.corners()));
      case Shape.Stamp stamp -> stamped(stamp);
    };
  }

  private static List<Piece> stamped(Shape.Stamp stamp) {
    if (stamp.parts().size() == 1 && stamp.parts().getFirst().dark()) {
      return of(stamp.parts().getFirst().shape());
    }
    Geometry now = PLANE.createPolygon();
    for (Shape.Inked part : stamp.parts()) {
      Geometry more = union(of(part.shape()));
      now = part.dark() ? union(now, more) : without(now, more);
    }
    return flats(now);
  }

  /** Gives the polygons that a geometry is made of. */
  static List<Piece> flats(Geometry geometry) {
    List<Piece> flats = new ArrayList<>();
    for (int i = 0; i < geometry.getNumGeometries(); i++) {
      if (geometry.getGeometryN(i) instanceof Polygon polygon && !polygon.isEmpty()) {
        flats.add(new Flat(polygon));
      }
    }
    return flats;
  }

  static Geometry union(List<? extends Piece> pieces) {
    if (pieces.isEmpty()) {
      return PLANE.createPolygon();
    }
    List<Geometry> areas = pieces.stream().map(Piece::area).toList();
    return areas.size() == 1 ? areas.getFirst() : CascadedPolygonUnion.union(areas);
  }

  private static Geometry union(Geometry a, Geometry b) {
    return OverlayNGRobust.overlay(a, b, org.locationtech.jts.operation.overlayng.OverlayNG.UNION);
  }

  static Geometry without(Geometry a, Geometry b) {
    return OverlayNGRobust.overlay(
        a, b, org.locationtech.jts.operation.overlayng.OverlayNG.DIFFERENCE);
  }

  static Geometry common(Geometry a, Geometry b) {
    return OverlayNGRobust.overlay(
        a, b, org.locationtech.jts.operation.overlayng.OverlayNG.INTERSECTION);
  }

  /** Gives the area within corners, whether or not they close, cross or touch themselves. */
  static Geometry polygon(List<PointMm> corners) {
    List<Coordinate> ring = new ArrayList<>();
    for (PointMm corner : corners) {
      Coordinate at = new Coordinate(corner.xMm(), corner.yMm());
      if (ring.isEmpty() || !ring.getLast().equals2D(at)) {
        ring.add(at);
      }
    }
    if (!ring.isEmpty() && !ring.getFirst().equals2D(ring.getLast())) {
      ring.add(ring.getFirst().copy());
    }
    if (ring.size() < 4) {
      return PLANE.createPolygon();
    }
    Polygon polygon = PLANE.createPolygon(ring.toArray(Coordinate[]::new));
    return polygon.isValid() ? polygon : GeometryFixer.fix(polygon);
  }
}
