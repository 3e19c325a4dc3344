package humble.formats.kit;

import humble.core.kit.Kit;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.stream.Stream;

/** The demo kits of this project, for tests. */
public final class DemoKits {
  private DemoKits() {}

  /** Gives the root of the project. */
  public static Path root() {
    return Path.of(System.getProperty("humble.root", ".."));
  }

  /** Gives every demo kit's folder. */
  public static List<Path> all() {
    try (Stream<Path> folders = Files.list(root().resolve("kits"))) {
      return folders.filter(Files::isDirectory).sorted().toList();
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  /** Gives the badge. */
  public static Path glowmoth() {
    return root().resolve("kits/glowmoth");
  }

  /** Reads the badge. */
  public static Kit readGlowmoth() {
    return switch (KitFolder.at(glowmoth()).read()) {
      case KitRead.Opened opened -> opened.kit();
      case KitRead.Refused refused -> throw new AssertionError(refused.findings().toString());
    };
  }
}
