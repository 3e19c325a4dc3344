package humble.desktop;

import humble.core.build.Build;
import humble.desktop.keys.BenchKeys;
import humble.desktop.session.Session;
import humble.desktop.stage.Card;
import humble.desktop.stage.StageId;
import humble.desktop.walk.BareKeys;
import humble.store.Journal;
import humble.store.JournalOpen;
import java.nio.file.Path;
import java.time.Clock;
import java.util.List;
import java.util.concurrent.BlockingQueue;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.function.BooleanSupplier;
import javafx.scene.input.KeyCode;

/** A bench without a window, for tests that press its keys and read its cards. */
final class BareBench implements AutoCloseable {
  private static final int MOST_STEPS = 600;

  private final BlockingQueue<Runnable> queue = BareKeys.queue();
  private final ExecutorService background = Executors.newVirtualThreadPerTaskExecutor();
  private final Session session;
  private final BareKeys keys;

  private BareBench(Path home, List<Path> kits) {
    if (!(Journal.open(home.resolve("bench.db"), Clock.systemUTC())
        instanceof JournalOpen.Opened opened)) {
      throw new IllegalStateException("the journal cannot be opened");
    }
    session = new Session(opened.journal(), home, kits, background, queue::add);
    kits.forEach(session::layKit);
    keys = new BareKeys(session, Clock.systemUTC(), queue);
  }

  /** Opens an empty bench. */
  static BareBench open(Path home) {
    return new BareBench(home, List.of());
  }

  /** Opens a bench as it was left, with the build last worked on. */
  static BareBench again(Path home) {
    BareBench bench = new BareBench(home, List.of());
    bench.session.layLast();
    bench.keys().goByKey(StageId.UNPACK);
    return bench;
  }

  Session session() {
    return session;
  }

  /** Types digits, points and slashes on the keypad. */
  void type(String text) {
    for (char c : text.toCharArray()) {
      press(
          switch (c) {
            case '.' -> KeyCode.DECIMAL;
            case '/' -> KeyCode.DIVIDE;
            default -> KeyCode.valueOf("NUMPAD" + c);
          });
    }
  }

  /** Opens a bench with a test kit on it. */
  static BareBench with(Path home, String kit) {
    return new BareBench(
        home, List.of(BenchInTest.root().resolve("desktop/src/test/resources/kits/" + kit)));
  }

  BenchKeys keys() {
    return keys.keys();
  }

  Card card() {
    return keys.keys().card();
  }

  Build build() {
    return keys.keys().build().orElseThrow().build();
  }

  void press(KeyCode... all) {
    for (KeyCode key : all) {
      keys.press(key);
    }
  }

  /** Takes in what the background made until something holds, or no longer comes. */
  void waitFor(BooleanSupplier holds) throws InterruptedException {
    for (int i = 0; i < MOST_STEPS / 10 && !holds.getAsBoolean(); i++) {
      keys.takeIn(200);
    }
  }

  /** Walks on by itself until the title holds a text, or it goes no further. */
  Card walkTo(String title) throws InterruptedException {
    for (int i = 0; i < MOST_STEPS && !card().title().contains(title); i++) {
      step();
    }
    return card();
  }

  /** Does one step of the walk, or waits a little. */
  void step() throws InterruptedException {
    if (!keys.walk().step()) {
      keys.takeIn(50);
    }
  }

  @Override
  public void close() {
    session.close();
    background.close();
  }
}
