package humble.desktop.walk;

import humble.desktop.keys.BenchKeys;
import humble.desktop.keys.Face;
import humble.desktop.session.Session;
import humble.desktop.stage.StageId;
import java.nio.file.Path;
import java.time.Clock;
import java.util.Optional;
import java.util.concurrent.BlockingQueue;
import java.util.concurrent.LinkedBlockingQueue;
import java.util.concurrent.TimeUnit;
import java.util.function.Consumer;
import javafx.scene.input.KeyCode;

/**
 * The keys of the bench without a window: the same stages, the same cards, nothing drawn. What
 * comes in from the background is run between two keys, by the thread that made it.
 */
public final class BareKeys {
  private final BlockingQueue<Runnable> queue;
  private final Thread here = Thread.currentThread();
  private final BenchKeys keys;
  private final KeypadWalk walk;

  /** Makes the keys of a session whose {@code later} puts things into {@code queue}. */
  public BareKeys(Session session, Clock clock, BlockingQueue<Runnable> queue) {
    this.queue = queue;
    this.keys = new BenchKeys(session, clock, new Nobody());
    this.walk = new KeypadWalk(keys, this::press);
    keys.begin();
  }

  /** Makes a queue for a session. */
  public static BlockingQueue<Runnable> queue() {
    return new LinkedBlockingQueue<>();
  }

  /** Gives the keys. */
  public BenchKeys keys() {
    return keys;
  }

  /** Gives the walk. */
  public KeypadWalk walk() {
    return walk;
  }

  /** Runs what came in, waiting for it at most so many milliseconds. */
  public void takeIn(long ms) throws InterruptedException {
    Runnable work = queue.poll(ms, TimeUnit.MILLISECONDS);
    while (work != null) {
      work.run();
      work = queue.poll();
    }
  }

  /** Presses a key as the window would. */
  public void press(KeyCode key) {
    switch (key) {
      case ENTER -> keys.enter();
      case BACK_SPACE -> keys.backspace();
      case ESCAPE -> keys.escape();
      case ADD -> keys.character("+");
      case SUBTRACT -> keys.character("-");
      case MULTIPLY -> keys.character("*");
      case DIVIDE -> keys.character("/");
      case DECIMAL -> keys.character(".");
      case F11 -> keys.changeKit();
      case F12 -> keys.blink();
      default -> other(key);
    }
  }

  private void other(KeyCode key) {
    if (key.isFunctionKey()) {
      keys.goByKey(StageId.values()[key.ordinal() - KeyCode.F1.ordinal()]);
    } else if (key.isKeypadKey()) {
      keys.character(Integer.toString(key.ordinal() - KeyCode.NUMPAD0.ordinal()));
    } else {
      keys.character(key.getChar());
    }
  }

  /** Draws nothing and waits for nobody. */
  private final class Nobody implements Face {
    @Override
    public void show() {
      keys.card();
    }

    @Override
    public void later(Runnable work) {
      queue.add(work);
    }

    @Override
    public boolean isHere() {
      return Thread.currentThread() == here;
    }

    @Override
    public void chooseFile(String title, Consumer<Path> then) {
      // Nobody chooses a file.
    }

    @Override
    public void chooseFolder(String title, Consumer<Path> then) {
      throw new IllegalStateException("nobody is here to choose a folder");
    }

    @Override
    public boolean showFile(Path file) {
      return false;
    }

    @Override
    public Optional<String> copied() {
      return Optional.empty();
    }

    @Override
    public void foldReasons() {
      // Nothing is folded where nothing is drawn.
    }

    @Override
    public void waiting(boolean on) {
      // Nobody watches.
    }
  }
}
