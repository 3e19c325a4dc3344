package humble.bench.camera;

import humble.core.kit.PointMm;
import java.awt.image.BufferedImage;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;

/**
 * Takes simulated photos of a bare board: seen at a tilt through a lens that bends, in uneven
 * light, with noise, among what else lies on a bench.
 */
public final class BenchCamera {
  private static final float[][] MASKS = {
    {0.06f, 0.36f, 0.18f}, {0.08f, 0.09f, 0.10f}, {0.55f, 0.07f, 0.09f},
    {0.06f, 0.15f, 0.45f}, {0.86f, 0.87f, 0.85f}, {0.30f, 0.10f, 0.38f}
  };
  private static final float[][] TABLES = {
    {0.62f, 0.47f, 0.31f}, {0.90f, 0.89f, 0.86f}, {0.33f, 0.34f, 0.36f}, {0.42f, 0.26f, 0.16f}
  };
  private static final float[][] PADS = {
    {0.85f, 0.70f, 0.32f}, {0.74f, 0.75f, 0.76f}, {0.80f, 0.50f, 0.34f}
  };

  private BenchCamera() {}

  /**
   * How a photo is taken.
   *
   * @param seed what of chance is in it: colours, light, noise, clutter
   */
  public record Shot(Pose pose, long seed, double noise, double uneven, int clutter) {}

  /** Gives the picture. */
  public static BufferedImage photo(BareBoard board, Shot shot) {
    Random random = new Random(shot.seed());
    int maskIndex = random.nextInt(MASKS.length);
    float[] mask = MASKS[maskIndex];
    int tableIndex = random.nextInt(TABLES.length);
    // A board in the colour of the table it lies on is not photographed by anybody twice.
    if (far(mask, TABLES[tableIndex]) < 0.35) {
      tableIndex = maskIndex == 4 ? 2 : 1;
    }
    float[] table = TABLES[tableIndex];
    boolean light = maskIndex == 4;
    float[] covered = new float[3];
    for (int i = 0; i < 3; i++) {
      covered[i] = light ? mask[i] * 0.93f : Math.min(1, mask[i] * 1.25f + 0.03f);
    }
    float[] print = light ? new float[] {0.1f, 0.1f, 0.1f} : new float[] {0.88f, 0.88f, 0.86f};
    float[] hole = {0.05f, 0.05f, 0.05f};
    Surface surface =
        new Surface(
            board,
            new Surface.Paint(mask, covered, print, PADS[random.nextInt(PADS.length)], hole),
            32);
    Table around = new Table(board, table, random, shot.clutter());
    return taken(board, shot, surface, around, random);
  }

  private static double far(float[] a, float[] b) {
    double sum = 0;
    for (int i = 0; i < 3; i++) {
      sum += (a[i] - b[i]) * (a[i] - b[i]);
    }
    return Math.sqrt(sum);
  }

  private static BufferedImage taken(
      BareBoard board, Shot shot, Surface surface, Table around, Random random) {
    Pose pose = shot.pose();
    double[][] rotation = pose.rotation();
    double way = random.nextDouble() * 2 * Math.PI;
    double[] at = new double[2];
    float[] colour = new float[3];
    float[] sum = new float[3];
    BufferedImage image =
        new BufferedImage(pose.widthPx(), pose.heightPx(), BufferedImage.TYPE_INT_RGB);
    int[] line = new int[pose.widthPx()];
    for (int row = 0; row < pose.heightPx(); row++) {
      for (int column = 0; column < pose.widthPx(); column++) {
        sum[0] = 0;
        sum[1] = 0;
        sum[2] = 0;
        for (int part = 0; part < 4; part++) {
          pose.board(
              column + 0.25 + 0.5 * (part & 1), row + 0.25 + 0.5 * (part >> 1), rotation, at);
          if (at[0] >= 0 && at[1] >= 0 && at[0] <= board.widthMm() && at[1] <= board.heightMm()) {
            surface.at(at[0], at[1], colour);
          } else {
            around.at(at[0], at[1], colour);
          }
          for (int i = 0; i < 3; i++) {
            sum[i] += colour[i] / 4;
          }
        }
        double u = (column - pose.widthPx() / 2.0) / pose.halfPx();
        double v = (row - pose.heightPx() / 2.0) / pose.halfPx();
        double lit =
            1
                + shot.uneven() * (u * Math.cos(way) + v * Math.sin(way))
                - 0.5 * shot.uneven() * (u * u + v * v);
        int rgb = 0;
        for (int i = 0; i < 3; i++) {
          double value = sum[i] * lit + shot.noise() * random.nextGaussian();
          rgb = rgb << 8 | (int) Math.clamp(Math.round(255 * value), 0, 255);
        }
        line[column] = rgb;
      }
      image.setRGB(0, row, pose.widthPx(), 1, line, 0, pose.widthPx());
    }
    return image;
  }

  /** The table: grain, and things that lie about, none of them on the board. */
  private static final class Table {
    private final float[] ground;
    private final double grain;
    private final double turn;
    private final List<float[]> colours = new ArrayList<>();
    private final List<double[]> boxes = new ArrayList<>();

    Table(BareBoard board, float[] ground, Random random, int things) {
      this.ground = ground;
      this.grain = 0.04 * random.nextDouble();
      this.turn = random.nextDouble() * Math.PI;
      for (int i = 0; i < things; i++) {
        PointMm at =
            new PointMm(
                board.widthMm() * (random.nextDouble() * 2 - 0.5),
                board.heightMm() * (random.nextDouble() * 2 - 0.5));
        double half = 2 + random.nextDouble() * 9;
        double long1 = random.nextInt(3) == 0 ? half * 5 : half;
        double reach = Math.hypot(half, long1) + 1;
        if (at.xMm() < -reach
            || at.yMm() < -reach
            || at.xMm() > board.widthMm() + reach
            || at.yMm() > board.heightMm() + reach) {
          double angle = random.nextDouble() * Math.PI;
          boxes.add(
              new double[] {
                at.xMm(), at.yMm(), Math.cos(angle), Math.sin(angle), long1, half, random.nextInt(2)
              });
          colours.add(new float[] {random.nextFloat(), random.nextFloat(), random.nextFloat()});
        }
      }
    }

    void at(double x, double y, float[] into) {
      double along = x * Math.cos(turn) + y * Math.sin(turn);
      double across = y * Math.cos(turn) - x * Math.sin(turn);
      float wave =
          (float)
              (grain
                  * (Math.sin(across * 2.1 + 0.4 * Math.sin(along * 0.17))
                      + 0.5 * Math.sin(across * 5.3)));
      for (int i = 0; i < 3; i++) {
        into[i] = ground[i] + wave;
      }
      for (int i = 0; i < boxes.size(); i++) {
        double[] box = boxes.get(i);
        double dx = x - box[0];
        double dy = y - box[1];
        double p = (dx * box[2] + dy * box[3]) / box[4];
        double q = (dy * box[2] - dx * box[3]) / box[5];
        if (box[6] == 0 ? Math.max(Math.abs(p), Math.abs(q)) < 1 : p * p + q * q < 1) {
          System.arraycopy(colours.get(i), 0, into, 0, 3);
        }
      }
    }
  }
}
