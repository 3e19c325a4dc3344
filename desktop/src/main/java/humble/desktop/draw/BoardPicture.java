package humble.desktop.draw;

import humble.core.kit.PackagePin;
import humble.core.kit.Part;
import humble.core.kit.PartKind;
import humble.core.kit.Parts;
import humble.core.kit.Place;
import humble.core.kit.PointMm;
import humble.core.orient.BoardView;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;

/**
 * A board drawn as it lies, from the kit's own geometry. The solder side is told from the component
 * side by shape: its pads are ringed joints and the parts behind it are only outlines.
 */
public final class BoardPicture {
  private final Parts parts;
  private final BoardView view;
  private final double scale;
  private final double left;
  private final double bottom;

  /** Lays a board into a rectangle of the mat. */
  public BoardPicture(Parts parts, BoardView view, double x, double y, double w, double h) {
    this.parts = parts;
    this.view = view;
    this.scale = Math.min(w / view.widthMm(), h / view.heightMm());
    this.left = x + (w - view.widthMm() * scale) / 2;
    this.bottom = y + (h + view.heightMm() * scale) / 2;
  }

  /** Gives pixels per millimetre. */
  public double scale() {
    return scale;
  }

  /** Gives where a point of the board, from the top, is on the mat. */
  public double[] px(PointMm onBoard) {
    return seenPx(view.seen(onBoard));
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
    List<double[]> outline = new ArrayList<>();
    view.board().outline().forEach(corner -> outline.add(px(corner)));
    pen.shape(outline, Token.BOARD, Token.INK);
    for (Part part : parts.all()) {
      Place place = part.place();
      if (place != null
          && place.board().equals(view.board().id())
          && !leftOut.contains(part.ref())) {
        boolean mine = place.side() == view.side();
        boolean on = fitted.contains(part.ref());
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
              pen.glow(at[0], at[1], Math.max(16, reach(part) * scale + 8), Token.FLUX);
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
    PartShape shape = PartShape.of(part);
    Token fill =
        switch (look) {
          case PRINTED, BEHIND -> null;
          case ON -> Token.TIN;
          case NOW -> Token.CARD;
        };
    Token edge = look == Look.PRINTED || look == Look.BEHIND ? Token.MASK_PALE : Token.INK;
    if (shape.radiusMm() > 0) {
      double[] at = px(place.at());
      pen.disc(at[0], at[1], shape.radiusMm() * scale, fill, edge, 1.2);
    } else {
      pen.shape(mapped(shape.body(), place), fill, edge);
    }
    if (!shape.mark().isEmpty()) {
      boolean pane = part.line().kind() == PartKind.DISPLAY;
      pen.shape(mapped(shape.mark(), place), pane ? null : edge, pane ? edge : null);
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
