package humble.cli;

import humble.formats.WholeFile;
import java.io.IOException;
import java.nio.file.FileAlreadyExistsException;
import java.nio.file.Path;

/** Writes the file that a command was asked for; what is there is replaced only when told so. */
final class Written {
  private Written() {}

  static void to(Path file, boolean force, byte[] bytes) throws IOException {
    if (force) {
      WholeFile.replace(file, bytes);
      return;
    }
    try {
      WholeFile.create(file, bytes);
    } catch (FileAlreadyExistsException e) {
      throw new BadInput(file + ": This is there already; --force replaces it.");
    }
  }
}
