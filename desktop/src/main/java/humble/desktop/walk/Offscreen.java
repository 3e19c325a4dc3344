package humble.desktop.walk;

import humble.desktop.Main;
import humble.desktop.session.Session;
import humble.desktop.stage.StageId;
import humble.desktop.window.BenchWindow;
import humble.store.BenchFile;
import humble.store.Journal;
import humble.store.JournalOpen;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.util.List;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.function.Supplier;
import javafx.application.Platform;
import javafx.embed.swing.SwingFXUtils;
import javafx.scene.Scene;
import javafx.scene.image.WritableImage;
import javafx.stage.Stage;
import javax.imageio.ImageIO;

/** A window on a platform without a display, for walks and pictures. */
public final class Offscreen implements AutoCloseable {
  private static final int WAIT_MS = 20;
  private static final int LONGEST_WAITS = 1500;
  private static final int LONGEST_STEPS = 5000;

  private final ExecutorService background =
      Executors.newSingleThreadExecutor(Thread.ofPlatform().daemon().factory());
  private final Session session;
  private final Stage stage;
  private final BenchWindow window;
  private final KeypadWalk walk;

  /** Opens a window of 1280 × 800 on the bench in {@code home} with {@code kits} on the shelf. */
  public Offscreen(Path home, List<Path> kits, Clock clock, boolean night) {
    session =
        switch (Journal.open(home.resolve(BenchFile.NAME), clock)) {
          case JournalOpen.Opened opened ->
              new Session(opened.journal(), home, kits, background, Platform::runLater);
          case JournalOpen.Damaged damaged ->
              new Session(damaged.journal(), home, kits, background, Platform::runLater);
          case JournalOpen.Refused refused -> throw new IllegalStateException(refused.why());
        };
    record Parts(Stage stage, BenchWindow window, Scene scene) {}
    Parts parts =
        onScreen(() -> {
          Main.loadFaces();
          BenchWindow made = new BenchWindow(session, clock, night);
          Scene scene = made.scene(1280, 800);
          Stage shown = new Stage();
          shown.setScene(scene);
          shown.show();
          return new Parts(shown, made, scene);
        });
    stage = parts.stage();
    window = parts.window();
    walk = new KeypadWalk(window, parts.scene());
  }

  /** Starts the platform. */
  public static void start() {
    Main.quietToolkit();
    CompletableFuture<Boolean> started = new CompletableFuture<>();
    Platform.startup(() -> started.complete(true));
    started.join();
    Platform.setImplicitExit(false);
  }

  /** Runs on the interface thread and waits. */
  public static <T> T onScreen(Supplier<T> work) {
    CompletableFuture<T> result = new CompletableFuture<>();
    Platform.runLater(() -> {
      try {
        result.complete(work.get());
      } catch (RuntimeException | Error e) {
        result.completeExceptionally(e);
      }
    });
    return result.join();
  }

  /** Gives the bench. */
  Session session() {
    return session;
  }

  /** Gives the window. */
  public BenchWindow window() {
    return window;
  }

  /** Gives the keys. */
  public KeypadWalk walk() {
    return walk;
  }

  /** Walks on until {@code stage} is open; false when the walk ended or got stuck before. */
  public boolean walkTo(StageId target) {
    int waits = 0;
    for (int steps = 0; !onScreen(() -> window.stage() == target); steps++) {
      if (onScreen(walk::over) || waits > LONGEST_WAITS || steps > LONGEST_STEPS) {
        return false;
      }
      waits = stepOrWait() ? 0 : waits + 1;
    }
    return true;
  }

  /** Does one step of the walk, or waits a little for what is being worked out. */
  public boolean stepOrWait() {
    boolean moved = onScreen(walk::step);
    if (!moved) {
      pause();
    }
    return moved;
  }

  /** Does one step of the walk and waits until the card is another. */
  public void stepOn() {
    String before = onScreen(() -> window.card().title());
    for (int i = 0; i < LONGEST_WAITS && !stepOrWait(); i++) {
      onScreen(() -> true);
    }
    for (int i = 0;
        i < LONGEST_WAITS && onScreen(() -> window.card().title()).equals(before);
        i++) {
      pause();
    }
  }

  /** Lets what was asked of the background come in. */
  void settleABit() {
    pause();
    onScreen(() -> true);
  }

  /** Waits until Enter is offered. */
  public void settle() {
    for (int i = 0; i < LONGEST_WAITS && !onScreen(() -> window.card().goEnabled()); i++) {
      pause();
    }
    onScreen(() -> true);
  }

  private static void pause() {
    try {
      Thread.sleep(WAIT_MS);
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
      throw new IllegalStateException("the walk was interrupted", e);
    }
  }

  /** Writes what the window shows as a PNG. */
  public void picture(Path file) {
    WritableImage image =
        onScreen(() -> {
          stage.getScene().getRoot().applyCss();
          stage.getScene().getRoot().layout();
          return stage.getScene().snapshot(null);
        });
    try {
      Files.createDirectories(file.toAbsolutePath().getParent());
      ImageIO.write(SwingFXUtils.fromFXImage(image, null), "png", file.toFile());
    } catch (IOException e) {
      throw new UncheckedIOException("the picture " + file + " cannot be written", e);
    }
  }

  @Override
  public void close() {
    onScreen(() -> {
      stage.hide();
      return true;
    });
    background.shutdown();
    session.close();
  }
}
