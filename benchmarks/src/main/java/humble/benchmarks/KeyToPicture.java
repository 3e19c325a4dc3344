package humble.benchmarks;

import java.io.IOException;
import java.io.PrintStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;

/**
 * From a key of the display's keyboard to changed pixels on its screen, end to end: the event
 * synced to the journal, the next card and mat drawn in software, the frame shown. On a virtual
 * display of 1280 × 800; the wait for the next frame, 16.7 ms at most, is in it.
 */
final class KeyToPicture {
  private static final int RUNS = 5;

  /** The first keys of a start find code that has never run. */
  private static final int WARM = 4;

  private KeyToPicture() {}

  static void measure(Path root, PrintStream out) throws IOException, InterruptedException {
    List<Double> took = new ArrayList<>();
    List<Double> bare = new ArrayList<>();
    try (Display display = Display.open()) {
      for (int run = 0; run < RUNS; run++) {
        Path home = Files.createTempDirectory("humble-keys");
        took.addAll(
            keys(
                root,
                display,
                "--home",
                home.toString(),
                "--open",
                root.resolve("kits/glowmoth").toString()));
        bare.addAll(keys(root, display));
      }
    }
    out.printf(
        Locale.ROOT,
        "| key to changed pixels, %d keys | median %.1f ms (quickest %.1f, 90 of 100 within %.1f) |"
            + " one shape in a bare window: median %.1f ms (quickest %.1f, 90 of 100 within %.1f) |"
            + " %.2f |%n",
        took.size(),
        Median.of(took),
        Median.percentile(took, 1),
        Median.percentile(took, 90),
        Median.of(bare),
        Median.percentile(bare, 1),
        Median.percentile(bare, 90),
        Median.of(took) / Median.of(bare));
  }

  private static List<Double> keys(Path root, Display display, String... arguments)
      throws IOException, InterruptedException {
    List<String> command = WindowStart.ours(root, "humble.benchmarks.KeyProbe");
    command.addAll(List.of(arguments));
    List<String> lines = Started.lines(command, Map.of("DISPLAY", display.name()));
    if (!lines.contains("end")) {
      throw new IOException("the probe did not come to its end");
    }
    return lines.stream()
        .filter(line -> !line.equals("end"))
        .skip(WARM)
        .map(Double::valueOf)
        .toList();
  }
}
