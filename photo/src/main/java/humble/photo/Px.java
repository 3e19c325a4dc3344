package humble.photo;

/** A place in a picture: pixels from its upper left corner, x right, y down. */
public record Px(double x, double y) {
  double distance(Px other) {
    return Math.hypot(x - other.x, y - other.y);
  }
}
