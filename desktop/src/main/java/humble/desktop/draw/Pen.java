package humble.desktop.draw;

import humble.core.words.ForeignText;
import java.util.ArrayList;
import java.util.List;
import javafx.scene.canvas.GraphicsContext;
import javafx.scene.image.Image;
import javafx.scene.paint.Color;
import javafx.scene.text.Font;
import javafx.scene.text.FontWeight;
import javafx.scene.text.Text;
import javafx.scene.text.TextAlignment;
import org.jspecify.annotations.Nullable;

/**
 * Draws in the colours and faces of the theme; strokes are 1.5 px unless said otherwise. What it
 * draws is a list of marks; a {@link Sketch} inks them.
 */
public final class Pen {
  private static final double STROKE_PX = 1.5;
  private static final double LARGE_PX2 = 10_000;
  private static final int CUT_CORNERS = 32;

  /**
   * Corners rounder than this are drawn as such; the rest as four straight lines, which is quick.
   */
  private static final double SQUARE_CORNER_PX = 1.5;

  private final Palette palette;
  private final List<Mark> marks = new ArrayList<>();
  private final List<Spot> spots = new ArrayList<>();
  private @Nullable ClipBox clip;

  /** Makes a pen with nothing drawn. */
  public Pen(Palette palette) {
    this.palette = palette;
  }

  /** Where a text hangs on its point. */
  public enum Hang {
    LEFT,
    MIDDLE,
    RIGHT
  }

  /** A rectangle of the picture that can be clicked, in pixels. */
  public record Spot(String id, double x, double y, double w, double h) {
    /** Tells whether a point lies in it. */
    public boolean holds(double atX, double atY) {
      return atX >= x && atX <= x + w && atY >= y && atY <= y + h;
    }
  }

  /** Makes a rectangle of the picture answer to clicks, by a name that the stage knows. */
  public void spot(String id, double x, double y, double w, double h) {
    spots.add(new Spot(id, x, y, w, h));
  }

  /** Gives the rectangles that answer to clicks; later ones lie over earlier ones. */
  public List<Spot> spots() {
    return List.copyOf(spots);
  }

  List<Mark> marks() {
    return List.copyOf(marks);
  }

  /** Gives the colour of a token. */
  public Color colour(Token token) {
    return palette.of(token);
  }

  /** Draws with {@code drawing} within a rectangle only; what lies outside is left away. */
  public void within(double x, double y, double w, double h, Runnable drawing) {
    clip = new ClipBox(x, y, x + w, y + h);
    drawing.run();
    clip = null;
  }

  private void mark(
      double x1,
      double y1,
      double x2,
      double y2,
      List<Object> what,
      java.util.function.Consumer<GraphicsContext> ink) {
    ClipBox to = clip;
    if (to == null || to.holds(x1, y1, x2, y2)) {
      marks.add(new Mark(x1, y1, x2, y2, what, ink));
    } else if (!to.misses(x1, y1, x2, y2)) {
      List<Object> clipped = new ArrayList<>(what);
      clipped.addAll(List.of(x1, y1, x2, y2));
      marks.add(
          new Mark(
              Math.max(x1, to.left()),
              Math.max(y1, to.top()),
              Math.min(x2, to.right()),
              Math.min(y2, to.bottom()),
              clipped,
              g -> {
                g.save();
                g.beginPath();
                g.rect(to.left(), to.top(), to.right() - to.left(), to.bottom() - to.top());
                g.clip();
                ink.accept(g);
                g.restore();
              }));
    }
  }

  /** Draws what was cut before, whose stroke may reach over the edge by half its width. */
  private void drawn(
      double x1,
      double y1,
      double x2,
      double y2,
      List<Object> what,
      java.util.function.Consumer<GraphicsContext> ink) {
    marks.add(new Mark(x1, y1, x2, y2, what, ink));
  }

  /** Tells whether something reaches over the edge of what is drawn within. */
  private boolean isCut(double x1, double y1, double x2, double y2) {
    return clip != null && !clip.holds(x1, y1, x2, y2);
  }

  /** Draws a rectangle with round corners; null leaves fill or stroke away. */
  public void box(
      double x,
      double y,
      double w,
      double h,
      double radius,
      @Nullable Token fill,
      @Nullable Token stroke) {
    if (isCut(x - STROKE_PX, y - STROKE_PX, x + w + STROKE_PX, y + h + STROKE_PX)) {
      shape(
          List.of(
              new double[] {x, y},
              new double[] {x + w, y},
              new double[] {x + w, y + h},
              new double[] {x, y + h}),
          fill,
          stroke);
      return;
    }
    double r = Math.min(radius, Math.min(w, h) / 2);
    if (fill != null && stroke != null && r > SQUARE_CORNER_PX) {
      // Two fills, the inner a stroke smaller: a software renderer fills faster than it strokes.
      double half = STROKE_PX / 2;
      filled(x - half, y - half, w + STROKE_PX, h + STROKE_PX, r + half, palette.of(stroke));
      filled(x + half, y + half, w - STROKE_PX, h - STROKE_PX, r - half, palette.of(fill));
      return;
    }
    if (fill != null) {
      filled(x, y, w, h, r, palette.of(fill));
    }
    if (stroke != null) {
      Color colour = palette.of(stroke);
      mark(
          x - STROKE_PX,
          y - STROKE_PX,
          x + w + STROKE_PX,
          y + h + STROKE_PX,
          List.of("frame", radius, colour),
          g -> frame(g, x, y, w, h, radius, colour));
    }
  }

  private void filled(double x, double y, double w, double h, double r, Color colour) {
    mark(
        x,
        y,
        x + w,
        y + h,
        List.of("box", r, colour),
        g -> {
          g.setFill(colour);
          fillRounded(g, x, y, w, h, r);
        });
  }

  private static void frame(
      GraphicsContext g, double x, double y, double w, double h, double radius, Color colour) {
    if (radius > SQUARE_CORNER_PX) {
      g.setStroke(colour);
      g.setLineWidth(STROKE_PX);
      g.strokeRoundRect(x, y, w, h, 2 * radius, 2 * radius);
      return;
    }
    double half = STROKE_PX / 2;
    g.setFill(colour);
    g.fillRect(x - half, y - half, w + STROKE_PX, STROKE_PX);
    g.fillRect(x - half, y + h - half, w + STROKE_PX, STROKE_PX);
    g.fillRect(x - half, y + half, STROKE_PX, h - STROKE_PX);
    g.fillRect(x + w - half, y + half, STROKE_PX, h - STROKE_PX);
  }

  /**
   * Fills round corners and straight rectangles between them: a rounded path over a large area
   * costs a software renderer many times as much.
   */
  private static void fillRounded(
      GraphicsContext g, double x, double y, double w, double h, double r) {
    if (r <= SQUARE_CORNER_PX) {
      g.fillRect(x, y, w, h);
      return;
    }
    if (w * h < LARGE_PX2) {
      g.fillRoundRect(x, y, w, h, 2 * r, 2 * r);
      return;
    }
    double band = Math.ceil(r);
    g.fillRoundRect(x, y, w, 2 * band, 2 * r, 2 * r);
    g.fillRoundRect(x, y + h - 2 * band, w, 2 * band, 2 * r, 2 * r);
    g.fillRect(x, y + band, w, h - 2 * band);
  }

  /**
   * Lays a picture into a rectangle. Of a picture that reaches beyond what is drawn within, the
   * piece in sight is taken: cutting it costs a software renderer many times what laying it does.
   */
  public void image(Image image, double x, double y, double w, double h) {
    ClipBox to = clip == null ? new ClipBox(x, y, x + w, y + h) : clip;
    double left = Math.max(x, to.left());
    double top = Math.max(y, to.top());
    double right = Math.min(x + w, to.right());
    double bottom = Math.min(y + h, to.bottom());
    if (left >= right || top >= bottom) {
      return;
    }
    double perX = image.getWidth() / w;
    double perY = image.getHeight() / h;
    mark(
        left,
        top,
        right,
        bottom,
        List.of("image", System.identityHashCode(image), x, y, w, h),
        g ->
            g.drawImage(
                image,
                (left - x) * perX,
                (top - y) * perY,
                (right - left) * perX,
                (bottom - top) * perY,
                left,
                top,
                right - left,
                bottom - top));
  }

  /** Draws a rectangle in a colour that is no token: paint bands of a part. */
  public void paint(double x, double y, double w, double h, Color colour) {
    mark(
        x,
        y,
        x + w,
        y + h,
        List.of("paint", colour),
        g -> {
          g.setFill(colour);
          g.fillRect(x, y, w, h);
        });
  }

  /** Draws a circle about a point. */
  public void disc(
      double x,
      double y,
      double radius,
      @Nullable Token fill,
      @Nullable Token stroke,
      double strokePx) {
    oval(x, y, radius, radius, fill, stroke, strokePx);
  }

  /** Draws an ellipse about a point. */
  public void oval(
      double x,
      double y,
      double rx,
      double ry,
      @Nullable Token fill,
      @Nullable Token stroke,
      double strokePx) {
    double reach = Math.max(rx, ry) + strokePx;
    if (isCut(x - reach, y - reach, x + reach, y + reach)) {
      List<double[]> round = new ArrayList<>();
      for (int i = 0; i < CUT_CORNERS; i++) {
        double angle = 2 * Math.PI * i / CUT_CORNERS;
        round.add(new double[] {x + rx * Math.cos(angle), y + ry * Math.sin(angle)});
      }
      shape(round, fill, null);
      if (stroke != null) {
        outline(round, stroke, strokePx);
      }
      return;
    }
    if (fill != null && stroke != null && strokePx > 0) {
      double half = strokePx / 2;
      filledOval(x, y, rx + half, ry + half, palette.of(stroke));
      filledOval(x, y, rx - half, ry - half, palette.of(fill));
      return;
    }
    if (fill != null) {
      filledOval(x, y, rx, ry, palette.of(fill));
    }
    if (stroke != null) {
      Color colour = palette.of(stroke);
      mark(
          x - rx - strokePx,
          y - ry - strokePx,
          x + rx + strokePx,
          y + ry + strokePx,
          List.of("ring", strokePx, colour),
          g -> {
            stroke(g, colour, strokePx);
            g.strokeOval(x - rx, y - ry, 2 * rx, 2 * ry);
          });
    }
  }

  private void filledOval(double x, double y, double rx, double ry, Color colour) {
    mark(
        x - rx,
        y - ry,
        x + rx,
        y + ry,
        List.of("oval", colour),
        g -> {
          g.setFill(colour);
          g.fillOval(x - rx, y - ry, 2 * rx, 2 * ry);
        });
  }

  /** Draws a see-through disc that lifts a spot out of a picture. */
  public void glow(double x, double y, double radius, Token token) {
    Color colour = palette.of(token).deriveColor(0, 1, 1, 0.32);
    mark(
        x - radius,
        y - radius,
        x + radius,
        y + radius,
        List.of("glow", colour),
        g -> {
          g.setFill(colour);
          g.fillOval(x - radius, y - radius, 2 * radius, 2 * radius);
        });
  }

  /** Draws part of a ring, clockwise from the top; {@code share} 0 to 1. */
  public void arc(double x, double y, double radius, double share, Token token, double strokePx) {
    Color colour = palette.of(token);
    double reach = radius + strokePx;
    mark(
        x - reach,
        y - reach,
        x + reach,
        y + reach,
        List.of("arc", share, strokePx, colour),
        g -> {
          stroke(g, colour, strokePx);
          g.strokeArc(
              x - radius,
              y - radius,
              2 * radius,
              2 * radius,
              90,
              -360 * share,
              javafx.scene.shape.ArcType.OPEN);
        });
  }

  /** Draws a line. */
  public void line(double x1, double y1, double x2, double y2, Token token, double strokePx) {
    line(x1, y1, x2, y2, token, strokePx, false);
  }

  /** Draws a dashed line. */
  public void dashed(double x1, double y1, double x2, double y2, Token token, double strokePx) {
    line(x1, y1, x2, y2, token, strokePx, true);
  }

  private void line(
      double fromX,
      double fromY,
      double toX,
      double toY,
      Token token,
      double strokePx,
      boolean dashed) {
    double[] piece = {fromX, fromY, toX, toY};
    if (clip != null) {
      piece = clip.line(fromX, fromY, toX, toY).orElse(null);
      if (piece == null) {
        return;
      }
    }
    segment(piece[0], piece[1], piece[2], piece[3], token, strokePx, dashed);
  }

  private void segment(
      double x1, double y1, double x2, double y2, Token token, double strokePx, boolean dashed) {
    Color colour = palette.of(token);
    drawn(
        Math.min(x1, x2) - strokePx,
        Math.min(y1, y2) - strokePx,
        Math.max(x1, x2) + strokePx,
        Math.max(y1, y2) + strokePx,
        List.of("line", x1 < x2 == y1 < y2, strokePx, dashed, colour),
        g -> {
          stroke(g, colour, strokePx);
          if (dashed) {
            g.setLineDashes(6, 5);
          }
          g.strokeLine(x1, y1, x2, y2);
          g.setLineDashes();
        });
  }

  /** Draws a smooth curve between two points that leaves and arrives level. */
  public void bend(double x1, double y1, double x2, double y2, Token token, double strokePx) {
    Color colour = palette.of(token);
    double mid = (x1 + x2) / 2;
    mark(
        Math.min(x1, x2) - strokePx,
        Math.min(y1, y2) - strokePx,
        Math.max(x1, x2) + strokePx,
        Math.max(y1, y2) + strokePx,
        List.of("bend", x1, y1, x2, y2, strokePx, colour),
        g -> {
          stroke(g, colour, strokePx);
          g.beginPath();
          g.moveTo(x1, y1);
          g.bezierCurveTo(mid, y1, mid, y2, x2, y2);
          g.stroke();
        });
  }

  /** Draws a dashed bow that rises over two points. */
  public void bow(double x1, double y1, double x2, double y2, double rise, Token token) {
    Color colour = palette.of(token);
    double top = Math.min(y1, y2) - rise;
    mark(
        Math.min(x1, x2) - STROKE_PX,
        top - STROKE_PX,
        Math.max(x1, x2) + STROKE_PX,
        Math.max(y1, y2) + STROKE_PX,
        List.of("bow", x1, y1, x2, y2, colour),
        g -> {
          stroke(g, colour, 2);
          g.setLineDashes(6, 5);
          g.beginPath();
          g.moveTo(x1, y1);
          g.bezierCurveTo(x1, top - rise / 3, x2, top - rise / 3, x2, y2);
          g.stroke();
          g.setLineDashes();
        });
  }

  /** Draws a closed shape through points given as x, y, x, y. */
  public void shape(List<double[]> points, @Nullable Token fill, @Nullable Token stroke) {
    ClipBox to = clip;
    if (to != null && points.stream().anyMatch(p -> !to.holds(p[0], p[1], p[0], p[1]))) {
      List<double[]> cut = to.shape(points);
      if (cut.size() > 2) {
        clip = null;
        shape(cut, fill, null);
        clip = to;
      }
      if (stroke != null) {
        outline(points, stroke, STROKE_PX);
      }
      return;
    }
    double[] xs = points.stream().mapToDouble(p -> p[0]).toArray();
    double[] ys = points.stream().mapToDouble(p -> p[1]).toArray();
    double left = java.util.Arrays.stream(xs).min().orElse(0);
    double right = java.util.Arrays.stream(xs).max().orElse(0);
    double top = java.util.Arrays.stream(ys).min().orElse(0);
    double bottom = java.util.Arrays.stream(ys).max().orElse(0);
    List<Object> corners = new ArrayList<>();
    points.forEach(p -> {
      corners.add(p[0]);
      corners.add(p[1]);
    });
    if (fill != null) {
      Color colour = palette.of(fill);
      mark(
          left,
          top,
          right,
          bottom,
          List.of("shape", corners, colour),
          g -> {
            g.setFill(colour);
            g.fillPolygon(xs, ys, xs.length);
          });
    }
    if (stroke != null) {
      Color colour = palette.of(stroke);
      mark(
          left - STROKE_PX,
          top - STROKE_PX,
          right + STROKE_PX,
          bottom + STROKE_PX,
          List.of("outline", corners, colour),
          g -> {
            stroke(g, colour, STROKE_PX);
            g.strokePolygon(xs, ys, xs.length);
          });
    }
  }

  /** Draws the outline of a closed shape, {@code strokePx} wide. */
  public void outline(List<double[]> points, Token token, double strokePx) {
    for (int i = 0; i < points.size(); i++) {
      double[] from = points.get(i);
      double[] to = points.get((i + 1) % points.size());
      line(from[0], from[1], to[0], to[1], token, strokePx);
    }
  }

  /** Draws an octagon: a gate, or stop. */
  public void octagon(
      double x, double y, double radius, @Nullable Token fill, @Nullable Token stroke) {
    List<double[]> points = new ArrayList<>();
    for (int i = 0; i < 8; i++) {
      double a = Math.PI / 8 + i * Math.PI / 4;
      points.add(new double[] {x + radius * Math.cos(a), y + radius * Math.sin(a)});
    }
    shape(points, fill, stroke);
  }

  /** Draws a diamond: something needs a measurement, or is short. */
  public void diamond(double x, double y, double radius, Token fill) {
    shape(
        List.of(
            new double[] {x, y - radius},
            new double[] {x + radius, y},
            new double[] {x, y + radius},
            new double[] {x - radius, y}),
        fill,
        null);
  }

  /** Writes one line of text about a vertical middle. */
  public void text(String text, double x, double y, double sizePx, Token token, Hang hang) {
    write(text, x, y, Font.font("B612", sizePx), token, hang);
  }

  /** Writes one line of bold text. */
  public void bold(String text, double x, double y, double sizePx, Token token, Hang hang) {
    write(text, x, y, Font.font("B612", FontWeight.BOLD, sizePx), token, hang);
  }

  /** Writes one line in the face of addresses. */
  public void mono(String text, double x, double y, double sizePx, Token token, Hang hang) {
    write(text, x, y, mono(sizePx), token, hang);
  }

  private void write(String written, double x, double y, Font font, Token token, Hang hang) {
    String text = ForeignText.shown(written);
    Color colour = palette.of(token);
    // No letter of the faces is wider than its size; a little too wide an area does no harm.
    double most = text.length() * font.getSize();
    double left = hang == Hang.LEFT ? x : hang == Hang.RIGHT ? x - most : x - most / 2;
    mark(
        left,
        y - font.getSize(),
        left + most,
        y + font.getSize(),
        List.of("text", text, x, font, colour, hang),
        g -> {
          g.setFont(font);
          g.setFill(colour);
          g.setTextAlign(
              switch (hang) {
                case LEFT -> TextAlignment.LEFT;
                case MIDDLE -> TextAlignment.CENTER;
                case RIGHT -> TextAlignment.RIGHT;
              });
          g.fillText(text, x, y);
        });
  }

  /** Gives the face of addresses, by its full name: its family is that of the other face. */
  public static Font mono(double sizePx) {
    return new Font("B612 Mono Bold", sizePx);
  }

  /** Writes text on a strip of ground, so that lines below it do not cross it. */
  public void tag(
      String text, double x, double y, double sizePx, Token ink, Token ground, Hang hang) {
    double width = width(text, sizePx, true) + 12;
    double left =
        switch (hang) {
          case LEFT -> x - 6;
          case MIDDLE -> x - width / 2;
          case RIGHT -> x - width + 6;
        };
    box(left, y - sizePx * 0.8, width, sizePx * 1.6, 4, ground, null);
    bold(text, left + width / 2, y, sizePx, ink, Hang.MIDDLE);
  }

  /** Gives the width of a text, in pixels. */
  public static double width(String text, double sizePx, boolean bold) {
    Text node = new Text(text);
    node.setFont(bold ? Font.font("B612", FontWeight.BOLD, sizePx) : Font.font("B612", sizePx));
    return node.getLayoutBounds().getWidth();
  }

  /** Shortens a text until it fits. */
  public static String fitted(String text, double sizePx, double widthPx) {
    String cut = text;
    while (cut.length() > 1 && width(cut, sizePx, false) > widthPx) {
      cut = cut.substring(0, cut.length() - 2) + "…";
    }
    return cut;
  }

  /** Draws the shape of a standing: open ring to do, ring with a bar under way, disc done. */
  public void standing(double x, double y, double radius, String standing) {
    switch (standing) {
      case "done" -> {
        disc(x, y, radius, Token.COPPER, null, 0);
        disc(x - radius * 0.3, y - radius * 0.3, radius * 0.22, Token.CARD, null, 0);
      }
      case "deviated" -> {
        disc(x, y, radius, Token.COPPER, null, 0);
        shape(
            List.of(
                new double[] {x, y},
                new double[] {x + radius * 1.1, y - radius * 0.7},
                new double[] {x + radius * 1.1, y + radius * 0.7}),
            Token.CARD,
            null);
      }
      case "now" -> {
        disc(x, y, radius, Token.CARD, Token.COPPER, radius * 0.26);
        box(
            x - radius * 0.45,
            y - radius * 0.13,
            radius * 0.9,
            radius * 0.26,
            radius * 0.13,
            Token.COPPER,
            null);
      }
      default -> disc(x, y, radius, Token.CARD, Token.COPPER_PALE, radius * 0.26);
    }
  }

  private static void stroke(GraphicsContext g, Color colour, double px) {
    g.setStroke(colour);
    g.setLineWidth(px);
  }
}
