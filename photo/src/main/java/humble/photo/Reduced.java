package humble.photo;

import boofcv.alg.filter.blur.BlurImageOps;
import boofcv.struct.image.GrayF32;

/**
 * A photo made smaller by a whole factor: three planes from 0 to 255.
 *
 * @param factor pixels of the photo to a side of one here
 */
record Reduced(int factor, GrayF32 red, GrayF32 green, GrayF32 blue) {

  /** Makes a photo so small that its longer side has at most so many pixels. */
  static Reduced of(Photo photo, int mostPx) {
    int factor = Math.max(1, (Math.max(photo.widthPx(), photo.heightPx()) + mostPx - 1) / mostPx);
    int width = photo.widthPx() / factor;
    int height = photo.heightPx() / factor;
    Reduced small =
        new Reduced(
            factor,
            new GrayF32(width, height),
            new GrayF32(width, height),
            new GrayF32(width, height));
    int[] rgb = photo.rgb();
    float share = 1f / (factor * factor);
    for (int y = 0; y < height; y++) {
      for (int x = 0; x < width; x++) {
        int red = 0;
        int green = 0;
        int blue = 0;
        for (int dy = 0; dy < factor; dy++) {
          int at = (y * factor + dy) * photo.widthPx() + x * factor;
          for (int dx = 0; dx < factor; dx++, at++) {
            int pixel = rgb[at];
            red += pixel >> 16;
            green += pixel >> 8 & 255;
            blue += pixel & 255;
          }
        }
        int to = y * width + x;
        small.red.data[to] = red * share;
        small.green.data[to] = green * share;
        small.blue.data[to] = blue * share;
      }
    }
    return small;
  }

  int width() {
    return red.width;
  }

  int height() {
    return red.height;
  }

  Reduced blurred(double sigmaPx) {
    return new Reduced(
        factor, blurred(red, sigmaPx), blurred(green, sigmaPx), blurred(blue, sigmaPx));
  }

  private static GrayF32 blurred(GrayF32 plane, double sigmaPx) {
    return BlurImageOps.gaussian(plane, null, sigmaPx, -1, null);
  }

  /** Gives the colour at a place of the photo, between the pixels; false outside. */
  boolean at(double photoX, double photoY, float[] into) {
    double x = photoX / factor - 0.5;
    double y = photoY / factor - 0.5;
    if (!(x >= 0 && y >= 0 && x < width() - 1 && y < height() - 1)) {
      return false;
    }
    int ix = (int) x;
    int iy = (int) y;
    float ax = (float) (x - ix);
    float ay = (float) (y - iy);
    int at = iy * width() + ix;
    into[0] = between(red.data, at, ax, ay);
    into[1] = between(green.data, at, ax, ay);
    into[2] = between(blue.data, at, ax, ay);
    return true;
  }

  private float between(float[] data, int at, float ax, float ay) {
    float upper = data[at] + ax * (data[at + 1] - data[at]);
    int below = at + width();
    float lower = data[below] + ax * (data[below + 1] - data[below]);
    return upper + ay * (lower - upper);
  }
}
