package humble.desktop.draw;

/** A rectangle of whole pixels; right and bottom are not included. */
record Area(int left, int top, int right, int bottom) {
  /** Smoothing and round line ends reach a little further than the shape. */
  private static final int MARGIN_PX = 2;

  static Area of(double left, double top, double right, double bottom) {
    return new Area(
        (int) Math.floor(left) - MARGIN_PX,
        (int) Math.floor(top) - MARGIN_PX,
        (int) Math.ceil(right) + MARGIN_PX,
        (int) Math.ceil(bottom) + MARGIN_PX);
  }

  boolean meets(Area other) {
    return left < other.right && other.left < right && top < other.bottom && other.top < bottom;
  }

  Area with(Area other) {
    return new Area(
        Math.min(left, other.left),
        Math.min(top, other.top),
        Math.max(right, other.right),
        Math.max(bottom, other.bottom));
  }

  Area within(double width, double height) {
    return new Area(
        Math.max(0, left),
        Math.max(0, top),
        Math.min((int) Math.ceil(width), right),
        Math.min((int) Math.ceil(height), bottom));
  }

  boolean isEmpty() {
    return left >= right || top >= bottom;
  }

  int width() {
    return right - left;
  }

  int height() {
    return bottom - top;
  }
}
