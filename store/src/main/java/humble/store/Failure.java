package humble.store;

import java.sql.SQLException;
import org.sqlite.SQLiteErrorCode;

/** Tells what a failure of the database means for whoever wanted to write. */
final class Failure {
  private static final int PRIMARY = 0xff;

  private Failure() {}

  static NotWritten.Why why(SQLException e) {
    int code = e.getErrorCode() & PRIMARY;
    if (code == SQLiteErrorCode.SQLITE_FULL.code) {
      return NotWritten.Why.FULL;
    }
    if (code == SQLiteErrorCode.SQLITE_BUSY.code || code == SQLiteErrorCode.SQLITE_LOCKED.code) {
      return NotWritten.Why.BUSY;
    }
    return isForbidden(e) ? NotWritten.Why.FORBIDDEN : NotWritten.Why.FAILED;
  }

  /** Tells whether the file or its folder may not be written. */
  static boolean isForbidden(SQLException e) {
    int code = e.getErrorCode() & PRIMARY;
    return code == SQLiteErrorCode.SQLITE_READONLY.code
        || code == SQLiteErrorCode.SQLITE_CANTOPEN.code
        || code == SQLiteErrorCode.SQLITE_PERM.code;
  }

  /** Gives the primary code of a failure. */
  static int primary(SQLException e) {
    return e.getErrorCode() & PRIMARY;
  }

  /** Tells whether the pages of the file are damaged. */
  static boolean isCorrupt(SQLException e) {
    return (e.getErrorCode() & PRIMARY) == SQLiteErrorCode.SQLITE_CORRUPT.code;
  }

  /** Tells whether trying again in a moment may help. */
  static boolean isBusy(SQLException e) {
    return why(e) == NotWritten.Why.BUSY;
  }

  static String firstLine(Exception e) {
    return String.valueOf(e.getMessage()).lines().findFirst().orElse("");
  }
}
