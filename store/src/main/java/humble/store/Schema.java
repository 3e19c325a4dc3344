package humble.store;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.sql.Connection;
import java.sql.PreparedStatement;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.HashSet;
import java.util.Set;

/**
 * The version of a journal file, its making and its migration. Both are one transaction that ends
 * with the version, so that a kill leaves either the old file or the new one; two windows that come
 * at once take turns.
 */
final class Schema {
  static final int VERSION = 2;

  /** "HuCi": tells our files from other SQLite files. */
  static final int APPLICATION_ID = 0x48754369;

  /** What a file of ours may hold before it has a version: a first start was cut off. */
  private static final Set<String> OURS = Set.of("event", "flyway_schema_history");

  private Schema() {}

  static int number(Connection connection, String pragma) throws SQLException {
    try (Statement statement = connection.createStatement();
        ResultSet result = statement.executeQuery("PRAGMA " + pragma)) {
      return result.next() ? result.getInt(1) : 0;
    }
  }

  /** Tells whether a file of version 0 holds nothing but what a first start leaves behind. */
  static boolean isHalfMade(Connection connection) throws SQLException {
    Set<String> tables = new HashSet<>();
    try (Statement statement = connection.createStatement();
        ResultSet result =
            statement.executeQuery(
                "SELECT name FROM sqlite_master WHERE type = 'table' AND name NOT LIKE 'sqlite%'")) {
      while (result.next()) {
        tables.add(result.getString(1));
      }
    }
    return OURS.containsAll(tables);
  }

  /** Brings a file to the present version; one that is there already is not touched. */
  static void migrate(Connection connection) throws SQLException {
    if (number(connection, "user_version") >= VERSION) {
      return;
    }
    try (Statement statement = connection.createStatement()) {
      statement.execute("BEGIN IMMEDIATE");
      try {
        // Another window may have been quicker.
        int version = number(connection, "user_version");
        if (version < 1) {
          run(statement, "journal-1.sql");
        }
        if (version < VERSION) {
          run(statement, "journal-2.sql");
          chain(connection);
          statement.execute("PRAGMA application_id = " + APPLICATION_ID);
          statement.execute("PRAGMA user_version = " + VERSION);
        }
        statement.execute("COMMIT");
      } catch (SQLException | RuntimeException e) {
        rollBack(statement, e);
        throw e;
      }
    }
  }

  private static void rollBack(Statement statement, Exception cause) {
    try {
      statement.execute("ROLLBACK");
    } catch (SQLException e) {
      cause.addSuppressed(e);
    }
  }

  /** Gives every event its checksum, and the journal its tip. */
  static void chain(Connection connection) throws SQLException {
    Chain chain = new Chain();
    byte[] before = Chain.start();
    long last = 0;
    try (Statement statement = connection.createStatement();
        PreparedStatement update =
            connection.prepareStatement("UPDATE event SET chain = ? WHERE number = ?")) {
      for (StoredEvent each : Rows.all(connection, false)) {
        before =
            chain.of(before, each.number(), each.atMs(), each.build(), each.kind(), each.body());
        last = each.number();
        update.setBytes(1, before);
        update.setLong(2, last);
        update.executeUpdate();
      }
      statement.execute("DELETE FROM tip");
    }
    try (PreparedStatement tip =
        connection.prepareStatement("INSERT INTO tip (one, number, chain) VALUES (1, ?, ?)")) {
      tip.setLong(1, last);
      tip.setBytes(2, before);
      tip.executeUpdate();
    }
  }

  private static void run(Statement statement, String script) throws SQLException {
    for (String command : text(script).split(";")) {
      if (!command.isBlank()) {
        statement.execute(command);
      }
    }
  }

  private static String text(String script) {
    try (InputStream in = Schema.class.getResourceAsStream(script)) {
      if (in == null) {
        throw new IllegalStateException(script + " is missing");
      }
      return new String(in.readAllBytes(), StandardCharsets.UTF_8);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }
}
