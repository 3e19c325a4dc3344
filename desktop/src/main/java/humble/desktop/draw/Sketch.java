package humble.desktop.draw;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import javafx.scene.canvas.Canvas;
import javafx.scene.canvas.GraphicsContext;
import javafx.scene.shape.StrokeLineCap;
import javafx.scene.shape.StrokeLineJoin;

/**
 * A picture as the list of its marks, and the canvas that shows it. A canvas keeps its pixels, so
 * only the areas in which the new picture differs from the one shown are inked again: most keys
 * change little of a picture, and inking it all costs a software renderer several frames.
 */
public final class Sketch {
  private final Canvas canvas;
  private List<Mark> shown = List.of();
  private double shownWidth;
  private double shownHeight;

  /** Makes an empty picture on {@code canvas}. */
  public Sketch(Canvas canvas) {
    this.canvas = canvas;
  }

  /** Shows what {@code pen} has drawn. */
  public void show(Pen pen) {
    List<Mark> marks = pen.marks();
    double width = canvas.getWidth();
    double height = canvas.getHeight();
    boolean whole = width != shownWidth || height != shownHeight || shown.isEmpty();
    List<Area> areas =
        whole ? List.of(new Area(0, 0, ceil(width), ceil(height))) : changed(shown, marks);
    for (Area area : areas) {
      Area visible = area.within(width, height);
      if (!visible.isEmpty()) {
        ink(visible, marks);
      }
    }
    shown = marks;
    shownWidth = width;
    shownHeight = height;
  }

  private static int ceil(double value) {
    return (int) Math.ceil(value);
  }

  private void ink(Area area, List<Mark> marks) {
    GraphicsContext graphics = canvas.getGraphicsContext2D();
    graphics.save();
    graphics.setLineCap(StrokeLineCap.ROUND);
    graphics.setLineJoin(StrokeLineJoin.ROUND);
    graphics.setTextBaseline(javafx.geometry.VPos.CENTER);
    graphics.beginPath();
    graphics.rect(area.left(), area.top(), area.width(), area.height());
    graphics.clip();
    graphics.clearRect(area.left(), area.top(), area.width(), area.height());
    for (Mark mark : marks) {
      if (mark.area().meets(area)) {
        mark.inkOn(graphics);
      }
    }
    graphics.restore();
  }

  /**
   * Gives the areas in which two pictures differ: marks that only one of them has, and marks of
   * both that lie on each other in another order.
   */
  static List<Area> changed(List<Mark> before, List<Mark> now) {
    List<Area> areas = new ArrayList<>();
    List<Mark> keptBefore = common(before, now, areas);
    List<Mark> keptNow = common(now, before, areas);
    for (int i = 0; i < Math.min(keptBefore.size(), keptNow.size()); i++) {
      if (!keptBefore.get(i).equals(keptNow.get(i))) {
        areas.add(keptBefore.get(i).area());
        areas.add(keptNow.get(i).area());
      }
    }
    return merged(areas);
  }

  /** Gives the marks of {@code of} that {@code with} has too; adds the areas of the others. */
  private static List<Mark> common(List<Mark> of, List<Mark> with, List<Area> others) {
    Map<Mark, Integer> left = new HashMap<>();
    with.forEach(mark -> left.merge(mark, 1, Integer::sum));
    List<Mark> both = new ArrayList<>();
    for (Mark mark : of) {
      if (left.merge(mark, -1, Integer::sum) >= 0) {
        both.add(mark);
      } else {
        others.add(mark.area());
      }
    }
    return both;
  }

  /** Joins areas that meet, so that nothing is inked twice. */
  private static List<Area> merged(List<Area> areas) {
    List<Area> merged = new ArrayList<>();
    for (Area area : areas) {
      Area grown = area;
      for (int i = 0; i < merged.size(); i++) {
        if (merged.get(i).meets(grown)) {
          grown = grown.with(merged.remove(i));
          i = -1;
        }
      }
      merged.add(grown);
    }
    return merged;
  }
}
