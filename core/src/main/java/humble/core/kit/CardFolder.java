package humble.core.kit;

import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

/**
 * What lies on a memory card.
 *
 * @param id name within the kit
 * @param title what it is called
 * @param system the file system of the card
 * @param bytes how much the card holds, 0 where it does not matter
 * @param mostFiles most files that the program looks at, 0 for no limit
 * @param shortNames whether names have at most eight letters, a point and three
 * @param files what lies where
 * @param expect what is seen with the card in, in the author's words
 */
public record CardFolder(
    String id,
    String title,
    FileSystem system,
    long bytes,
    int mostFiles,
    boolean shortNames,
    List<Placed> files,
    String expect) {
  public CardFolder {
    files = List.copyOf(files);
  }

  /**
   * One file.
   *
   * @param from path relative to the kit
   * @param to path on the card, its parts with {@code /} between them
   */
  public record Placed(String from, String to) {}

  /** A file system of cards, with the most bytes that one file may have. */
  public enum FileSystem {
    FAT16(0x7fff_ffffL),
    FAT32(0xffff_ffffL),
    EXFAT(Long.MAX_VALUE);

    private final long mostBytes;

    FileSystem(long mostBytes) {
      this.mostBytes = mostBytes;
    }

    /** Gives the most bytes that one file may have. */
    public long mostBytes() {
      return mostBytes;
    }

    /** Gives the name used in kits. */
    public String text() {
      return name().toLowerCase(Locale.ROOT);
    }

    /** Gives the one of that name. */
    public static Optional<FileSystem> named(String name) {
      return Arrays.stream(values()).filter(each -> each.text().equals(name)).findFirst();
    }
  }
}
