package humble.store;

import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.SQLException;
import java.sql.Statement;
import org.sqlite.SQLiteConfig;
import org.sqlite.SQLiteDataSource;

/** Opens database files: write-ahead log, synchronous FULL, small pages. */
final class Database {
  /** Small pages, since an event is small and every append writes the page it lies on. */
  private static final int PAGE_BYTES = 512;

  private static final int LONGEST_TRIES_MS = 10_000;
  private static final int BETWEEN_MS = 20;
  private static final String PLAIN = "/-_.~";

  private Database() {}

  /**
   * Opens a file.
   *
   * @param patienceMs how long a write waits for another window, in milliseconds
   */
  static Connection open(Path file, int patienceMs) throws SQLException {
    SQLiteConfig config = config(patienceMs);
    SQLiteDataSource source = new SQLiteDataSource(config);
    source.setUrl("jdbc:sqlite:" + uri(file, ""));
    return source.getConnection();
  }

  /**
   * Opens a file that nobody writes, for reading only: it is not made when it is not there, and
   * nothing is made beside it.
   */
  static Connection openToRead(Path file) throws SQLException {
    SQLiteConfig config = new SQLiteConfig();
    config.setReadOnly(true);
    SQLiteDataSource source = new SQLiteDataSource(config);
    source.setUrl("jdbc:sqlite:" + uri(file, "?immutable=1"));
    return source.getConnection();
  }

  private static SQLiteConfig config(int patienceMs) {
    SQLiteConfig config = new SQLiteConfig();
    config.setSynchronous(SQLiteConfig.SynchronousMode.FULL);
    config.setBusyTimeout(patienceMs);
    config.setPageSize(PAGE_BYTES);
    return config;
  }

  /**
   * Gives a file as the address the driver takes: a question mark or a hash in the name of a folder
   * would else be taken for the beginning of options.
   */
  static String uri(Path file, String options) {
    StringBuilder out = new StringBuilder("file:");
    for (byte each : file.toAbsolutePath().toString().getBytes(StandardCharsets.UTF_8)) {
      char c = (char) (each & 0xff);
      boolean plain = c < 0x80 && (Character.isLetterOrDigit(c) || PLAIN.indexOf(c) >= 0);
      out.append(
          plain ? String.valueOf(c) : String.format(java.util.Locale.ROOT, "%%%02X", (int) c));
    }
    return out.append(options).toString();
  }

  /**
   * Turns the write-ahead log on. The database does not wait for another window at this one point,
   * so the waiting is done here.
   */
  static void logAhead(Connection connection) throws SQLException {
    for (int waited = 0; ; waited += BETWEEN_MS) {
      try (Statement statement = connection.createStatement()) {
        statement.execute("PRAGMA journal_mode = WAL");
        return;
      } catch (SQLException e) {
        if (!Failure.isBusy(e) || waited >= LONGEST_TRIES_MS) {
          throw e;
        }
        pause();
      }
    }
  }

  private static void pause() throws SQLException {
    try {
      Thread.sleep(BETWEEN_MS);
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
      throw new SQLException("waiting for another window was interrupted", e);
    }
  }

  /** Sets how long a write waits for another window, in milliseconds. */
  static void patience(Connection connection, int ms) throws SQLException {
    try (Statement statement = connection.createStatement()) {
      statement.execute("PRAGMA busy_timeout = " + ms);
    }
  }
}
