package humble.desktop.draw;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import javafx.scene.image.Image;
import javafx.scene.paint.Color;
import javafx.scene.shape.ArcType;
import org.jspecify.annotations.Nullable;

/** Draws shapes: rectangles, rounds, lines, curves and pictures. */
class ShapePen extends MarkPen {
  private static final int CUT_CORNERS = 32;

  ShapePen(Palette palette) {
    super(palette);
  }

  /** Draws a rectangle with round corners; null leaves fill or stroke away. */
  public final void box(
      double x,
      double y,
      double w,
      double h,
      double radius,
      @Nullable Token fill,
      @Nullable Token stroke) {
    if (isCut(
        x - Inking.STROKE_PX,
        y - Inking.STROKE_PX,
        x + w + Inking.STROKE_PX,
        y + h + Inking.STROKE_PX)) {
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
    if (fill != null && stroke != null && r > Inking.SQUARE_CORNER_PX) {
      // Two fills, the inner a stroke smaller: a software renderer fills faster than it strokes.
      double half = Inking.STROKE_PX / 2;
      filled(
          x - half, y - half, w + Inking.STROKE_PX, h + Inking.STROKE_PX, r + half, colour(stroke));
      filled(
          x + half, y + half, w - Inking.STROKE_PX, h - Inking.STROKE_PX, r - half, colour(fill));
      return;
    }
    if (fill != null) {
      filled(x, y, w, h, r, colour(fill));
    }
    if (stroke != null) {
      Color colour = colour(stroke);
      mark(
          x - Inking.STROKE_PX,
          y - Inking.STROKE_PX,
          x + w + Inking.STROKE_PX,
          y + h + Inking.STROKE_PX,
          List.of("frame", radius, colour),
          g -> Inking.frame(g, x, y, w, h, radius, colour));
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
          Inking.fillRounded(g, x, y, w, h, r);
        });
  }

  /**
   * Lays a picture into a rectangle. Of a picture that reaches beyond what is drawn within, the
   * piece in sight is taken: cutting it costs a software renderer many times what laying it does.
   */
  public final void image(Image image, double x, double y, double w, double h) {
    ClipBox to = cut() == null ? new ClipBox(x, y, x + w, y + h) : cut();
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
  public final void paint(double x, double y, double w, double h, Color colour) {
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
  public final void disc(
      double x,
      double y,
      double radius,
      @Nullable Token fill,
      @Nullable Token stroke,
      double strokePx) {
    oval(x, y, radius, radius, fill, stroke, strokePx);
  }

  /** Draws an ellipse about a point. */
  public final void oval(
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
      filledOval(x, y, rx + half, ry + half, colour(stroke));
      filledOval(x, y, rx - half, ry - half, colour(fill));
      return;
    }
    if (fill != null) {
      filledOval(x, y, rx, ry, colour(fill));
    }
    if (stroke != null) {
      Color colour = colour(stroke);
      mark(
          x - rx - strokePx,
          y - ry - strokePx,
          x + rx + strokePx,
          y + ry + strokePx,
          List.of("ring", strokePx, colour),
          g -> {
            Inking.stroke(g, colour, strokePx);
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
  public final void glow(double x, double y, double radius, Token token) {
    Color colour = colour(token).deriveColor(0, 1, 1, 0.32);
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
  public final void arc(
      double x, double y, double radius, double share, Token token, double strokePx) {
    Color colour = colour(token);
    double reach = radius + strokePx;
    mark(
        x - reach,
        y - reach,
        x + reach,
        y + reach,
        List.of("arc", share, strokePx, colour),
        g -> {
          Inking.stroke(g, colour, strokePx);
          g.strokeArc(
              x - radius, y - radius, 2 * radius, 2 * radius, 90, -360 * share, ArcType.OPEN);
        });
  }

  /** Draws a line. */
  public final void line(double x1, double y1, double x2, double y2, Token token, double strokePx) {
    line(x1, y1, x2, y2, token, strokePx, false);
  }

  /** Draws a dashed line. */
  public final void dashed(
      double x1, double y1, double x2, double y2, Token token, double strokePx) {
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
    ClipBox to = cut();
    if (to != null) {
      piece = to.line(fromX, fromY, toX, toY).orElse(null);
      if (piece == null) {
        return;
      }
    }
    segment(piece[0], piece[1], piece[2], piece[3], token, strokePx, dashed);
  }

  private void segment(
      double x1, double y1, double x2, double y2, Token token, double strokePx, boolean dashed) {
    Color colour = colour(token);
    drawn(
        Math.min(x1, x2) - strokePx,
        Math.min(y1, y2) - strokePx,
        Math.max(x1, x2) + strokePx,
        Math.max(y1, y2) + strokePx,
        List.of("line", x1 < x2 == y1 < y2, strokePx, dashed, colour),
        g -> {
          Inking.stroke(g, colour, strokePx);
          if (dashed) {
            g.setLineDashes(6, 5);
          }
          g.strokeLine(x1, y1, x2, y2);
          g.setLineDashes();
        });
  }

  /** Draws a smooth curve between two points that leaves and arrives level. */
  public final void bend(double x1, double y1, double x2, double y2, Token token, double strokePx) {
    Color colour = colour(token);
    double mid = (x1 + x2) / 2;
    mark(
        Math.min(x1, x2) - strokePx,
        Math.min(y1, y2) - strokePx,
        Math.max(x1, x2) + strokePx,
        Math.max(y1, y2) + strokePx,
        List.of("bend", x1, y1, x2, y2, strokePx, colour),
        g -> {
          Inking.stroke(g, colour, strokePx);
          g.beginPath();
          g.moveTo(x1, y1);
          g.bezierCurveTo(mid, y1, mid, y2, x2, y2);
          g.stroke();
        });
  }

  /** Draws a dashed bow that rises over two points. */
  public final void bow(double x1, double y1, double x2, double y2, double rise, Token token) {
    Color colour = colour(token);
    double top = Math.min(y1, y2) - rise;
    mark(
        Math.min(x1, x2) - Inking.STROKE_PX,
        top - Inking.STROKE_PX,
        Math.max(x1, x2) + Inking.STROKE_PX,
        Math.max(y1, y2) + Inking.STROKE_PX,
        List.of("bow", x1, y1, x2, y2, colour),
        g -> {
          Inking.stroke(g, colour, 2);
          g.setLineDashes(6, 5);
          g.beginPath();
          g.moveTo(x1, y1);
          g.bezierCurveTo(x1, top - rise / 3, x2, top - rise / 3, x2, y2);
          g.stroke();
          g.setLineDashes();
        });
  }

  /** Draws a closed shape through points given as x, y, x, y. */
  public final void shape(List<double[]> points, @Nullable Token fill, @Nullable Token stroke) {
    ClipBox to = cut();
    if (to != null && points.stream().anyMatch(p -> !to.holds(p[0], p[1], p[0], p[1]))) {
      List<double[]> cut = to.shape(points);
      if (cut.size() > 2) {
        uncut(() -> shape(cut, fill, null));
      }
      if (stroke != null) {
        outline(points, stroke, Inking.STROKE_PX);
      }
      return;
    }
    double[] xs = points.stream().mapToDouble(p -> p[0]).toArray();
    double[] ys = points.stream().mapToDouble(p -> p[1]).toArray();
    double left = Arrays.stream(xs).min().orElse(0);
    double right = Arrays.stream(xs).max().orElse(0);
    double top = Arrays.stream(ys).min().orElse(0);
    double bottom = Arrays.stream(ys).max().orElse(0);
    List<Object> corners = new ArrayList<>();
    points.forEach(p -> {
      corners.add(p[0]);
      corners.add(p[1]);
    });
    if (fill != null) {
      Color colour = colour(fill);
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
      Color colour = colour(stroke);
      mark(
          left - Inking.STROKE_PX,
          top - Inking.STROKE_PX,
          right + Inking.STROKE_PX,
          bottom + Inking.STROKE_PX,
          List.of("outline", corners, colour),
          g -> {
            Inking.stroke(g, colour, Inking.STROKE_PX);
            g.strokePolygon(xs, ys, xs.length);
          });
    }
  }

  /** Draws the outline of a closed shape, {@code strokePx} wide. */
  public final void outline(List<double[]> points, Token token, double strokePx) {
    for (int i = 0; i < points.size(); i++) {
      double[] from = points.get(i);
      double[] to = points.get((i + 1) % points.size());
      line(from[0], from[1], to[0], to[1], token, strokePx);
    }
  }
}
