package humble.bench.line;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;

/** Memory cards and sticks that are plugged in. */
public final class CardDrives {
  private static final List<String> WHERE = List.of("/media", "/run/media", "/mnt", "/Volumes");

  private CardDrives() {}

  /** Gives the folders at which they are mounted; drives of boards are left out. */
  public static List<Path> all() {
    return BoardDrive.mounted().stream()
        .filter(CardDrives::isCard)
        .filter(Files::isDirectory)
        .filter(Files::isWritable)
        .filter(each -> BoardDrive.at(each).isEmpty())
        .distinct()
        .sorted()
        .toList();
  }

  /** Where cards are mounted; on Windows every drive but the first hard disk. */
  private static boolean isCard(Path root) {
    String text = root.toString();
    return text.matches("[D-Zd-z]:\\\\?")
        || WHERE.stream().anyMatch(where -> text.startsWith(where + "/"));
  }
}
