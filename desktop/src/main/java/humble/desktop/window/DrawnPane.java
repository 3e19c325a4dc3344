package humble.desktop.window;

import humble.desktop.draw.Palette;
import humble.desktop.draw.Pen;
import humble.desktop.draw.Sketch;
import javafx.scene.canvas.Canvas;
import javafx.scene.layout.Pane;

/** A pane whose whole picture is drawn by a pen; drawn again when its size changes. */
abstract class DrawnPane extends Pane {
  private final Canvas canvas = new Canvas();
  private final Sketch sketch = new Sketch(canvas);
  private Palette palette;

  DrawnPane(Palette palette) {
    this.palette = palette;
    getChildren().add(canvas);
  }

  /** Draws the picture. */
  abstract void draw(Pen pen, double width, double height);

  final void redraw(Palette colours) {
    palette = colours;
    redraw();
  }

  private void redraw() {
    double width = canvas.getWidth();
    double height = canvas.getHeight();
    if (width > 0 && height > 0) {
      Pen pen = new Pen(palette);
      draw(pen, width, height);
      sketch.show(pen);
    }
  }

  @Override
  protected void layoutChildren() {
    if (canvas.getWidth() != getWidth() || canvas.getHeight() != getHeight()) {
      canvas.setWidth(getWidth());
      canvas.setHeight(getHeight());
      redraw();
    }
  }
}
