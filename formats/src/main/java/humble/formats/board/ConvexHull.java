package humble.formats.board;

import humble.core.kit.PointMm;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;

/** The least outline without dents about points: Andrew's monotone chain. */
final class ConvexHull {
  private ConvexHull() {}

  /** Gives the corners counter-clockwise; fewer than three points are given as they are. */
  static List<PointMm> of(List<PointMm> points) {
    List<PointMm> sorted =
        points.stream()
            .distinct()
            .sorted(Comparator.comparingDouble(PointMm::xMm).thenComparingDouble(PointMm::yMm))
            .toList();
    if (sorted.size() < 3) {
      return sorted;
    }
    List<PointMm> hull = half(sorted);
    hull.addAll(half(sorted.reversed()));
    return hull;
  }

  /** One side, without its last point. */
  private static List<PointMm> half(List<PointMm> sorted) {
    List<PointMm> side = new ArrayList<>();
    for (PointMm p : sorted) {
      while (side.size() > 1 && turn(side.get(side.size() - 2), side.getLast(), p) <= 0) {
        side.removeLast();
      }
      side.add(p);
    }
    side.removeLast();
    return side;
  }

  private static double turn(PointMm a, PointMm b, PointMm c) {
    return (b.xMm() - a.xMm()) * (c.yMm() - a.yMm()) - (b.yMm() - a.yMm()) * (c.xMm() - a.xMm());
  }
}
