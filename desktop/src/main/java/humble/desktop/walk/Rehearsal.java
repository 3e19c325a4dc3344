package humble.desktop.walk;

import humble.desktop.Main;
import java.nio.file.Path;
import java.util.List;
import javafx.application.Platform;
import javafx.scene.Scene;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.stage.Window;

/**
 * Starts the program as a person does, presses Enter some times, and ends: what the ahead-of-time
 * cache is recorded from. Arguments: kit, folder for the journal.
 */
public final class Rehearsal {
  private static final int KEYS = 60;
  private static final int BETWEEN_MS = 60;

  private Rehearsal() {}

  /** Runs the rehearsal. */
  public static void main(String[] arguments) {
    Thread.ofPlatform().daemon().start(Rehearsal::act);
    Main.Start.main(
        List.of("--home", Path.of(arguments[1]).toString(), "--open", arguments[0])
            .toArray(String[]::new));
  }

  private static void act() {
    try {
      while (Window.getWindows().isEmpty()) {
        Thread.sleep(BETWEEN_MS);
      }
      for (int i = 0; i < KEYS; i++) {
        Thread.sleep(BETWEEN_MS);
        Platform.runLater(() ->
            Window.getWindows().stream()
                .findFirst()
                .map(Window::getScene)
                .ifPresent(Rehearsal::enter));
      }
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
    }
    Platform.runLater(() -> List.copyOf(Window.getWindows()).forEach(Window::hide));
  }

  private static void enter(Scene scene) {
    scene
        .getRoot()
        .fireEvent(
            new KeyEvent(KeyEvent.KEY_PRESSED, "", "", KeyCode.ENTER, false, false, false, false));
  }
}
