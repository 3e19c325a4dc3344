package humble.photo;

import humble.core.kit.PointMm;
import humble.core.kit.SeenHole;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;

/**
 * Finds the holes of a straightened board: dark, round, with copper about them or so large that
 * nothing printed is.
 */
final class HoleFinder {
  private static final int RAYS = 32;
  private static final double LEAST_RAYS = 0.7;
  private static final double LEAST_RADIUS_MM = 0.24;
  private static final double MOST_RADIUS_MM = 2.1;
  private static final double COPPER_MM = 0.2;
  private static final double WIDE_RADIUS_MM = 0.75;
  private static final double LEAST_CONTRAST = 14;
  private static final int FEW = 8;
  private static final double STILL_PX = 0.15;
  private static final int FIRST_LOOK = 8;
  private static final double DARK = 0.62;
  private static final double LIGHT = 110;

  private final Flat flat;
  private final List<double[]> tables;
  private final boolean lightTable;

  private HoleFinder(Flat flat, List<double[]> tables, boolean lightTable) {
    this.flat = flat;
    this.tables = tables;
    this.lightTable = lightTable;
  }

  /**
   * Gives the holes, from the lower left, line by line upwards.
   *
   * @param tables colours of what the board lies on, which may be seen through its holes
   */
  static List<SeenHole> find(Flat flat, List<double[]> tables) {
    RingVotes votes = RingVotes.of(flat);
    List<Ring> rings = new ArrayList<>(new HoleFinder(flat, tables, false).rings(votes.dark()));
    if (tables.stream().anyMatch(colour -> colour[1] > LIGHT)) {
      // A light table seen through a hole is lighter than the copper about it. Where narrow holes
      // are dark with depth, only wide ones are looked for.
      double from = rings.size() < FEW ? 0 : WIDE_RADIUS_MM;
      rings.addAll(new HoleFinder(flat.inverted(), tables, true).rings(votes.light(from)));
    }
    rings.sort(Comparator.comparingDouble(Ring::worth).reversed());
    List<Ring> kept = new ArrayList<>();
    for (Ring ring : rings) {
      if (kept.stream().noneMatch(other -> other.covers(ring))) {
        kept.add(ring);
      }
    }
    double per = flat.perMm();
    return kept.stream()
        .map(ring ->
            new SeenHole(
                new PointMm(ring.x / per, (flat.height() - ring.y) / per), 2 * ring.radius / per))
        .sorted(
            Comparator.comparingDouble((SeenHole hole) -> Math.round(hole.at().yMm() * 2))
                .thenComparingDouble(hole -> hole.at().xMm()))
        .toList();
  }

  private List<Ring> rings(List<RingVotes.Vote> votes) {
    List<RingVotes.Vote> sorted = new ArrayList<>(votes);
    sorted.sort(Comparator.comparingDouble(RingVotes.Vote::share).reversed());
    List<Ring> rings = new ArrayList<>();
    for (RingVotes.Vote vote : sorted) {
      if (isHollow(vote) && !isAmong(rings, vote)) {
        ring(vote).ifPresent(rings::add);
      }
    }
    return rings;
  }

  private static boolean isAmong(List<Ring> rings, RingVotes.Vote vote) {
    for (Ring ring : rings) {
      if (ring.isSame(vote)) {
        return true;
      }
    }
    return false;
  }

  /** A round edge from dark to light, in places of the raster. */
  private record Ring(double x, double y, double radius, double worth) {
    /** Whether a vote would lead to the same ring again. */
    boolean isSame(RingVotes.Vote vote) {
      double dx = x - vote.x();
      double dy = y - vote.y();
      double near = 0.35 * radius + 0.5;
      return dx * dx + dy * dy < near * near && Math.abs(vote.radiusPx() - radius) < 0.3 * radius;
    }

    boolean covers(Ring other) {
      return Math.hypot(x - other.x, y - other.y) < 0.9 * (radius + other.radius);
    }
  }

  /** Where the edge lies on each ray; below 0 where there is none. */
  private record Edges(double[] radii, double[] rise) {}

  private Optional<Ring> ring(RingVotes.Vote vote) {
    double x = vote.x();
    double y = vote.y();
    double radius = vote.radiusPx();
    Edges edges = edges(x, y, radius);
    for (int pass = 0; pass < 3; pass++) {
      double[] circle = circle(x, y, edges);
      if (circle.length == 0) {
        return Optional.empty();
      }
      boolean still =
          Math.hypot(circle[0] - x, circle[1] - y) + Math.abs(circle[2] - radius) < STILL_PX;
      x = circle[0];
      y = circle[1];
      radius = circle[2];
      if (still) {
        break;
      }
      if (Math.hypot(x - vote.x(), y - vote.y()) > 0.7 * vote.radiusPx() + 1) {
        return Optional.empty();
      }
      edges = edges(x, y, radius);
    }
    double per = flat.perMm();
    if (radius < LEAST_RADIUS_MM * per
        || radius > MOST_RADIUS_MM * per
        || !isRound(edges, radius)) {
      return Optional.empty();
    }
    return judged(x, y, radius, edges);
  }

  /** A first look at a few points: whether it is darker within than about. */
  private boolean isHollow(RingVotes.Vote vote) {
    double near = 0.45 * vote.radiusPx();
    double far = 1.2 * vote.radiusPx() + 1;
    double sum = 0;
    for (int i = 0; i < FIRST_LOOK; i++) {
      double cos = Math.cos(2 * Math.PI * i / FIRST_LOOK);
      double sin = Math.sin(2 * Math.PI * i / FIRST_LOOK);
      sum += flat.lightAt(vote.x() + far * cos, vote.y() + far * sin);
      sum -= flat.lightAt(vote.x() + near * cos, vote.y() + near * sin);
    }
    return sum > FIRST_LOOK * 0.6 * LEAST_CONTRAST;
  }

  private Edges edges(double x, double y, double radius) {
    double[] radii = new double[RAYS];
    double[] rise = new double[RAYS];
    double step = 0.5;
    int from = (int) Math.floor(0.4 * radius / step);
    int to = (int) Math.ceil((1.55 * radius + 1) / step);
    double[] values = new double[to + 4];
    double[] rises = new double[to + 4];
    double most = 0;
    for (int ray = 0; ray < RAYS; ray++) {
      double dx = Math.cos(2 * Math.PI * ray / RAYS) * step;
      double dy = Math.sin(2 * Math.PI * ray / RAYS) * step;
      int low = Math.max(0, from - 2);
      for (int i = low; i < to + 3; i++) {
        values[i] = flat.lightAt(x + i * dx, y + i * dy);
      }
      double best = 0;
      int bestAt = -1;
      for (int i = Math.max(from, low + 2); i <= to; i++) {
        rises[i] = values[i + 2] + values[i + 1] - values[i - 1] - values[Math.max(low, i - 2)];
        // Nearer to the radius looked for counts for more.
        double off = (i * step - radius) / (0.6 * radius + 1);
        double weighed = rises[i] * (1 - 0.5 * off * off);
        if (weighed > best) {
          best = weighed;
          bestAt = i;
        }
      }
      radii[ray] = -1;
      if (bestAt > Math.max(from, low + 2) && bestAt < to) {
        double bow = rises[bestAt - 1] - 2 * rises[bestAt] + rises[bestAt + 1];
        double part = bow < 0 ? 0.5 * (rises[bestAt - 1] - rises[bestAt + 1]) / bow : 0;
        radii[ray] = (bestAt + Math.clamp(part, -1, 1)) * step;
        rise[ray] = rises[bestAt];
        most = Math.max(most, rise[ray]);
      }
    }
    for (int ray = 0; ray < RAYS; ray++) {
      if (rise[ray] < 0.3 * most || rise[ray] < 16) {
        radii[ray] = -1;
      }
    }
    return new Edges(radii, rise);
  }

  /** The circle nearest to the edges, those far from it left out; empty where there are too few. */
  private static double[] circle(double x, double y, Edges edges) {
    double[] known = Arrays.stream(edges.radii()).filter(value -> value >= 0).sorted().toArray();
    if (known.length < LEAST_RAYS * 0.8 * RAYS) {
      return new double[0];
    }
    double middle = known[known.length / 2];
    double c = 0;
    double s = 0;
    double cc = 0;
    double ss = 0;
    double cs = 0;
    double r = 0;
    double rc = 0;
    double rs = 0;
    int n = 0;
    for (int ray = 0; ray < RAYS; ray++) {
      double value = edges.radii()[ray];
      if (value < 0 || Math.abs(value - middle) > 0.4 * middle + 0.5) {
        continue;
      }
      double cos = Math.cos(2 * Math.PI * ray / RAYS);
      double sin = Math.sin(2 * Math.PI * ray / RAYS);
      n++;
      c += cos;
      s += sin;
      cc += cos * cos;
      ss += sin * sin;
      cs += cos * sin;
      r += value;
      rc += value * cos;
      rs += value * sin;
    }
    if (n < LEAST_RAYS * 0.8 * RAYS) {
      return new double[0];
    }
    // value = radius + dx cos + dy sin, by least squares.
    double[][] m = {{n, c, s, r}, {c, cc, cs, rc}, {s, cs, ss, rs}};
    for (int i = 0; i < 3; i++) {
      for (int k = 0; k < 3; k++) {
        if (k != i) {
          double f = m[k][i] / m[i][i];
          for (int j = i; j < 4; j++) {
            m[k][j] -= f * m[i][j];
          }
        }
      }
    }
    return new double[] {x + m[1][3] / m[1][1], y + m[2][3] / m[2][2], m[0][3] / m[0][0]};
  }

  private static boolean isRound(Edges edges, double radius) {
    int n = 0;
    double sum = 0;
    double c2 = 0;
    double s2 = 0;
    for (int ray = 0; ray < RAYS; ray++) {
      double value = edges.radii()[ray];
      double off = value - radius;
      if (value < 0 || Math.abs(off) > 0.3 * radius + 0.7) {
        continue;
      }
      double angle = 4 * Math.PI * ray / RAYS;
      n++;
      sum += off * off;
      c2 += off * Math.cos(angle);
      s2 += off * Math.sin(angle);
    }
    double rms = Math.sqrt(sum / Math.max(1, n));
    double oval = 2 * Math.hypot(c2, s2) / Math.max(1, n);
    return n >= LEAST_RAYS * RAYS && rms < 0.1 * radius + 0.45 && oval < 0.13 * radius + 0.35;
  }

  private double middle(double x, double y, double from, double to, int rings) {
    double[] values = new double[RAYS * rings];
    int n = 0;
    for (int i = 0; i < rings; i++) {
      double radius = rings == 1 ? from : from + (to - from) * i / (rings - 1);
      for (int ray = 0; ray < RAYS; ray++) {
        double angle = 2 * Math.PI * ray / RAYS;
        values[n++] = flat.lightAt(x + radius * Math.cos(angle), y + radius * Math.sin(angle));
      }
    }
    Arrays.sort(values);
    return values[n / 2];
  }

  /** Whether most of a ring is of one lightness; print beside print is not. */
  private boolean isEven(double x, double y, double radius, double within) {
    double[] values = new double[RAYS];
    for (int ray = 0; ray < RAYS; ray++) {
      double angle = 2 * Math.PI * ray / RAYS;
      values[ray] = flat.lightAt(x + radius * Math.cos(angle), y + radius * Math.sin(angle));
    }
    Arrays.sort(values);
    return values[RAYS - 5] - values[4] < within;
  }

  private Optional<Ring> judged(double x, double y, double radius, Edges edges) {
    double per = flat.perMm();
    double inside = middle(x, y, 0, 0.55 * radius, 4);
    double ring = middle(x, y, radius + 0.12 * per, radius + 0.2 * per, 2);
    double contrast = ring - inside;
    if (contrast < LEAST_CONTRAST || !isEven(x, y, radius + 0.15 * per, 0.35 * contrast)) {
      return Optional.empty();
    }
    if (lightTable
        && !(isEven(x, y, 0.35 * radius, 0.35 * contrast)
            && isEven(x, y, 0.65 * radius, 0.35 * contrast))) {
      // White print within a dark ring is no table seen through a hole.
      return Optional.empty();
    }
    boolean wide = radius >= WIDE_RADIUS_MM * per;
    boolean dark = !lightTable && inside <= DARK * ring;
    boolean walled = wide && middle(x, y, radius - 0.12 * per, 0, 1) <= 0.5 * ring;
    if (!dark && !walled && !showsTable(x, y, 0.5 * radius)) {
      return Optional.empty();
    }
    double around = middle(x, y, radius + 0.8 * per, radius + 1.6 * per, 4);
    double apart = apart(colour(x, y, radius + 0.15 * per), colour(x, y, radius + 1.2 * per));
    boolean bare = apart < 0.09 * contrast + 4;
    double rays = Arrays.stream(edges.radii()).filter(value -> value >= 0).count();
    Optional<Ring> taken = Optional.of(new Ring(x, y, radius, contrast * rays / RAYS));
    if (bare) {
      // On a light board tinned copper is hardly seen; what is black there and round is drilled.
      boolean onLight = dark && around > 130 && inside < 0.3 * ring && radius > 0.3 * per;
      return wide || onLight ? taken : Optional.empty();
    }
    if (ring < around) {
      // A gap in print on a light board is no darker than its rim; a hole is.
      return inside <= 0.5 * ring || lightTable ? taken : Optional.empty();
    }
    return copperMm(x, y, radius, inside, ring) >= COPPER_MM ? taken : Optional.empty();
  }

  /** The mean colour on a ring. */
  private double[] colour(double x, double y, double radius) {
    double[] sum = new double[3];
    for (int ray = 0; ray < RAYS; ray++) {
      double angle = 2 * Math.PI * ray / RAYS;
      int rgb = flat.colourAt(x + radius * Math.cos(angle), y + radius * Math.sin(angle));
      sum[0] += (rgb >> 16) / (double) RAYS;
      sum[1] += (rgb >> 8 & 255) / (double) RAYS;
      sum[2] += (rgb & 255) / (double) RAYS;
    }
    return sum;
  }

  private static double apart(double[] a, double[] b) {
    return Math.sqrt(
        ((a[0] - b[0]) * (a[0] - b[0])
                + (a[1] - b[1]) * (a[1] - b[1])
                + (a[2] - b[2]) * (a[2] - b[2]))
            / 3);
  }

  /** Whether what lies under the board is seen there: its colour, in this light or half of it. */
  private boolean showsTable(double x, double y, double radius) {
    double[] seen = colour(x, y, radius);
    for (double[] table : tables) {
      double light = (seen[0] + seen[1] + seen[2]) / Math.max(1, table[0] + table[1] + table[2]);
      double[] lit = {table[0] * light, table[1] * light, table[2] * light};
      if (light > 0.5 && light < 1.3 && apart(seen, lit) < 12) {
        return true;
      }
    }
    return false;
  }

  /** How wide the light band about the hole is, on the middle ray. */
  private double copperMm(double x, double y, double radius, double inside, double ring) {
    double level = inside + 0.5 * (ring - inside);
    double[] widths = new double[RAYS];
    double step = 0.25;
    double per = flat.perMm();
    for (int ray = 0; ray < RAYS; ray++) {
      double dx = Math.cos(2 * Math.PI * ray / RAYS);
      double dy = Math.sin(2 * Math.PI * ray / RAYS);
      double at = radius + 0.08 * per;
      while (at < radius + 0.6 * per && flat.lightAt(x + at * dx, y + at * dy) > level) {
        at += step;
      }
      widths[ray] = (at - radius) / per;
    }
    Arrays.sort(widths);
    return widths[RAYS / 3];
  }
}
