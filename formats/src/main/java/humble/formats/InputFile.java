package humble.formats;

import humble.core.budget.Budget;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.nio.file.AccessDeniedException;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;

/**
 * The bytes of a file that somebody named. A folder, a pipe or a device is refused before it is
 * opened, a file that is too large before it is read; one that grows meanwhile is not read on.
 */
public final class InputFile {
  private static final int PIECE = 1 << 16;

  private InputFile() {}

  /**
   * Reads a file.
   *
   * @param file the file; a link to one will do
   * @param most the most bytes it may hold
   * @param budget what its bytes come out of
   * @throws IOException with one sentence that names neither the file nor the program
   * @throws humble.core.budget.Spent when the budget has not so many bytes left
   */
  public static byte[] bytes(Path file, long most, Budget budget) throws IOException {
    long size = size(file);
    if (size > most) {
      throw new IOException(
          "The file has " + megabytes(size) + "; more than " + megabytes(most) + " is not read.");
    }
    budget.bytes(size);
    try (InputStream in = Files.newInputStream(file)) {
      return limited(in, size, most);
    } catch (AccessDeniedException e) {
      throw new IOException("The file may not be read by you.", e);
    }
  }

  /**
   * Reads a stream to its end.
   *
   * @param expected how many bytes it probably holds
   * @param most the most bytes it may hold
   * @throws IOException with one sentence, when it holds more
   */
  public static byte[] limited(InputStream in, long expected, long most) throws IOException {
    ByteArrayOutputStream out = new ByteArrayOutputStream((int) Math.clamp(expected, 0, 1 << 26));
    byte[] piece = new byte[PIECE];
    for (int n = in.read(piece); n >= 0; n = in.read(piece)) {
      if (out.size() + (long) n > most) {
        throw new IOException("It holds more than " + megabytes(most) + "; that is not read.");
      }
      out.write(piece, 0, n);
    }
    return out.toByteArray();
  }

  /**
   * Gives the size of a file that can be read like one.
   *
   * @throws IOException with one sentence, when it is none
   */
  public static long size(Path file) throws IOException {
    if (Files.isDirectory(file)) {
      throw new IOException("This is a folder; a file is expected here.");
    }
    try {
      if (Files.exists(file) && !Files.isRegularFile(file)) {
        throw new IOException("This is a pipe or a device; a file is expected here.");
      }
      return Files.size(file);
    } catch (NoSuchFileException e) {
      throw new IOException("The file does not exist.", e);
    } catch (AccessDeniedException e) {
      throw new IOException("The file may not be read by you.", e);
    }
  }

  /** Gives one sentence of why something could not be read. */
  public static String reason(IOException e) {
    String message = e.getMessage();
    return switch (e) {
      case NoSuchFileException missing -> "The file does not exist.";
      case AccessDeniedException denied -> "The file may not be read by you.";
      default ->
          message == null || message.isBlank()
              ? "It cannot be read."
              : message.endsWith(".") ? message : message + ".";
    };
  }

  private static String megabytes(long bytes) {
    return bytes < 1_000_000 ? bytes + " bytes" : bytes / 1_000_000 + " MB";
  }
}
