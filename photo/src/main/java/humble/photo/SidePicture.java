package humble.photo;

import humble.core.kit.SeenHole;
import java.awt.Graphics2D;
import java.awt.RenderingHints;
import java.awt.geom.AffineTransform;
import java.awt.image.BufferedImage;
import java.util.List;

/**
 * What is kept of a photo: the side as it is looked at, from edge to edge, scaled down, and its
 * holes from the top.
 */
public record SidePicture(BufferedImage picture, List<SeenHole> holes) {
  private static final double KEPT_PER_MM = 12;
  private static final double MOST_PX = 2e6;
  private static final int THUMB = 48;

  public SidePicture {
    holes = List.copyOf(holes);
  }

  /** Keeps the top. */
  public static SidePicture top(Straightening.Straightened flat, double widthMm, double heightMm) {
    double to = perMm(widthMm, heightMm);
    double scale = to / flat.perMm();
    return new SidePicture(
        laid(flat, AffineTransform.getScaleInstance(scale, scale), widthMm, heightMm),
        flat.holes());
  }

  /** Keeps the solder side as the holes of both sides lay it. */
  public static SidePicture solder(
      Straightening.Straightened flat, SidesAligned sides, double widthMm, double heightMm) {
    double to = perMm(widthMm, heightMm);
    double q = to / flat.perMm();
    double high = flat.picture().getHeight();
    List<Double> m = sides.move();
    // From places of the straightened picture over its own millimetres and those of the top to
    // what is seen from below.
    AffineTransform lay =
        new AffineTransform(
            -q * m.get(0),
            -q * m.get(3),
            q * m.get(1),
            q * m.get(4),
            to * (widthMm - m.get(2)) - q * m.get(1) * high,
            to * (heightMm - m.get(5)) - q * m.get(4) * high);
    return new SidePicture(
        laid(flat, lay, widthMm, heightMm),
        flat.holes().stream()
            .map(hole -> new SeenHole(sides.onTop(hole.at()), hole.diameterMm()))
            .toList());
  }

  private static double perMm(double widthMm, double heightMm) {
    return Math.min(KEPT_PER_MM, Math.sqrt(MOST_PX / (widthMm * heightMm)));
  }

  private static BufferedImage laid(
      Straightening.Straightened flat, AffineTransform how, double widthMm, double heightMm) {
    double to = perMm(widthMm, heightMm);
    BufferedImage image =
        new BufferedImage(
            Math.max(1, (int) Math.round(widthMm * to)),
            Math.max(1, (int) Math.round(heightMm * to)),
            BufferedImage.TYPE_INT_RGB);
    Graphics2D g = image.createGraphics();
    g.setRenderingHint(
        RenderingHints.KEY_INTERPOLATION, RenderingHints.VALUE_INTERPOLATION_BILINEAR);
    g.drawImage(flat.picture(), how, null);
    g.dispose();
    return image;
  }

  /** Tells whether a picture of the same side is more alike when it is turned by half a turn. */
  public static boolean isOverHead(BufferedImage picture, BufferedImage known) {
    double[] a = thumb(picture);
    double[] b = thumb(known);
    double upright = 0;
    double over = 0;
    for (int i = 0; i < a.length; i++) {
      upright += a[i] * b[i];
      over += a[a.length - 1 - i] * b[i];
    }
    return over > upright;
  }

  /** Lightness on a small raster, about its mean. */
  private static double[] thumb(BufferedImage picture) {
    BufferedImage small = new BufferedImage(THUMB, THUMB, BufferedImage.TYPE_INT_RGB);
    Graphics2D g = small.createGraphics();
    g.setRenderingHint(
        RenderingHints.KEY_INTERPOLATION, RenderingHints.VALUE_INTERPOLATION_BILINEAR);
    g.drawImage(
        picture.getScaledInstance(THUMB, THUMB, java.awt.Image.SCALE_AREA_AVERAGING), 0, 0, null);
    g.dispose();
    double[] light = new double[THUMB * THUMB];
    double mean = 0;
    for (int i = 0; i < light.length; i++) {
      int rgb = small.getRGB(i % THUMB, i / THUMB);
      light[i] = (rgb >> 16 & 255) + 2.0 * (rgb >> 8 & 255) + (rgb & 255);
      mean += light[i] / light.length;
    }
    for (int i = 0; i < light.length; i++) {
      light[i] -= mean;
    }
    return light;
  }
}
