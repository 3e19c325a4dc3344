package humble.core.casing;

import humble.core.kit.Board;
import humble.core.kit.LeadClass;
import humble.core.kit.Mount;
import humble.core.kit.PackagePin;
import humble.core.kit.Part;
import humble.core.kit.Parts;
import humble.core.kit.Place;
import humble.core.kit.PointMm;
import humble.core.kit.Side;
import humble.core.picture.Piece;
import humble.core.picture.TopView;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.function.UnaryOperator;

/**
 * What stands off one side of a board: a part, or the ends of its leads on the other side. Lengths
 * in millimetres, sideways as the stack is looked at.
 *
 * @param ref the part
 * @param tails whether these are the ends of its leads
 * @param reachMm how far it stands off the board
 * @param underMm how far its underside is off the board
 */
record Body(
    String ref,
    boolean tails,
    double left,
    double low,
    double right,
    double top,
    double reachMm,
    double underMm) {
  private static final double LEAD_MM = 0.7;

  boolean meets(Body other) {
    return left < other.right && other.left < right && low < other.top && other.low < top;
  }

  /** Tells whether a section at that height of the stack cuts it. */
  boolean isCutAt(double y) {
    return low <= y && y <= top;
  }

  /** Gives what stands off a side of a board, as the stack is looked at. */
  static List<Body> of(Parts parts, Stack stack, Board board, Side side, Set<String> out) {
    List<Body> bodies = new ArrayList<>();
    for (Part part : parts.all()) {
      Place place = part.place();
      if (place == null || !place.board().equals(board.id()) || out.contains(part.ref())) {
        continue;
      }
      UnaryOperator<PointMm> lies = at -> stack.inStack(board, place.onBoard(at));
      if (place.side() == side) {
        bodies.add(
            around(
                part.ref(),
                false,
                outline(part, place).stream().map(lies).toList(),
                0,
                parts.fittedHeightMm(part.ref()),
                parts.undersideMm(part.ref())));
      } else if (hasTails(parts, part)) {
        List<PointMm> pins = part.pack().pins().stream().map(PackagePin::at).map(lies).toList();
        bodies.add(
            around(part.ref(), true, pins, LEAD_MM, Tails.usualMm(part, board.thicknessMm()), 0));
      }
    }
    return bodies;
  }

  /** Gives a part where it stands on its own board, looked at from the top. */
  static Body of(Part part, Place place) {
    return around(
        part.ref(), false, outline(part, place).stream().map(place::onBoard).toList(), 0, 0, 0);
  }

  /** What sits in a socket has no leads in the board. */
  static boolean hasTails(Parts parts, Part part) {
    return part.pack().lead() != LeadClass.SMD
        && !part.pack().pins().isEmpty()
        && parts.socketOf(part.ref()).isEmpty();
  }

  private static List<PointMm> outline(Part part, Place place) {
    List<PointMm> corners = new ArrayList<>();
    part.pack().pins().forEach(pin -> corners.add(pin.at()));
    TopView.of(part).stream()
        .filter(piece -> piece.role() == Piece.Role.BODY)
        .forEach(piece -> corners.addAll(piece.corners()));
    if (place.mount() == Mount.LYING && !part.pack().id().endsWith("-lying")) {
      // Nobody says to which side it lies: it may be either.
      double reach = part.pack().heightMm();
      corners.add(new PointMm(0, reach));
      corners.add(new PointMm(0, -reach));
    }
    if (corners.isEmpty()) {
      corners.add(new PointMm(0, 0));
    }
    return corners;
  }

  private static Body around(
      String ref, boolean tails, List<PointMm> corners, double more, double reach, double under) {
    double left = Double.POSITIVE_INFINITY;
    double low = Double.POSITIVE_INFINITY;
    double right = Double.NEGATIVE_INFINITY;
    double top = Double.NEGATIVE_INFINITY;
    for (PointMm corner : corners) {
      left = Math.min(left, corner.xMm() - more);
      right = Math.max(right, corner.xMm() + more);
      low = Math.min(low, corner.yMm() - more);
      top = Math.max(top, corner.yMm() + more);
    }
    return new Body(ref, tails, left, low, right, top, reach, under);
  }
}
