package humble.bench.camera;

import humble.core.kit.PointMm;
import java.awt.image.BufferedImage;
import java.util.Random;

/** A simulated photo of a bare board, and what is in it: by number, the same every time. */
public record TakenPhoto(BareBoard board, Pose pose, BufferedImage image) {
  private static final double LEAST_PER_MM = 12.05;

  /**
   * Takes one with the bench camera: tilt to 35°, bend to 2 %, uneven light, noise, clutter, at
   * least 12 pixels a millimetre everywhere.
   */
  public static TakenPhoto bench(int number) {
    Random random = new Random(7919L * number + 17);
    double width = 40 + random.nextDouble() * 70;
    double height = 30 + random.nextDouble() * 50;
    BareBoard board = BoardDraw.of(random, width, height);
    double perMm = 13.5 + random.nextDouble() * 5;
    double tilt = random.nextDouble() * 35;
    double about = random.nextDouble() * 2 * Math.PI;
    double turned =
        random.nextInt(3) == 0
            ? (random.nextDouble() - 0.5) * 60
            : (random.nextDouble() - 0.5) * 16;
    double bend = (random.nextDouble() * 2 - 1) * 0.02;
    Pose pose =
        framed(
            board,
            tilt * Math.cos(about),
            tilt * Math.sin(about),
            turned,
            perMm,
            bend,
            1.0 + random.nextDouble(),
            random);
    BenchCamera.Shot shot =
        new BenchCamera.Shot(
            pose,
            random.nextLong(),
            0.005 + random.nextDouble() * 0.02,
            random.nextDouble() * 0.45,
            random.nextInt(14));
    return new TakenPhoto(board, pose, BenchCamera.photo(board, shot));
  }

  /** Takes one with the table camera, under the same limits. */
  public static TakenPhoto table(int number, TableCamera.Style style) {
    Random random = new Random(104729L * number + 5 + style.ordinal());
    double width = 35 + random.nextDouble() * 80;
    double height = 30 + random.nextDouble() * 55;
    BareBoard board = BoardDraw.of(random, width, height);
    double tilt = random.nextDouble() * 35;
    double about = random.nextDouble() * 2 * Math.PI;
    Pose pose =
        framed(
            board,
            tilt * Math.cos(about),
            tilt * Math.sin(about),
            (random.nextDouble() - 0.5) * 40,
            13.5 + random.nextDouble() * 6,
            0,
            0.9 + random.nextDouble(),
            random);
    double half = Math.hypot(pose.widthPx(), pose.heightPx()) / 2;
    PointMm[] corners = new PointMm[4];
    for (int i = 0; i < 4; i++) {
      PointMm at = pose.seen(i == 1 || i == 2 ? width : 0, i >= 2 ? height : 0);
      corners[i] =
          new PointMm(
              (at.xMm() - pose.widthPx() / 2.0) / half, (at.yMm() - pose.heightPx() / 2.0) / half);
    }
    double bend = (random.nextDouble() * 2 - 1) * 0.02;
    return new TakenPhoto(
        board,
        pose,
        TableCamera.photo(
            board, corners, pose.widthPx(), pose.heightPx(), bend, random.nextLong(), style));
  }

  private static Pose framed(
      BareBoard board,
      double across,
      double along,
      double turned,
      double perMm,
      double bend,
      double focal,
      Random random) {
    double w = board.widthMm();
    double h = board.heightMm();
    double margin = 30 + random.nextDouble() * 120;
    int width = 1000;
    int height = 800;
    Pose pose =
        new Pose(width, height, across, along, turned, perMm, focal * width, bend, w / 2, h / 2);
    double least = 0;
    for (int pass = 0; pass < 6; pass++) {
      double focalPx = focal * Math.max(width, height);
      pose = new Pose(width, height, across, along, turned, perMm, focalPx, bend, w / 2, h / 2);
      double left = 1e9;
      double right = -1e9;
      double top = 1e9;
      double bottom = -1e9;
      least = 1e9;
      for (int i = 0; i <= 8; i++) {
        for (int j = 0; j <= 8; j++) {
          PointMm at = pose.seen(w * i / 8, h * j / 8);
          PointMm next = pose.seen(w * i / 8 + 0.1, h * j / 8);
          PointMm up = pose.seen(w * i / 8, h * j / 8 + 0.1);
          least = Math.min(least, 10 * Math.min(at.distanceMm(next), at.distanceMm(up)));
          left = Math.min(left, at.xMm());
          right = Math.max(right, at.xMm());
          top = Math.min(top, at.yMm());
          bottom = Math.max(bottom, at.yMm());
        }
      }
      width = (int) (2 * Math.max(width / 2.0 - left, right - width / 2.0) + 2 * margin);
      height = (int) (2 * Math.max(height / 2.0 - top, bottom - height / 2.0) + 2 * margin);
      perMm *= Math.max(1, LEAST_PER_MM / least);
    }
    return pose;
  }
}
