package humble.store;

import java.sql.Connection;
import java.sql.PreparedStatement;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.List;

/** Reads the rows of the journal as their bytes lie in the file. */
final class Rows {
  private Rows() {}

  /** Gives every event in the order of their numbers. */
  static List<StoredEvent> all(Connection connection, boolean chained) throws SQLException {
    List<StoredEvent> rows = new ArrayList<>();
    try (Statement statement = connection.createStatement();
        ResultSet result = statement.executeQuery(select(chained) + " ORDER BY number")) {
      while (result.next()) {
        rows.add(row(result, chained));
      }
    }
    return rows;
  }

  /**
   * Gives what can be read of a file whose pages are damaged: each event is asked for by its
   * number.
   *
   * @param last the highest number to ask for
   */
  static List<StoredEvent> salvaged(Connection connection, boolean chained, long last) {
    List<StoredEvent> rows = new ArrayList<>();
    for (long number = 1; number <= last; number++) {
      try (PreparedStatement one =
          connection.prepareStatement(select(chained) + " WHERE number = ?")) {
        one.setLong(1, number);
        try (ResultSet result = one.executeQuery()) {
          if (result.next()) {
            rows.add(row(result, chained));
          }
        }
      } catch (SQLException e) {
        // This one cannot be read; whoever counts the numbers finds that it is missing.
        continue;
      }
    }
    return rows;
  }

  private static String select(boolean chained) {
    return "SELECT number, at_ms, build, kind, body" + (chained ? ", chain" : "") + " FROM event";
  }

  private static StoredEvent row(ResultSet result, boolean chained) throws SQLException {
    return new StoredEvent(
        result.getLong(1),
        result.getLong(2),
        bytes(result, 3),
        bytes(result, 4),
        bytes(result, 5),
        chained ? bytes(result, 6) : new byte[0]);
  }

  private static byte[] bytes(ResultSet result, int column) throws SQLException {
    byte[] bytes = result.getBytes(column);
    return bytes == null ? new byte[0] : bytes;
  }
}
