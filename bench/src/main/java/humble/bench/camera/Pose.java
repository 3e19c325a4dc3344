package humble.bench.camera;

import humble.core.kit.PointMm;

/**
 * Where the camera stands over the table, and how its lens bends: the model of a pinhole with one
 * radial term, written for drawing.
 *
 * @param acrossDeg tilt about the board's x
 * @param alongDeg tilt about the board's y
 * @param turnedDeg turn about the line of sight
 * @param pxPerMm pixels a millimetre where the line of sight meets the board
 * @param focalPx focal length in pixels
 * @param bend share by which the corner of the picture moves outwards (below 0: inwards)
 * @param lookX where the line of sight meets the board
 */
public record Pose(
    int widthPx,
    int heightPx,
    double acrossDeg,
    double alongDeg,
    double turnedDeg,
    double pxPerMm,
    double focalPx,
    double bend,
    double lookX,
    double lookY) {

  /** Gives the pixel in which a point of the board is seen, x right, y down. */
  public PointMm seen(double xMm, double yMm) {
    double[][] r = rotation();
    double distance = focalPx / pxPerMm;
    double bx = xMm - lookX;
    double by = lookY - yMm;
    double cx = r[0][0] * bx + r[0][1] * by;
    double cy = r[1][0] * bx + r[1][1] * by;
    double cz = r[2][0] * bx + r[2][1] * by + distance;
    double u = focalPx * cx / cz;
    double v = focalPx * cy / cz;
    double half = halfPx();
    double grown = 1 + bend * (u * u + v * v) / (half * half);
    return new PointMm(widthPx / 2.0 + u * grown, heightPx / 2.0 + v * grown);
  }

  double halfPx() {
    return Math.hypot(widthPx, heightPx) / 2;
  }

  /** Gives the board point that a pixel shows. */
  void board(double px, double py, double[][] rotation, double[] into) {
    double u = px - widthPx / 2.0;
    double v = py - heightPx / 2.0;
    double half = halfPx();
    double far = Math.hypot(u, v) / half;
    double straight = far;
    for (int i = 0; i < 6; i++) {
      straight -=
          (straight * (1 + bend * straight * straight) - far)
              / (1 + 3 * bend * straight * straight);
    }
    double shrink = far < 1e-9 ? 1 : straight / far;
    u *= shrink / focalPx;
    v *= shrink / focalPx;
    double[][] r = rotation;
    // The ray is turned back into the table's frame and cut with it.
    double dx = r[0][0] * u + r[1][0] * v + r[2][0];
    double dy = r[0][1] * u + r[1][1] * v + r[2][1];
    double dz = r[0][2] * u + r[1][2] * v + r[2][2];
    double distance = focalPx / pxPerMm;
    double ox = -r[2][0] * distance;
    double oy = -r[2][1] * distance;
    double oz = -r[2][2] * distance;
    double reach = -oz / dz;
    into[0] = lookX + ox + reach * dx;
    into[1] = lookY - (oy + reach * dy);
  }

  double[][] rotation() {
    double a = Math.toRadians(acrossDeg);
    double b = Math.toRadians(alongDeg);
    double c = Math.toRadians(turnedDeg);
    double[][] x = {{1, 0, 0}, {0, Math.cos(a), -Math.sin(a)}, {0, Math.sin(a), Math.cos(a)}};
    double[][] y = {{Math.cos(b), 0, Math.sin(b)}, {0, 1, 0}, {-Math.sin(b), 0, Math.cos(b)}};
    double[][] z = {{Math.cos(c), -Math.sin(c), 0}, {Math.sin(c), Math.cos(c), 0}, {0, 0, 1}};
    return times(z, times(x, y));
  }

  private static double[][] times(double[][] a, double[][] b) {
    double[][] product = new double[3][3];
    for (int i = 0; i < 3; i++) {
      for (int j = 0; j < 3; j++) {
        for (int k = 0; k < 3; k++) {
          product[i][j] += a[i][k] * b[k][j];
        }
      }
    }
    return product;
  }
}
