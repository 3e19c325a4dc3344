package humble.store;

import java.sql.Connection;
import java.sql.PreparedStatement;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.util.List;

/**
 * Appends rows: the tip of the chain is read and moved on in the same transaction that writes them,
 * so that two windows on one bench take turns.
 */
final class Appender {
  private final Connection connection;
  private final Chain chain = new Chain();
  private final PreparedStatement begin;
  private final PreparedStatement tip;
  private final PreparedStatement insert;
  private final PreparedStatement move;
  private final PreparedStatement commit;
  private int patienceMs = -1;

  Appender(Connection connection) throws SQLException {
    this.connection = connection;
    this.begin = connection.prepareStatement("BEGIN IMMEDIATE");
    this.tip = connection.prepareStatement("SELECT number, chain FROM tip");
    this.insert =
        connection.prepareStatement(
            "INSERT INTO event (number, build, at_ms, kind, body, chain) VALUES (?, ?, ?, ?, ?, ?)");
    this.move = connection.prepareStatement("UPDATE tip SET number = ?, chain = ? WHERE one = 1");
    this.commit = connection.prepareStatement("COMMIT");
  }

  /** One event about to be stored. */
  record Row(String build, long atMs, String kind, String body) {}

  /**
   * Appends rows and gives the number of the first.
   *
   * @param formerly the numbers the rows had elsewhere, empty for new ones
   */
  long append(List<Row> rows, List<Long> formerly, int patience) throws SQLException {
    if (patience != patienceMs) {
      Database.patience(connection, patience);
      patienceMs = patience;
    }
    begin.execute();
    try {
      long first;
      byte[] before;
      try (ResultSet result = tip.executeQuery()) {
        if (!result.next()) {
          throw new SQLException("the record of the last entry is gone");
        }
        first = result.getLong(1) + 1;
        before = result.getBytes(2);
      }
      long number = first;
      List<String> bodies = Renumbered.bodies(rows, formerly, first);
      for (int i = 0; i < rows.size(); i++) {
        Row row = rows.get(i);
        String body = bodies.get(i);
        before = chain.of(before, number, row.atMs(), row.build(), row.kind(), body);
        insert.setLong(1, number);
        insert.setString(2, row.build());
        insert.setLong(3, row.atMs());
        insert.setString(4, row.kind());
        insert.setString(5, body);
        insert.setBytes(6, before);
        insert.executeUpdate();
        number++;
      }
      move.setLong(1, number - 1);
      move.setBytes(2, before);
      move.executeUpdate();
      commit.execute();
      return first;
    } catch (SQLException | RuntimeException e) {
      rollBack(e);
      throw e;
    }
  }

  /** A full disk has rolled back by itself already. */
  private void rollBack(Exception cause) {
    try (PreparedStatement back = connection.prepareStatement("ROLLBACK")) {
      back.execute();
    } catch (SQLException e) {
      cause.addSuppressed(e);
    }
  }
}
