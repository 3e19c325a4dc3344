package humble.photo;

import humble.core.kit.PointMm;
import humble.core.kit.SeenHole;
import humble.core.words.Phrase;
import java.awt.image.BufferedImage;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;

/**
 * A photo of a board, straightened: corners found or given, how well it fits, the holes that are
 * seen.
 */
public final class Straightening {
  private static final int CLOSE_PX = 2000;
  private static final double MOST_PER_MM = 16;
  private static final double LEAST_PER_MM = 4;
  private static final double MOST_FLAT_PX = 2.2e6;
  private static final double MOST_OFF_MM = 0.3;
  private static final double LEAST_SIDE = 0.5;
  private static final double SAME_MM = 0.1;
  private static final double HAND_MM = 1.0;
  private static final double PITCH_MM = 2.54;

  private Straightening() {}

  /**
   * What came of it.
   *
   * @param corners lower left, lower right, upper right, upper left of the board as printed
   * @param fitMm how far the board's edges are from straight lines once the view is taken out, root
   *     of the mean square; empty where no edges were found about corners that were given
   * @param holes in board millimetres
   * @param open turns in degrees that would fit the outline as well
   * @param picture the board as if seen straight from above
   * @param perMm pixels a millimetre of the picture
   * @param inPhoto where a point of the board is in the photo
   * @param onBoard which point of the board, or of what lies level with it, a place in the photo is
   */
  public record Straightened(
      List<Px> corners,
      Optional<Double> fitMm,
      List<SeenHole> holes,
      List<Integer> open,
      BufferedImage picture,
      double perMm,
      Function<PointMm, Px> inPhoto,
      Function<Px, PointMm> onBoard) {}

  /**
   * Finds the board in a photo and straightens it.
   *
   * @throws PhotoRefused when no board is found, or one that is bent
   */
  public static Straightened found(Photo photo, double widthMm, double heightMm, Watch watch)
      throws PhotoRefused {
    Reduced close = Reduced.of(photo, CLOSE_PX);
    BoardFinder.Pieces pieces = BoardFinder.find(photo, watch);
    EdgeFit.Fitted best = null;
    for (EdgeFit.Fitted fitted : pieces.flat()) {
      EdgeFit.Fitted closer =
          EdgeFit.fit(photo, close, fitted.lens(), EdgeFit.Which.STRONGEST, 5, 3, 2.5);
      if (closer.leastShare() >= LEAST_SIDE
          && (best == null || BoardFinder.worth(closer) > BoardFinder.worth(best))) {
        best = closer;
      }
    }
    watch.at(0.5);
    if (best == null) {
      Size size = new Size(widthMm, heightMm);
      Optional<Double> offMm =
          pieces
              .bent()
              .map(bent -> bent.wideOffPx() / size.inMm(bent.lens()).pxPerMm(widthMm, heightMm))
              .filter(off -> off > MOST_OFF_MM);
      throw new PhotoRefused(
          offMm
              .map(off -> Phrase.of("photo.bent", off))
              .orElseGet(() -> Phrase.of("photo.no.board")));
    }
    Lying lying = Lying.of(best.lens(), widthMm, heightMm);
    Lens square = Lying.turned(best.lens(), lying.turn());
    Size size = new Size(widthMm, heightMm);
    List<Seen> may = new ArrayList<>();
    may.add(size.seen(photo, square, best.rmsPx()));
    watch.at(0.8);
    // A wall is close to the edge, a hard shadow may be wide.
    for (double reachPx : new double[] {5, 36}) {
      EdgeFit.Fitted inner =
          EdgeFit.fit(photo, close, best.lens(), EdgeFit.Which.INNERMOST, reachPx, 4, 2.5);
      Lens other = Lying.turned(inner.lens(), lying.turn());
      if (inner.leastShare() >= LEAST_SIDE
          && may.stream().allMatch(seen -> size.apartMm(seen.square, other) > SAME_MM)) {
        may.add(size.seen(photo, other, inner.rmsPx()));
      }
    }
    watch.at(1);
    Seen seen = may.stream().min(Comparator.comparingDouble(Seen::pitchOff)).orElseThrow();
    if (seen.fitMm > MOST_OFF_MM) {
      throw new PhotoRefused(Phrase.of("photo.bent", seen.fitMm));
    }
    return seen.told(lying.open(), true);
  }

  /**
   * Gives how many times as wide as high the board in a photo is, width being what lies across; the
   * lens is taken for one of the usual kind.
   *
   * @throws PhotoRefused when no board is found
   */
  public static double proportion(Photo photo, Watch watch) throws PhotoRefused {
    EdgeFit.Fitted best =
        BoardFinder.find(photo, watch).flat().stream()
            .findFirst()
            .orElseThrow(() -> new PhotoRefused(Phrase.of("photo.no.board")));
    Lens upright = best.lens();
    for (int turn = 1; turn < 4; turn++) {
      Lens other = Lying.turned(best.lens(), turn);
      upright = Lying.upright(other) > Lying.upright(upright) ? other : upright;
    }
    return Lying.proportion(upright);
  }

  /**
   * Straightens a photo by its corners; the board's edges still tell how the lens bends.
   *
   * @param corners lower left, lower right, upper right, upper left of the board as printed
   * @throws PhotoRefused when the corners are no corners of a board
   */
  public static Straightened given(
      Photo photo, List<Px> corners, double widthMm, double heightMm, Watch watch)
      throws PhotoRefused {
    if (!isFourSided(corners)) {
      throw new PhotoRefused(Phrase.of("photo.corners"));
    }
    Lens through = EdgeFit.through(photo, corners);
    Reduced close = Reduced.of(photo, CLOSE_PX);
    watch.at(0.2);
    EdgeFit.Fitted fitted = EdgeFit.fit(photo, close, through, EdgeFit.Which.STRONGEST, 10, 5, 2.5);
    watch.at(0.5);
    Size size = new Size(widthMm, heightMm);
    // Where the edges say something else than the hand, the hand is right.
    boolean agrees =
        fitted.leastShare() >= LEAST_SIDE && size.apartMm(through, fitted.lens()) <= HAND_MM;
    Seen seen = size.seen(photo, agrees ? fitted.lens() : through, fitted.rmsPx());
    watch.at(1);
    return seen.told(List.of(), agrees && seen.fitMm <= MOST_OFF_MM);
  }

  private static boolean isFourSided(List<Px> corners) {
    for (int i = 0; i < 4; i++) {
      Px a = corners.get(i);
      Px b = corners.get((i + 1) % 4);
      Px c = corners.get((i + 2) % 4);
      double left = (b.x() - a.x()) * (c.y() - b.y()) - (b.y() - a.y()) * (c.x() - b.x());
      // Counter-clockwise for the eye, y running down; the other way round would be a mirror.
      if (!(left < -16)) {
        return false;
      }
    }
    return true;
  }

  /** A size of board, and what a view of it shows. */
  private record Size(double widthMm, double heightMm) {
    Lens inMm(Lens square) {
      return square.over(new double[] {1 / widthMm, 0, 0, 0, 1 / heightMm, 0, 0, 0, 1});
    }

    /** The farthest that two views are apart at a corner. */
    double apartMm(Lens one, Lens other) {
      double far = 0;
      for (int i = 0; i < 4; i++) {
        Px a = one.seen(EdgeFit.cornerX(i), EdgeFit.cornerY(i));
        far = Math.max(far, a.distance(other.seen(EdgeFit.cornerX(i), EdgeFit.cornerY(i))));
      }
      return far / inMm(one).pxPerMm(widthMm, heightMm);
    }

    /** The middle colours of what lies beside each edge. */
    private List<double[]> tables(Photo photo, Lens lens) {
      List<double[]> tables = new ArrayList<>();
      for (int side = 0; side < 4; side++) {
        int[][] values = new int[3][64];
        for (int i = 0; i < 64; i++) {
          double along = (i % 32 + 0.5) / 32;
          double out = i < 32 ? 1.5 : 2.5;
          double x = side % 2 == 0 ? along * widthMm : side == 1 ? widthMm + out : -out;
          double y = side % 2 == 1 ? along * heightMm : side == 2 ? heightMm + out : -out;
          Px at = lens.seen(x, y);
          int column = Math.clamp((int) at.x(), 0, photo.widthPx() - 1);
          int row = Math.clamp((int) at.y(), 0, photo.heightPx() - 1);
          int rgb = photo.rgb()[row * photo.widthPx() + column];
          values[0][i] = rgb >> 16;
          values[1][i] = rgb >> 8 & 255;
          values[2][i] = rgb & 255;
        }
        double[] middle = new double[3];
        for (int k = 0; k < 3; k++) {
          Arrays.sort(values[k]);
          middle[k] = values[k][32];
        }
        tables.add(middle);
      }
      return tables;
    }

    Seen seen(Photo photo, Lens square, double rmsPx) {
      Lens lens = inMm(square);
      double seenPerMm = lens.pxPerMm(widthMm, heightMm);
      double perMm =
          Math.min(
              Math.clamp(seenPerMm, LEAST_PER_MM, MOST_PER_MM),
              Math.sqrt(MOST_FLAT_PX / (widthMm * heightMm)));
      Flat flat = Flat.of(photo, lens, widthMm, heightMm, perMm);
      return new Seen(
          square, lens, flat, HoleFinder.find(flat, tables(photo, lens)), rmsPx / seenPerMm);
    }
  }

  /** What one view shows. */
  private record Seen(Lens square, Lens lens, Flat flat, List<SeenHole> holes, double fitMm) {

    /** How far the rows of holes are from the pitch that all rows have; 1 where there are none. */
    double pitchOff() {
      return Math.hypot(pitchOff(1, 0), pitchOff(0, 1));
    }

    private double pitchOff(double alongX, double alongY) {
      double sum = 0;
      int count = 0;
      for (SeenHole a : holes) {
        for (SeenHole b : holes) {
          double along =
              (b.at().xMm() - a.at().xMm()) * alongX + (b.at().yMm() - a.at().yMm()) * alongY;
          if (Math.abs(along - PITCH_MM) < 0.1 && a.at().distanceMm(b.at()) < along * 1.004) {
            sum += along - PITCH_MM;
            count++;
          }
        }
      }
      return count < 4 ? 0.02 : Math.abs(sum) / count;
    }

    Straightened told(List<Integer> open, boolean fits) {
      List<Px> corners = new ArrayList<>();
      for (int i = 0; i < 4; i++) {
        corners.add(square.seen(EdgeFit.cornerX(i), EdgeFit.cornerY(i)));
      }
      return new Straightened(
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
}
