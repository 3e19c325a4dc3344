package humble.photo;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;

/**
 * Which corner is the lower left: the sides tell which is the width, so far as they differ; of what
 * is left the one that is upright for the eye is taken.
 *
 * @param turn quarter turns from the view given
 * @param open further turns, in degrees, that fit as well
 */
record Lying(int turn, List<Integer> open) {
  private static final double ALIKE = 0.03;

  /** In units of half the diagonal: the wide lens of a telephone, from which photos are cut. */
  private static final double USUAL_FOCAL = 1.6;

  static Lying of(Lens square, double widthMm, double heightMm) {
    double asIs = unlike(square, widthMm, heightMm);
    double across = unlike(turned(square, 1), widthMm, heightMm);
    List<Integer> may = new ArrayList<>();
    for (int turn = 0; turn < 4; turn++) {
      double off = turn % 2 == 0 ? asIs : across;
      if (off <= Math.min(asIs, across) + ALIKE) {
        may.add(turn);
      }
    }
    may.sort(
        Comparator.comparingDouble((Integer turn) -> upright(turned(square, turn))).reversed());
    int best = may.get(0);
    return new Lying(
        best,
        may.stream().skip(1).map(turn -> Math.floorMod(turn - best, 4) * 90).sorted().toList());
  }

  /** The view with the lower left at the next corner, so many times. */
  static Lens turned(Lens square, int quarters) {
    return switch (quarters) {
      case 0 -> square;
      case 1 -> square.over(new double[] {0, -1, 1, 1, 0, 0, 0, 0, 1});
      case 2 -> square.over(new double[] {-1, 0, 1, 0, -1, 1, 0, 0, 1});
      case 3 -> square.over(new double[] {0, 1, 0, -1, 0, 1, 0, 0, 1});
      default -> throw new IllegalArgumentException("quarters " + quarters);
    };
  }

  static double upright(Lens square) {
    Px low = square.seen(0.5, 0.3);
    Px high = square.seen(0.5, 0.7);
    return (low.y() - high.y()) / low.distance(high);
  }

  /** How far from a pinhole with square pixels this would be; any usual focal length will do. */
  private static double unlike(Lens square, double widthMm, double heightMm) {
    double[] h = square.h();
    double least = Double.MAX_VALUE;
    // In units of half the diagonal: from a wide lens to a long one.
    for (double focal = 0.9; focal < 9; focal *= 1.12) {
      double[] a = {h[0] / widthMm / focal, h[3] / widthMm / focal, h[6] / widthMm};
      double[] b = {h[1] / heightMm / focal, h[4] / heightMm / focal, h[7] / heightMm};
      double aa = dot(a, a);
      double bb = dot(b, b);
      double skew = dot(a, b) / Math.sqrt(aa * bb);
      double stretch = 0.5 * Math.log(aa / bb);
      least = Math.min(least, Math.hypot(skew, stretch));
    }
    return least;
  }

  /**
   * The width in heights that makes the sides stand square, for the focal length that fits best.
   */
  static double proportion(Lens square) {
    double[] h = square.h();
    double least = Double.MAX_VALUE;
    double proportion = 1;
    for (double focal = 0.9; focal < 9; focal *= 1.12) {
      double[] a = {h[0] / focal, h[3] / focal, h[6]};
      double[] b = {h[1] / focal, h[4] / focal, h[7]};
      double skew = Math.abs(dot(a, b)) / Math.sqrt(dot(a, a) * dot(b, b));
      // Seen from straight above every focal length will do: then a usual one.
      double rare = 0.002 * Math.abs(Math.log(focal / USUAL_FOCAL));
      if (skew + rare < least) {
        least = skew + rare;
        proportion = Math.sqrt(dot(a, a) / dot(b, b));
      }
    }
    return proportion;
  }

  private static double dot(double[] a, double[] b) {
    return a[0] * b[0] + a[1] * b[1] + a[2] * b[2];
  }
}
