package humble.bench.camera;

import humble.core.kit.PointMm;
import java.util.ArrayList;
import java.util.List;

/**
 * Holes that were seen, held against those that were drawn.
 *
 * @param found within 0.3 mm of where they are
 * @param off seen, but farther off
 * @param invented where there is none
 */
public record HolesJudged(int holes, int found, int off, int invented, double worstMm) {
  private static final double NEAR_MM = 0.3;
  private static final double SAME_MM = 1.0;

  /** Judges; every hole that was seen stands for one at most. */
  public static HolesJudged of(BareBoard board, List<PointMm> seen) {
    List<PointMm> left = new ArrayList<>(seen);
    int found = 0;
    int off = 0;
    double worst = 0;
    for (BareBoard.Drilled hole : board.holes()) {
      PointMm best = null;
      for (PointMm at : left) {
        if (best == null || at.distanceMm(hole.at()) < best.distanceMm(hole.at())) {
          best = at;
        }
      }
      if (best != null && best.distanceMm(hole.at()) <= SAME_MM) {
        left.remove(best);
        double distance = best.distanceMm(hole.at());
        worst = Math.max(worst, distance);
        if (distance <= NEAR_MM) {
          found++;
        } else {
          off++;
        }
      }
    }
    return new HolesJudged(board.holes().size(), found, off, left.size(), worst);
  }
}
