package humble.desktop.draw;

import humble.core.kit.PackagePin;
import humble.core.kit.Part;
import humble.core.kit.Parts;
import humble.core.kit.Place;
import humble.core.kit.PointMm;
import humble.core.kit.Side;
import humble.core.orient.BoardView;
import humble.core.picture.Piece;
import humble.core.picture.TopView;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import javafx.scene.image.Image;

/**
 * A board drawn as it lies, from the kit's own geometry. The solder side is told from the component
 * side by shape: its pads are ringed joints and the parts behind it are only outlines.
 *
 * <p>Longer than other classes: every kind of thing that is on a board, drawn in a few lines.
 */
public final class BoardPicture {
  private static final double TEETH_PX = 9;
  private static final double SAME_SCALE = 0.002;
  private static final double TOOTH_PX = 22;

  /** Larger parts are lit by their outline: a glow would cover their neighbours. */
  private static final double LARGEST_GLOW_PX = 60;

  /** So much beside a pin's middle belongs to its pad; so much at least of a part to its body. */
  private static final double PAD_MM = 1.0;

  private static final double LEAST_BODY_MM = 0.7;

  /** No body of the packages reaches further beyond its pins. */
  private static final double LARGEST_OVERHANG_MM = 18;

  private final Parts parts;
  private final BoardView view;
  private final double scale;
  private final double left;
  private final double bottom;

  private final Area box;
  private final boolean whole;

  /** Lays a board into a rectangle of the mat. */
  public BoardPicture(Parts parts, BoardView view, double x, double y, double w, double h) {
    this.parts = parts;
    this.view = view;
    this.box = Area.of(x, y, x + w, y + h);
    this.whole = true;
    this.scale =
        Math.min((w - 2 * TEETH_PX) / view.widthMm(), (h - 2 * TEETH_PX) / view.heightMm());
    this.left = x + (w - view.widthMm() * scale) / 2;
    this.bottom = y + (h + view.heightMm() * scale) / 2;
  }

  private BoardPicture(
      Parts parts, BoardView view, Area box, double scale, double left, double bottom) {
    this.parts = parts;
    this.view = view;
    this.box = box;
    this.whole = false;
    this.scale = scale;
    this.left = left;
    this.bottom = bottom;
  }

  /**
   * Lays a piece of a board into a rectangle of the mat, as under a magnifier.
   *
   * @param at middle of the piece, board coordinates from the top
   * @param asideMm how far it is pulled aside, as seen
   * @param acrossMm height of the piece, in millimetres
   */
  public static BoardPicture closeUp(
      Parts parts,
      BoardView view,
      double x,
      double y,
      double w,
      double h,
      PointMm at,
      PointMm asideMm,
      double acrossMm) {
    double scale = h / acrossMm;
    PointMm seen = view.seen(at).plus(asideMm);
    return new BoardPicture(
        parts,
        view,
        Area.of(x, y, x + w, y + h),
        scale,
        x + w / 2 - seen.xMm() * scale,
        y + h / 2 + seen.yMm() * scale);
  }

  /** Tells whether any of a part can be seen in the rectangle. */
  private boolean inSight(Part part, Place place) {
    if (whole) {
      return true;
    }
    double[] at = px(place.at());
    double reach = (reach(part) + LARGEST_OVERHANG_MM) * scale;
    return box.meets(Area.of(at[0] - reach, at[1] - reach, at[0] + reach, at[1] + reach));
  }

  /**
   * The solder side has teeth all round, the cut leads that a hand feels there; the component side
   * has a plain edge.
   */
  private void teeth(Pen pen) {
    if (view.side() != Side.BOTTOM || !whole) {
      return;
    }
    double right = left + view.widthMm() * scale;
    double top = bottom - view.heightMm() * scale;
    int across = Math.max(4, (int) ((right - left) / TOOTH_PX));
    for (int i = 0; i < across; i++) {
      double x = left + (i + 0.5) * (right - left) / across;
      tooth(pen, x, top - 2, 0, -1);
      tooth(pen, x, bottom + 2, 0, 1);
    }
    int down = Math.max(4, (int) ((bottom - top) / TOOTH_PX));
    for (int i = 0; i < down; i++) {
      double y = top + (i + 0.5) * (bottom - top) / down;
      tooth(pen, left - 2, y, -1, 0);
      tooth(pen, right + 2, y, 1, 0);
    }
  }

  private static void tooth(Pen pen, double x, double y, int dx, int dy) {
    double half = TEETH_PX * 0.5;
    pen.shape(
        List.of(
            new double[] {x - half * dy, y - half * dx},
            new double[] {x + half * dy, y + half * dx},
            new double[] {x + TEETH_PX * 0.8 * dx, y + TEETH_PX * 0.8 * dy}),
        Token.TIN,
        Token.INK_SOFT);
  }

  /** Gives pixels per millimetre. */
  public double scale() {
    return scale;
  }

  /** Gives where a point of the board, from the top, is on the mat. */
  public double[] px(PointMm onBoard) {
    return seenPx(view.seen(onBoard));
  }

  /** Gives the point of the board, from the top, that is at a place on the mat. */
  public PointMm onBoard(double x, double y) {
    return view.onBoard(new PointMm((x - left) / scale, (bottom - y) / scale));
  }

  /** Draws a part that is held over the board, in its true size. */
  public void held(Pen pen, Part part, Place place) {
    body(pen, part, place, Look.NOW);
    holes(pen, part, place, true, false);
  }

  /** Gives where a point as seen is on the mat. */
  public double[] seenPx(PointMm seen) {
    return new double[] {left + seen.xMm() * scale, bottom - seen.yMm() * scale};
  }

  /**
   * Draws the board.
   *
   * @param fitted parts that are on it
   * @param lit parts of this step
   * @param leftOut parts that no choice fits
   */
  public void paint(Pen pen, Set<String> fitted, Set<String> lit, Set<String> leftOut) {
    paint(pen, fitted, lit, leftOut, Faces.NONE);
  }

  /**
   * Draws the board upon its own copper and legend, where its files are there.
   *
   * @param faces faces of the boards
   */
  public void paint(
      Pen pen, Set<String> fitted, Set<String> lit, Set<String> leftOut, Faces faces) {
    paint(pen, fitted, lit, leftOut, faces, () -> {});
  }

  /**
   * Draws the board with something between it and its parts.
   *
   * @param under draws what lies on the bare board: a grid
   */
  public void paint(
      Pen pen,
      Set<String> fitted,
      Set<String> lit,
      Set<String> leftOut,
      Faces faces,
      Runnable under) {
    Optional<BoardFace> face = faces.of(view, scale, pen);
    if (whole) {
      inked(pen, fitted, lit, leftOut, face, under);
      return;
    }
    pen.within(
        box.left(),
        box.top(),
        box.width(),
        box.height(),
        () -> inked(pen, fitted, lit, leftOut, face, under));
    pen.box(box.left(), box.top(), box.width(), box.height(), 0, null, Token.INK);
  }

  /** Lays the face so that its pixels fall on those of the screen where the scales agree. */
  private void lay(Pen pen, BoardFace face) {
    Image image = face.turned(view.turnDeg());
    boolean same = Math.abs(face.pxPerMm() / scale - 1) < SAME_SCALE;
    double w = same ? image.getWidth() : view.widthMm() * scale;
    double h = same ? image.getHeight() : view.heightMm() * scale;
    pen.image(image, Math.round(left), Math.round(bottom - view.heightMm() * scale), w, h);
  }

  private void inked(
      Pen pen,
      Set<String> fitted,
      Set<String> lit,
      Set<String> leftOut,
      Optional<BoardFace> face,
      Runnable under) {
    List<double[]> outline = new ArrayList<>();
    view.board().outline().forEach(corner -> outline.add(px(corner)));
    teeth(pen);
    pen.shape(outline, face.isPresent() ? null : Token.BOARD, Token.INK);
    face.ifPresent(drawn -> lay(pen, drawn));
    under.run();
    for (Part part : parts.all()) {
      Place place = part.place();
      if (place != null
          && place.board().equals(view.board().id())
          && inSight(part, place)
          && !leftOut.contains(part.ref())) {
        boolean mine = place.side() == view.side();
        boolean on = fitted.contains(part.ref());
        if (face.isPresent() && !on && !lit.contains(part.ref())) {
          continue;
        }
        holes(pen, part, place, lit.contains(part.ref()), on);
        if (!lit.contains(part.ref())) {
          body(pen, part, place, on && mine ? Look.ON : Look.PRINTED);
        }
      }
    }
    for (String ref : lit) {
      parts
          .part(ref)
          .ifPresent(part -> {
            Place place = part.place();
            if (place != null && place.board().equals(view.board().id())) {
              double[] at = px(place.at());
              double radius = Math.max(16, reach(part) * scale + 8);
              if (radius <= LARGEST_GLOW_PX) {
                pen.glow(at[0], at[1], radius, Token.FLUX);
              } else {
                pen.outline(mapped(TopView.of(part).getFirst().corners(), place), Token.FLUX, 9);
              }
            }
          });
    }
    for (String ref : lit) {
      parts
          .part(ref)
          .ifPresent(part -> {
            Place place = part.place();
            if (place != null && place.board().equals(view.board().id())) {
              body(pen, part, place, place.side() == view.side() ? Look.NOW : Look.BEHIND);
              holes(pen, part, place, true, false);
            }
          });
    }
  }

  /** Makes every pad of the board answer to clicks, as {@code pad:REF.PIN}. */
  public void padSpots(Pen pen, Set<String> leftOut) {
    double reach = Math.max(6, 1.1 * scale);
    for (Part part : parts.all()) {
      Place place = part.place();
      boolean here = place != null && place.board().equals(view.board().id());
      if (place != null && here && !leftOut.contains(part.ref())) {
        for (PackagePin pin : part.pack().pins()) {
          double[] at = px(place.onBoard(pin.at()));
          pen.spot(
              "pad:" + part.ref() + "." + pin.number(),
              at[0] - reach,
              at[1] - reach,
              2 * reach,
              2 * reach);
        }
      }
    }
  }

  /**
   * Makes the body of every part answer to clicks between its pads, as {@code part:REF}. Asked for
   * after {@link #padSpots}: the middle of a small part would else belong to its pads.
   */
  public void partSpots(Pen pen, Set<String> leftOut) {
    for (Part part : parts.all()) {
      Place place = part.place();
      boolean here = place != null && place.board().equals(view.board().id());
      if (place == null || !here || leftOut.contains(part.ref())) {
        continue;
      }
      double x = 0;
      double y = 0;
      for (PackagePin pin : part.pack().pins()) {
        x = Math.max(x, Math.abs(pin.at().xMm()));
        y = Math.max(y, Math.abs(pin.at().yMm()));
      }
      double[] at = px(place.at());
      double[] corner =
          px(
              place.onBoard(
                  new PointMm(
                      Math.max(LEAST_BODY_MM, x - PAD_MM), Math.max(LEAST_BODY_MM, y - PAD_MM))));
      double w = Math.abs(corner[0] - at[0]);
      double h = Math.abs(corner[1] - at[1]);
      pen.spot("part:" + part.ref(), at[0] - w, at[1] - h, 2 * w, 2 * h);
    }
  }

  private enum Look {
    PRINTED,
    ON,
    NOW,
    BEHIND
  }

  private static double reach(Part part) {
    return part.pack().pins().stream()
            .mapToDouble(pin -> Math.hypot(pin.at().xMm(), pin.at().yMm()))
            .max()
            .orElse(1)
        + 0.6;
  }

  private void body(Pen pen, Part part, Place place, Look look) {
    boolean drawn = look == Look.PRINTED || look == Look.BEHIND;
    Token edge = drawn ? Token.MASK_PALE : Token.INK;
    Token fill =
        switch (look) {
          case PRINTED, BEHIND -> null;
          case ON -> Token.TIN;
          case NOW -> Token.CARD;
        };
    for (Piece piece : TopView.of(part)) {
      List<double[]> outline = mapped(piece.corners(), place);
      switch (piece.role()) {
        case BODY -> pen.shape(outline, fill, edge);
        case MARK -> pen.shape(outline, edge, null);
        case DETAIL -> {
          if (!drawn) {
            detail(pen, outline, edge);
          }
        }
      }
    }
  }

  private static void detail(Pen pen, List<double[]> outline, Token edge) {
    if (outline.size() == 2) {
      double[] from = outline.getFirst();
      double[] to = outline.getLast();
      pen.line(from[0], from[1], to[0], to[1], edge, 1.2);
    } else {
      pen.shape(outline, null, edge);
    }
  }

  private List<double[]> mapped(List<PointMm> points, Place place) {
    List<double[]> mapped = new ArrayList<>();
    points.forEach(point -> mapped.add(px(place.onBoard(point))));
    return mapped;
  }

  private void holes(Pen pen, Part part, Place place, boolean now, boolean on) {
    double radius = Math.max(2, 0.8 * scale);
    String squarePin = squarePin(part, place);
    for (PackagePin pin : part.pack().pins()) {
      double[] at = px(place.onBoard(pin.at()));
      Token fill = on ? Token.TIN : Token.COPPER_PALE;
      boolean empty = place.leaveEmpty().contains(pin.number());
      if (pin.number().equals(squarePin)) {
        pen.box(
            at[0] - radius,
            at[1] - radius,
            2 * radius,
            2 * radius,
            1,
            fill,
            now ? Token.INK : null);
      } else {
        pen.disc(at[0], at[1], radius, empty ? null : fill, now || empty ? Token.INK : null, 1);
      }
      if (view.side() != place.side()) {
        pen.disc(at[0], at[1], radius * 1.45, null, fill, 1);
      }
      if (!on) {
        pen.disc(at[0], at[1], radius * 0.42, Token.BOARD, null, 0);
      }
    }
    if (place.rowHoles() > 0) {
      restOfRow(pen, part, place, radius);
    }
  }

  /** A header in the middle of a longer row: the holes before and after it are drawn open. */
  private void restOfRow(Pen pen, Part part, Place place, double radius) {
    List<PackagePin> pins = part.pack().pins();
    PointMm pitch =
        pins.size() > 1 ? pins.get(1).at().minus(pins.getFirst().at()) : new PointMm(2.54, 0);
    for (int hole = 1; hole <= place.rowHoles(); hole++) {
      int pin = hole - place.rowFrom();
      if (pin < 0 || pin >= pins.size()) {
        PointMm at = pins.getFirst().at().plus(new PointMm(pitch.xMm() * pin, pitch.yMm() * pin));
        double[] px = px(place.onBoard(at));
        pen.disc(px[0], px[1], radius * 0.8, null, Token.COPPER_PALE, 1.2);
      }
    }
  }

  private static String squarePin(Part part, Place place) {
    return place.marks().stream()
        .filter(mark -> mark.startsWith("square-pad:"))
        .findFirst()
        .flatMap(mark -> part.pinNumber(mark.substring("square-pad:".length())))
        .orElse("");
  }
}
