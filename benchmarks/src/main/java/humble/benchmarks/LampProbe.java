package humble.benchmarks;

import humble.core.build.BuildEvent;
import humble.desktop.walk.Offscreen;
import humble.store.BenchFile;
import humble.store.Journal;
import humble.store.JournalOpen;
import java.io.FileDescriptor;
import java.io.FileOutputStream;
import java.io.IOException;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.util.List;
import java.util.Locale;
import javafx.scene.image.WritableImage;
import javafx.scene.input.KeyCode;
import javafx.stage.Window;

/**
 * Types the digit of a lamp at a row that is read back, and draws the whole window in software:
 * prints for every digit the milliseconds from the key to the drawn difference, and those of
 * drawing the same window with nothing changed. Arguments: the kit.
 */
public final class LampProbe {
  private static final int DIGITS = 240;
  private static final int WARM = 40;

  /** The first program is put in on the way: so many keys lead to its first row. */
  private static final int MOST_KEYS = 40;

  private LampProbe() {}

  /** Runs the probe. */
  public static void main(String[] arguments) throws IOException {
    PrintStream out =
        new PrintStream(new FileOutputStream(FileDescriptor.out), true, StandardCharsets.UTF_8);
    Path kit = Path.of(arguments[0]).toAbsolutePath().normalize();
    Path home = Files.createTempDirectory("humble-lamps");
    try (Journal journal =
        ((JournalOpen.Opened) Journal.open(home.resolve(BenchFile.NAME), Clock.systemUTC()))
            .journal()) {
      journal.append(
          "lockkeeper-1",
          new BuildEvent.Began("Lockkeeper computer", "lockkeeper", kit.toString(), 7));
      journal.append("lockkeeper-1", new BuildEvent.Woke("reset"));
    }
    Offscreen.start();
    try (Offscreen screen = new Offscreen(home, List.of(kit), Clock.systemUTC(), false)) {
      press(screen, KeyCode.ENTER);
      press(screen, KeyCode.F7);
      for (int i = 0; i < MOST_KEYS && !title(screen).contains("do the lights show"); i++) {
        press(screen, KeyCode.ENTER);
      }
      if (!title(screen).contains("do the lights show")) {
        throw new IllegalStateException("no row is read back at: " + title(screen));
      }
      WritableImage image = new WritableImage(1280, 800);
      for (int i = 0; i < DIGITS; i++) {
        double typed = Offscreen.onScreen(() -> drawn(screen, image, true));
        double same = Offscreen.onScreen(() -> drawn(screen, image, false));
        if (i >= WARM) {
          out.printf(Locale.ROOT, "%.3f %.3f%n", typed, same);
        }
      }
    }
    out.println("end");
    System.exit(0);
  }

  private static void press(Offscreen screen, KeyCode key) {
    screen.settle();
    Offscreen.onScreen(() -> {
      screen.walk().press(key);
      return true;
    });
    screen.settle();
  }

  private static String title(Offscreen screen) {
    return Offscreen.onScreen(() -> screen.window().card().title());
  }

  private static double drawn(Offscreen screen, WritableImage image, boolean digit) {
    long from = System.nanoTime();
    if (digit) {
      screen.walk().press(KeyCode.NUMPAD8);
    }
    Window.getWindows().getFirst().getScene().snapshot(image);
    double took = (System.nanoTime() - from) / 1e6;
    boolean said = screen.window().card().verdict().isPresent();
    boolean odd = screen.window().card().go().startsWith("They show");
    if (said != odd) {
      throw new IllegalStateException("the difference is not said");
    }
    return took;
  }
}
