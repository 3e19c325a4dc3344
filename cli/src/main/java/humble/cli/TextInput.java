package humble.cli;

import humble.formats.InputFile;
import humble.formats.ReadingBudget;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;

/** Small text files that a command is given. */
final class TextInput {
  private static final long MOST_BYTES = 16L << 20;

  private TextInput() {}

  /** Gives the text of a file, without a byte-order mark. */
  static String text(Path file) throws IOException {
    byte[] bytes = InputFile.bytes(file, MOST_BYTES, ReadingBudget.usual());
    String text = new String(bytes, StandardCharsets.UTF_8);
    return text.startsWith("\ufeff") ? text.substring(1) : text;
  }

  /** Gives the text of a file; one that cannot be read is bad input. */
  static String needed(Path file) {
    try {
      return text(file);
    } catch (IOException e) {
      throw new BadInput(file + ": " + InputFile.reason(e));
    }
  }
}
