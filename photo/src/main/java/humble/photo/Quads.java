package humble.photo;

import boofcv.alg.filter.binary.BinaryImageOps;
import boofcv.alg.filter.binary.Contour;
import boofcv.alg.filter.binary.GThresholdImageOps;
import boofcv.concurrency.BoofConcurrency;
import boofcv.struct.ConnectRule;
import boofcv.struct.image.GrayF32;
import boofcv.struct.image.GrayU8;
import georegression.struct.point.Point2D_I32;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.function.Predicate;
import java.util.function.Supplier;

/** Four-sided pieces of a picture that may be the board: every way of telling it from the table. */
final class Quads {
  private static final double LEAST_SHARE = 0.06;
  private static final double LEAST_FILLED = 0.8;
  private static final int OPENED_PX = 2;

  private final Reduced small;
  private final List<List<Px>> found = new ArrayList<>();

  static {
    // One photo is one task: its threads are the caller's.
    BoofConcurrency.USE_CONCURRENT = false;
  }

  private Quads(Reduced small) {
    this.small = small;
  }

  /**
   * Looks for pieces, way after way of telling the board from the table, the likeliest first.
   *
   * @param enough is given the new ones, each as corners in places of the photo in the order that
   *     is seen; says whether to go on
   */
  static void search(Reduced picture, Predicate<List<List<Px>>> enough) {
    Quads quads = new Quads(picture.blurred(1.2));
    List<Supplier<GrayF32>> ways =
        List.of(
            () -> quads.distance(quads.colour(0.3, true)),
            () -> quads.distance(quads.colour(0.03, false)),
            () -> quads.each((r, g, b, sum) -> sum),
            () -> quads.each((r, g, b, sum) -> 128 + 85 * (r - g) / Math.max(20, sum)),
            () -> quads.each((r, g, b, sum) -> 128 + 85 * (g - b) / Math.max(20, sum)),
            () -> quads.each(Quads::strength));
    for (Supplier<GrayF32> way : ways) {
      int before = quads.found.size();
      quads.told(way.get());
      List<List<Px>> fresh = quads.found.subList(before, quads.found.size());
      if (!enough.test(List.copyOf(fresh))) {
        return;
      }
    }
  }

  private void told(GrayF32 channel) {
    double otsu = GThresholdImageOps.computeOtsu(channel, 0, 255);
    for (double share : new double[] {1, 0.7, 0.5, 1.35}) {
      for (boolean below : new boolean[] {true, false}) {
        pieces(GThresholdImageOps.threshold(channel, null, otsu * share, below));
      }
    }
  }

  private static float strength(float r, float g, float b, float sum) {
    float spread = Math.max(r, Math.max(g, b)) - Math.min(r, Math.min(g, b));
    return 170 * spread / Math.max(20, sum);
  }

  /** What a pixel says; the last is the mean of the three. */
  private interface Said {
    float of(float r, float g, float b, float sum);
  }

  private GrayF32 each(Said said) {
    GrayF32 plane = plane();
    for (int i = 0; i < plane.data.length; i++) {
      float r = small.red().data[i];
      float g = small.green().data[i];
      float b = small.blue().data[i];
      plane.data[i] = Math.clamp(said.of(r, g, b, (r + g + b) / 3), 0, 255);
    }
    return plane;
  }

  private GrayF32 plane() {
    return new GrayF32(small.width(), small.height());
  }

  /** The middle colour of the inner part of the picture, or of its rim. */
  private float[] colour(double share, boolean inner) {
    int w = small.width();
    int h = small.height();
    float[] colour = new float[3];
    GrayF32[] planes = {small.red(), small.green(), small.blue()};
    for (int i = 0; i < 3; i++) {
      List<Float> values = new ArrayList<>();
      for (int y = 0; y < h; y += 3) {
        for (int x = 0; x < w; x += 3) {
          boolean inside =
              x > w * share && x < w * (1 - share) && y > h * share && y < h * (1 - share);
          if (inside == inner) {
            values.add(planes[i].data[y * w + x]);
          }
        }
      }
      values.sort(Comparator.naturalOrder());
      colour[i] = values.get(values.size() / 2);
    }
    return colour;
  }

  private GrayF32 distance(float[] colour) {
    GrayF32 plane = plane();
    for (int i = 0; i < plane.data.length; i++) {
      float r = small.red().data[i] - colour[0];
      float g = small.green().data[i] - colour[1];
      float b = small.blue().data[i] - colour[2];
      plane.data[i] = (float) Math.min(255, Math.sqrt(r * r + g * g + b * b));
    }
    return plane;
  }

  private void pieces(GrayU8 mask) {
    // What the rim of the picture cuts is no whole board.
    for (int x = 0; x < mask.width; x++) {
      mask.set(x, 0, 0);
      mask.set(x, mask.height - 1, 0);
    }
    for (int y = 0; y < mask.height; y++) {
      mask.set(0, y, 0);
      mask.set(mask.width - 1, y, 0);
    }
    GrayU8 opened =
        BinaryImageOps.dilate8(BinaryImageOps.erode8(mask, OPENED_PX, null), OPENED_PX, null);
    double least = LEAST_SHARE * mask.width * mask.height;
    for (Contour contour : BinaryImageOps.contour(opened, ConnectRule.EIGHT, null)) {
      List<Point2D_I32> outer = contour.external;
      double area = area(outer);
      if (area > least && outer.size() > 40) {
        List<Px> quad = fourSided(hull(outer));
        if (quad.size() == 4 && area > LEAST_FILLED * areaPx(quad) && !reachesRim(quad)) {
          quad = quad.stream().map(this::inPhoto).toList();
          if (isNew(quad)) {
            found.add(quad);
          }
        }
      }
    }
  }

  private Px inPhoto(Px at) {
    return new Px((at.x() + 0.5) * small.factor(), (at.y() + 0.5) * small.factor());
  }

  private boolean reachesRim(List<Px> quad) {
    double slack = 0.06 * Math.max(small.width(), small.height());
    return quad.stream()
        .anyMatch(at ->
            at.x() < -slack
                || at.y() < -slack
                || at.x() > small.width() + slack
                || at.y() > small.height() + slack);
  }

  private boolean isNew(List<Px> quad) {
    double near = 4.0 * small.factor();
    return found.stream()
        .noneMatch(other ->
            quad.stream().allMatch(at -> other.stream().anyMatch(to -> to.distance(at) < near)));
  }

  private static double area(List<Point2D_I32> round) {
    double sum = 0;
    for (int i = 0; i < round.size(); i++) {
      Point2D_I32 a = round.get(i);
      Point2D_I32 b = round.get((i + 1) % round.size());
      sum += (double) a.x * b.y - (double) b.x * a.y;
    }
    return Math.abs(sum) / 2;
  }

  private static double areaPx(List<Px> round) {
    double sum = 0;
    for (int i = 0; i < round.size(); i++) {
      Px a = round.get(i);
      Px b = round.get((i + 1) % round.size());
      sum += a.x() * b.y() - b.x() * a.y();
    }
    return Math.abs(sum) / 2;
  }

  private static List<Px> hull(List<Point2D_I32> points) {
    Px[] sorted =
        points.stream()
            .map(at -> new Px(at.x, at.y))
            .sorted(Comparator.comparingDouble(Px::x).thenComparingDouble(Px::y))
            .toArray(Px[]::new);
    Px[] hull = new Px[2 * sorted.length];
    int size = 0;
    for (int pass = 0; pass < 2; pass++) {
      int start = size + 1;
      for (int i = 0; i < sorted.length; i++) {
        Px at = pass == 0 ? sorted[i] : sorted[sorted.length - 1 - i];
        while (size > start && left(hull[size - 2], hull[size - 1], at) <= 0) {
          size--;
        }
        hull[size++] = at;
      }
      size--;
    }
    return new ArrayList<>(Arrays.asList(Arrays.copyOf(hull, size)));
  }

  private static double left(Px a, Px b, Px c) {
    return (b.x() - a.x()) * (c.y() - a.y()) - (b.y() - a.y()) * (c.x() - a.x());
  }

  /** Takes away side after side, always the one that adds the least, until four are left. */
  private static List<Px> fourSided(List<Px> round) {
    while (round.size() > 4) {
      int best = -1;
      double least = Double.MAX_VALUE;
      Px corner = round.get(0);
      int n = round.size();
      for (int i = 0; i < n; i++) {
        Px a = round.get((i + n - 1) % n);
        Px b = round.get(i);
        Px c = round.get((i + 1) % n);
        Px d = round.get((i + 2) % n);
        double turn = (b.x() - a.x()) * (d.y() - c.y()) - (b.y() - a.y()) * (d.x() - c.x());
        if (turn > 1e-9) {
          double along =
              ((c.x() - a.x()) * (d.y() - c.y()) - (c.y() - a.y()) * (d.x() - c.x())) / turn;
          Px meet = new Px(a.x() + along * (b.x() - a.x()), a.y() + along * (b.y() - a.y()));
          double added = Math.abs(left(b, meet, c)) / 2;
          if (along >= 1 - 1e-9 && added < least) {
            least = added;
            best = i;
            corner = meet;
          }
        }
      }
      if (best < 0) {
        return List.of();
      }
      round.set(best, corner);
      round.remove((best + 1) % n);
    }
    return round;
  }
}
