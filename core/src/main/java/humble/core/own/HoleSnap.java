package humble.core.own;

import humble.core.kit.PackagePin;
import humble.core.kit.PartPackage;
import humble.core.kit.PointMm;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;

/**
 * Which hole a click means: one that was found on the board, else for the second hole of a part one
 * that its package would have there, else a point of the grid.
 */
public final class HoleSnap {
  /** Half a tenth of an inch: between the holes of most boards lies a whole number of these. */
  public static final double GRID_MM = 1.27;

  private static final double FOUND_MM = 1.0;
  private static final double PACKAGE_MM = 1.9;

  private HoleSnap() {}

  /**
   * Gives the hole that a click means.
   *
   * @param found holes that are known on the board
   */
  public static PointMm first(PointMm clicked, List<PointMm> found) {
    return nearest(clicked, found, FOUND_MM).orElseGet(() -> onGrid(clicked));
  }

  /**
   * Gives the second hole that a click means.
   *
   * @param first the hole clicked before
   * @param pack package of the part in hand
   * @param found holes that are known on the board
   */
  public static PointMm second(
      PointMm clicked, PointMm first, PartPackage pack, List<PointMm> found) {
    return nearest(clicked, found, FOUND_MM)
        .or(() -> nearest(clicked, far(first, pack), PACKAGE_MM))
        .orElseGet(() -> onGrid(clicked, first));
  }

  private static Optional<PointMm> nearest(PointMm to, List<PointMm> points, double within) {
    return points.stream()
        .filter(point -> point.distanceMm(to) <= within)
        .min(Comparator.comparingDouble(point -> point.distanceMm(to)));
  }

  private static PointMm onGrid(PointMm at) {
    return new PointMm(onGrid(at.xMm()), onGrid(at.yMm()));
  }

  /** The grid that the first hole lies on goes on from there. */
  private static PointMm onGrid(PointMm at, PointMm from) {
    PointMm way = onGrid(at.minus(from));
    PointMm sum = from.plus(way);
    return new PointMm(rounded(sum.xMm()), rounded(sum.yMm()));
  }

  private static double onGrid(double mm) {
    return rounded(Math.round(mm / GRID_MM) * GRID_MM);
  }

  private static double rounded(double mm) {
    return Math.round(mm * 1000) / 1000.0;
  }

  /** Where the far pin would be with the part straight on the board, either side up. */
  private static List<PointMm> far(PointMm first, PartPackage pack) {
    List<PointMm> far = new ArrayList<>();
    double longest = 0;
    for (PackagePin a : pack.pins()) {
      for (PackagePin b : pack.pins()) {
        double span = a.at().distanceMm(b.at());
        if (span > longest + 0.01) {
          longest = span;
          far.clear();
        }
        if (span > longest - 0.01 && span > 0) {
          for (int turn = 0; turn < 360; turn += 90) {
            PointMm at = first.plus(b.at().minus(a.at()).turned(turn));
            far.add(new PointMm(rounded(at.xMm()), rounded(at.yMm())));
          }
        }
      }
    }
    return far;
  }
}
