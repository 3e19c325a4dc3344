package humble.core.picture;

import humble.core.kit.PointMm;
import java.util.ArrayList;
import java.util.List;

/**
 * One closed outline of a part as seen from above, in its zero orientation, in millimetres.
 *
 * @param role what it is
 * @param corners corners in order; two of them for a stroke
 */
public record Piece(Role role, List<PointMm> corners) {
  private static final int ROUND_CORNERS = 28;

  public Piece {
    corners = List.copyOf(corners);
  }

  /** What an outline is. */
  public enum Role {
    /** The part's outline. */
    BODY,
    /** A mark that tells which way round it is; filled. */
    MARK,
    /** Something that helps to know it: a shaft, a screw, a window; outline only. */
    DETAIL
  }

  static List<PointMm> box(double x1, double y1, double x2, double y2) {
    return List.of(
        new PointMm(x1, y1), new PointMm(x2, y1), new PointMm(x2, y2), new PointMm(x1, y2));
  }

  static List<PointMm> round(double x, double y, double radius) {
    return oval(x, y, radius, radius);
  }

  static List<PointMm> oval(double x, double y, double rx, double ry) {
    return arc(x, y, rx, ry, 0, 360 - 360.0 / ROUND_CORNERS);
  }

  /** Points from one angle to another, both included, counter-clockwise. */
  static List<PointMm> arc(double x, double y, double rx, double ry, double fromDeg, double toDeg) {
    int count = Math.max(4, (int) Math.ceil((toDeg - fromDeg) / 360 * ROUND_CORNERS)) + 1;
    List<PointMm> points = new ArrayList<>();
    for (int i = 0; i < count; i++) {
      double angle = Math.toRadians(fromDeg + (toDeg - fromDeg) * i / (count - 1));
      points.add(new PointMm(x + rx * Math.cos(angle), y + ry * Math.sin(angle)));
    }
    return points;
  }
}
