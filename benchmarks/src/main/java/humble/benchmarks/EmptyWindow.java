package humble.benchmarks;

import java.io.FileDescriptor;
import java.io.FileOutputStream;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.util.concurrent.atomic.AtomicBoolean;
import javafx.application.Application;
import javafx.application.Platform;
import javafx.scene.Group;
import javafx.scene.Scene;
import javafx.stage.Stage;

/** An empty JavaFX window: what our own start is held against. */
public final class EmptyWindow extends Application {
  @Override
  public void start(Stage stage) {
    Scene scene = new Scene(new Group(), 1280, 800);
    stage.setScene(scene);
    AtomicBoolean once = new AtomicBoolean();
    stage.show();
    scene.addPostLayoutPulseListener(() -> {
      if (once.compareAndSet(false, true)) {
        Platform.runLater(() ->
            Platform.runLater(() -> {
              new PrintStream(
                      new FileOutputStream(FileDescriptor.out), true, StandardCharsets.UTF_8)
                  .println("shown");
              stage.hide();
            }));
      }
    });
    Platform.requestNextPulse();
  }

  /** A class of its own: the Java launcher refuses an application that lies on the class path. */
  public static final class Start {
    private Start() {}

    /** Opens the window. */
    public static void main(String[] arguments) {
      launch(EmptyWindow.class, arguments);
    }
  }
}
