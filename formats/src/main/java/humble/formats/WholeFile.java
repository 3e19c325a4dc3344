package humble.formats;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.nio.file.StandardOpenOption;
import java.util.UUID;

/** Writes files whole or not at all: beside their target, then moved into place. */
public final class WholeFile {
  private WholeFile() {}

  /**
   * Writes {@code bytes} to {@code file}, replacing it.
   *
   * @throws IOException when it cannot be written; the old file is then still there
   */
  public static void write(Path file, byte[] bytes) throws IOException {
    Path folder = file.toAbsolutePath().getParent();
    if (folder == null) {
      throw new IOException("'" + file + "' is no file name");
    }
    Files.createDirectories(folder);
    Path beside = folder.resolve(".humble-" + UUID.randomUUID() + ".part");
    try {
      Files.write(beside, bytes, StandardOpenOption.CREATE_NEW);
      Files.move(beside, file, StandardCopyOption.REPLACE_EXISTING);
    } finally {
      Files.deleteIfExists(beside);
    }
  }
}
