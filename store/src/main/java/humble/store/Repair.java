package humble.store;

import java.sql.Connection;
import java.sql.PreparedStatement;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.List;

/**
 * Sets damaged entries aside and chains what is left anew, in one transaction. The table of events
 * is made anew from what could be read, since its pages may be damaged too; the damaged one is kept
 * in the file under another name.
 */
final class Repair {
  private Repair() {}

  static void of(
      Connection connection, List<StoredEvent> kept, List<StoredEvent> all, List<Damage> damage)
      throws SQLException {
    try (Statement statement = connection.createStatement()) {
      statement.execute("BEGIN IMMEDIATE");
      try {
        aside(connection, all, damage);
        statement.execute("ALTER TABLE event RENAME TO " + free(connection));
        statement.execute(
            "CREATE TABLE event (number INTEGER PRIMARY KEY, build TEXT NOT NULL, at_ms INTEGER NOT"
                + " NULL, kind TEXT NOT NULL, body TEXT NOT NULL, chain BLOB)");
        keep(connection, kept);
        Schema.chain(connection);
        statement.execute("COMMIT");
      } catch (SQLException | RuntimeException e) {
        try {
          statement.execute("ROLLBACK");
        } catch (SQLException later) {
          e.addSuppressed(later);
        }
        throw e;
      }
    }
  }

  private static String free(Connection connection) throws SQLException {
    try (PreparedStatement there =
        connection.prepareStatement("SELECT 1 FROM sqlite_master WHERE name = ?")) {
      for (int number = 1; ; number++) {
        there.setString(1, "damaged_" + number);
        try (ResultSet result = there.executeQuery()) {
          if (!result.next()) {
            return "damaged_" + number;
          }
        }
      }
    }
  }

  private static void keep(Connection connection, List<StoredEvent> kept) throws SQLException {
    try (PreparedStatement insert =
        connection.prepareStatement(
            "INSERT INTO event (number, build, at_ms, kind, body) VALUES (?, ?, ?, ?, ?)")) {
      for (StoredEvent row : kept) {
        insert.setLong(1, row.number());
        insert.setString(2, row.buildText());
        insert.setLong(3, row.atMs());
        insert.setString(4, row.kindText());
        insert.setString(5, row.bodyText());
        insert.executeUpdate();
      }
    }
  }

  private static void aside(Connection connection, List<StoredEvent> all, List<Damage> damage)
      throws SQLException {
    try (PreparedStatement insert =
        connection.prepareStatement(
            "INSERT OR REPLACE INTO set_aside (number, build, at_ms, kind, body, why)"
                + " VALUES (?, ?, ?, ?, ?, ?)")) {
      for (Damage each : damage) {
        if (each.number() > 0 && !each.contentHolds()) {
          StoredEvent row =
              all.stream()
                  .filter(event -> event.number() == each.number())
                  .findFirst()
                  .orElse(null);
          insert.setLong(1, each.number());
          insert.setString(2, row == null ? "" : row.buildText());
          insert.setLong(3, row == null ? 0 : row.atMs());
          insert.setString(4, row == null ? "" : row.kindText());
          insert.setString(5, row == null ? "" : row.bodyText());
          insert.setString(6, each.text());
          insert.executeUpdate();
        }
      }
    }
  }
}
