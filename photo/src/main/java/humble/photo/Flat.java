package humble.photo;

import java.awt.image.BufferedImage;

/**
 * The board seen straight from above: lightness and colour on a raster of its own.
 *
 * @param perMm pixels a millimetre
 * @param rgb {@code 0xRRGGBB}, upper line first
 * @param light lightness from 0 to 255
 */
record Flat(int width, int height, double perMm, int[] rgb, float[] light) {

  /** Straightens a photo; every pixel between the four that surround it. */
  static Flat of(Photo photo, Lens lens, double widthMm, double heightMm, double perMm) {
    int width = (int) Math.round(widthMm * perMm);
    int height = (int) Math.round(heightMm * perMm);
    int[] rgb = new int[width * height];
    float[] light = new float[width * height];
    int[] from = photo.rgb();
    int wide = photo.widthPx();
    int high = photo.heightPx();
    // The view bends slowly: exact every few pixels, straight between them.
    int mesh = 8;
    for (int row = 0; row < height; row++) {
      double y = heightMm - (row + 0.5) / perMm;
      for (int start = 0; start < width; start += mesh) {
        int count = Math.min(mesh, width - start);
        Px a = lens.seen((start + 0.5) / perMm, y);
        Px b = lens.seen((start + mesh + 0.5) / perMm, y);
        double dx = (b.x() - a.x()) / mesh;
        double dy = (b.y() - a.y()) / mesh;
        for (int i = 0; i < count; i++) {
          double px = a.x() + i * dx - 0.5;
          double py = a.y() + i * dy - 0.5;
          int to = row * width + start + i;
          int ix = (int) px;
          int iy = (int) py;
          if (px < 0 || py < 0 || ix >= wide - 1 || iy >= high - 1) {
            continue;
          }
          int ax = (int) ((px - ix) * 256);
          int ay = (int) ((py - iy) * 256);
          int at = iy * wide + ix;
          int value =
              blend(
                  blend(from[at], from[at + 1], ax),
                  blend(from[at + wide], from[at + wide + 1], ax),
                  ay);
          rgb[to] = value;
          light[to] = 0.299f * (value >> 16) + 0.587f * (value >> 8 & 255) + 0.114f * (value & 255);
        }
      }
    }
    return new Flat(width, height, perMm, rgb, light);
  }

  private static int blend(int a, int b, int share) {
    int outer = a & 0xff00ff;
    int inner = a & 0x00ff00;
    int mixed =
        (outer + (((b & 0xff00ff) - outer) * share >> 8)) & 0xff00ff
            | (inner + (((b & 0x00ff00) - inner) * share >> 8)) & 0x00ff00;
    return mixed;
  }

  BufferedImage image() {
    BufferedImage image = new BufferedImage(width, height, BufferedImage.TYPE_INT_RGB);
    image.setRGB(0, 0, width, height, rgb, 0, width);
    return image;
  }

  /** The same with light and dark exchanged; the colours stay. */
  Flat inverted() {
    float[] other = new float[light.length];
    for (int i = 0; i < other.length; i++) {
      other[i] = 255 - light[i];
    }
    return new Flat(width, height, perMm, rgb, other);
  }

  int colourAt(double x, double y) {
    return rgb[Math.clamp((int) y, 0, height - 1) * width + Math.clamp((int) x, 0, width - 1)];
  }

  /** Gives the lightness at a place of the raster, between its pixels; the rim goes on outside. */
  float lightAt(double x, double y) {
    // Asked for some million times a photo: plain comparisons, which the quick compiler keeps fast.
    float fx = (float) (x - 0.5);
    float fy = (float) (y - 0.5);
    float mostX = width - 1.01f;
    float mostY = height - 1.01f;
    fx = fx < 0 ? 0 : fx > mostX ? mostX : fx;
    fy = fy < 0 ? 0 : fy > mostY ? mostY : fy;
    int ix = (int) fx;
    int iy = (int) fy;
    float ax = fx - ix;
    float ay = fy - iy;
    int at = iy * width + ix;
    float upper = light[at] + ax * (light[at + 1] - light[at]);
    float lower = light[at + width] + ax * (light[at + width + 1] - light[at + width]);
    return upper + ay * (lower - upper);
  }
}
