package humble.store;

import humble.core.build.Build;
import humble.core.build.BuildEvent;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.PreparedStatement;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.sqlite.SQLiteConfig;
import org.sqlite.SQLiteDataSource;
import org.sqlite.SQLiteErrorCode;

/**
 * The journal of one bench. An append returns when the event is on the disk: write-ahead log,
 * synchronous FULL.
 *
 * <p>Plain JDBC, since the whole of its SQL is an insert and two selects. Not for use by several
 * threads at once.
 */
public final class Journal implements AutoCloseable {
  private static final int TRIES = 5;

  /** Small pages, since an event is small and every append writes the page it lies on. */
  private static final int PAGE_BYTES = 512;

  private final Path file;
  private final Connection connection;
  private final Clock clock;
  private final PreparedStatement insert;
  private long next;

  private Journal(Path file, Connection connection, Clock clock) throws SQLException {
    this.file = file;
    this.connection = connection;
    this.clock = clock;
    this.insert =
        connection.prepareStatement(
            "INSERT INTO event (number, build, at_ms, kind, body) VALUES (?, ?, ?, ?, ?)");
    this.next = lastNumber() + 1;
  }

  /**
   * Opens or makes the journal at {@code file}; a file that is not ours, damaged or newer is left
   * as it is.
   */
  public static JournalOpen open(Path file, Clock clock) {
    Connection connection = null;
    try {
      Path folder = file.toAbsolutePath().getParent();
      if (folder != null) {
        Files.createDirectories(folder);
      }
      boolean fresh = !Files.exists(file) || Files.size(file) == 0;
      SQLiteDataSource source = source(file);
      connection = source.getConnection();
      String refusal = fresh ? "" : refusal(connection);
      if (!refusal.isEmpty()) {
        connection.close();
        return new JournalOpen.Refused(refusal, beside(file));
      }
      if (Schema.number(connection, "user_version") < Schema.VERSION) {
        Schema.migrate(source, connection);
      }
      try (Statement statement = connection.createStatement()) {
        statement.execute("PRAGMA journal_mode = WAL");
      }
      return new JournalOpen.Opened(new Journal(file, connection, clock));
    } catch (SQLException | IOException | RuntimeException e) {
      closeQuietly(connection, e);
      return new JournalOpen.Refused(
          "The journal " + file + " cannot be opened: " + message(e), beside(file));
    }
  }

  private static SQLiteDataSource source(Path file) {
    SQLiteConfig config = new SQLiteConfig();
    config.setSynchronous(SQLiteConfig.SynchronousMode.FULL);
    config.setBusyTimeout(3000);
    config.setPageSize(PAGE_BYTES);
    SQLiteDataSource source = new SQLiteDataSource(config);
    source.setUrl("jdbc:sqlite:" + file);
    return source;
  }

  private static String refusal(Connection connection) throws SQLException {
    int version = Schema.number(connection, "user_version");
    int application = Schema.number(connection, "application_id");
    if (version > 0 && application != Schema.APPLICATION_ID) {
      return "This database belongs to another program.";
    }
    if (version > Schema.VERSION) {
      return "This journal was written by a newer Humble Circuit (version "
          + version
          + " of the journal; this one reads "
          + Schema.VERSION
          + ").";
    }
    return version == 0 && tables(connection) > 0
        ? "This database belongs to another program."
        : "";
  }

  private static int tables(Connection connection) throws SQLException {
    try (Statement statement = connection.createStatement();
        ResultSet result = statement.executeQuery("SELECT count(*) FROM sqlite_master")) {
      return result.next() ? result.getInt(1) : 0;
    }
  }

  private static Path beside(Path file) {
    String name = String.valueOf(file.getFileName());
    int dot = name.lastIndexOf('.');
    String stem = dot > 0 ? name.substring(0, dot) : name;
    String ending = dot > 0 ? name.substring(dot) : "";
    int number = 2;
    while (Files.exists(file.resolveSibling(stem + "-" + number + ending))) {
      number++;
    }
    return file.resolveSibling(stem + "-" + number + ending);
  }

  private static String message(Exception e) {
    String text = String.valueOf(e.getMessage());
    return text.contains("not a database")
        ? "it is not a journal, or it is damaged."
        : text.lines().findFirst().orElse("");
  }

  private static void closeQuietly(@Nullable Connection connection, Exception cause) {
    if (connection != null) {
      try {
        connection.close();
      } catch (SQLException later) {
        cause.addSuppressed(later);
      }
    }
  }

  /** Gives the file. */
  public Path file() {
    return file;
  }

  /**
   * Appends an event to a build and returns when it is on the disk.
   *
   * @throws JournalDamage when it could not be written; nothing was then written
   */
  public BuildEvent.Entry append(String build, BuildEvent event) {
    Instant at = clock.instant().truncatedTo(java.time.temporal.ChronoUnit.MILLIS);
    try {
      insert.setString(2, build);
      insert.setLong(3, at.toEpochMilli());
      insert.setString(4, EventJson.kind(event));
      insert.setString(5, EventJson.body(event));
      insertNumbered();
      return new BuildEvent.Entry(next++, at, event);
    } catch (SQLException e) {
      throw new JournalDamage(
          "The journal " + file + " could not be written: " + e.getMessage(), e);
    }
  }

  /** Takes the next number; one that another window on this bench has taken is passed over. */
  private void insertNumbered() throws SQLException {
    for (int tries = 1; ; tries++) {
      try {
        insert.setLong(1, next);
        insert.executeUpdate();
        return;
      } catch (SQLException e) {
        if (e.getErrorCode() != SQLiteErrorCode.SQLITE_CONSTRAINT.code || tries == TRIES) {
          throw e;
        }
        next = lastNumber() + 1;
      }
    }
  }

  private long lastNumber() throws SQLException {
    try (Statement statement = connection.createStatement();
        ResultSet result = statement.executeQuery("SELECT max(number) FROM event")) {
      return result.next() ? result.getLong(1) : 0;
    }
  }

  /** Gives the ids of the builds, the one last worked on first. */
  public List<String> builds() {
    List<String> ids = new ArrayList<>();
    try (Statement statement = connection.createStatement();
        ResultSet result =
            statement.executeQuery(
                "SELECT build FROM event GROUP BY build ORDER BY max(number) DESC")) {
      while (result.next()) {
        ids.add(result.getString(1));
      }
      return ids;
    } catch (SQLException e) {
      throw new JournalDamage("The journal " + file + " could not be read: " + e.getMessage(), e);
    }
  }

  /** Folds one build. */
  public Build build(String id) {
    List<BuildEvent.Entry> entries = new ArrayList<>();
    try (PreparedStatement select =
        connection.prepareStatement(
            "SELECT number, at_ms, kind, body FROM event WHERE build = ? ORDER BY number")) {
      select.setString(1, id);
      try (ResultSet result = select.executeQuery()) {
        while (result.next()) {
          BuildEvent event = EventJson.read(result.getString(3), result.getString(4));
          entries.add(
              new BuildEvent.Entry(
                  result.getLong(1), Instant.ofEpochMilli(result.getLong(2)), event));
        }
      }
      return Build.of(id, entries);
    } catch (SQLException e) {
      throw new JournalDamage("The journal " + file + " could not be read: " + e.getMessage(), e);
    }
  }

  @Override
  public void close() {
    try {
      insert.close();
      connection.close();
    } catch (SQLException e) {
      throw new JournalDamage("The journal " + file + " could not be closed: " + e.getMessage(), e);
    }
  }
}
