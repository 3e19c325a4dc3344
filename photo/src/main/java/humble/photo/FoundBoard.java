package humble.photo;

import humble.core.words.Phrase;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;

/** A board that was found in a photo, whatever its size: looked for once, straightened as often. */
public final class FoundBoard {
  static final int CLOSE_PX = 2000;
  static final double LEAST_SIDE = 0.5;
  static final double MOST_OFF_MM = 0.3;
  private static final double BENT_SHARE = 0.006;
  private static final double SAME_MM = 0.1;
  private static final double WALL_PX = 5;
  private static final double SHADOW_PX = 36;

  private final Photo photo;

  /** Every way in which its edges can be taken, the plainest first. */
  private final List<EdgeFit.Fitted> views;

  private FoundBoard(Photo photo, List<EdgeFit.Fitted> views) {
    this.photo = photo;
    this.views = views;
  }

  private EdgeFit.Fitted best() {
    return views.getFirst();
  }

  /**
   * Looks for the board in a photo.
   *
   * @throws PhotoRefused when no board is found, or one that is bent
   */
  public static FoundBoard in(Photo photo, Watch watch) throws PhotoRefused {
    Reduced close = Reduced.of(photo, CLOSE_PX);
    BoardFinder.Pieces pieces = BoardFinder.find(photo, watch);
    List<EdgeFit.Fitted> views = new ArrayList<>();
    for (EdgeFit.Fitted piece : pieces.flat()) {
      Lens from = piece.lens();
      // A wall is close to the edge, a hard shadow may be wide, copper may end before the rim.
      views.add(EdgeFit.fit(photo, close, from, EdgeFit.Which.STRONGEST, WALL_PX, 3, 2.5));
      views.add(EdgeFit.fit(photo, close, from, EdgeFit.Which.INNERMOST, WALL_PX, 3, 2.5));
      views.add(EdgeFit.fit(photo, close, from, EdgeFit.Which.INNERMOST, SHADOW_PX, 6, 2.5));
      views.add(EdgeFit.fit(photo, close, from, EdgeFit.Which.COLOURED, SHADOW_PX, 6, 2.5));
    }
    watch.at(0.5);
    views.removeIf(view -> view.leastShare() < LEAST_SIDE);
    if (views.isEmpty()) {
      throw new PhotoRefused(
          pieces
              .bent()
              .map(bent -> bent.wideOffPx() / bent.lens().pxPerMm(1, 1))
              .filter(share -> share > BENT_SHARE)
              .map(share -> Phrase.of("photo.bent.share", 100 * share))
              .orElseGet(() -> Phrase.of("photo.no.board")));
    }
    views.sort(Comparator.comparingDouble(BoardFinder::worth).reversed());
    return new FoundBoard(photo, List.copyOf(views));
  }

  /**
   * Gives how many times as wide as high the board is, width being what lies across; the lens is
   * taken for one of the usual kind.
   */
  public double proportion() {
    Lens upright = best().lens();
    for (int turn = 1; turn < 4; turn++) {
      Lens other = Lying.turned(best().lens(), turn);
      upright = Lying.upright(other) > Lying.upright(upright) ? other : upright;
    }
    return Lying.proportion(upright);
  }

  /**
   * Straightens it.
   *
   * @throws PhotoRefused when it is bent
   */
  public Straightening.Straightened straightened(double widthMm, double heightMm, Watch watch)
      throws PhotoRefused {
    Lying lying = Lying.of(best().lens(), widthMm, heightMm);
    BoardSize size = new BoardSize(widthMm, heightMm);
    BoardSeen seen = size.seen(photo, Lying.turned(best().lens(), lying.turn()), best().rmsPx());
    watch.at(0.8);
    BoardSeen rim = rim(size, seen, lying.turn());
    watch.at(1);
    if (rim.fitMm() > MOST_OFF_MM) {
      throw new PhotoRefused(Phrase.of("photo.bent", rim.fitMm()));
    }
    return rim.told(lying.open(), true);
  }

  /** Of all edges that may be the rim, those that let holes stand where holes of parts stand. */
  private BoardSeen rim(BoardSize size, BoardSeen seen, int turn) {
    double least = seen.rasterOff(seen.lens());
    Lens square = seen.square();
    double rmsPx = best().rmsPx();
    for (EdgeFit.Fitted other : views) {
      Lens turned = Lying.turned(other.lens(), turn);
      double off = seen.rasterOff(size.inMm(turned));
      if (off < least && size.apartMm(seen.square(), turned) > SAME_MM) {
        least = off;
        square = turned;
        rmsPx = other.rmsPx();
      }
    }
    return square == seen.square() ? seen : size.seen(photo, square, rmsPx);
  }
}
