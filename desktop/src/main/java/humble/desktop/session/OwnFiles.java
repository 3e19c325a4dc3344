package humble.desktop.session;

import humble.formats.InputFile;
import humble.formats.ReadingBudget;
import humble.formats.WholeFile;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Optional;

/** The maker's own files of a build, in the folder of the bench. */
public final class OwnFiles {
  private static final long MOST_BYTES = 64L << 20;

  private final OpenBuild open;
  private final Path home;

  /**
   * Makes them.
   *
   * @param home folder of the bench
   */
  public OwnFiles(OpenBuild open, Path home) {
    this.open = open;
    this.home = home;
  }

  /** Gives where a file is, whatever a stranger wrote into its name. */
  public Path at(String name) throws IOException {
    return WholeFile.within(
        WholeFile.within(home.resolve("settings"), open.build().id(), ""), name, "");
  }

  /** Gives where the maker finds it, from the folder of the bench. */
  public String shown(String name) {
    try {
      return home.relativize(at(name)).toString().replace('\\', '/');
    } catch (IOException e) {
      return name;
    }
  }

  /** Gives what is in a file; empty where it is not there. */
  public Optional<String> text(String name) throws IOException {
    Path file = at(name);
    return Files.exists(file)
        ? Optional.of(
            new String(
                InputFile.bytes(file, MOST_BYTES, ReadingBudget.usual()), StandardCharsets.UTF_8))
        : Optional.empty();
  }

  /** Gives the bytes of a file: the maker's own copy where there is one, else the kit's. */
  public byte[] bytes(String name) throws IOException {
    Path file = at(name);
    return Files.exists(file)
        ? InputFile.bytes(file, MOST_BYTES, ReadingBudget.usual())
        : open.folder().bytes(name);
  }

  /** Writes a file whole or not at all. */
  public void write(String name, byte[] bytes) throws IOException {
    WholeFile.replace(at(name), bytes);
  }

  /** Writes a text whole or not at all. */
  public void write(String name, String text) throws IOException {
    write(name, text.getBytes(StandardCharsets.UTF_8));
  }

  /** Gives the folder that stands for a card on the practice bench. */
  public Path practiceCard(String id) throws IOException {
    return Files.createDirectories(at("practice-card-" + id));
  }
}
