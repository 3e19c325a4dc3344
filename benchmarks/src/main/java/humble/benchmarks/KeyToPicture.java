package humble.benchmarks;

import humble.core.build.BuildEvent;
import humble.store.BenchFile;
import humble.store.Journal;
import humble.store.JournalOpen;
import java.io.IOException;
import java.io.PrintStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
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

  /** From the digit of a lamp to the difference on the screen, at a row that is read back. */
  static void lamps(Path root, PrintStream out) throws IOException, InterruptedException {
    List<Double> took = new ArrayList<>();
    List<Double> bare = new ArrayList<>();
    try (Display display = Display.open()) {
      for (int run = 0; run < RUNS; run++) {
        Path home = Files.createTempDirectory("humble-lamps");
        String kit = root.resolve("kits/lockkeeper").toAbsolutePath().normalize().toString();
        readBack(home, kit);
        took.addAll(probe(root, display, true, "--home", home.toString(), "--open", kit));
        bare.addAll(keys(root, display));
      }
    }
    out.printf(
        Locale.ROOT,
        "| lamp typed to the difference shown, %d digits | median %.1f ms (quickest %.1f, 90 of 100"
            + " within %.1f) | one shape in a bare window: median %.1f ms | %.2f |%n",
        took.size(),
        Median.of(took),
        Median.percentile(took, 1),
        Median.percentile(took, 90),
        Median.of(bare),
        Median.of(took) / Median.of(bare));
  }

  /** A build whose panel has been reset, so that its first program may be toggled in. */
  private static void readBack(Path home, String kit) throws IOException {
    if (!(Journal.open(home.resolve(BenchFile.NAME), Clock.systemUTC())
        instanceof JournalOpen.Opened opened)) {
      throw new IOException("the journal cannot be opened");
    }
    try (Journal journal = opened.journal()) {
      String build = "lockkeeper-1";
      journal.append(build, new BuildEvent.Began("Lockkeeper computer", "lockkeeper", kit, 7));
      journal.append(build, new BuildEvent.Woke("reset"));
    }
  }

  private static List<Double> keys(Path root, Display display, String... arguments)
      throws IOException, InterruptedException {
    return probe(root, display, false, arguments);
  }

  private static List<Double> probe(Path root, Display display, boolean lamps, String... arguments)
      throws IOException, InterruptedException {
    List<String> command = WindowStart.ours(root, "humble.benchmarks.KeyProbe");
    if (lamps) {
      command.add(1, "-D" + KeyProbe.LAMPS + "=true");
    }
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
