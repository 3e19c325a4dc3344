package humble.photo;

import boofcv.alg.geo.h.HomographyDirectLinearTransform;
import boofcv.struct.geo.AssociatedPair;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.stream.IntStream;
import org.ddogleg.optimization.FactoryOptimization;
import org.ddogleg.optimization.UnconstrainedLeastSquares;
import org.ddogleg.optimization.functions.FunctionNtoM;
import org.ejml.data.DMatrixRMaj;

/**
 * Fits a view of a board, a square of side 1 for now, to its four edges in a photo: homography and
 * radial bend by least squares, edges that are something else left out.
 */
final class EdgeFit {
  private static final int MOST_TRIES = 60;
  private static final int A_SIDE = 72;
  private static final double FROM = 0.05;
  private static final double MOST_BEND = 0.03;
  private static final double HOPELESS = 0.12;

  private final Photo photo;
  private final Which which;
  private Lens lens;
  private double rmsPx;
  private final double[] sideShare = new double[4];
  private double step;
  private double wideOffPx = Double.NaN;
  private double foundShare;

  private EdgeFit(Photo photo, Lens lens, Which which) {
    this.photo = photo;
    this.lens = lens;
    this.which = which;
  }

  /** Which of several edges side by side is the board's. */
  enum Which {
    /** The strongest: copper that ends before the rim is not. */
    STRONGEST(0.999, false),
    /** The innermost of the strong ones: wall and shadow lie outside of it. */
    INNERMOST(0.4, false),
    /** The one that no shade explains: both sides of a shadow's edge have the table's colour. */
    COLOURED(0.999, true);

    private final double share;
    private final boolean coloured;

    Which(double share, boolean coloured) {
      this.share = share;
      this.coloured = coloured;
    }
  }

  /** An edge that was found, and the way across it. */
  private record Found(
      int side, double along, Px at, double acrossX, double acrossY, double step) {}

  /**
   * What came of it.
   *
   * @param rmsPx distance of the edges from the view, root of the mean square, in pixels of the
   *     photo
   * @param leastShare of the edge with the fewest, how much of it was found where it should be
   * @param step how strongly the board differs from what lies around it
   * @param foundShare how much of the edges was found at all, in the first round
   * @param wideOffPx how far nine tenths of those were off at most, in pixels of the photo
   */
  record Fitted(
      Lens lens,
      double rmsPx,
      double leastShare,
      double meanShare,
      double step,
      double foundShare,
      double wideOffPx) {}

  /** Gives the view in which four corners, in order round the board, are seen. */
  static Lens through(Photo photo, List<Px> corners) {
    Px middle = new Px(photo.widthPx() / 2.0, photo.heightPx() / 2.0);
    double half = photo.halfDiagonalPx();
    List<AssociatedPair> pairs = new ArrayList<>();
    for (int i = 0; i < 4; i++) {
      Px at = corners.get(i);
      pairs.add(
          new AssociatedPair(
              cornerX(i), cornerY(i), (at.x() - middle.x()) / half, (at.y() - middle.y()) / half));
    }
    DMatrixRMaj h = new DMatrixRMaj(3, 3);
    if (!new HomographyDirectLinearTransform(true).process(pairs, h)) {
      throw new IllegalArgumentException("corners in one line");
    }
    double[] numbers = h.data.clone();
    double scale = numbers[8];
    for (int i = 0; i < 9; i++) {
      numbers[i] /= scale;
    }
    return new Lens(numbers, 0, 0, middle, half);
  }

  static double cornerX(int corner) {
    return corner == 1 || corner == 2 ? 1 : 0;
  }

  static double cornerY(int corner) {
    return corner >= 2 ? 1 : 0;
  }

  /**
   * Fits.
   *
   * @param start a view that is right to within {@code reachPx} pixels of the picture given
   * @param reachesPx how far from the last view edges are looked for, round after round
   */
  static Fitted fit(Photo photo, Reduced picture, Lens start, Which which, double... reachesPx) {
    EdgeFit fit = new EdgeFit(photo, start, which);
    for (double reach : reachesPx) {
      fit.round(picture, reach);
      if (Arrays.stream(fit.sideShare).min().orElse(0) < HOPELESS) {
        break;
      }
    }
    double mean = Arrays.stream(fit.sideShare).average().orElse(0);
    double least = Arrays.stream(fit.sideShare).min().orElse(0);
    return new Fitted(fit.lens, fit.rmsPx, least, mean, fit.step, fit.foundShare, fit.wideOffPx);
  }

  private void round(Reduced picture, double reachPx) {
    List<Found> found = new ArrayList<>();
    for (int side = 0; side < 4; side++) {
      for (int i = 0; i < A_SIDE; i++) {
        double along = FROM + (1 - 2 * FROM) * i / (A_SIDE - 1);
        edge(picture, side, along, reachPx, found);
      }
    }
    Arrays.fill(sideShare, 0);
    rmsPx = Double.POSITIVE_INFINITY;
    step = 0;
    if (found.size() >= 2 * A_SIDE) {
      solve(found, picture.factor(), reachPx);
    }
  }

  private static double x(int side, double along) {
    return switch (side) {
      case 0 -> along;
      case 1 -> 1;
      case 2 -> 1 - along;
      case 3 -> 0;
      default -> throw new IllegalArgumentException("side " + side);
    };
  }

  private static double y(int side, double along) {
    return x((side + 3) % 4, along);
  }

  /** The unit way outwards at a place of a side, and the way along it. */
  private static double[] outwards(Lens lens, int side, double along) {
    double x = x(side, along);
    double y = y(side, along);
    Px before = lens.seen(x(side, along - 0.004), y(side, along - 0.004));
    Px after = lens.seen(x(side, along + 0.004), y(side, along + 0.004));
    Px at = lens.seen(x, y);
    Px inner = lens.seen(x + 0.02 * (0.5 - x), y + 0.02 * (0.5 - y));
    double tx = after.x() - before.x();
    double ty = after.y() - before.y();
    double length = Math.hypot(tx, ty);
    double nx = -ty / length;
    double ny = tx / length;
    if (nx * (at.x() - inner.x()) + ny * (at.y() - inner.y()) < 0) {
      nx = -nx;
      ny = -ny;
    }
    return new double[] {at.x(), at.y(), nx, ny, tx / length, ty / length};
  }

  private void edge(Reduced picture, int side, double along, double reachPx, List<Found> found) {
    double[] way = outwards(lens, side, along);
    int beside = 6;
    int steps = (int) Math.ceil(2 * reachPx) + beside;
    float[][] profile = new float[2 * steps + 1][];
    float[] one = new float[3];
    double f = picture.factor();
    for (int i = 0; i < profile.length; i++) {
      double out = (i - steps) * 0.5 * f;
      float[] sum = new float[3];
      for (int j = -2; j <= 2; j++) {
        double x = way[0] + way[2] * out + way[4] * j * f;
        double y = way[1] + way[3] * out + way[5] * j * f;
        if (!picture.at(x, y, one)) {
          return;
        }
        for (int k = 0; k < 3; k++) {
          sum[k] += one[k] / 5;
        }
      }
      profile[i] = sum;
    }
    double[] strength = new double[profile.length];
    double most = 0;
    for (int i = beside; i < profile.length - beside; i++) {
      strength[i] = step(profile, i, beside, which.coloured);
      most = Math.max(most, strength[i]);
    }
    for (int i = beside + 1; i < profile.length - beside - 1; i++) {
      if (strength[i] >= which.share * most
          && strength[i] >= strength[i - 1]
          && strength[i] > strength[i + 1]
          && most > 6) {
        double bow = strength[i - 1] - 2 * strength[i] + strength[i + 1];
        double part = bow < 0 ? 0.5 * (strength[i - 1] - strength[i + 1]) / bow : 0;
        double out = (i + part - steps) * 0.5 * f;
        found.add(
            new Found(
                side,
                along,
                new Px(way[0] + way[2] * out, way[1] + way[3] * out),
                way[2],
                way[3],
                strength[i]));
        return;
      }
    }
  }

  private static double step(float[][] profile, int at, int beside, boolean coloured) {
    double[] inside = new double[3];
    double[] outside = new double[3];
    for (int k = 0; k < 3; k++) {
      for (int i = 1; i <= beside; i++) {
        inside[k] += profile[at - i][k] / beside;
        outside[k] += profile[at + i][k] / beside;
      }
    }
    if (coloured) {
      return unshaded(inside, outside);
    }
    double sum = 0;
    for (int k = 0; k < 3; k++) {
      sum += (inside[k] - outside[k]) * (inside[k] - outside[k]);
    }
    return Math.sqrt(sum);
  }

  /** What is left between two colours when the darker may be the lighter one in the shade. */
  private static double unshaded(double[] a, double[] b) {
    double aa = 0;
    double bb = 0;
    double ab = 0;
    for (int k = 0; k < 3; k++) {
      aa += a[k] * a[k];
      bb += b[k] * b[k];
      ab += a[k] * b[k];
    }
    double light = Math.max(1, Math.max(aa, bb));
    return Math.sqrt(Math.max(0, Math.min(aa, bb) - ab * ab / light));
  }

  private void solve(List<Found> found, double unitPx, double reachPx) {
    double[] weights = new double[found.size()];
    double cut = Math.max(0.8, reachPx / 2) * unitPx;
    Arrays.fill(weights, 1);
    double[] parameters = new double[10];
    System.arraycopy(lens.h(), 0, parameters, 0, 8);
    parameters[8] = lens.bend();
    parameters[9] = lens.bend2();
    for (int pass = 0; pass < 3; pass++) {
      Residuals residuals = new Residuals(found, weights, unitPx);
      UnconstrainedLeastSquares<DMatrixRMaj> solver =
          FactoryOptimization.levenbergMarquardt(null, false);
      solver.setFunction(residuals, null);
      solver.initialize(parameters.clone(), 1e-9, 1e-9);
      improve(solver, pass == 0 ? 30 : 10);
      parameters = solver.getParameters().clone();
      if (!Arrays.stream(parameters).allMatch(Double::isFinite)) {
        return;
      }
      lens = residuals.lens(parameters);
      double[] off = new double[found.size()];
      for (int i = 0; i < off.length; i++) {
        off[i] = Math.abs(distance(lens, found.get(i)));
      }
      double[] limits = new double[4];
      for (int side = 0; side < 4; side++) {
        // Each side has its own middle: one that lies off as a whole is moved, not forgotten.
        limits[side] =
            Math.clamp(5 * medianOff(found, off, side), 0.8 * unitPx, Math.max(cut, 1.6 * unitPx));
      }
      for (int i = 0; i < off.length; i++) {
        double share = off[i] / limits[found.get(i).side()];
        weights[i] = share < 1 ? (1 - share * share) * (1 - share * share) : 0;
      }
    }
    double inner = Math.max(1.2 * unitPx, 0);
    double sum = 0;
    int count = 0;
    Arrays.fill(sideShare, 0);
    for (Found one : found) {
      double off = distance(lens, one);
      if (Math.abs(off) <= inner) {
        sideShare[one.side()] += 1.0 / A_SIDE;
        sum += off * off;
        step += one.step();
        count++;
      }
    }
    if (Double.isNaN(wideOffPx)) {
      double[] off =
          found.stream().mapToDouble(one -> Math.abs(distance(lens, one))).sorted().toArray();
      wideOffPx = off[off.length * 9 / 10];
      foundShare = found.size() / (4.0 * A_SIDE);
    }
    rmsPx = count == 0 ? Double.POSITIVE_INFINITY : Math.sqrt(sum / count);
    step = count == 0 ? 0 : step / count;
  }

  /** Goes on as long as a step makes it better; where none does it stays where it is. */
  private static void improve(UnconstrainedLeastSquares<DMatrixRMaj> solver, int steps) {
    for (int made = 0; made < steps; made++) {
      int tried = 0;
      do {
        if (solver.iterate() || ++tried == MOST_TRIES) {
          return;
        }
      } while (!solver.isUpdated());
    }
  }

  private static double medianOff(List<Found> found, double[] off, int side) {
    double[] sorted =
        IntStream.range(0, off.length)
            .filter(i -> found.get(i).side() == side)
            .mapToDouble(i -> off[i])
            .sorted()
            .toArray();
    return sorted.length == 0 ? 0 : sorted[sorted.length / 2];
  }

  private static double distance(Lens lens, Found found) {
    Px seen = lens.seen(x(found.side(), found.along()), y(found.side(), found.along()));
    return (found.at().x() - seen.x()) * found.acrossX()
        + (found.at().y() - seen.y()) * found.acrossY();
  }

  /** Distances of the edges from the view, and what is known of lenses beforehand. */
  private final class Residuals implements FunctionNtoM {
    private final List<Found> found;
    private final double[] weights;
    private final double unitPx;

    Residuals(List<Found> found, double[] weights, double unitPx) {
      this.found = found;
      this.weights = weights;
      this.unitPx = unitPx;
    }

    Lens lens(double[] p) {
      double[] h = Arrays.copyOf(p, 9);
      h[8] = 1;
      return new Lens(h, p[8], p[9], EdgeFit.this.lens.middle(), photo.halfDiagonalPx());
    }

    @Override
    public void process(double[] input, double[] output) {
      Lens tried = lens(input);
      for (int i = 0; i < found.size(); i++) {
        output[i] =
            weights[i] == 0 ? 0 : Math.sqrt(weights[i]) * distance(tried, found.get(i)) / unitPx;
      }
      // One radial term, written outwards or inwards: the fourth power lies between 0 and 3 k².
      double bend = input[8];
      output[found.size()] = 0.5 * bend / MOST_BEND;
      output[found.size() + 1] = (input[9] - 1.5 * bend * bend) / (1.5 * bend * bend + 3e-4);
    }

    @Override
    public int getNumOfInputsN() {
      return 10;
    }

    @Override
    public int getNumOfOutputsM() {
      return found.size() + 2;
    }
  }
}
