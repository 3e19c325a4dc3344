package humble.core.copper;

import humble.core.kit.PointMm;
import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Envelope;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.LineString;
import org.locationtech.jts.geom.Point;
import org.locationtech.jts.geom.Polygon;
import org.locationtech.jts.geom.PrecisionModel;
import org.locationtech.jts.geom.prep.PreparedGeometry;
import org.locationtech.jts.geom.prep.PreparedGeometryFactory;
import org.locationtech.jts.operation.overlayng.OverlayNGRobust;
import org.locationtech.jts.operation.overlayng.UnaryUnionNG;
import org.locationtech.jts.operation.polygonize.Polygonizer;

/**
 * What a profile leaves of a board: the faces that its lines enclose, without those that lie within
 * another, which are cut out. Lines that enclose next to nothing of the copper are a drawing, not
 * an edge, and are not followed.
 */
final class Outline {
  /** Ends of lines that are nearer than this meet, in millimetres. */
  private static final double SNAP_MM = 0.001;

  private final PreparedGeometry board;

  private Outline(Geometry board) {
    this.board = PreparedGeometryFactory.prepare(board);
  }

  /**
   * Gives the board, null when the lines enclose none.
   *
   * @param edges lines of the profile
   * @param pads points that lie on the board; a face that holds one is not cut out
   */
  static @Nullable Outline of(List<List<PointMm>> edges, List<PointMm> pads) {
    List<LineString> lines = new ArrayList<>();
    for (List<PointMm> edge : edges) {
      if (edge.size() > 1) {
        lines.add(
            Piece.PLANE.createLineString(
                edge.stream()
                    .map(p -> new Coordinate(p.xMm(), p.yMm()))
                    .toArray(Coordinate[]::new)));
      }
    }
    if (lines.isEmpty()) {
      return null;
    }
    Polygonizer faces = new Polygonizer();
    faces.add(
        UnaryUnionNG.union(Piece.PLANE.buildGeometry(lines), new PrecisionModel(1 / SNAP_MM)));
    List<Polygon> all = polygons(faces.getPolygons());
    List<Point> points =
        pads.stream().map(p -> Piece.PLANE.createPoint(new Coordinate(p.xMm(), p.yMm()))).toList();
    List<Geometry> kept = new ArrayList<>();
    for (Polygon face : all) {
      boolean within =
          all.stream()
              .anyMatch(other ->
                  other != face
                      && Piece.PLANE
                          .createPolygon(other.getExteriorRing())
                          .contains(face.getInteriorPoint()));
      if (!within || holdsOne(face, points)) {
        kept.add(face);
      }
    }
    if (kept.isEmpty()) {
      return null;
    }
    Outline outline = new Outline(OverlayNGRobust.union(Piece.PLANE.buildGeometry(kept)));
    long on = points.stream().filter(outline.board::covers).count();
    return on * 2 >= points.size() ? outline : null;
  }

  private static boolean holdsOne(Polygon face, List<Point> points) {
    PreparedGeometry prepared = PreparedGeometryFactory.prepare(face);
    Envelope box = face.getEnvelopeInternal();
    return points.stream().anyMatch(p -> box.contains(p.getX(), p.getY()) && prepared.contains(p));
  }

  private static List<Polygon> polygons(Collection<?> found) {
    return found.stream().map(Polygon.class::cast).toList();
  }

  /** Gives what of a piece is on the board. */
  List<Piece> kept(Piece piece) {
    Geometry area = piece.area();
    if (board.covers(area)) {
      return List.of(piece);
    }
    return board.intersects(area)
        ? Piece.flats(Piece.common(area, board.getGeometry()))
        : List.of();
  }
}
