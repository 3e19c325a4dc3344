package humble.benchmarks;

import humble.core.build.BuildEvent;
import humble.store.Journal;
import humble.store.JournalOpen;
import java.io.IOException;
import java.io.PrintStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.time.Clock;
import java.util.ArrayList;
import java.util.List;

/**
 * A journal of 20,000 entries opened and its chain proved, against the same file opened by the bare
 * driver, which reads its version and counts its entries, in turns.
 */
final class JournalOpening {
  private static final int ENTRIES = 20_000;
  private static final int A_BATCH = 100;
  private static final int RUNS = 15;
  private static final int WARM = 3;

  private JournalOpening() {}

  static void measure(PrintStream out) throws IOException {
    Path folder = Files.createTempDirectory(Path.of("."), "humble-opening");
    Path file = folder.resolve("bench.db");
    try {
      fill(file);
      List<Double> ours = new ArrayList<>();
      List<Double> bare = new ArrayList<>();
      for (int i = 0; i < WARM + RUNS; i++) {
        long from = System.nanoTime();
        opened(file).close();
        long between = System.nanoTime();
        count(file);
        long to = System.nanoTime();
        if (i >= WARM) {
          ours.add((between - from) / 1e6);
          bare.add((to - between) / 1e6);
        }
      }
      out.println(
          Median.row(
              "a journal of 20,000 entries opened and proved",
              Median.spread(ours, "ms"),
              "opened and counted by the bare driver: " + Median.spread(bare, "ms"),
              Median.of(ours) / Median.of(bare)));
    } finally {
      try (var files = Files.list(folder)) {
        for (Path each : files.toList()) {
          Files.delete(each);
        }
      }
      Files.delete(folder);
    }
  }

  private static Journal opened(Path file) throws IOException {
    if (Journal.open(file, Clock.systemUTC()) instanceof JournalOpen.Opened opened) {
      return opened.journal();
    }
    throw new IOException("no journal could be opened in " + file);
  }

  private static void fill(Path file) throws IOException {
    try (Journal journal = opened(file)) {
      List<BuildEvent> events = new ArrayList<>();
      for (int i = 0; i < ENTRIES; i++) {
        events.add(new BuildEvent.Measured("r10k", 10_000 + i, "inside"));
        if (events.size() == A_BATCH) {
          journal.append("glowmoth-" + i / 1000, List.copyOf(events), Journal.PATIENTLY_MS);
          events.clear();
        }
      }
    }
  }

  private static void count(Path file) throws IOException {
    try (Connection connection = DriverManager.getConnection("jdbc:sqlite:" + file);
        Statement statement = connection.createStatement()) {
      try (ResultSet version = statement.executeQuery("PRAGMA user_version")) {
        version.next();
      }
      try (ResultSet count = statement.executeQuery("SELECT count(*) FROM event")) {
        count.next();
        if (count.getInt(1) != ENTRIES) {
          throw new IOException("the journal has " + count.getInt(1) + " entries");
        }
      }
    } catch (SQLException e) {
      throw new IOException(e);
    }
  }
}
