package humble.core.likeness;

import humble.core.marking.BandColour;

/**
 * The paint of bands and bodies, and how it looks under a lamp to somebody's eyes.
 *
 * <p>The sRGB references are the middle of what is sold: no standard gives the paint of bands. They
 * are written here once, and everything else is computed from them.
 */
public final class Paint {
  /** Thin paint lets this part of the body through. */
  private static final double BODY_SHARE = 0.1;

  /** This part of a lamp's colour is adapted away; the rest tints what is seen. */
  private static final double ADAPTED = 0.5;

  private static final double[][] RGB_TO_XYZ = {
    {0.4124564, 0.3575761, 0.1804375},
    {0.2126729, 0.7151522, 0.0721750},
    {0.0193339, 0.1191920, 0.9503041}
  };
  private static final double[][] XYZ_TO_RGB = {
    {3.2404542, -1.5371385, -0.4985314},
    {-0.9692660, 1.8760108, 0.0415560},
    {0.0556434, -0.2040259, 1.0572252}
  };

  /** Hunt, Pointer and Estévez, normalised to D65. */
  private static final double[][] XYZ_TO_LMS = {
    {0.4002, 0.7076, -0.0808}, {-0.2263, 1.1653, 0.0457}, {0, 0, 0.9182}
  };

  private static final double[][] LMS_TO_XYZ = {
    {1.8600666, -1.1294801, 0.2198983}, {0.3612229, 0.6388043, -0.0000064}, {0, 0, 1.0890874}
  };

  private Paint() {}

  /** The colour that the bands lie on. */
  enum Body {
    BEIGE(0xd9c49a),
    BLUE(0x9cc3d5);

    private final int srgb;

    Body(int srgb) {
      this.srgb = srgb;
    }
  }

  /** Gives the usual paint of a band, as {@code 0xrrggbb}. */
  public static int srgb(BandColour colour) {
    return switch (colour) {
      case BLACK -> 0x1c1c1c;
      case BROWN -> 0x6b3f1d;
      case RED -> 0xc1272d;
      case ORANGE -> 0xe8731a;
      case YELLOW -> 0xf2cf1d;
      case GREEN -> 0x2f8f46;
      case BLUE -> 0x2c5fa8;
      case VIOLET -> 0x7d4ba0;
      case GREY -> 0x8c8f92;
      case WHITE -> 0xf2f2ee;
      case GOLD -> 0xb8923b;
      case SILVER -> 0xb9bcc0;
    };
  }

  /** Gives how a band looks. */
  static Lab seen(BandColour colour, Body body, Light light, Eyes eyes) {
    double[] paint = linear(srgb(colour));
    double[] under = linear(body.srgb);
    double[] mixed = new double[3];
    for (int i = 0; i < 3; i++) {
      mixed[i] = (1 - BODY_SHARE) * paint[i] + BODY_SHARE * under[i];
    }
    double[] lit = times(XYZ_TO_RGB, underLamp(times(RGB_TO_XYZ, mixed), light));
    for (int i = 0; i < 3; i++) {
      lit[i] = Math.clamp(lit[i], 0, 1);
    }
    return Lab.of(times(RGB_TO_XYZ, eyes.see(lit)));
  }

  private static double[] underLamp(double[] xyz, Light light) {
    double[] lamp = times(XYZ_TO_LMS, light.whiteXyz());
    double[] day = times(XYZ_TO_LMS, Light.DAYLIGHT.whiteXyz());
    double[] cones = times(XYZ_TO_LMS, xyz);
    for (int i = 0; i < 3; i++) {
      cones[i] *= Math.pow(lamp[i] / day[i], 1 - ADAPTED);
    }
    return times(LMS_TO_XYZ, cones);
  }

  private static double[] linear(int srgb) {
    double[] linear = new double[3];
    for (int i = 0; i < 3; i++) {
      double channel = (srgb >> (16 - 8 * i) & 0xff) / 255.0;
      linear[i] = channel <= 0.04045 ? channel / 12.92 : Math.pow((channel + 0.055) / 1.055, 2.4);
    }
    return linear;
  }

  static double[] times(double[][] matrix, double[] vector) {
    double[] product = new double[3];
    for (int row = 0; row < 3; row++) {
      for (int column = 0; column < 3; column++) {
        product[row] += matrix[row][column] * vector[column];
      }
    }
    return product;
  }
}
