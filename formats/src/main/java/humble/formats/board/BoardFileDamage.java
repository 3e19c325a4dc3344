package humble.formats.board;

import humble.core.kit.Finding;
import java.io.IOException;

/** A board file that cannot be read; the message names file and line. */
public final class BoardFileDamage extends IOException {
  private static final long serialVersionUID = 1L;

  /** What a stranger wrote may be quoted in it, but not at any length. */
  private static final int LONGEST = 300;

  private final String where;
  private final String what;
  private final boolean unitless;

  BoardFileDamage(String file, int line, String what) {
    this(file, line, what, false);
  }

  /**
   * Makes it.
   *
   * @param unitless whether all that it lacks is the unit of its lengths
   */
  BoardFileDamage(String file, int line, String what, boolean unitless) {
    super(file + " line " + line + ": " + shortened(what));
    this.where = file + " line " + line;
    this.what = shortened(what);
    this.unitless = unitless;
  }

  /** Tells whether all that the file lacks is the unit of its lengths. */
  boolean isUnitless() {
    return unitless;
  }

  private static String shortened(String what) {
    return what.length() > LONGEST ? what.substring(0, LONGEST) + "…" : what;
  }

  /** Gives it as a warning about a kit, with the file and the line as its place. */
  Finding warning() {
    return Finding.warning(where, what);
  }

  /** Gives it as an error of the file itself. */
  Finding error() {
    return Finding.error(where, what);
  }
}
