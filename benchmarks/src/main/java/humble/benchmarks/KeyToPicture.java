package humble.benchmarks;

import humble.desktop.walk.Offscreen;
import java.io.IOException;
import java.io.PrintStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;

/**
 * From a key to the picture that answers it, through the whole walk: the act, the synced event, the
 * new card and mat, laid out and drawn in software at 1280 × 800. A display adds the wait for its
 * next frame, 16.7 ms at most at 60 Hz.
 */
final class KeyToPicture {
  private static final int LONGEST_WAITS = 500;

  private KeyToPicture() {}

  static void measure(Path root, PrintStream out) throws IOException {
    System.setProperty("glass.platform", "Headless");
    System.setProperty("prism.order", "sw");
    Offscreen.start();
    List<Double> took = new ArrayList<>();
    for (int walk = 0; walk < 3; walk++) {
      Path home = Files.createTempDirectory("humble-keys");
      try (Offscreen screen =
          new Offscreen(home, List.of(root.resolve("kits/glowmoth")), Clock.systemUTC(), false)) {
        screen.settle();
        walk(screen, walk == 0 ? new ArrayList<>() : took);
      }
    }
    out.printf(
        Locale.ROOT,
        "| key to picture, %d keys | median %.1f ms, 95 of 100 within %.1f ms, longest %.1f ms |"
            + " the bound of 50 ms | %.2f |%n",
        took.size(),
        Median.of(took),
        Median.percentile(took, 95),
        Median.percentile(took, 100),
        Median.percentile(took, 95) / 50);
  }

  private static void walk(Offscreen screen, List<Double> took) {
    int waits = 0;
    while (!Offscreen.onScreen(screen.walk()::over) && waits < LONGEST_WAITS) {
      double ms = screen.timedStepMs();
      if (ms >= 0) {
        took.add(ms);
        waits = 0;
      } else {
        screen.settleBriefly();
        waits++;
      }
    }
  }
}
