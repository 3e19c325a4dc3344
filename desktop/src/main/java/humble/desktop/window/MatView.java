package humble.desktop.window;

import humble.desktop.draw.Mat;
import humble.desktop.draw.Palette;
import humble.desktop.draw.Pen;
import humble.desktop.draw.Sketch;
import humble.desktop.draw.Token;
import javafx.scene.canvas.Canvas;
import javafx.scene.layout.Pane;
import org.jspecify.annotations.Nullable;

/** The canvas that the mats are painted on; repaints when its size or its mat changes. */
final class MatView extends Pane {
  private final Canvas canvas = new Canvas();
  private final Sketch sketch = new Sketch(canvas);
  private @Nullable Mat mat;
  private Palette palette;

  MatView(Palette palette) {
    this.palette = palette;
    getChildren().add(canvas);
    setMinSize(200, 200);
  }

  void show(Mat shown, Palette colours) {
    mat = shown;
    palette = colours;
    setAccessibleText(shown.spoken());
    paint();
  }

  @Override
  protected void layoutChildren() {
    if (canvas.getWidth() != getWidth() || canvas.getHeight() != getHeight()) {
      canvas.setWidth(getWidth());
      canvas.setHeight(getHeight());
      paint();
    }
  }

  private void paint() {
    double w = canvas.getWidth();
    double h = canvas.getHeight();
    if (w <= 0 || h <= 0) {
      return;
    }
    Pen pen = new Pen(palette);
    pen.box(0, 0, w, h, 10, Token.MAT, null);
    if (mat != null) {
      mat.paint(pen, w, h);
    }
    sketch.show(pen);
  }
}
