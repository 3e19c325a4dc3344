package humble.proofs;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Comparator;
import java.util.List;
import java.util.stream.Stream;

/** A folder that a proof needed and nobody wants any more. */
public final class Scratch {
  private Scratch() {}

  /** Deletes a folder with all that is in it. */
  public static void delete(Path folder) throws IOException {
    List<Path> all;
    try (Stream<Path> walk = Files.walk(folder)) {
      all = walk.sorted(Comparator.reverseOrder()).toList();
    }
    for (Path each : all) {
      Files.deleteIfExists(each);
    }
  }
}
