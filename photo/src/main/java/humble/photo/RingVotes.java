package humble.photo;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;

/**
 * Where round things may be that are darker or lighter than their rim: every edge votes for the
 * middle that lies one radius to one side of it.
 */
final class RingVotes {
  private static final double LEAST_RADIUS_MM = 0.26;
  private static final double MOST_RADIUS_MM = 2.0;
  private static final double NEXT = 1.2;
  private static final float LEAST_SHARE = 0.3f;

  /** Larger circles are voted for on a raster half as fine. */
  private static final double COARSE_PX = 8;

  private static final double LEAST_EDGE = 5;
  private static final double SHARE_OF_MEAN = 1.1;

  private final Flat flat;

  /** Edges: where they are, and the unit way from dark to light. */
  private final float[] x;

  private final float[] y;
  private final float[] toLightX;
  private final float[] toLightY;
  private final float[][] fine;
  private final float[][] coarse;

  private RingVotes(Flat flat, float[] x, float[] y, float[] toLightX, float[] toLightY) {
    this.flat = flat;
    this.x = x;
    this.y = y;
    this.toLightX = toLightX;
    this.toLightY = toLightY;
    this.fine = new float[2][flat.width() * flat.height()];
    this.coarse = new float[2][(flat.width() / 2 + 1) * (flat.height() / 2 + 1)];
  }

  /** A middle in places of the raster, with a radius to begin with. */
  record Vote(double x, double y, double radiusPx, double share) {}

  /** Finds the edges of a straightened board. */
  static RingVotes of(Flat flat) {
    int width = flat.width();
    int height = flat.height();
    float[] gx = new float[width * height];
    float[] gy = new float[width * height];
    double sum = 0;
    float[] light = flat.light();
    for (int row = 1; row < height - 1; row++) {
      float line = 0;
      for (int at = row * width + 1; at < row * width + width - 1; at++) {
        float a = light[at - width - 1];
        float c = light[at - width + 1];
        float g = light[at + width - 1];
        float i = light[at + width + 1];
        float dx = (3 * (c - a + i - g) + 10 * (light[at + 1] - light[at - 1])) / 32;
        float dy = (3 * (g - a + i - c) + 10 * (light[at + width] - light[at - width])) / 32;
        gx[at] = dx;
        gy[at] = dy;
        line += Math.abs(dx) + Math.abs(dy);
      }
      sum += line;
    }
    double least = Math.max(LEAST_EDGE, SHARE_OF_MEAN * sum / (width * (double) height));
    float square = (float) (least * least);
    int count = 0;
    for (int i = 0; i < gx.length; i++) {
      if (gx[i] * gx[i] + gy[i] * gy[i] > square) {
        count++;
      }
    }
    float[][] edges = new float[4][count];
    int to = 0;
    for (int row = 1; row < height - 1; row++) {
      for (int column = 1; column < width - 1; column++) {
        int at = row * width + column;
        float size = gx[at] * gx[at] + gy[at] * gy[at];
        if (size > square) {
          float length = (float) Math.sqrt(size);
          edges[0][to] = column;
          edges[1][to] = row;
          edges[2][to] = gx[at] / length;
          edges[3][to] = gy[at] / length;
          to++;
        }
      }
    }
    return new RingVotes(flat, edges[0], edges[1], edges[2], edges[3]);
  }

  /** Gives the middles of what is darker than its rim. */
  List<Vote> dark() {
    return votes(-1, LEAST_RADIUS_MM);
  }

  /** Gives the middles of what is lighter than its rim, from a radius on. */
  List<Vote> light(double leastMm) {
    return votes(1, Math.max(LEAST_RADIUS_MM, leastMm));
  }

  private List<Vote> votes(float sign, double leastMm) {
    List<Vote> votes = new ArrayList<>();
    for (double mm = leastMm; mm < MOST_RADIUS_MM; mm *= NEXT) {
      double radius = mm * flat.perMm();
      if (radius < COARSE_PX) {
        level(sign * (float) radius, radius, 1, fine, votes);
      } else {
        level(sign * (float) radius, radius, 2, coarse, votes);
      }
    }
    return votes;
  }

  private void level(float way, double radius, int step, float[][] buffers, List<Vote> votes) {
    int width = flat.width() / step;
    int height = flat.height() / step;
    float[] sum = buffers[0];
    Arrays.fill(sum, 0);
    float half = 0.5f / step;
    float share = 1f / step;
    for (int i = 0; i < x.length; i++) {
      int px = (int) ((x[i] + way * toLightX[i]) * share + half);
      int py = (int) ((y[i] + way * toLightY[i]) * share + half);
      if (px > 1 && py > 1 && px < width - 2 && py < height - 2) {
        sum[py * width + px]++;
      }
    }
    int spread = radius / step > 9 ? 2 : 1;
    float[] smooth = buffers[1];
    boxed(sum, smooth, width, height, spread);
    // An edge is two to three pixels wide in a photo; twice its length is a full set of votes.
    float full = (float) (2 * Math.PI * radius * 2);
    int near = Math.max(2, (int) (radius / step * 0.6));
    float least = LEAST_SHARE * full;
    for (int row = near; row < height - near; row++) {
      for (int column = near; column < width - near; column++) {
        float value = smooth[row * width + column];
        if (value > least && isPeak(smooth, width, column, row, near)) {
          votes.add(new Vote((column + 0.5) * step, (row + 0.5) * step, radius, value / full));
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

  /** Sums of squares of votes; few votes are spread over many pixels, so that zeros are skipped. */
  private static void boxed(float[] values, float[] into, int width, int height, int spread) {
    Arrays.fill(into, 0);
    for (int row = spread; row < height - spread; row++) {
      for (int column = spread; column < width - spread; column++) {
        float value = values[row * width + column];
        if (value != 0) {
          for (int dy = -spread; dy <= spread; dy++) {
            int at = (row + dy) * width + column;
            for (int dx = -spread; dx <= spread; dx++) {
              into[at + dx] += value;
            }
          }
        }
      }
    }
  }
}
