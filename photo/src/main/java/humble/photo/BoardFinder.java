package humble.photo;

import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;

/** Finds the board in a photo: of all pieces with four sides the one whose sides are edges. */
final class BoardFinder {
  private static final int SMALL_PX = 640;
  private static final double LEAST_SIDE = 0.45;
  private static final double NEARLY_ALL = 0.7;
  private static final double PLAIN_SIDE = 0.93;
  private static final int TRIED_CLOSELY = 3;

  private BoardFinder() {}

  /**
   * What was found.
   *
   * @param flat pieces whose edges are straight, but for the lens; the best first
   * @param bent the plainest piece with four edges, straight or not
   */
  record Pieces(List<EdgeFit.Fitted> flat, Optional<EdgeFit.Fitted> bent) {}

  /** Gives the best views, of a square of side 1, the best first; none where nothing is found. */
  static Pieces find(Photo photo, Watch watch) {
    Reduced small = Reduced.of(photo, SMALL_PX);
    List<EdgeFit.Fitted> tried = new ArrayList<>();
    List<EdgeFit.Fitted> bent = new ArrayList<>();
    int[] ways = {0};
    Quads.search(
        small,
        quads -> {
          for (List<Px> quad : quads) {
            Lens start = EdgeFit.through(photo, rising(quad));
            EdgeFit.Fitted fitted =
                EdgeFit.fit(photo, small, start, EdgeFit.Which.STRONGEST, 9, 4, 2.5);
            if (fitted.leastShare() >= LEAST_SIDE) {
              tried.add(fitted);
            }
            if (fitted.foundShare() >= NEARLY_ALL) {
              bent.add(fitted);
            }
          }
          ways[0]++;
          watch.at(0.06 * ways[0]);
          // Two ways have to have had their say: a part of the board may be told well, too.
          return ways[0] < 2
              || tried.stream().noneMatch(fitted -> fitted.leastShare() > PLAIN_SIDE);
        });
    watch.at(0.4);
    tried.sort(Comparator.comparingDouble(BoardFinder::worth).reversed());
    return new Pieces(
        List.copyOf(tried.subList(0, Math.min(TRIED_CLOSELY, tried.size()))),
        bent.stream().max(Comparator.comparingDouble(EdgeFit.Fitted::step)));
  }

  /** Sides that are edges all along, and strong ones; the whole board before a part of it. */
  static double worth(EdgeFit.Fitted fitted) {
    Lens lens = fitted.lens();
    double area = lens.pxPerMm(1, 1);
    return fitted.leastShare()
        * fitted.meanShare()
        * Math.sqrt(Math.min(90, fitted.step()))
        * Math.sqrt(area);
  }

  /** The same corners the other way round where they run clockwise for the eye. */
  static List<Px> rising(List<Px> quad) {
    double sum = 0;
    for (int i = 0; i < 4; i++) {
      Px a = quad.get(i);
      Px b = quad.get((i + 1) % 4);
      sum += a.x() * b.y() - b.x() * a.y();
    }
    if (sum <= 0) {
      return quad;
    }
    List<Px> back = new ArrayList<>(quad);
    Collections.reverse(back);
    return back;
  }
}
