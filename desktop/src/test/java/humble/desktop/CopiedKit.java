package humble.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;

/** A demo kit in a folder of its own, with some of its words changed. */
final class CopiedKit {
  private CopiedKit() {}

  /**
   * Copies a kit.
   *
   * @param changes what stands in its file and what comes in its place, in pairs
   */
  static Path of(Path home, String name, String... changes) throws IOException {
    Path from = BenchInTest.root().resolve("kits").resolve(name);
    Path to = Files.createDirectories(home.resolve(name));
    try (var files = Files.list(from)) {
      for (Path file : files.filter(Files::isRegularFile).toList()) {
        Files.copy(file, to.resolve(file.getFileName()));
      }
    }
    String text = Files.readString(to.resolve("kit.json"));
    for (int i = 0; i < changes.length; i += 2) {
      assertThat(text).contains(changes[i]);
      text = text.replace(changes[i], changes[i + 1]);
    }
    Files.writeString(to.resolve("kit.json"), text);
    return to;
  }
}
