package humble.store;

import java.sql.Connection;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.logging.Level;
import java.util.logging.Logger;
import javax.sql.DataSource;
import org.flywaydb.core.Flyway;

/**
 * The version of a journal file, and its migration. A file that is up to date is not touched:
 * starting stays quick.
 */
final class Schema {
  static final int VERSION = 1;

  /** "HuCi": tells our files from other SQLite files. */
  static final int APPLICATION_ID = 0x48754369;

  /** Held here, since a logger that nobody holds forgets its level. */
  private static final Logger MIGRATION = Logger.getLogger("org.flywaydb");

  private Schema() {}

  static int number(Connection connection, String pragma) throws SQLException {
    try (Statement statement = connection.createStatement();
        ResultSet result = statement.executeQuery("PRAGMA " + pragma)) {
      return result.next() ? result.getInt(1) : 0;
    }
  }

  static void migrate(DataSource source, Connection connection) throws SQLException {
    MIGRATION.setLevel(Level.WARNING);
    Flyway.configure()
        .dataSource(source)
        .locations("classpath:humble/store")
        .baselineOnMigrate(true)
        .baselineVersion("0")
        .load()
        .migrate();
    try (Statement statement = connection.createStatement()) {
      statement.execute("PRAGMA application_id = " + APPLICATION_ID);
      statement.execute("PRAGMA user_version = " + VERSION);
    }
  }
}
