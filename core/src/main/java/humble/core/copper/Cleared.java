package humble.core.copper;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.locationtech.jts.geom.Envelope;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.LinearRing;
import org.locationtech.jts.geom.Polygon;
import org.locationtech.jts.index.strtree.STRtree;

/**
 * What is left of a piece when others are taken away from it. A plane loses thousands of round
 * islands, each of them well within it: those become holes as they are, only what crosses a rim is
 * reckoned with polygons.
 */
final class Cleared {
  /** Fewer than these are taken away at once. */
  private static final int FEW = 8;

  private Cleared() {}

  static List<Piece> of(Piece piece, List<Piece> taken) {
    Geometry area = piece.area();
    if (taken.size() < FEW || !(area instanceof Polygon whole)) {
      return Piece.flats(Piece.without(area, Piece.union(taken)));
    }
    Piece.Flat flat = new Piece.Flat(whole);
    STRtree holes = new STRtree();
    for (int i = 0; i < whole.getNumInteriorRing(); i++) {
      holes.insert(whole.getInteriorRingN(i).getEnvelopeInternal(), i);
    }
    List<LinearRing> within = new ArrayList<>();
    List<Piece> across = new ArrayList<>();
    for (List<Piece> group : groups(taken)) {
      Geometry all = Piece.union(group);
      if (all instanceof Polygon one
          && one.getNumInteriorRing() == 0
          && flat.holdsWithin(one)
          && holes.query(one.getEnvelopeInternal()).isEmpty()) {
        within.add(one.getExteriorRing());
      } else {
        across.addAll(group);
      }
    }
    Geometry left = across.isEmpty() ? whole : Piece.without(whole, Piece.union(across));
    return holed(Piece.flats(left), within);
  }

  /** Pieces that hang together, one list for each lot. */
  private static List<List<Piece>> groups(List<Piece> pieces) {
    Joined joined = new Joined();
    STRtree index = new STRtree();
    for (int i = 0; i < pieces.size(); i++) {
      index.insert(pieces.get(i).box(), joined.add());
    }
    for (int i = 0; i < pieces.size(); i++) {
      Envelope reach = new Envelope(pieces.get(i).box());
      reach.expandBy(Piece.TOUCH_MM);
      for (Object found : index.query(reach)) {
        int other = (Integer) found;
        if (other > i && !joined.same(i, other) && pieces.get(i).touches(pieces.get(other))) {
          joined.join(i, other);
        }
      }
    }
    Map<Integer, List<Piece>> groups = new HashMap<>();
    for (int i = 0; i < pieces.size(); i++) {
      groups.computeIfAbsent(joined.root(i), root -> new ArrayList<>()).add(pieces.get(i));
    }
    return groups.values().stream().toList();
  }

  private static List<Piece> holed(List<Piece> pieces, List<LinearRing> holes) {
    Map<Piece, List<LinearRing>> holesOf = new HashMap<>();
    STRtree index = new STRtree();
    pieces.forEach(piece -> index.insert(piece.box(), piece));
    for (LinearRing hole : holes) {
      for (Object found : index.query(hole.getEnvelopeInternal())) {
        if (found instanceof Piece.Flat flat && flat.holds(hole.getCoordinate())) {
          holesOf.computeIfAbsent(flat, f -> new ArrayList<>()).add(hole);
          break;
        }
      }
    }
    List<Piece> holed = new ArrayList<>();
    for (Piece piece : pieces) {
      List<LinearRing> own = holesOf.get(piece);
      if (own == null || !(piece.area() instanceof Polygon polygon)) {
        holed.add(piece);
        continue;
      }
      for (int i = 0; i < polygon.getNumInteriorRing(); i++) {
        own.add(polygon.getInteriorRingN(i));
      }
      holed.add(
          new Piece.Flat(
              Piece.PLANE.createPolygon(
                  polygon.getExteriorRing(), own.toArray(LinearRing[]::new))));
    }
    return holed;
  }
}
