package humble.formats.settings;

import humble.core.beside.LibraryState;
import humble.core.circuit.Cancelled;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.file.FileVisitResult;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.SimpleFileVisitor;
import java.nio.file.attribute.BasicFileAttributes;
import java.util.TreeMap;
import java.util.function.BooleanSupplier;
import org.apache.commons.codec.digest.DigestUtils;

/** Takes the hash of every file of a library; links are not followed, hidden folders left out. */
public final class LibraryFolder {
  private static final int MOST_FILES = 20_000;
  private static final long MOST_BYTES = 500_000_000;

  private LibraryFolder() {}

  /**
   * Reads a folder.
   *
   * @throws IOException with one sentence
   */
  public static LibraryState read(Path folder, BooleanSupplier calledOff) throws IOException {
    if (!Files.isDirectory(folder)) {
      throw new IOException("A folder is expected here.");
    }
    TreeMap<String, String> files = new TreeMap<>();
    long[] bytes = {0};
    Path root = folder.toRealPath();
    try {
      Files.walkFileTree(
          root,
          new SimpleFileVisitor<>() {
            @Override
            public FileVisitResult preVisitDirectory(Path each, BasicFileAttributes attributes) {
              boolean hidden = !each.equals(root) && each.getFileName().toString().startsWith(".");
              return hidden ? FileVisitResult.SKIP_SUBTREE : FileVisitResult.CONTINUE;
            }

            @Override
            public FileVisitResult visitFile(Path file, BasicFileAttributes attributes)
                throws IOException {
              if (calledOff.getAsBoolean()) {
                throw new Cancelled();
              }
              if (attributes.isRegularFile()) {
                bytes[0] += attributes.size();
                if (files.size() >= MOST_FILES || bytes[0] > MOST_BYTES) {
                  throw new IOException("It is too large for one library.");
                }
                try (InputStream in = Files.newInputStream(file)) {
                  files.put(
                      root.relativize(file).toString().replace('\\', '/'),
                      DigestUtils.sha256Hex(in));
                }
              }
              return FileVisitResult.CONTINUE;
            }
          });
    } catch (UncheckedIOException e) {
      throw e.getCause();
    }
    if (files.isEmpty()) {
      throw new IOException("There is no file in it.");
    }
    return new LibraryState(files);
  }
}
