package humble.desktop.draw;

import java.util.ArrayList;
import java.util.List;
import java.util.function.Consumer;
import javafx.scene.canvas.GraphicsContext;
import javafx.scene.paint.Color;
import org.jspecify.annotations.Nullable;

/** Gathers marks and the spots that answer to clicks, and cuts off what lies outside. */
class MarkPen {
  private final Palette palette;
  private final List<Mark> marks = new ArrayList<>();
  private final List<Pen.Spot> spots = new ArrayList<>();
  private @Nullable ClipBox clip;

  MarkPen(Palette palette) {
    this.palette = palette;
  }

  /** Makes a rectangle of the picture answer to clicks, by a name that the stage knows. */
  public final void spot(String id, double x, double y, double w, double h) {
    spots.add(new Pen.Spot(id, x, y, w, h));
  }

  /** Gives the rectangles that answer to clicks; later ones lie over earlier ones. */
  public final List<Pen.Spot> spots() {
    return List.copyOf(spots);
  }

  final List<Mark> marks() {
    return List.copyOf(marks);
  }

  /** Gives the colour of a token. */
  public final Color colour(Token token) {
    return palette.of(token);
  }

  /** Draws with {@code drawing} within a rectangle only; what lies outside is left away. */
  public final void within(double x, double y, double w, double h, Runnable drawing) {
    clip = new ClipBox(x, y, x + w, y + h);
    drawing.run();
    clip = null;
  }

  protected final void mark(
      double x1,
      double y1,
      double x2,
      double y2,
      List<Object> what,
      Consumer<GraphicsContext> ink) {
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
  protected final void drawn(
      double x1,
      double y1,
      double x2,
      double y2,
      List<Object> what,
      Consumer<GraphicsContext> ink) {
    marks.add(new Mark(x1, y1, x2, y2, what, ink));
  }

  /** Tells whether something reaches over the edge of what is drawn within. */
  protected final boolean isCut(double x1, double y1, double x2, double y2) {
    return clip != null && !clip.holds(x1, y1, x2, y2);
  }

  /** Gives what is drawn within; null for the whole picture. */
  protected final @Nullable ClipBox cut() {
    return clip;
  }

  /** Draws something whole that was cut before. */
  protected final void uncut(Runnable drawing) {
    ClipBox was = clip;
    clip = null;
    drawing.run();
    clip = was;
  }
}
