package humble.photo;

import humble.core.kit.PointMm;
import humble.core.kit.SeenHole;
import humble.core.words.Phrase;
import java.awt.image.BufferedImage;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;

/**
 * A photo of a board, straightened: corners found or given, how well it fits, the holes that are
 * seen.
 */
public final class Straightening {
  private static final double HAND_MM = 1.0;

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
    return FoundBoard.in(photo, watch).straightened(widthMm, heightMm, watch);
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
    Reduced close = Reduced.of(photo, FoundBoard.CLOSE_PX);
    watch.at(0.2);
    EdgeFit.Fitted fitted = EdgeFit.fit(photo, close, through, EdgeFit.Which.STRONGEST, 10, 5, 2.5);
    watch.at(0.5);
    BoardSize size = new BoardSize(widthMm, heightMm);
    // Where the edges say something else than the hand, the hand is right.
    boolean agrees =
        fitted.leastShare() >= FoundBoard.LEAST_SIDE
            && size.apartMm(through, fitted.lens()) <= HAND_MM;
    BoardSeen seen = size.seen(photo, agrees ? fitted.lens() : through, fitted.rmsPx());
    watch.at(1);
    return seen.told(List.of(), agrees && seen.fitMm() <= FoundBoard.MOST_OFF_MM);
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
}
