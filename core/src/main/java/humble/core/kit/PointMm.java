package humble.core.kit;

/**
 * A point or a direction in the plane of a board, in millimetres, x to the right, y up.
 *
 * @param xMm x, in millimetres
 * @param yMm y, in millimetres
 */
public record PointMm(double xMm, double yMm) {
  /** Gives the sum of the two. */
  public PointMm plus(PointMm other) {
    return new PointMm(xMm + other.xMm, yMm + other.yMm);
  }

  /** Gives the way from {@code other} to this point. */
  public PointMm minus(PointMm other) {
    return new PointMm(xMm - other.xMm, yMm - other.yMm);
  }

  /** Gives this way so many times as long. */
  public PointMm times(double share) {
    return new PointMm(xMm * share, yMm * share);
  }

  /** Gives this point turned counter-clockwise about the origin; quarter turns are exact. */
  public PointMm turned(double degrees) {
    double d = ((degrees % 360) + 360) % 360;
    if (d == 0) {
      return this;
    }
    if (d == 90) {
      return new PointMm(-yMm, xMm);
    }
    if (d == 180) {
      return new PointMm(-xMm, -yMm);
    }
    if (d == 270) {
      return new PointMm(yMm, -xMm);
    }
    double c = Math.cos(Math.toRadians(d));
    double s = Math.sin(Math.toRadians(d));
    return new PointMm(c * xMm - s * yMm, s * xMm + c * yMm);
  }

  /** Gives this point mirrored left to right about the y axis. */
  public PointMm mirrored() {
    return new PointMm(-xMm, yMm);
  }

  /** Gives the distance between the two, in millimetres. */
  public double distanceMm(PointMm other) {
    return Math.hypot(xMm - other.xMm, yMm - other.yMm);
  }
}
