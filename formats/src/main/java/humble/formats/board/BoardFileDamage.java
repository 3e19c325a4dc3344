package humble.formats.board;

import humble.core.kit.Finding;
import java.io.IOException;

/** A board file that cannot be read; the message names file and line. */
public final class BoardFileDamage extends IOException {
  private static final long serialVersionUID = 1L;

  BoardFileDamage(String file, int line, String what) {
    super(file + " line " + line + ": " + what);
  }

  /** Gives it as a warning about a kit, with the file and the line as its place. */
  Finding warning() {
    String message = String.valueOf(getMessage());
    int colon = message.indexOf(": ");
    return Finding.warning(message.substring(0, colon), message.substring(colon + 2));
  }
}
