package humble.formats.board;

import humble.core.kit.PointMm;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * Arcs as short lines.
 *
 * @param clockwise whether it runs clockwise, as G02 does
 * @param manyQuadrants whether it may run all round; else it is at most a quarter, and the offsets
 *     of its centre come without signs
 */
record GerberArc(boolean clockwise, boolean manyQuadrants) {
  private static final double STEP_RAD = Math.PI / 24;

  /** How far a chord may lie within its arc, and the finest steps that are taken for it. */
  private static final double SAGITTA_MM = 0.002;

  private static final double LEAST_STEP_RAD = Math.PI / 360;
  private static final double SAME = 1e-9;

  /**
   * Gives the corners from {@code from} to {@code to}, both included; empty when no quarter leads
   * from one to the other.
   *
   * @param i offset of the centre from the start along x, in millimetres
   * @param j the same along y
   */
  Optional<List<PointMm>> corners(PointMm from, PointMm to, double i, double j) {
    Optional<PointMm> centre =
        manyQuadrants ? Optional.of(from.plus(new PointMm(i, j))) : quarter(from, to, i, j);
    return centre.map(about -> corners(from, to, about));
  }

  private List<PointMm> corners(PointMm from, PointMm to, PointMm centre) {
    double radius = from.distanceMm(centre);
    double start = angle(centre, from);
    double sweep = angle(centre, to) - start;
    if (clockwise && sweep >= -SAME) {
      sweep -= 2 * Math.PI;
    }
    if (!clockwise && sweep <= SAME) {
      sweep += 2 * Math.PI;
    }
    if (from.distanceMm(to) < SAME && !manyQuadrants) {
      sweep = 0;
    }
    double step =
        radius <= SAGITTA_MM
            ? STEP_RAD
            : Math.clamp(2 * Math.acos(1 - SAGITTA_MM / radius), LEAST_STEP_RAD, STEP_RAD);
    int steps = Math.max(1, (int) Math.ceil(Math.abs(sweep) / step - SAME));
    List<PointMm> points = new ArrayList<>();
    points.add(from);
    for (int k = 1; k < steps; k++) {
      double angle = start + sweep * k / steps;
      points.add(
          new PointMm(
              centre.xMm() + radius * Math.cos(angle), centre.yMm() + radius * Math.sin(angle)));
    }
    points.add(to);
    return points;
  }

  private static double angle(PointMm centre, PointMm at) {
    return Math.atan2(at.yMm() - centre.yMm(), at.xMm() - centre.xMm());
  }

  /** Of the four centres that the offsets may mean, the one whose quarter fits best. */
  private Optional<PointMm> quarter(PointMm from, PointMm to, double i, double j) {
    PointMm best = null;
    double least = Double.MAX_VALUE;
    for (int signs = 0; signs < 4; signs++) {
      PointMm centre = from.plus(new PointMm((signs & 1) == 0 ? i : -i, (signs & 2) == 0 ? j : -j));
      double turn = angle(centre, to) - angle(centre, from);
      double sweep = clockwise ? -turn : turn;
      sweep = sweep < -SAME ? sweep + 2 * Math.PI : sweep;
      double off = Math.abs(from.distanceMm(centre) - to.distanceMm(centre));
      if (sweep <= Math.PI / 2 + 1e-3 && off < least) {
        least = off;
        best = centre;
      }
    }
    return Optional.ofNullable(best);
  }
}
