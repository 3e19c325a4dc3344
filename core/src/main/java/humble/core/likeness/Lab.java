package humble.core.likeness;

/**
 * A colour in CIELAB with the white of D65.
 *
 * @param l lightness, 0 to 100
 * @param a green to red
 * @param b blue to yellow
 */
record Lab(double l, double a, double b) {
  private static final double[] WHITE_XYZ = {0.95047, 1.0, 1.08883};
  private static final double CUT = 216.0 / 24389;
  private static final double SLOPE = 24389.0 / 27;

  /** Gives the colour of {@code xyz}, of which a perfect white has Y = 1. */
  static Lab of(double[] xyz) {
    double x = bent(xyz[0] / WHITE_XYZ[0]);
    double y = bent(xyz[1] / WHITE_XYZ[1]);
    double z = bent(xyz[2] / WHITE_XYZ[2]);
    return new Lab(116 * y - 16, 500 * (x - y), 200 * (y - z));
  }

  private static double bent(double t) {
    return t > CUT ? Math.cbrt(t) : (SLOPE * t + 16) / 116;
  }

  /** Gives the CIEDE2000 distance, all weights 1 (Sharma, Wu, Dalal 2005). */
  double distance(Lab other) {
    double chroma = (Math.hypot(a, b) + Math.hypot(other.a, other.b)) / 2;
    double g = 0.5 * (1 - Math.sqrt(seventh(chroma)));
    double a1 = (1 + g) * a;
    double a2 = (1 + g) * other.a;
    double c1 = Math.hypot(a1, b);
    double c2 = Math.hypot(a2, other.b);
    double h1 = hue(a1, b);
    double h2 = hue(a2, other.b);
    double turn = c1 * c2 == 0 ? 0 : between(h2 - h1);
    double dl = other.l - l;
    double dc = c2 - c1;
    double dh = 2 * Math.sqrt(c1 * c2) * Math.sin(Math.toRadians(turn / 2));
    double meanL = (l + other.l) / 2;
    double meanC = (c1 + c2) / 2;
    double meanH = c1 * c2 == 0 ? h1 + h2 : meanHue(h1, h2);
    double t =
        1
            - 0.17 * cos(meanH - 30)
            + 0.24 * cos(2 * meanH)
            + 0.32 * cos(3 * meanH + 6)
            - 0.20 * cos(4 * meanH - 63);
    double light = (meanL - 50) * (meanL - 50);
    double sl = 1 + 0.015 * light / Math.sqrt(20 + light);
    double sc = 1 + 0.045 * meanC;
    double sh = 1 + 0.015 * meanC * t;
    double blue = 30 * Math.exp(-Math.pow((meanH - 275) / 25, 2));
    double rt = -Math.sin(Math.toRadians(2 * blue)) * 2 * Math.sqrt(seventh(meanC));
    double wl = dl / sl;
    double wc = dc / sc;
    double wh = dh / sh;
    return Math.sqrt(Math.max(0, wl * wl + wc * wc + wh * wh + rt * wc * wh));
  }

  private static double seventh(double chroma) {
    double c7 = Math.pow(chroma, 7);
    return c7 / (c7 + Math.pow(25, 7));
  }

  private static double hue(double a, double b) {
    return a == 0 && b == 0 ? 0 : (Math.toDegrees(Math.atan2(b, a)) + 360) % 360;
  }

  private static double between(double turn) {
    return turn > 180 ? turn - 360 : turn < -180 ? turn + 360 : turn;
  }

  private static double meanHue(double h1, double h2) {
    if (Math.abs(h1 - h2) <= 180) {
      return (h1 + h2) / 2;
    }
    return h1 + h2 < 360 ? (h1 + h2 + 360) / 2 : (h1 + h2 - 360) / 2;
  }

  private static double cos(double degrees) {
    return Math.cos(Math.toRadians(degrees));
  }
}
