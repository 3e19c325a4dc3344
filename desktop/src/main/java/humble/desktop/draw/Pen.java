package humble.desktop.draw;

import java.util.List;
import javafx.geometry.VPos;
import javafx.scene.canvas.GraphicsContext;
import javafx.scene.paint.Color;
import javafx.scene.shape.StrokeLineCap;
import javafx.scene.shape.StrokeLineJoin;
import javafx.scene.text.Font;
import javafx.scene.text.FontWeight;
import javafx.scene.text.Text;
import javafx.scene.text.TextAlignment;
import org.jspecify.annotations.Nullable;

/** Draws in the colours and faces of the theme; strokes are 1.5 px unless said otherwise. */
public final class Pen {
  private static final double STROKE_PX = 1.5;

  private final GraphicsContext graphics;
  private final Palette palette;

  /** Makes a pen for one canvas. */
  public Pen(GraphicsContext graphics, Palette palette) {
    this.graphics = graphics;
    this.palette = palette;
    graphics.setLineCap(StrokeLineCap.ROUND);
    graphics.setLineJoin(StrokeLineJoin.ROUND);
    graphics.setTextBaseline(VPos.CENTER);
  }

  /** Where a text hangs on its point. */
  public enum Hang {
    LEFT,
    MIDDLE,
    RIGHT
  }

  /** Gives the colour of a token. */
  public Color colour(Token token) {
    return palette.of(token);
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
    if (fill != null) {
      graphics.setFill(palette.of(fill));
      graphics.fillRoundRect(x, y, w, h, 2 * radius, 2 * radius);
    }
    if (stroke != null) {
      stroke(stroke, STROKE_PX);
      graphics.strokeRoundRect(x, y, w, h, 2 * radius, 2 * radius);
    }
  }

  /** Draws a rectangle in a colour that is no token: paint bands of a part. */
  public void paint(double x, double y, double w, double h, Color colour) {
    graphics.setFill(colour);
    graphics.fillRect(x, y, w, h);
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
    if (fill != null) {
      graphics.setFill(palette.of(fill));
      graphics.fillOval(x - rx, y - ry, 2 * rx, 2 * ry);
    }
    if (stroke != null) {
      stroke(stroke, strokePx);
      graphics.strokeOval(x - rx, y - ry, 2 * rx, 2 * ry);
    }
  }

  /** Draws a see-through disc that lifts a spot out of a picture. */
  public void glow(double x, double y, double radius, Token token) {
    graphics.setFill(palette.of(token).deriveColor(0, 1, 1, 0.32));
    graphics.fillOval(x - radius, y - radius, 2 * radius, 2 * radius);
  }

  /** Draws part of a ring, clockwise from the top; {@code share} 0 to 1. */
  public void arc(double x, double y, double radius, double share, Token token, double strokePx) {
    stroke(token, strokePx);
    graphics.strokeArc(
        x - radius,
        y - radius,
        2 * radius,
        2 * radius,
        90,
        -360 * share,
        javafx.scene.shape.ArcType.OPEN);
  }

  /** Draws a line. */
  public void line(double x1, double y1, double x2, double y2, Token token, double strokePx) {
    stroke(token, strokePx);
    graphics.strokeLine(x1, y1, x2, y2);
  }

  /** Draws a dashed line. */
  public void dashed(double x1, double y1, double x2, double y2, Token token, double strokePx) {
    graphics.setLineDashes(6, 5);
    line(x1, y1, x2, y2, token, strokePx);
    graphics.setLineDashes();
  }

  /** Draws a smooth curve between two points that leaves and arrives level. */
  public void bend(double x1, double y1, double x2, double y2, Token token, double strokePx) {
    stroke(token, strokePx);
    graphics.beginPath();
    graphics.moveTo(x1, y1);
    double mid = (x1 + x2) / 2;
    graphics.bezierCurveTo(mid, y1, mid, y2, x2, y2);
    graphics.stroke();
  }

  /** Draws a closed shape through points given as x, y, x, y. */
  public void shape(List<double[]> points, @Nullable Token fill, @Nullable Token stroke) {
    double[] xs = points.stream().mapToDouble(p -> p[0]).toArray();
    double[] ys = points.stream().mapToDouble(p -> p[1]).toArray();
    if (fill != null) {
      graphics.setFill(palette.of(fill));
      graphics.fillPolygon(xs, ys, xs.length);
    }
    if (stroke != null) {
      stroke(stroke, STROKE_PX);
      graphics.strokePolygon(xs, ys, xs.length);
    }
  }

  /** Draws an octagon: a gate, or stop. */
  public void octagon(
      double x, double y, double radius, @Nullable Token fill, @Nullable Token stroke) {
    List<double[]> points = new java.util.ArrayList<>();
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

  /** Writes one line in the face of readings. */
  public void mono(String text, double x, double y, double sizePx, Token token, Hang hang) {
    write(text, x, y, mono(sizePx), token, hang);
  }

  private void write(String text, double x, double y, Font font, Token token, Hang hang) {
    graphics.setFont(font);
    graphics.setFill(palette.of(token));
    graphics.setTextAlign(
        switch (hang) {
          case LEFT -> TextAlignment.LEFT;
          case MIDDLE -> TextAlignment.CENTER;
          case RIGHT -> TextAlignment.RIGHT;
        });
    graphics.fillText(text, x, y);
  }

  /** Gives the face of readings, by its full name: its family is that of the other face. */
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

  private void stroke(Token token, double px) {
    graphics.setStroke(palette.of(token));
    graphics.setLineWidth(px);
  }
}
