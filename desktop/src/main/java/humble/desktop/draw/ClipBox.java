package humble.desktop.draw;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * A rectangle that shapes and lines are cut to by arithmetic: a software renderer that is told to
 * clip paints through a mask, which costs it many frames.
 */
record ClipBox(double left, double top, double right, double bottom) {
  /** Tells whether a rectangle lies wholly inside. */
  boolean holds(double x1, double y1, double x2, double y2) {
    return x1 >= left && y1 >= top && x2 <= right && y2 <= bottom;
  }

  /** Tells whether a rectangle lies wholly outside. */
  boolean misses(double x1, double y1, double x2, double y2) {
    return x2 <= left || x1 >= right || y2 <= top || y1 >= bottom;
  }

  /** Gives the part of a line that lies inside (Liang, Barsky 1984). */
  Optional<double[]> line(double x1, double y1, double x2, double y2) {
    double dx = x2 - x1;
    double dy = y2 - y1;
    double[] p = {-dx, dx, -dy, dy};
    double[] q = {x1 - left, right - x1, y1 - top, bottom - y1};
    double from = 0;
    double to = 1;
    for (int i = 0; i < p.length; i++) {
      if (p[i] == 0) {
        if (q[i] < 0) {
          return Optional.empty();
        }
      } else if (p[i] < 0) {
        from = Math.max(from, q[i] / p[i]);
      } else {
        to = Math.min(to, q[i] / p[i]);
      }
    }
    return from > to
        ? Optional.empty()
        : Optional.of(new double[] {x1 + from * dx, y1 + from * dy, x1 + to * dx, y1 + to * dy});
  }

  /** Gives the part of a closed shape that lies inside (Sutherland, Hodgman 1974). */
  List<double[]> shape(List<double[]> points) {
    List<double[]> cut = points;
    for (int side = 0; side < 4 && !cut.isEmpty(); side++) {
      List<double[]> next = new ArrayList<>();
      for (int i = 0; i < cut.size(); i++) {
        double[] a = cut.get(i);
        double[] b = cut.get((i + 1) % cut.size());
        double insideA = inside(a, side);
        double insideB = inside(b, side);
        if (insideA >= 0) {
          next.add(a);
        }
        if (insideA >= 0 != insideB >= 0) {
          double share = insideA / (insideA - insideB);
          next.add(new double[] {a[0] + share * (b[0] - a[0]), a[1] + share * (b[1] - a[1])});
        }
      }
      cut = next;
    }
    return cut;
  }

  private double inside(double[] point, int side) {
    return switch (side) {
      case 0 -> point[0] - left;
      case 1 -> right - point[0];
      case 2 -> point[1] - top;
      default -> bottom - point[1];
    };
  }
}
