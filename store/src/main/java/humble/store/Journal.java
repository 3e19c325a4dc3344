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
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;

/**
 * The journal of one bench. An append returns when the event is on the disk: write-ahead log,
 * synchronous FULL. Every event bears a checksum chained to the one before; opening proves the
 * chain, and a journal that is not as it was written is open for reading only until somebody has
 * decided.
 *
 * <p>Plain JDBC, since the whole of its SQL is an insert and a few selects. One call at a time:
 * calls from several threads wait for each other.
 *
 * <p>Longer than other classes: everything that is said about one file, each in a few lines.
 */
public final class Journal implements AutoCloseable {
  /**
   * What belongs to the bench rather than to a build is kept under this name: how the practice
   * went. It is no build, and no id of one.
   */
  public static final String BENCH = "~bench";

  /** How long an append on the interface thread waits for another window, in milliseconds. */
  public static final int BRIEFLY_MS = 60;

  /** How long an append elsewhere waits for another window, in milliseconds. */
  public static final int PATIENTLY_MS = 10_000;

  private final Path file;
  private final Clock clock;
  private @Nullable Connection connection;
  private @Nullable Appender appender;
  private Map<Long, Damage> damage = Map.of();

  /** What could be read of a damaged journal; the file itself is not asked again. */
  private List<StoredEvent> salvaged = List.of();

  private Journal(Path file, Connection connection, Clock clock) {
    this.file = file;
    this.connection = connection;
    this.clock = clock;
  }

  /**
   * Opens or makes the journal at {@code file}; a file that is not ours, newer, or too damaged to
   * be read at all is left as it is.
   */
  public static JournalOpen open(Path file, Clock clock) {
    Connection connection = null;
    try {
      Path folder = file.toAbsolutePath().getParent();
      if (folder != null) {
        Files.createDirectories(folder);
      }
      connection = Database.open(file, PATIENTLY_MS);
      JournalOpen.Refused refused = atOneMoment(connection, file);
      if (refused != null) {
        connection.close();
        return refused;
      }
      Database.logAhead(connection);
      Schema.migrate(connection);
      return proved(new Journal(file, connection, clock), Proof.of(connection));
    } catch (SQLException e) {
      return refused(file, e, connection);
    } catch (IOException | RuntimeException e) {
      closeQuietly(connection, e);
      return new JournalOpen.Refused(
          e instanceof IOException ? JournalOpen.Reason.NO_PLACE : JournalOpen.Reason.UNREADABLE,
          "The journal " + file + " cannot be opened: " + Failure.firstLine(e),
          beside(file));
    }
  }

  private static JournalOpen proved(Journal journal, Proof.Found found) {
    if (found.damage().isEmpty()) {
      return new JournalOpen.Opened(journal);
    }
    Map<Long, Damage> byNumber = new HashMap<>();
    found.damage().forEach(each -> byNumber.putIfAbsent(each.number(), each));
    journal.damage = byNumber;
    journal.salvaged = List.copyOf(found.rows());
    return new JournalOpen.Damaged(journal, found.damage());
  }

  private static JournalOpen refused(Path file, SQLException e, @Nullable Connection connection) {
    closeQuietly(connection, e);
    boolean forbidden = Failure.isForbidden(e);
    String text = Failure.firstLine(e);
    String why =
        text.contains("not a database") || Failure.isCorrupt(e)
            ? "it is not a journal, or it is damaged."
            : forbidden ? "its folder may not be written." : text;
    return new JournalOpen.Refused(
        forbidden ? JournalOpen.Reason.NO_PLACE : JournalOpen.Reason.UNREADABLE,
        "The journal " + file + " cannot be opened: " + why,
        beside(file));
  }

  /** All is looked at in one moment: another window may be making the file meanwhile. */
  private static JournalOpen.@Nullable Refused atOneMoment(Connection connection, Path file)
      throws SQLException {
    try (Statement statement = connection.createStatement()) {
      statement.execute("BEGIN");
      try {
        return refusal(connection, file);
      } finally {
        statement.execute("ROLLBACK");
      }
    }
  }

  private static JournalOpen.@Nullable Refused refusal(Connection connection, Path file)
      throws SQLException {
    int version = Schema.number(connection, "user_version");
    int application = Schema.number(connection, "application_id");
    boolean foreign =
        version == 0
            ? application != 0 && application != Schema.APPLICATION_ID
                || !Schema.isHalfMade(connection)
            : application != Schema.APPLICATION_ID;
    if (foreign) {
      return new JournalOpen.Refused(
          JournalOpen.Reason.FOREIGN, "This database belongs to another program.", beside(file));
    }
    return version > Schema.VERSION
        ? new JournalOpen.Refused(
            JournalOpen.Reason.NEWER,
            "This journal was written by a newer Humble Circuit (version "
                + version
                + " of the journal; this one reads "
                + Schema.VERSION
                + ").",
            beside(file))
        : null;
  }

  private static Path beside(Path file) {
    return BenchFile.free(file);
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

  /** Tells whether nothing is written until somebody has decided what becomes of the damage. */
  public synchronized boolean isUndecided() {
    return !damage.isEmpty();
  }

  /** Gives what is not as it was written, in the order of the numbers. */
  public synchronized List<Damage> damage() {
    return damage.values().stream()
        .sorted(java.util.Comparator.comparingLong(Damage::number))
        .toList();
  }

  private Connection connection() throws SQLException {
    Connection now = connection;
    if (now == null) {
      now = Database.open(file, PATIENTLY_MS);
      connection = now;
    }
    return now;
  }

  /**
   * Appends an event to a build and returns when it is on the disk.
   *
   * @throws NotWritten when it could not be written; nothing was then written, and it can be tried
   *     again
   */
  public BuildEvent.Entry append(String build, BuildEvent event) {
    return append(build, List.of(event), PATIENTLY_MS).getFirst();
  }

  /**
   * Appends events that belong together to a build and returns when all are on the disk.
   *
   * @param build the build
   * @param events the events, in their order
   * @param patienceMs how long to wait for another window that is writing, in milliseconds
   * @throws NotWritten when they could not be written; none of them then was, and it can be tried
   *     again
   */
  public synchronized List<BuildEvent.Entry> append(
      String build, List<BuildEvent> events, int patienceMs) {
    Instant at = clock.instant().truncatedTo(ChronoUnit.MILLIS);
    List<Appender.Row> rows =
        events.stream()
            .map(event ->
                new Appender.Row(
                    build, at.toEpochMilli(), EventJson.kind(event), EventJson.body(event)))
            .toList();
    long first = write(rows, patienceMs);
    List<BuildEvent.Entry> entries = new ArrayList<>();
    for (BuildEvent event : events) {
      entries.add(new BuildEvent.Entry(first + entries.size(), at, event));
    }
    return entries;
  }

  private long write(List<Appender.Row> rows, int patienceMs) {
    return write(rows, List.of(), patienceMs);
  }

  /**
   * Writes rows in one transaction; gives the number of the first.
   *
   * @param formerly the numbers the rows had elsewhere, empty for new ones: what takes one of them
   *     back takes back the same entry here
   */
  synchronized long write(List<Appender.Row> rows, List<Long> formerly, int patienceMs) {
    if (!damage.isEmpty()) {
      throw new NotWritten(
          NotWritten.Why.UNDECIDED,
          "The journal " + file + " is damaged; it is only read until somebody decides.",
          null);
    }
    try {
      Appender with = appender;
      if (with == null) {
        with = new Appender(connection());
        appender = with;
      }
      return with.append(rows, formerly, patienceMs);
    } catch (SQLException e) {
      NotWritten.Why why = Failure.why(e);
      if (why != NotWritten.Why.BUSY) {
        renew(e);
      }
      throw new NotWritten(
          why, "The journal " + file + " could not be written: " + Failure.firstLine(e), e);
    }
  }

  /** What failed once may be stuck: the next call gets a connection and statements of its own. */
  private void renew(SQLException cause) {
    closeQuietly(connection, cause);
    connection = null;
    appender = null;
  }

  /** Gives the ids of the builds, the one last worked on first. */
  public synchronized List<String> builds() {
    if (!damage.isEmpty()) {
      Map<String, Long> last = new HashMap<>();
      salvaged.forEach(row -> last.put(row.buildText(), row.number()));
      return last.entrySet().stream()
          .sorted(Map.Entry.<String, Long>comparingByValue().reversed())
          .map(Map.Entry::getKey)
          .filter(id -> !id.equals(BENCH))
          .toList();
    }
    List<String> ids = new ArrayList<>();
    try (Statement statement = connection().createStatement();
        ResultSet result =
            statement.executeQuery(
                "SELECT build FROM event GROUP BY build ORDER BY max(number) DESC")) {
      while (result.next()) {
        ids.add(result.getString(1));
      }
      ids.remove(BENCH);
      return ids;
    } catch (SQLException e) {
      throw unreadable(e);
    }
  }

  private JournalDamage unreadable(SQLException e) {
    return new JournalDamage(
        "The journal " + file + " could not be read: " + Failure.firstLine(e), e);
  }

  /** Gives what belongs to the bench rather than to a build. */
  public Build bench() {
    return build(BENCH);
  }

  /** Folds one build; an event that cannot be read stands in its place and says so. */
  public synchronized Build build(String id) {
    List<BuildEvent.Entry> entries = new ArrayList<>();
    if (!damage.isEmpty()) {
      salvaged.stream()
          .filter(row -> row.buildText().equals(id))
          .forEach(row -> entries.add(entry(row)));
      return Build.of(id, entries);
    }
    try (PreparedStatement select =
        connection()
            .prepareStatement(
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
      throw unreadable(e);
    }
  }

  private BuildEvent.Entry entry(StoredEvent row) {
    Damage found = damage.get(row.number());
    BuildEvent event =
        found == null || found.contentHolds()
            ? EventJson.read(row.kindText(), row.bodyText())
            : new BuildEvent.Unread(row.kindText(), found.text());
    return new BuildEvent.Entry(row.number(), Instant.ofEpochMilli(row.atMs()), event);
  }

  /** Reads one event as it is stored; one that cannot be read says so and is not thrown. */
  public static BuildEvent event(String kind, String body) {
    return EventJson.read(kind, body);
  }

  /** Gives every event as it is stored, in the order of the numbers. */
  synchronized List<StoredEvent> stored() {
    if (!damage.isEmpty()) {
      return salvaged;
    }
    try {
      return Rows.all(connection(), true);
    } catch (SQLException e) {
      throw unreadable(e);
    }
  }

  /** Gives the time of this bench, in milliseconds. */
  long nowMs() {
    return clock.instant().toEpochMilli();
  }

  /** Gives the number of events. */
  public synchronized long events() {
    return damage.isEmpty() ? count() : salvaged.size();
  }

  private long count() {
    try (Statement statement = connection().createStatement();
        ResultSet result = statement.executeQuery("SELECT count(*) FROM event")) {
      return result.next() ? result.getLong(1) : 0;
    } catch (SQLException e) {
      throw unreadable(e);
    }
  }

  /** Gives when the last event was written; the epoch when there is none. */
  public synchronized Instant lastAt() {
    if (!damage.isEmpty()) {
      return Instant.ofEpochMilli(salvaged.isEmpty() ? 0 : salvaged.getLast().atMs());
    }
    try (Statement statement = connection().createStatement();
        ResultSet result = statement.executeQuery("SELECT max(at_ms) FROM event")) {
      return Instant.ofEpochMilli(result.next() ? result.getLong(1) : 0);
    } catch (SQLException e) {
      throw unreadable(e);
    }
  }

  /** Runs something on the connection, which nobody else uses meanwhile. */
  synchronized <T> T with(OnConnection<T> work) throws SQLException {
    return work.run(connection());
  }

  /** Work on the connection. */
  interface OnConnection<T> {
    /** Does it. */
    T run(Connection connection) throws SQLException;
  }

  /**
   * Decides to go on without what is damaged: the damaged entries are set aside, where they are
   * kept as they are, and what is left gets a chain of its own. From then on the journal is written
   * again.
   *
   * @throws NotWritten when that could not be written; the journal is then as it was
   */
  public synchronized void goOnWithoutDamage() {
    List<StoredEvent> kept =
        salvaged.stream()
            .filter(row -> {
              Damage found = damage.get(row.number());
              return found == null || found.contentHolds();
            })
            .toList();
    try {
      Repair.of(connection(), kept, salvaged, damage());
    } catch (SQLException e) {
      renew(e);
      throw new NotWritten(
          Failure.why(e),
          "The journal " + file + " could not be mended: " + Failure.firstLine(e),
          e);
    }
    damage = Map.of();
    salvaged = List.of();
    appender = null;
  }

  @Override
  public synchronized void close() {
    Connection now = connection;
    connection = null;
    appender = null;
    if (now != null) {
      try {
        now.close();
      } catch (SQLException e) {
        throw new JournalDamage(
            "The journal " + file + " could not be closed: " + Failure.firstLine(e), e);
      }
    }
  }
}
