package humble.photo;

import java.util.ArrayList;
import java.util.List;

/**
 * Where round dark things may be: every edge votes for the middle that lies one radius into the
 * dark.
 */
final class RingVotes {
  private static final double LEAST_RADIUS_MM = 0.26;
  private static final double MOST_RADIUS_MM = 2.0;
  private static final double NEXT = 1.2;
  private static final float LEAST_SHARE = 0.3f;

  private RingVotes() {}

  /** A middle in places of the raster, with a radius to begin with. */
  record Vote(double x, double y, double radiusPx, double share) {}

  static List<Vote> of(Flat flat) {
    int width = flat.width();
    int height = flat.height();
    float[] light = flat.light();
    float[] gx = new float[width * height];
    float[] gy = new float[width * height];
    double sum = 0;
    for (int y = 1; y < height - 1; y++) {
      for (int x = 1; x < width - 1; x++) {
        int at = y * width + x;
        float a = light[at - width - 1];
        float c = light[at - width + 1];
        float g = light[at + width - 1];
        float i = light[at + width + 1];
        gx[at] = (3 * (c - a + i - g) + 10 * (light[at + 1] - light[at - 1])) / 32;
        gy[at] = (3 * (g - a + i - c) + 10 * (light[at + width] - light[at - width])) / 32;
        sum += Math.abs(gx[at]) + Math.abs(gy[at]);
      }
    }
    double least = Math.max(5, 1.1 * sum / (width * (double) height));
    int[] strong = strong(gx, gy, least);
    List<Vote> votes = new ArrayList<>();
    for (double mm = LEAST_RADIUS_MM; mm < MOST_RADIUS_MM; mm *= NEXT) {
      level(flat, gx, gy, strong, mm * flat.perMm(), votes);
    }
    return votes;
  }

  private static int[] strong(float[] gx, float[] gy, double least) {
    int count = 0;
    int[] strong = new int[gx.length];
    for (int i = 0; i < gx.length; i++) {
      if (gx[i] * gx[i] + gy[i] * gy[i] > least * least) {
        strong[count++] = i;
      }
    }
    return java.util.Arrays.copyOf(strong, count);
  }

  private static void level(
      Flat flat, float[] gx, float[] gy, int[] strong, double radius, List<Vote> votes) {
    int width = flat.width();
    int height = flat.height();
    float[] sum = new float[width * height];
    for (int at : strong) {
      double length = Math.sqrt(gx[at] * gx[at] + gy[at] * gy[at]);
      int x = (int) Math.round(at % width - radius * gx[at] / length);
      int y =
          (int)
              Math.round(
                  at / (double) width - 0.5 * (at % width) / width - radius * gy[at] / length);
      if (x > 1 && y > 1 && x < width - 2 && y < height - 2) {
        sum[y * width + x]++;
      }
    }
    int spread = radius > 9 ? 2 : 1;
    float[] smooth = boxed(sum, width, height, spread);
    // An edge is two to three pixels wide in a photo; twice its length is a full set of votes.
    float full = (float) (2 * Math.PI * radius * 2);
    int near = Math.max(2, (int) (radius * 0.6));
    for (int y = near; y < height - near; y++) {
      for (int x = near; x < width - near; x++) {
        float value = smooth[y * width + x];
        if (value > LEAST_SHARE * full && isPeak(smooth, width, x, y, near)) {
          votes.add(new Vote(x + 0.5, y + 0.5, radius, value / full));
        }
      }
    }
  }

  private static boolean isPeak(float[] values, int width, int x, int y, int near) {
    float value = values[y * width + x];
    for (int dy = -near; dy <= near; dy++) {
      for (int dx = -near; dx <= near; dx++) {
        float other = values[(y + dy) * width + x + dx];
        if (other > value || (other == value && (dy < 0 || (dy == 0 && dx < 0)))) {
          return false;
        }
      }
    }
    return true;
  }

  private static float[] boxed(float[] values, int width, int height, int spread) {
    float[] lines = new float[values.length];
    float[] both = new float[values.length];
    for (int y = 0; y < height; y++) {
      for (int x = spread; x < width - spread; x++) {
        float sum = 0;
        for (int d = -spread; d <= spread; d++) {
          sum += values[y * width + x + d];
        }
        lines[y * width + x] = sum;
      }
    }
    for (int y = spread; y < height - spread; y++) {
      for (int x = 0; x < width; x++) {
        float sum = 0;
        for (int d = -spread; d <= spread; d++) {
          sum += lines[(y + d) * width + x];
        }
        both[y * width + x] = sum;
      }
    }
    return both;
  }
}
