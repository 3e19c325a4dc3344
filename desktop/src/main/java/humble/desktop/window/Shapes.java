package humble.desktop.window;

import humble.desktop.stage.Standing;
import javafx.scene.Node;
import javafx.scene.layout.StackPane;
import javafx.scene.shape.Circle;
import javafx.scene.shape.Line;
import javafx.scene.shape.Polygon;
import javafx.scene.shape.Shape;
import javafx.scene.text.Text;

/**
 * The small shapes that say what colour alone may not: ring, barred ring, disc, octagon, triangle,
 * diamond.
 */
final class Shapes {
  private static final double RADIUS = 9;

  private Shapes() {}

  static Node standing(Standing standing) {
    Circle ring = new Circle(RADIUS);
    String stroke = standing == Standing.TO_DO ? "-hc-copper-pale" : "-hc-copper";
    ring.setStyle(
        "-fx-stroke-width: 3; -fx-stroke: "
            + stroke
            + "; -fx-fill: "
            + (standing == Standing.DONE ? "-hc-copper" : "-hc-card")
            + ";");
    if (standing == Standing.DEVIATED) {
      ring.setStyle("-fx-stroke-width: 3; -fx-stroke: -hc-copper; -fx-fill: -hc-copper;");
      Polygon notch = new Polygon(0, 0, RADIUS + 1, -RADIUS * 0.7, RADIUS + 1, RADIUS * 0.7);
      notch.setStyle("-fx-fill: -hc-card;");
      notch.setTranslateX(RADIUS / 2);
      return new StackPane(ring, notch);
    }
    if (standing != Standing.NOW) {
      return new StackPane(ring);
    }
    Line bar = new Line(-4, 0, 4, 0);
    bar.setStyle("-fx-stroke: -hc-copper; -fx-stroke-width: 3;");
    return new StackPane(ring, bar);
  }

  static Node verdict(boolean good) {
    if (good) {
      Circle disc = new Circle(RADIUS);
      disc.setStyle("-fx-fill: -hc-mask;");
      return disc;
    }
    return diamond();
  }

  private static Shape diamond() {
    Polygon diamond = new Polygon(0, -RADIUS - 1, RADIUS + 1, 0, 0, RADIUS + 1, -RADIUS - 1, 0);
    diamond.setStyle("-fx-fill: -hc-alarm;");
    return diamond;
  }

  static Node caution(boolean grave) {
    if (!grave) {
      Polygon triangle = new Polygon(0, -11, 12, 9, -12, 9);
      triangle.setStyle("-fx-fill: -hc-flux;");
      Text mark = new Text("i");
      mark.setStyle("-fx-fill: -hc-card; -fx-font-weight: bold; -fx-font-size: 13px;");
      mark.setTranslateY(2);
      return new StackPane(triangle, mark);
    }
    Polygon octagon = new Polygon();
    for (int i = 0; i < 8; i++) {
      double a = Math.PI / 8 + i * Math.PI / 4;
      octagon.getPoints().addAll(12 * Math.cos(a), 12 * Math.sin(a));
    }
    octagon.setStyle("-fx-fill: -hc-alarm;");
    return new StackPane(octagon);
  }
}
