package humble.formats.board;

import java.io.IOException;

/** A board file that cannot be read; the message names file and line. */
public final class BoardFileDamage extends IOException {
  private static final long serialVersionUID = 1L;

  BoardFileDamage(String file, int line, String what) {
    super(file + " line " + line + ": " + what);
  }
}
