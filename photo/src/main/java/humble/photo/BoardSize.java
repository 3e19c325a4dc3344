package humble.photo;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;

/** A size of board, and what a view of it shows. */
record BoardSize(double widthMm, double heightMm) {
  private static final double MOST_PER_MM = 16;
  private static final double LEAST_PER_MM = 4;
  private static final double MOST_FLAT_PX = 2.2e6;

  Lens inMm(Lens square) {
    return square.over(new double[] {1 / widthMm, 0, 0, 0, 1 / heightMm, 0, 0, 0, 1});
  }

  /** The farthest that two views are apart at a corner. */
  double apartMm(Lens one, Lens other) {
    double far = 0;
    for (int i = 0; i < 4; i++) {
      Px a = one.seen(EdgeFit.cornerX(i), EdgeFit.cornerY(i));
      far = Math.max(far, a.distance(other.seen(EdgeFit.cornerX(i), EdgeFit.cornerY(i))));
    }
    return far / inMm(one).pxPerMm(widthMm, heightMm);
  }

  /** The middle colours of what lies beside each edge. */
  private List<double[]> tables(Photo photo, Lens lens) {
    List<double[]> tables = new ArrayList<>();
    for (int side = 0; side < 4; side++) {
      int[][] values = new int[3][64];
      for (int i = 0; i < 64; i++) {
        double along = (i % 32 + 0.5) / 32;
        double out = i < 32 ? 1.5 : 2.5;
        double x = side % 2 == 0 ? along * widthMm : side == 1 ? widthMm + out : -out;
        double y = side % 2 == 1 ? along * heightMm : side == 2 ? heightMm + out : -out;
        Px at = lens.seen(x, y);
        int column = Math.clamp((int) at.x(), 0, photo.widthPx() - 1);
        int row = Math.clamp((int) at.y(), 0, photo.heightPx() - 1);
        int rgb = photo.rgb()[row * photo.widthPx() + column];
        values[0][i] = rgb >> 16;
        values[1][i] = rgb >> 8 & 255;
        values[2][i] = rgb & 255;
      }
      double[] middle = new double[3];
      for (int k = 0; k < 3; k++) {
        Arrays.sort(values[k]);
        middle[k] = values[k][32];
      }
      tables.add(middle);
    }
    return tables;
  }

  BoardSeen seen(Photo photo, Lens square, double rmsPx) {
    Lens lens = inMm(square);
    double seenPerMm = lens.pxPerMm(widthMm, heightMm);
    double perMm =
        Math.min(
            Math.clamp(seenPerMm, LEAST_PER_MM, MOST_PER_MM),
            Math.sqrt(MOST_FLAT_PX / (widthMm * heightMm)));
    Flat flat = Flat.of(photo, lens, widthMm, heightMm, perMm);
    return new BoardSeen(
        square, lens, flat, HoleFinder.find(flat, tables(photo, lens)), rmsPx / seenPerMm);
  }
}
