package humble.benchmarks;

import javafx.application.Application;
import javafx.scene.Group;
import javafx.scene.Scene;
import javafx.scene.input.KeyEvent;
import javafx.scene.shape.Rectangle;
import javafx.stage.Stage;

/**
 * A window with one shape that changes with every key and nothing else: what the platform itself
 * takes from a key to changed pixels.
 */
public final class BareKeyWindow extends Application {
  @Override
  public void start(Stage stage) {
    Rectangle shape = new Rectangle(900, 80, 10, 18);
    Scene scene = new Scene(new Group(shape), 1280, 800);
    scene.addEventFilter(
        KeyEvent.KEY_PRESSED, event -> shape.setWidth(10 + (shape.getWidth() + 7) % 90));
    stage.setScene(scene);
    stage.show();
  }
}
