package humble.proofs.kill;

import humble.desktop.stage.StageId;
import humble.desktop.walk.Offscreen;
import java.nio.file.Path;
import java.time.Clock;
import java.util.List;
import javafx.application.Platform;

/**
 * The same acts through the window itself, on a platform without a display: keys are fired at its
 * scene, and an act is said once the window has drawn it. Arguments: home, kit, seed.
 */
public final class WindowDriver {
  private WindowDriver() {}

  /** Runs until it is killed. */
  public static void main(String[] arguments) throws InterruptedException {
    Driver driver = new Driver(Long.parseLong(arguments[2]));
    Offscreen.start();
    try (Offscreen screen =
        new Offscreen(
            Path.of(arguments[0]), List.of(Path.of(arguments[1])), Clock.systemUTC(), false)) {
      System.out.println("open");
      while (!Offscreen.onScreen(() -> screen.walk().over())) {
        boolean moved =
            Offscreen.onScreen(() -> driver.step(screen.window().keys(), screen.walk()));
        Offscreen.onScreen(() -> {
          driver.tell(screen.window().keys());
          return true;
        });
        if (!moved) {
          Thread.sleep(15);
        }
      }
      Offscreen.onScreen(() -> {
        screen.window().go(StageId.SHELF);
        return true;
      });
    }
    Platform.exit();
  }
}
