package humble.photo;

import humble.core.kit.PointMm;
import humble.core.words.Phrase;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/**
 * Lays the solder side under the component side by the holes that both show: mirrored, turned by
 * nothing or by half a turn, then moved and turned a little until the holes meet best.
 *
 * @param fitMm how far the pairs are apart, root of the mean square, in millimetres
 * @param pairs holes that are the same one
 * @param halfTurn whether the solder side was photographed the other way up
 * @param move from the solder side's own millimetres to those of the top: x' = a·x + b·y + c, y' =
 *     d·x + e·y + f, as a, b, c, d, e, f
 * @param unsure whether the other way up would meet as many holes
 */
public record SidesAligned(
    double fitMm, List<Pair> pairs, boolean halfTurn, List<Double> move, boolean unsure) {
  private static final double CELL_MM = 0.5;
  private static final double NEAR_MM = 0.9;
  private static final double CLOSE_MM = 0.5;
  private static final int MOST_HOLES = 2000;
  private static final int LEAST_PAIRS = 4;
  private static final double LEAST_SHARE = 0.5;
  private static final double ALIKE = 0.9;
  private static final int MOST_TRIED = 12;

  public SidesAligned {
    pairs = List.copyOf(pairs);
    move = List.copyOf(move);
  }

  /** One hole, as each side shows it. */
  public record Pair(PointMm top, PointMm bottom) {}

  /**
   * Aligns two sides.
   *
   * @param top holes of the component side, in its millimetres
   * @param bottom holes of the solder side, from its own lower left as looked at from below
   * @throws PhotoRefused when the holes do not meet
   */
  public static SidesAligned of(List<PointMm> top, List<PointMm> bottom) throws PhotoRefused {
    if (Math.max(top.size(), bottom.size()) > MOST_HOLES) {
      throw new PhotoRefused(Phrase.of("photo.align.many", MOST_HOLES));
    }
    if (Math.min(top.size(), bottom.size()) < LEAST_PAIRS) {
      throw new PhotoRefused(Phrase.of("photo.align.few", top.size(), bottom.size()));
    }
    SidesAligned upright = best(top, bottom, false);
    SidesAligned over = best(top, bottom, true);
    Comparator<SidesAligned> better =
        Comparator.comparingInt((SidesAligned side) -> side.pairs.size())
            .thenComparingDouble(side -> -side.fitMm);
    SidesAligned best = better.compare(upright, over) >= 0 ? upright : over;
    SidesAligned other = best == upright ? over : upright;
    int least = Math.min(top.size(), bottom.size());
    if (best.pairs.size() < Math.max(LEAST_PAIRS, LEAST_SHARE * least)) {
      throw new PhotoRefused(Phrase.of("photo.align.apart", best.pairs.size(), least));
    }
    boolean unsure = other.pairs.size() >= ALIKE * best.pairs.size();
    return new SidesAligned(best.fitMm, best.pairs, best.halfTurn, best.move, unsure);
  }

  /** Gives where a point of the solder side, in its own millimetres, is from the top. */
  public PointMm onTop(PointMm bottom) {
    return moved(bottom, move);
  }

  private static PointMm moved(PointMm at, List<Double> m) {
    return new PointMm(
        m.get(0) * at.xMm() + m.get(1) * at.yMm() + m.get(2),
        m.get(3) * at.xMm() + m.get(4) * at.yMm() + m.get(5));
  }

  private static SidesAligned best(List<PointMm> top, List<PointMm> bottom, boolean halfTurn) {
    double sign = halfTurn ? -1 : 1;
    List<PointMm> mirrored =
        bottom.stream().map(at -> new PointMm(-sign * at.xMm(), sign * at.yMm())).toList();
    SidesAligned best = new SidesAligned(0, List.of(), halfTurn, List.of(), false);
    for (PointMm shift : shifts(top, mirrored)) {
      List<Double> move = List.of(-sign, 0.0, shift.xMm(), 0.0, sign, shift.yMm());
      List<Pair> pairs = List.of();
      for (int pass = 0; pass < 4; pass++) {
        pairs = pairs(top, bottom, move, pass == 0 ? NEAR_MM : CLOSE_MM + 0.1 * (3 - pass));
        if (pairs.size() < LEAST_PAIRS) {
          break;
        }
        move = fitted(pairs);
      }
      if (pairs.size() > best.pairs.size()) {
        best = new SidesAligned(rms(pairs, move), pairs, halfTurn, move, false);
      }
    }
    return best;
  }

  /** A move, in cells. */
  private record Cell(long x, long y) {
    PointMm mm() {
      return new PointMm(x * CELL_MM, y * CELL_MM);
    }
  }

  /** The moves that most pairs of holes agree on. */
  private static List<PointMm> shifts(List<PointMm> top, List<PointMm> mirrored) {
    Map<Cell, Integer> votes = new HashMap<>();
    for (PointMm a : top) {
      for (PointMm b : mirrored) {
        PointMm way = a.minus(b);
        votes.merge(
            new Cell(Math.round(way.xMm() / CELL_MM), Math.round(way.yMm() / CELL_MM)),
            1,
            Integer::sum);
      }
    }
    return votes.entrySet().stream()
        .sorted(
            Map.Entry.<Cell, Integer>comparingByValue()
                .reversed()
                .thenComparingLong(entry -> entry.getKey().x())
                .thenComparingLong(entry -> entry.getKey().y()))
        .limit(MOST_TRIED)
        .map(entry -> entry.getKey().mm())
        .toList();
  }

  /** The nearest of each to each; what is nearest to something else is left out. */
  private static List<Pair> pairs(
      List<PointMm> top, List<PointMm> bottom, List<Double> move, double within) {
    List<PointMm> moved = bottom.stream().map(at -> moved(at, move)).toList();
    List<Pair> pairs = new ArrayList<>();
    for (PointMm a : top) {
      int near = nearest(a, moved);
      PointMm b = moved.get(near);
      if (a.distanceMm(b) <= within && top.get(nearest(b, top)).equals(a)) {
        pairs.add(new Pair(a, bottom.get(near)));
      }
    }
    return pairs;
  }

  private static int nearest(PointMm to, List<PointMm> among) {
    int best = 0;
    for (int i = 1; i < among.size(); i++) {
      if (among.get(i).distanceMm(to) < among.get(best).distanceMm(to)) {
        best = i;
      }
    }
    return best;
  }

  /** The affine move that leaves the least, by the normal equations about the middle. */
  private static List<Double> fitted(List<Pair> pairs) {
    double n = pairs.size();
    double mx = pairs.stream().mapToDouble(pair -> pair.bottom.xMm()).sum() / n;
    double my = pairs.stream().mapToDouble(pair -> pair.bottom.yMm()).sum() / n;
    double tx = pairs.stream().mapToDouble(pair -> pair.top.xMm()).sum() / n;
    double ty = pairs.stream().mapToDouble(pair -> pair.top.yMm()).sum() / n;
    double xx = 0;
    double yy = 0;
    double xy = 0;
    double[] sums = new double[4];
    for (Pair pair : pairs) {
      double x = pair.bottom.xMm() - mx;
      double y = pair.bottom.yMm() - my;
      double u = pair.top.xMm() - tx;
      double v = pair.top.yMm() - ty;
      xx += x * x;
      yy += y * y;
      xy += x * y;
      sums[0] += x * u;
      sums[1] += y * u;
      sums[2] += x * v;
      sums[3] += y * v;
    }
    double det = xx * yy - xy * xy;
    double a;
    double b;
    double d;
    double e;
    if (det > 1e-6 * (xx + yy) * (xx + yy)) {
      a = (sums[0] * yy - sums[1] * xy) / det;
      b = (sums[1] * xx - sums[0] * xy) / det;
      d = (sums[2] * yy - sums[3] * xy) / det;
      e = (sums[3] * xx - sums[2] * xy) / det;
    } else {
      // All in one line: only a mirror that turns is told.
      double along = sums[3] - sums[0];
      double across = sums[1] + sums[2];
      double size = Math.max(1e-12, Math.hypot(along, across));
      a = -along / size;
      b = across / size;
      d = across / size;
      e = along / size;
    }
    return List.of(a, b, tx - a * mx - b * my, d, e, ty - d * mx - e * my);
  }

  private static double rms(List<Pair> pairs, List<Double> move) {
    double sum = 0;
    for (Pair pair : pairs) {
      double off = moved(pair.bottom, move).distanceMm(pair.top);
      sum += off * off;
    }
    return Math.sqrt(sum / pairs.size());
  }
}
