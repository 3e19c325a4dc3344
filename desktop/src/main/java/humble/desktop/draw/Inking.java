package humble.desktop.draw;

import javafx.scene.canvas.GraphicsContext;
import javafx.scene.paint.Color;

/** Ways of inking that a software renderer does fast. */
final class Inking {
  /** Width of a stroke, in pixels, unless said otherwise. */
  static final double STROKE_PX = 1.5;

  /**
   * Corners rounder than this are drawn as such; the rest as four straight lines, which is quick.
   */
  static final double SQUARE_CORNER_PX = 1.5;

  private static final double LARGE_PX2 = 10_000;

  private Inking() {}

  static void frame(
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
  static void fillRounded(GraphicsContext g, double x, double y, double w, double h, double r) {
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

  static void stroke(GraphicsContext g, Color colour, double px) {
    g.setStroke(colour);
    g.setLineWidth(px);
  }
}
