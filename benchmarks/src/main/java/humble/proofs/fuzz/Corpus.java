package humble.proofs.fuzz;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;

/** The inputs that mutation begins with; among them everything that once did harm, made small. */
final class Corpus {
  private Corpus() {}

  /** Gives the files of a reader, in the order of their names. */
  static List<Path> files(Path root, String reader) throws IOException {
    Path folder = root.resolve("corpus").resolve(reader);
    if (!Files.isDirectory(folder)) {
      return List.of();
    }
    try (Stream<Path> files = Files.list(folder)) {
      return files.filter(Files::isRegularFile).sorted().toList();
    }
  }

  /** Gives the bytes of the files of a reader. */
  static List<byte[]> bytes(Path root, String reader) throws IOException {
    List<byte[]> all = new ArrayList<>();
    for (Path file : files(root, reader)) {
      all.add(Files.readAllBytes(file));
    }
    return all;
  }
}
