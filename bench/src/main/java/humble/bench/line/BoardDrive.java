package humble.bench.line;

import humble.core.words.Phrase;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.nio.channels.FileChannel;
import java.nio.charset.StandardCharsets;
import java.nio.file.FileStore;
import java.nio.file.FileSystems;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.BooleanSupplier;
import java.util.function.DoubleConsumer;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * A drive that a board shows while it waits for a program: known by the file that says what it is.
 */
public final class BoardDrive {
  /** The file that such a drive has. */
  public static final String INFO = "INFO_UF2.TXT";

  private static final int MOST_INFO = 4096;
  private static final int PIECE = 1 << 14;
  private static final Pattern BOARD = Pattern.compile("(?m)^Board-ID:\\s*(\\S+)");

  private final Path folder;

  private BoardDrive(Path folder) {
    this.folder = folder;
  }

  /** Gives the drive at a folder; empty when no board shows it. */
  public static Optional<BoardDrive> at(Path folder) {
    return Files.isRegularFile(folder.resolve(INFO))
        ? Optional.of(new BoardDrive(folder))
        : Optional.empty();
  }

  /** Gives the drives of boards that are there now. */
  public static List<BoardDrive> all() {
    List<BoardDrive> drives = new ArrayList<>();
    for (Path root : mounted()) {
      at(root).ifPresent(drives::add);
    }
    return drives;
  }

  /** Gives where anything is mounted. */
  static List<Path> mounted() {
    List<Path> roots = new ArrayList<>();
    FileSystems.getDefault().getRootDirectories().forEach(roots::add);
    for (FileStore store : FileSystems.getDefault().getFileStores()) {
      // On Linux a store's text is its mount point and its device in brackets.
      String text = store.toString();
      int bracket = text.lastIndexOf(" (");
      if (bracket > 0 && text.startsWith("/")) {
        roots.add(Path.of(text.substring(0, bracket)));
      }
    }
    Path volumes = Path.of("/Volumes");
    if (Files.isDirectory(volumes)) {
      try (var each = Files.list(volumes)) {
        each.forEach(roots::add);
      } catch (IOException e) {
        // Then none is seen there.
        return roots;
      }
    }
    return roots;
  }

  /** Gives the folder. */
  public Path folder() {
    return folder;
  }

  /** Gives what the board calls itself; empty when it does not say. */
  public String board() {
    try (InputStream in = Files.newInputStream(folder.resolve(INFO))) {
      String text = new String(in.readNBytes(MOST_INFO), StandardCharsets.ISO_8859_1);
      Matcher board = BOARD.matcher(text);
      return board.find() ? board.group(1) : "";
    } catch (IOException e) {
      return "";
    }
  }

  /** How a copy ended. */
  public sealed interface Outcome {
    /**
     * All bytes were given to the drive.
     *
     * @param same whether the file reads back the same; empty when the drive went away, as one does
     *     that has taken its program
     */
    record Copied(long bytes, Optional<Boolean> same) implements Outcome {}

    /** It was cancelled; what was begun is taken away again. */
    record Cancelled(long bytes) implements Outcome {}

    /** It did not work. */
    record Failed(Phrase why, long bytes) implements Outcome {}
  }

  /** Copies {@code bytes} onto the drive as {@code name}, and reads them back where they stay. */
  public Outcome copy(
      String name, byte[] bytes, DoubleConsumer progress, BooleanSupplier cancelled) {
    Path file = folder.resolve(name);
    if (!folder.equals(file.getParent())) {
      return new Outcome.Failed(Phrase.of("drive.name", name), 0);
    }
    int at = 0;
    try {
      try (FileChannel channel =
              FileChannel.open(
                  file,
                  StandardOpenOption.CREATE,
                  StandardOpenOption.WRITE,
                  StandardOpenOption.TRUNCATE_EXISTING);
          OutputStream out = java.nio.channels.Channels.newOutputStream(channel)) {
        while (at < bytes.length && !cancelled.getAsBoolean()) {
          int length = Math.min(PIECE, bytes.length - at);
          out.write(bytes, at, length);
          at += length;
          progress.accept(at / (double) bytes.length);
        }
        if (at == bytes.length) {
          channel.force(true);
        }
      }
      if (at < bytes.length) {
        Files.deleteIfExists(file);
        return new Outcome.Cancelled(at);
      }
    } catch (IOException e) {
      leaveNothing(file);
      return failed(e, at, bytes.length);
    }
    return new Outcome.Copied(bytes.length, same(file, bytes));
  }

  /** A board that has what it wants ends its drive at once, sometimes before the last answer. */
  private Outcome failed(IOException e, int at, int all) {
    boolean there = Files.isRegularFile(folder.resolve(INFO));
    if (!there && at == all) {
      return new Outcome.Copied(all, Optional.empty());
    }
    String reason = String.valueOf(e.getMessage());
    boolean full = reason.contains("No space left") || reason.contains("not enough space");
    return new Outcome.Failed(
        !there
            ? Phrase.of("drive.gone", folder.toString())
            : full
                ? Phrase.of("drive.full", folder.toString())
                : Phrase.of("drive.refused", folder.toString(), reason),
        at);
  }

  /** What is there in part is no program. */
  private static void leaveNothing(Path file) {
    try {
      Files.deleteIfExists(file);
    } catch (IOException e) {
      // The drive is gone, and the part with it.
    }
  }

  private static Optional<Boolean> same(Path file, byte[] bytes) {
    try {
      return Files.size(file) == bytes.length
          ? Optional.of(java.util.Arrays.equals(Files.readAllBytes(file), bytes))
          : Optional.of(false);
    } catch (IOException e) {
      return Optional.empty();
    }
  }
}
