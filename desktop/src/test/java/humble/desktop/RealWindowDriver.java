package humble.desktop;

import java.io.File;
import java.io.IOException;
import java.io.PrintStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import javafx.application.Platform;
import javafx.embed.swing.SwingFXUtils;
import javafx.geometry.Rectangle2D;
import javafx.scene.input.KeyCode;
import javafx.scene.robot.Robot;
import javafx.stage.Stage;
import javafx.stage.Window;
import javax.imageio.ImageIO;

/** Starts the program, presses two keys of the real keyboard, looks at the real screen, leaves. */
final class RealWindowDriver {
  private RealWindowDriver() {}

  public static void main(String[] arguments) {
    Thread.ofPlatform().daemon().start(() -> act(arguments[2]));
    Main.Start.main(new String[] {"--home", arguments[0], "--kit", arguments[1], "--fresh"});
    new PrintStream(System.out, true, StandardCharsets.UTF_8).println("left");
  }

  private static void act(String picture) {
    try {
      while (Window.getWindows().isEmpty() || !Window.getWindows().getFirst().isShowing()) {
        Thread.sleep(50);
      }
      Thread.sleep(1500);
      for (int i = 0; i < 2; i++) {
        Platform.runLater(() -> {
          Window.getWindows().getFirst().requestFocus();
          // The first walk is left at once.
          new Robot().keyType(KeyCode.ESCAPE);
          new Robot().keyType(KeyCode.ENTER);
        });
        Thread.sleep(1200);
      }
      Platform.runLater(() -> look(picture));
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
    }
  }

  private static void look(String picture) {
    try {
      ImageIO.write(
          SwingFXUtils.fromFXImage(
              new Robot().getScreenCapture(null, new Rectangle2D(0, 0, 1280, 800)), null),
          "png",
          new File(picture));
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
    new PrintStream(System.out, true, StandardCharsets.UTF_8).println("seen");
    ((Stage) Window.getWindows().getFirst()).close();
  }
}
