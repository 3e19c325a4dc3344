package humble.benchmarks;

import humble.core.build.BuildEvent;
import humble.store.Journal;
import humble.store.JournalOpen;
import java.io.IOException;
import java.io.PrintStream;
import java.nio.ByteBuffer;
import java.nio.channels.FileChannel;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.time.Clock;
import java.util.ArrayList;
import java.util.List;

/**
 * An event appended and synced, against as many bytes written and synced bare, on the same disk, in
 * turns.
 */
final class EventAppend {
  private static final int RUNS = 1500;
  private static final int WARM = 1000;

  private EventAppend() {}

  static void measure(PrintStream out) throws IOException {
    Path folder = Files.createTempDirectory(Path.of("."), "humble-append");
    BuildEvent event = new BuildEvent.Measured("r10k", 10020, "inside");
    byte[] bytes =
        "{\"line\":\"r10k\",\"value\":10020.0,\"verdict\":\"inside\"}\n"
            .getBytes(StandardCharsets.UTF_8);
    List<Double> ours = new ArrayList<>();
    List<Double> bare = new ArrayList<>();
    if (!(Journal.open(folder.resolve("bench.db"), Clock.systemUTC())
        instanceof JournalOpen.Opened opened)) {
      throw new IOException("no journal could be opened in " + folder);
    }
    try (Journal journal = opened.journal();
        FileChannel file =
            FileChannel.open(
                folder.resolve("bare"),
                StandardOpenOption.CREATE,
                StandardOpenOption.WRITE,
                StandardOpenOption.APPEND)) {
      for (int i = 0; i < WARM + RUNS; i++) {
        long from = System.nanoTime();
        journal.append("glowmoth-1", event);
        long between = System.nanoTime();
        file.write(ByteBuffer.wrap(bytes));
        file.force(true);
        long to = System.nanoTime();
        if (i >= WARM) {
          ours.add((between - from) / 1e6);
          bare.add((to - between) / 1e6);
        }
      }
    } finally {
      try (var files = Files.list(folder)) {
        for (Path each : files.toList()) {
          Files.delete(each);
        }
      }
      Files.delete(folder);
    }
    out.println(
        Median.row(
            "append of an event, synced",
            Median.spread(ours, "ms"),
            "bare write and fsync: " + Median.spread(bare, "ms"),
            Median.of(ours) / Median.of(bare)));
  }
}
