package humble.desktop.window;

import humble.desktop.draw.Palette;
import humble.desktop.draw.Pen;
import humble.desktop.draw.Sketch;
import java.util.List;
import java.util.Optional;
import javafx.scene.canvas.Canvas;
import javafx.scene.layout.Pane;

/** A pane whose whole picture is drawn by a pen; drawn again when its size changes. */
abstract class DrawnPane extends Pane {
  private final Canvas canvas = new Canvas();
  private final Sketch sketch = new Sketch(canvas);
  private Palette palette;
  private List<Pen.Spot> spots = List.of();

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
      spots = pen.spots();
    }
  }

  /** Gives the name of what lies at a point of the picture and answers to clicks. */
  final Optional<String> spotAt(double x, double y) {
    return spots.reversed().stream().filter(spot -> spot.holds(x, y)).map(Pen.Spot::id).findFirst();
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
