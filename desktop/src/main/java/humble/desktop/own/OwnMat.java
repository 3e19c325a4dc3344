package humble.desktop.own;

import humble.core.kit.Line;
import humble.core.kit.Part;
import humble.core.kit.PartPackage;
import humble.core.kit.Parts;
import humble.core.kit.Place;
import humble.core.kit.PointMm;
import humble.core.orient.BoardView;
import humble.core.own.HoleSnap;
import humble.desktop.draw.BoardPicture;
import humble.desktop.draw.Faces;
import humble.desktop.draw.Mat;
import humble.desktop.draw.Pen;
import humble.desktop.draw.Token;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.function.Consumer;
import org.jspecify.annotations.Nullable;

/**
 * The board that is told: its grid, what was put on it, the part in hand at the pointer, and what
 * the kit can do so far.
 *
 * @param title what is looked at, in one line
 * @param parts the parts with their places
 * @param view how the board lies
 * @param shown is told how the board was painted
 * @param held the part in hand, with the place it would have; null for none
 * @param rings holes that were clicked, or that a click would mean
 * @param tags words beside pads
 * @param lit parts that are meant
 * @param answers which clicks the pads and parts answer to
 * @param strip what the kit can do so far
 * @param guessed parts of which something is guessed that nobody has looked at
 * @param track pads that are being joined, in the order of the track
 * @param ground what the board is drawn on
 */
record OwnMat(
    String title,
    Parts parts,
    BoardView view,
    Consumer<BoardPicture> shown,
    @Nullable Held held,
    List<PointMm> rings,
    List<Tag> tags,
    Set<String> lit,
    Answers answers,
    StonesStrip strip,
    Set<String> guessed,
    List<PointMm> track,
    Ground ground)
    implements Mat {
  private static final double TITLE_PX = 40;
  private static final double GAP_PX = 14;
  private static final int BOLD_EVERY = 10;
  private static final double LEAST_STEP_PX = 5;

  /** Makes one without a track. */
  OwnMat(
      String title,
      Parts parts,
      BoardView view,
      Consumer<BoardPicture> shown,
      @Nullable Held held,
      List<PointMm> rings,
      List<Tag> tags,
      Set<String> lit,
      Answers answers,
      StonesStrip strip,
      Set<String> guessed,
      Ground ground) {
    this(
        title, parts, view, shown, held, rings, tags, lit, answers, strip, guessed, List.of(),
        ground);
  }

  /**
   * What a board is drawn on: its photo with the holes that were seen, else a grid.
   *
   * @param photo whether the photo is looked at
   * @param holes where holes were seen, from the top
   */
  record Ground(Faces faces, boolean photo, List<PointMm> holes) {}

  /** Gives this picture with a track over it. */
  OwnMat withTrack(List<PointMm> pads) {
    return new OwnMat(
        title, parts, view, shown, held, rings, tags, lit, answers, strip, guessed, pads, ground);
  }

  /** A part in hand, and where it would sit. */
  record Held(Part part, Place place) {
    static Held of(Line line, String ref, PartPackage pack, Place place) {
      return new Held(Part.at(ref, line, pack, place), place);
    }
  }

  /** Words beside a pad. */
  record Tag(PointMm at, String text) {}

  /** What on the board answers to clicks. */
  enum Answers {
    /** Nothing by name: the click itself is what counts. */
    NOTHING,
    /** Every pad. */
    PADS,
    /** Pads, and parts between them. */
    PARTS
  }

  @Override
  public void paint(Pen pen, double w, double h) {
    pen.text(title, 20, 24, Pen.sizeFor(title, 17, 13, w - 40), Token.INK_SOFT, Pen.Hang.LEFT);
    BoardPicture picture = laid(parts, view, w, h);
    shown.accept(picture);
    Set<String> fitted = new HashSet<>();
    if (ground.photo()) {
      // What was placed stays drawn over the photo.
      parts.all().stream().map(Part::ref).forEach(fitted::add);
    }
    picture.paint(pen, fitted, lit, Set.of(), ground.faces(), () -> under(pen, picture));
    if (answers == Answers.PADS || answers == Answers.PARTS) {
      picture.padSpots(pen, Set.of());
    }
    if (answers == Answers.PARTS) {
      picture.partSpots(pen, Set.of());
    }
    for (String ref : guessed) {
      parts
          .part(ref)
          .flatMap(Part::placed)
          .filter(place -> place.board().equals(view.board().id()))
          .ifPresent(place -> {
            double[] at = picture.px(place.at());
            pen.diamond(at[0], at[1], Math.clamp(picture.scale(), 6, 11), Token.FLUX_PALE);
          });
    }
    Held over = held;
    if (over != null) {
      picture.held(pen, over.part(), over.place());
    }
    for (int i = 0; i < track.size(); i++) {
      double[] at = picture.px(track.get(i));
      if (i > 0) {
        double[] from = picture.px(track.get(i - 1));
        pen.line(from[0], from[1], at[0], at[1], Token.ON_BOARD, 3);
      }
      pen.disc(at[0], at[1], Math.max(9, 1.5 * picture.scale()), null, Token.ON_BOARD, 3);
    }
    for (PointMm ring : rings) {
      double[] at = picture.px(ring);
      pen.disc(at[0], at[1], Math.max(9, 1.5 * picture.scale()), null, Token.ON_BOARD, 3);
    }
    for (Tag tag : tags) {
      double[] at = picture.px(tag.at());
      pen.tag(
          tag.text(),
          at[0],
          at[1] - Math.max(20, 2.2 * picture.scale()),
          15,
          Token.INK,
          Token.CARD,
          Pen.Hang.MIDDLE);
    }
    strip.paint(pen, 18, h - StonesStrip.HEIGHT_PX - GAP_PX, w - 36);
  }

  /** Gives the board as it is laid on a mat of that size. */
  static BoardPicture laid(Parts parts, BoardView view, double w, double h) {
    double boardHeight = h - TITLE_PX - StonesStrip.HEIGHT_PX - 2 * GAP_PX;
    return new BoardPicture(parts, view, 18, TITLE_PX, w - 36, Math.max(80, boardHeight));
  }

  private void under(Pen pen, BoardPicture picture) {
    if (!ground.photo()) {
      grid(pen, picture);
    }
    for (PointMm hole : ground.holes()) {
      double[] at = picture.px(hole);
      pen.disc(at[0], at[1], Math.max(4, 1.05 * picture.scale()), null, Token.ON_BOARD, 1.2);
    }
  }

  private void grid(Pen pen, BoardPicture picture) {
    double step = 2 * HoleSnap.GRID_MM;
    if (step * picture.scale() < LEAST_STEP_PX) {
      step *= BOLD_EVERY / 2.0;
    }
    double width = view.board().widthMm();
    double height = view.board().heightMm();
    for (int i = 1; i * step < width; i++) {
      line(pen, picture, new PointMm(i * step, 0), new PointMm(i * step, height), i);
    }
    for (int i = 1; i * step < height; i++) {
      line(pen, picture, new PointMm(0, i * step), new PointMm(width, i * step), i);
    }
  }

  private static void line(Pen pen, BoardPicture picture, PointMm from, PointMm to, int number) {
    double[] a = picture.px(from);
    double[] b = picture.px(to);
    pen.line(a[0], a[1], b[0], b[1], Token.ON_BOARD, number % BOLD_EVERY == 0 ? 0.6 : 0.2);
  }

  @Override
  public String spoken() {
    return title + ". " + strip.spoken();
  }
}
