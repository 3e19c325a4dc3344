package humble.benchmarks;

import humble.desktop.Main;
import java.io.FileDescriptor;
import java.io.FileOutputStream;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.Locale;
import java.util.concurrent.CompletableFuture;
import java.util.function.Supplier;
import javafx.application.Application;
import javafx.application.Platform;
import javafx.geometry.Rectangle2D;
import javafx.scene.image.PixelFormat;
import javafx.scene.image.WritableImage;
import javafx.scene.input.KeyCode;
import javafx.scene.robot.Robot;
import javafx.stage.Stage;
import javafx.stage.Window;

/**
 * Starts the program on the display, presses Enter on the display's own keyboard through Unpack,
 * and watches the pixels of the screen until the card has changed: prints the milliseconds of each
 * key. Arguments: those of the program; none for a bare window.
 */
public final class KeyProbe {
  private static final int KEYS = 24;
  private static final int LONGEST_MS = 3000;

  /** Where the card says which cup it is at: this changes with every key. */
  private static final Rectangle2D WATCHED = new Rectangle2D(900, 80, 110, 18);

  private KeyProbe() {}

  /** Runs the probe. */
  public static void main(String[] arguments) {
    Thread.ofPlatform().daemon().start(KeyProbe::act);
    if (arguments.length == 0) {
      Application.launch(BareKeyWindow.class);
    } else {
      Main.Start.main(arguments);
    }
  }

  private static void act() {
    PrintStream out =
        new PrintStream(new FileOutputStream(FileDescriptor.out), true, StandardCharsets.UTF_8);
    try {
      while (Window.getWindows().isEmpty()) {
        Thread.sleep(50);
      }
      Thread.sleep(1500);
      on(() -> {
        Window.getWindows().getFirst().requestFocus();
        return true;
      });
      Thread.sleep(1000);
      for (int i = 0; i < KEYS; i++) {
        out.printf(Locale.ROOT, "%.2f%n", key());
        Thread.sleep(150);
      }
      out.println("end");
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
    }
    Platform.runLater(() -> ((Stage) Window.getWindows().getFirst()).close());
  }

  /** Presses Enter; gives the milliseconds until the screen shows another card. */
  private static double key() throws InterruptedException {
    Robot robot = on(Robot::new);
    int[] before = on(() -> pixels(robot));
    long from = System.nanoTime();
    on(() -> {
      robot.keyPress(KeyCode.ENTER);
      return true;
    });
    double took = -1;
    while ((System.nanoTime() - from) / 1e6 < LONGEST_MS) {
      if (!Arrays.equals(before, on(() -> pixels(robot)))) {
        took = (System.nanoTime() - from) / 1e6;
        break;
      }
      // Every look costs the interface thread some time: leave it room for the work watched.
      Thread.sleep(1);
    }
    on(() -> {
      robot.keyRelease(KeyCode.ENTER);
      return true;
    });
    if (took < 0) {
      throw new IllegalStateException("a key changed nothing on the screen");
    }
    return took;
  }

  private static int[] pixels(Robot robot) {
    WritableImage image = robot.getScreenCapture(null, WATCHED);
    int width = (int) image.getWidth();
    int height = (int) image.getHeight();
    int[] pixels = new int[width * height];
    image
        .getPixelReader()
        .getPixels(0, 0, width, height, PixelFormat.getIntArgbInstance(), pixels, 0, width);
    return pixels;
  }

  private static <T> T on(Supplier<T> work) {
    CompletableFuture<T> result = new CompletableFuture<>();
    Platform.runLater(() -> result.complete(work.get()));
    return result.join();
  }
}
