package humble.desktop.window;

import humble.desktop.draw.Mat;
import humble.desktop.draw.Palette;
import humble.desktop.draw.Pen;
import humble.desktop.draw.Token;
import java.util.function.Consumer;
import javafx.scene.Cursor;
import org.jspecify.annotations.Nullable;

/** The canvas that the mats are painted on. */
final class MatView extends DrawnPane {
  private static final double LEAST_PULL_PX = 6;

  private final String nothing;
  private final Consumer<Throwable> failed;
  private @Nullable Mat mat;
  private String pressed = "";
  private double lastX;
  private double lastY;
  private boolean pulled;

  /** What a hand on the mat does. */
  interface Touch {
    /** Something was clicked. */
    void pick(String spot);

    /** Something was dragged onto something. */
    void drag(String from, String to);

    /** The mat was pulled by so many pixels; tells whether the picture follows. */
    boolean pull(double dx, double dy);

    /** Something was clicked that has no name. */
    void point(double x, double y);

    /** The pointer moved. */
    void hover(double x, double y);

    /** The wheel was turned, up or down. */
    void wheel(boolean up);
  }

  /**
   * Makes an empty mat.
   *
   * @param nothing what stands where a picture cannot be drawn
   * @param failed is told why
   */
  MatView(Palette palette, Touch touch, String nothing, Consumer<Throwable> failed) {
    super(palette);
    this.nothing = nothing;
    this.failed = failed;
    setOnMousePressed(event -> {
      pressed = spotAt(event.getX(), event.getY()).orElse("");
      lastX = event.getX();
      lastY = event.getY();
      pulled = false;
    });
    setOnMouseDragged(event -> {
      double dx = event.getX() - lastX;
      double dy = event.getY() - lastY;
      if ((pulled || Math.hypot(dx, dy) > LEAST_PULL_PX) && touch.pull(dx, dy)) {
        pulled = true;
        lastX = event.getX();
        lastY = event.getY();
      }
    });
    setOnMouseReleased(event -> {
      String there = spotAt(event.getX(), event.getY()).orElse("");
      if (!pulled && !there.isEmpty() && there.equals(pressed)) {
        touch.pick(there);
      } else if (!pulled && !there.isEmpty() && !pressed.isEmpty()) {
        touch.drag(pressed, there);
      } else if (!pulled && there.isEmpty() && pressed.isEmpty()) {
        touch.point(event.getX(), event.getY());
      }
      pressed = "";
    });
    setOnScroll(event -> {
      if (event.getDeltaY() != 0) {
        touch.wheel(event.getDeltaY() > 0);
      }
    });
    setOnMouseMoved(event -> {
      setCursor(spotAt(event.getX(), event.getY()).isPresent() ? Cursor.HAND : Cursor.DEFAULT);
      touch.hover(event.getX(), event.getY());
    });
    setMinSize(200, 200);
  }

  void show(Mat shown, Palette colours) {
    mat = shown;
    setAccessibleText(shown.spoken());
    redraw(colours);
  }

  @Override
  void draw(Pen pen, double width, double height) {
    pen.box(0, 0, width, height, 10, Token.MAT, null);
    Mat shown = mat;
    if (shown == null) {
      return;
    }
    try {
      shown.paint(pen, width, height);
    } catch (RuntimeException | StackOverflowError e) {
      // The next frame draws it again: it is told once.
      mat = null;
      pen.text(nothing, width / 2, height / 2, 18, Token.INK_SOFT, Pen.Hang.MIDDLE);
      failed.accept(e);
    }
  }
}
