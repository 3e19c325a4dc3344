package humble.photo;

import humble.core.kit.PointMm;
import humble.core.kit.SeenHole;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** What one view shows. */
record BoardSeen(Lens square, Lens lens, Flat flat, List<SeenHole> holes, double fitMm) {
  private static final double RASTER_MM = 1.27;
  private static final double NEAREST_MM = 2;
  private static final double FARTHEST_MM = 16;
  private static final double IN_LINE = 0.01;
  private static final double MOST_OFF_MM = 0.3;

  /**
   * How far the holes would be from the raster that most parts have, were this board seen through
   * another view; 1 where too few are in rows to tell.
   */
  double rasterOff(Lens other) {
    List<PointMm> there =
        holes.stream()
            .map(hole -> other.board(lens.seen(hole.at().xMm(), hole.at().yMm())))
            .toList();
    return Math.hypot(rasterOff(there, true), rasterOff(there, false));
  }

  /** The mean distance of neighbours in one line from whole numbers of half a tenth of an inch. */
  private static double rasterOff(List<PointMm> holes, boolean across) {
    double sum = 0;
    int count = 0;
    for (PointMm a : holes) {
      for (PointMm b : holes) {
        double along = across ? b.xMm() - a.xMm() : b.yMm() - a.yMm();
        double beside = across ? b.yMm() - a.yMm() : b.xMm() - a.xMm();
        if (along > NEAREST_MM
            && along < FARTHEST_MM
            && Math.abs(beside) < IN_LINE * along + 0.02) {
          double steps = along / RASTER_MM;
          sum += Math.min(MOST_OFF_MM, Math.abs(steps - Math.rint(steps)) * RASTER_MM);
          count++;
        }
      }
    }
    return count < 4 ? 1 : sum / count;
  }

  Straightening.Straightened told(List<Integer> open, boolean fits) {
    List<Px> corners = new ArrayList<>();
    for (int i = 0; i < 4; i++) {
      corners.add(square.seen(EdgeFit.cornerX(i), EdgeFit.cornerY(i)));
    }
    return new Straightening.Straightened(
        List.copyOf(corners),
        fits ? Optional.of(fitMm) : Optional.empty(),
        holes,
        open,
        flat.image(),
        flat.perMm(),
        at -> lens.seen(at.xMm(), at.yMm()),
        lens::board);
  }
}
