package humble.formats;

import humble.core.words.ForeignText;
import java.io.IOException;
import java.nio.file.FileAlreadyExistsException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.nio.file.StandardOpenOption;
import java.util.UUID;

/** Writes files whole or not at all: beside their target, then moved into place. */
public final class WholeFile {
  private WholeFile() {}

  /**
   * Writes {@code bytes} to {@code file}, replacing it: only where a person has said so.
   *
   * @throws IOException when it cannot be written; the old file is then still there
   */
  public static void replace(Path file, byte[] bytes) throws IOException {
    write(file, bytes, true);
  }

  /**
   * Writes {@code bytes} to {@code file}, which must not be there yet.
   *
   * @throws FileAlreadyExistsException when something is there already
   * @throws IOException when it cannot be written
   */
  public static void create(Path file, byte[] bytes) throws IOException {
    write(file, bytes, false);
  }

  private static void write(Path file, byte[] bytes, boolean replacing) throws IOException {
    Path folder = file.toAbsolutePath().getParent();
    if (folder == null) {
      throw new IOException("'" + file + "' is no file name");
    }
    Files.createDirectories(folder);
    Path beside = folder.resolve(".humble-" + UUID.randomUUID() + ".part");
    try {
      Files.write(beside, bytes, StandardOpenOption.CREATE_NEW);
      if (replacing) {
        Files.move(beside, file, StandardCopyOption.REPLACE_EXISTING);
      } else {
        place(beside, file);
      }
    } finally {
      Files.deleteIfExists(beside);
    }
  }

  /** A hard link never replaces what is there; where there are none, look first. */
  private static void place(Path beside, Path file) throws IOException {
    try {
      Files.createLink(file, beside);
    } catch (UnsupportedOperationException e) {
      move(beside, file);
    } catch (FileAlreadyExistsException e) {
      throw e;
    } catch (IOException e) {
      move(beside, file);
    }
  }

  private static void move(Path beside, Path file) throws IOException {
    if (Files.exists(file)) {
      throw new FileAlreadyExistsException(file.toString());
    }
    Files.move(beside, file);
  }

  /**
   * Gives the file called {@code name} in {@code folder}, whatever a stranger wrote into the name:
   * what cannot stand in a file's name becomes {@code _}.
   *
   * @throws IOException when it would all the same lie elsewhere
   */
  public static Path within(Path folder, String name, String ending) throws IOException {
    Path inside = folder.toAbsolutePath().normalize();
    Path file = inside.resolve(ForeignText.fileName(name) + ending).normalize();
    if (!inside.equals(file.getParent())) {
      throw new IOException("'" + ForeignText.shown(name) + "' leads out of " + folder);
    }
    return file;
  }

  /** Gives {@code file}, or the first of {@code file-2}, {@code file-3}… that is not there. */
  public static Path unused(Path file) {
    String name = String.valueOf(file.getFileName());
    int dot = name.lastIndexOf('.');
    String stem = dot > 0 ? name.substring(0, dot) : name;
    String ending = dot > 0 ? name.substring(dot) : "";
    Path free = file;
    for (int i = 2; Files.exists(free, java.nio.file.LinkOption.NOFOLLOW_LINKS); i++) {
      free = file.resolveSibling(stem + "-" + i + ending);
    }
    return free;
  }
}
