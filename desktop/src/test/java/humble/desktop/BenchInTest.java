package humble.desktop;

import humble.desktop.session.Session;
import humble.desktop.stage.Card;
import humble.desktop.stage.StageId;
import humble.desktop.walk.KeypadWalk;
import humble.desktop.window.BenchWindow;
import humble.store.Journal;
import humble.store.JournalOpen;
import java.nio.file.Path;
import java.time.Clock;
import java.util.List;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.function.BooleanSupplier;
import javafx.application.Platform;
import javafx.event.EventType;
import javafx.scene.Scene;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.stage.Stage;
import org.testfx.api.FxToolkit;
import org.testfx.util.WaitForAsyncUtils;

/** A window on a bench of its own, for tests: opened, driven, closed, opened again. */
final class BenchInTest implements AutoCloseable {
  private static final int LONGEST_WAIT_MS = 30_000;

  private final ExecutorService background = Executors.newSingleThreadExecutor();
  private final Session session;
  private final Stage stage;
  private final BenchWindow window;
  private final KeypadWalk walk;

  private BenchInTest(Path home, List<Path> kits, double width, double height, boolean resume)
      throws Exception {
    FxToolkit.registerPrimaryStage();
    Journal journal =
        switch (Journal.open(home.resolve("bench.db"), Clock.systemUTC())) {
          case JournalOpen.Opened opened -> opened.journal();
          case JournalOpen.Damaged damaged -> damaged.journal();
          case JournalOpen.Refused refused -> throw new AssertionError(refused.why());
        };
    session = new Session(journal, home, kits, background, Platform::runLater);
    if (resume) {
      session.layLast();
    }
    record Made(Stage stage, BenchWindow window, Scene scene) {}
    Made made =
        on(() -> {
          Main.loadFaces();
          BenchWindow shown = new BenchWindow(session, Clock.systemUTC(), false);
          Scene scene = shown.scene(width, height);
          Stage opened = new Stage();
          opened.setScene(scene);
          opened.show();
          opened.requestFocus();
          return new Made(opened, shown, scene);
        });
    stage = made.stage();
    window = made.window();
    walk = new KeypadWalk(window, made.scene());
  }

  static Path root() {
    return Path.of(System.getProperty("humble.root", ".."));
  }

  static Path glowmoth() {
    return root().resolve("kits/glowmoth");
  }

  /** Opens the window with the badge on the shelf. */
  static BenchInTest open(Path home) throws Exception {
    return new BenchInTest(home, List.of(glowmoth()), 1280, 800, false);
  }

  /** Opens the window with other kits, in another size. */
  static BenchInTest open(Path home, List<Path> kits, double width, double height)
      throws Exception {
    return new BenchInTest(home, kits, width, height, false);
  }

  /** Opens the window as the program does when it is started again. */
  static BenchInTest again(Path home) throws Exception {
    return new BenchInTest(home, List.of(glowmoth()), 1280, 800, true);
  }

  static <T> T on(Callable<T> work) {
    return WaitForAsyncUtils.waitForAsyncFx(LONGEST_WAIT_MS, work);
  }

  BenchWindow window() {
    return window;
  }

  Session session() {
    return session;
  }

  Stage stage() {
    return stage;
  }

  Card card() {
    return on(window::card);
  }

  StageId at() {
    return on(window::stage);
  }

  /** Gives the keys that the card asks for. */
  List<KeyCode> next() {
    return on(walk::next);
  }

  boolean over() {
    return on(walk::over);
  }

  void press(KeyCode... keys) {
    on(() -> {
      for (KeyCode key : keys) {
        walk.press(key);
      }
      return true;
    });
  }

  void number(String digits) {
    on(() -> {
      walk.number(digits);
      return true;
    });
  }

  /** Types letters and signs as the main block does. */
  void type(String text) {
    on(() -> {
      for (char c : text.toCharArray()) {
        KeyCode code = KeyCode.getKeyCode(String.valueOf(Character.toUpperCase(c)));
        fire(KeyEvent.KEY_PRESSED, "", code == null ? KeyCode.UNDEFINED : code);
        fire(KeyEvent.KEY_TYPED, String.valueOf(c), KeyCode.UNDEFINED);
      }
      return true;
    });
  }

  private void fire(EventType<KeyEvent> kind, String character, KeyCode code) {
    stage
        .getScene()
        .getRoot()
        .fireEvent(new KeyEvent(kind, character, "", code, false, false, false, false));
  }

  /** Does steps of the walk until {@code there}; fails when nothing moves for long. */
  void walkUntil(BooleanSupplier there) {
    long since = System.currentTimeMillis();
    for (int steps = 0; true; steps++) {
      Card seen = card();
      if (there.getAsBoolean()) {
        return;
      }
      boolean moved = on(() -> isStill(seen) && walk.step());
      if (moved) {
        since = System.currentTimeMillis();
      } else {
        pause();
      }
      if (steps > 5000 || System.currentTimeMillis() - since > LONGEST_WAIT_MS) {
        throw new AssertionError("stuck at " + at() + ": " + card());
      }
    }
  }

  /** What arrives from the background between looking and pressing is looked at first. */
  private boolean isStill(Card seen) {
    Card now = window.card();
    return now.title().equals(seen.title())
        && now.go().equals(seen.go())
        && now.goEnabled() == seen.goEnabled();
  }

  void walkTo(StageId target) {
    walkUntil(() -> at() == target);
  }

  void waitFor(BooleanSupplier there) {
    long until = System.currentTimeMillis() + LONGEST_WAIT_MS;
    while (!there.getAsBoolean()) {
      if (System.currentTimeMillis() > until) {
        throw new AssertionError("waited in vain at " + at() + ": " + card());
      }
      pause();
    }
  }

  private static void pause() {
    try {
      Thread.sleep(10);
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
      throw new AssertionError(e);
    }
  }

  @Override
  public void close() throws InterruptedException {
    on(() -> {
      stage.hide();
      session.close();
      return true;
    });
    background.shutdown();
    if (!background.awaitTermination(30, java.util.concurrent.TimeUnit.SECONDS)) {
      throw new AssertionError("the background does not end");
    }
    on(() -> true);
  }
}
