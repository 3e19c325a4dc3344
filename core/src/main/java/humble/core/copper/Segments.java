package humble.core.copper;

/** Distances of straight lines in a plane. */
final class Segments {
  private Segments() {}

  /** Gives the square of the least distance between the segments AB and CD. */
  static double squareDistance(
      double ax, double ay, double bx, double by, double cx, double cy, double dx, double dy) {
    if (cross(ax, ay, bx, by, cx, cy, dx, dy)) {
      return 0;
    }
    return Math.min(
        Math.min(squareDistance(ax, ay, cx, cy, dx, dy), squareDistance(bx, by, cx, cy, dx, dy)),
        Math.min(squareDistance(cx, cy, ax, ay, bx, by), squareDistance(dx, dy, ax, ay, bx, by)));
  }

  /** Gives the square of the distance of the point P from the segment AB. */
  static double squareDistance(double px, double py, double ax, double ay, double bx, double by) {
    double wx = bx - ax;
    double wy = by - ay;
    double length = wx * wx + wy * wy;
    double t = length == 0 ? 0 : Math.clamp(((px - ax) * wx + (py - ay) * wy) / length, 0, 1);
    double ox = px - ax - t * wx;
    double oy = py - ay - t * wy;
    return ox * ox + oy * oy;
  }

  private static boolean cross(
      double ax, double ay, double bx, double by, double cx, double cy, double dx, double dy) {
    double a = side(ax, ay, bx, by, cx, cy);
    double b = side(ax, ay, bx, by, dx, dy);
    double c = side(cx, cy, dx, dy, ax, ay);
    double d = side(cx, cy, dx, dy, bx, by);
    return a * b < 0 && c * d < 0;
  }

  private static double side(double ax, double ay, double bx, double by, double px, double py) {
    return (bx - ax) * (py - ay) - (by - ay) * (px - ax);
  }
}
