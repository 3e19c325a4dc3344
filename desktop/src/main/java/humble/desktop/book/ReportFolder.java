package humble.desktop.book;

import humble.formats.WholeFile;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.InvalidPathException;
import java.nio.file.Path;

/** Where reports are written: beside the journal until another folder is chosen; remembered. */
final class ReportFolder {
  private static final int LONGEST = 4000;

  private final Path home;

  ReportFolder(Path home) {
    this.home = home;
  }

  private Path kept() {
    return home.resolve("reports-folder.txt");
  }

  /** Gives the folder; one that was chosen and is not there any more is none. */
  Path now() {
    try {
      if (Files.isRegularFile(kept()) && Files.size(kept()) < LONGEST) {
        Path chosen = Path.of(Files.readString(kept(), StandardCharsets.UTF_8).strip());
        if (Files.isDirectory(chosen)) {
          return chosen;
        }
      }
    } catch (IOException | InvalidPathException e) {
      // What cannot be read is as good as never chosen: the card says where it is written.
    }
    return own();
  }

  private Path own() {
    return home.resolve("reports");
  }

  /** Tells whether no other folder was chosen. */
  boolean isOwn() {
    return now().equals(own());
  }

  /** Remembers another folder. */
  void choose(Path folder) throws IOException {
    WholeFile.replace(kept(), folder.toAbsolutePath().toString().getBytes(StandardCharsets.UTF_8));
  }
}
