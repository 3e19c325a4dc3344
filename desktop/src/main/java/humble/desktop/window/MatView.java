package humble.desktop.window;

import humble.desktop.draw.Mat;
import humble.desktop.draw.Palette;
import humble.desktop.draw.Pen;
import humble.desktop.draw.Token;
import java.util.function.BiConsumer;
import java.util.function.Consumer;
import javafx.scene.Cursor;
import org.jspecify.annotations.Nullable;

/** The canvas that the mats are painted on. */
final class MatView extends DrawnPane {
  private @Nullable Mat mat;
  private String pressed = "";

  /**
   * Makes an empty mat.
   *
   * @param pick takes the name of what was clicked
   * @param drag takes the names of what was dragged and what it was dropped on
   */
  MatView(Palette palette, Consumer<String> pick, BiConsumer<String, String> drag) {
    super(palette);
    setOnMousePressed(event -> pressed = spotAt(event.getX(), event.getY()).orElse(""));
    setOnMouseReleased(event -> {
      String there = spotAt(event.getX(), event.getY()).orElse("");
      if (!there.isEmpty() && there.equals(pressed)) {
        pick.accept(there);
      } else if (!there.isEmpty() && !pressed.isEmpty()) {
        drag.accept(pressed, there);
      }
      pressed = "";
    });
    setOnMouseMoved(event ->
        setCursor(spotAt(event.getX(), event.getY()).isPresent() ? Cursor.HAND : Cursor.DEFAULT));
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
    if (mat != null) {
      mat.paint(pen, width, height);
    }
  }
}
