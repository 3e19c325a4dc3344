package humble.desktop.draw;

import java.util.List;
import java.util.function.Consumer;
import javafx.scene.canvas.GraphicsContext;

/**
 * One thing drawn: where it reaches, what it is, and how it is inked. Two marks are the same when
 * they are the same thing at the same place in the same colours.
 */
final class Mark {
  private final double left;
  private final double top;
  private final double right;
  private final double bottom;
  private final List<Object> what;
  private final Consumer<GraphicsContext> ink;

  Mark(
      double left,
      double top,
      double right,
      double bottom,
      List<Object> what,
      Consumer<GraphicsContext> ink) {
    this.left = left;
    this.top = top;
    this.right = right;
    this.bottom = bottom;
    this.what = List.copyOf(what);
    this.ink = ink;
  }

  void inkOn(GraphicsContext graphics) {
    ink.accept(graphics);
  }

  Area area() {
    return Area.of(left, top, right, bottom);
  }

  @Override
  public boolean equals(Object other) {
    return other instanceof Mark mark
        && left == mark.left
        && top == mark.top
        && right == mark.right
        && bottom == mark.bottom
        && what.equals(mark.what);
  }

  @Override
  public int hashCode() {
    return 31 * what.hashCode() + Double.hashCode(left) + 17 * Double.hashCode(top);
  }
}
