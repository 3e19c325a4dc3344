package humble.photo;

import humble.core.kit.PointMm;

/**
 * How a flat board is seen: a homography from board millimetres, then a radial bend about the
 * middle of the picture.
 *
 * @param h homography, nine numbers line by line, into units of half the picture's diagonal from
 *     its middle
 * @param bend radial term: the share by which a point at the corner of the picture is moved
 *     outwards
 * @param bend2 what the other way of writing that term adds to the fourth power
 */
record Lens(double[] h, double bend, double bend2, Px middle, double half) {

  /** Gives the place in the photo of a point of the board. */
  Px seen(double x, double y) {
    double w = h[6] * x + h[7] * y + h[8];
    double u = (h[0] * x + h[1] * y + h[2]) / w;
    double v = (h[3] * x + h[4] * y + h[5]) / w;
    double r2 = u * u + v * v;
    double grown = half * (1 + r2 * (bend + r2 * bend2));
    return new Px(middle.x() + u * grown, middle.y() + v * grown);
  }

  /** Gives the point of the board that a place in the photo shows. */
  PointMm board(Px at) {
    double u = (at.x() - middle.x()) / half;
    double v = (at.y() - middle.y()) / half;
    double far = Math.hypot(u, v);
    double straight = far;
    for (int i = 0; i < 8; i++) {
      double r2 = straight * straight;
      straight -=
          (straight * (1 + r2 * (bend + r2 * bend2)) - far)
              / (1 + r2 * (3 * bend + 5 * r2 * bend2));
    }
    if (far > 1e-12) {
      u *= straight / far;
      v *= straight / far;
    }
    double a = h[0] - u * h[6];
    double b = h[1] - u * h[7];
    double c = h[3] - v * h[6];
    double d = h[4] - v * h[7];
    double e = u * h[8] - h[2];
    double f = v * h[8] - h[5];
    double det = a * d - b * c;
    return new PointMm((e * d - b * f) / det, (a * f - e * c) / det);
  }

  /** Gives the same view for a board that is measured in other units, and from another corner. */
  Lens over(double[] other) {
    double[] product = new double[9];
    for (int i = 0; i < 3; i++) {
      for (int j = 0; j < 3; j++) {
        for (int k = 0; k < 3; k++) {
          product[3 * i + j] += h[3 * i + k] * other[3 * k + j];
        }
      }
    }
    return new Lens(product, bend, bend2, middle, half);
  }

  /** Gives how many pixels of the photo lie in a millimetre, on average over the board. */
  double pxPerMm(double widthMm, double heightMm) {
    double area = 0;
    int parts = 4;
    for (int i = 0; i < parts; i++) {
      for (int j = 0; j < parts; j++) {
        double x = widthMm * (i + 0.5) / parts;
        double y = heightMm * (j + 0.5) / parts;
        Px at = seen(x, y);
        Px right = seen(x + 0.1, y);
        Px up = seen(x, y + 0.1);
        area +=
            Math.abs(
                    (right.x() - at.x()) * (up.y() - at.y())
                        - (right.y() - at.y()) * (up.x() - at.x()))
                * 100;
      }
    }
    return Math.sqrt(area / (parts * parts));
  }
}
