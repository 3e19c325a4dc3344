package humble.bench.line;

import humble.core.kit.CardFolder;
import humble.core.words.Phrase;
import java.io.IOException;
import java.nio.file.FileStore;
import java.nio.file.Files;
import java.nio.file.LinkOption;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.nio.file.StandardOpenOption;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import java.util.function.BooleanSupplier;
import java.util.function.DoubleConsumer;
import java.util.stream.Stream;

/**
 * Lays files on a card: each beside its place first, then moved into it and read back. It writes
 * nothing through a link and nothing outside of the card.
 */
public final class CardCopy {
  private final Path root;

  /** Makes it for a card at a folder. */
  public CardCopy(Path root) {
    this.root = root;
  }

  /** Gives the bytes of a file of the kit. */
  public interface Source {
    /** Reads a file. */
    byte[] bytes(String from) throws IOException;
  }

  /** How one file stands on the card. */
  public enum State {
    /** It was laid there and reads back the same. */
    COPIED,
    /** It lay there already, the same. */
    SAME,
    /** Another lies there, which is left as it is. */
    OTHER,
    /** It is not there. */
    MISSING,
    /** It cannot be there. */
    FAILED
  }

  /** One file, with a sentence where something is to be said of it. */
  public record Laid(CardFolder.Placed file, State state, Optional<Phrase> why) {}

  /** Looks what lies there, and changes nothing. */
  public List<Laid> look(CardFolder card, Source source, BooleanSupplier calledOff) {
    List<Laid> all = new ArrayList<>();
    for (CardFolder.Placed file : card.files()) {
      if (calledOff.getAsBoolean()) {
        break;
      }
      all.add(seen(file, source));
    }
    return all;
  }

  /**
   * Lays all files there; it stops when it is called off, and what is begun is taken away.
   *
   * @param replace whether another file that lies in a place is replaced
   */
  public List<Laid> copy(
      CardFolder card,
      Source source,
      boolean replace,
      DoubleConsumer progress,
      BooleanSupplier calledOff) {
    List<Laid> all = new ArrayList<>();
    for (int i = 0; i < card.files().size() && !calledOff.getAsBoolean(); i++) {
      CardFolder.Placed file = card.files().get(i);
      Laid seen = seen(file, source);
      boolean lay = seen.state() == State.MISSING || seen.state() == State.OTHER && replace;
      all.add(lay ? laid(file, source) : seen);
      progress.accept((i + 1.0) / card.files().size());
    }
    return all;
  }

  private Laid seen(CardFolder.Placed file, Source source) {
    try {
      Optional<Phrase> wrong = way(file.to());
      if (wrong.isPresent()) {
        return new Laid(file, State.FAILED, wrong);
      }
      Path at = at(file.to());
      if (!Files.exists(at, LinkOption.NOFOLLOW_LINKS)) {
        return new Laid(file, State.MISSING, Optional.empty());
      }
      if (!Files.isRegularFile(at, LinkOption.NOFOLLOW_LINKS)) {
        return new Laid(file, State.FAILED, Optional.of(Phrase.of("card.no-file", file.to())));
      }
      byte[] bytes = source.bytes(file.from());
      boolean same = Files.size(at) == bytes.length && Arrays.equals(Files.readAllBytes(at), bytes);
      return new Laid(file, same ? State.SAME : State.OTHER, Optional.empty());
    } catch (IOException e) {
      return failed(file, e);
    }
  }

  private Path at(String to) {
    Path path = root;
    for (String part : to.split("/")) {
      path = path.resolve(part);
    }
    return path;
  }

  /** Says what stands in the way of a path: a link, a file, a name in another case. */
  private Optional<Phrase> way(String to) throws IOException {
    Path path = root;
    for (String part : to.split("/", -1)) {
      boolean one = !part.isEmpty() && Path.of(part).getNameCount() == 1;
      if (!one || part.equals(".") || part.equals("..") || Path.of(part).isAbsolute()) {
        return Optional.of(Phrase.of("card.leaves", to));
      }
      if (Files.isDirectory(path)) {
        Optional<String> other = otherCase(path, part);
        if (other.isPresent()) {
          return Optional.of(Phrase.of("card.case", other.get(), part));
        }
      }
      path = path.resolve(part);
      if (Files.isSymbolicLink(path)) {
        return Optional.of(Phrase.of("card.link", to));
      }
    }
    return path.normalize().startsWith(root.normalize())
        ? Optional.empty()
        : Optional.of(Phrase.of("card.leaves", to));
  }

  private static Optional<String> otherCase(Path folder, String part) throws IOException {
    try (Stream<Path> names = Files.list(folder)) {
      return names
          .map(each -> String.valueOf(each.getFileName()))
          .filter(name -> name.equalsIgnoreCase(part) && !name.equals(part))
          .findFirst();
    }
  }

  private Laid laid(CardFolder.Placed file, Source source) {
    Path at = at(file.to());
    Path folder = at.getParent() == null ? root : at.getParent();
    Path beside = folder.resolve("~" + UUID.randomUUID().toString().substring(0, 7) + ".TMP");
    try {
      byte[] bytes = source.bytes(file.from());
      FileStore store = Files.getFileStore(root);
      if (store.getUsableSpace() < bytes.length) {
        return new Laid(file, State.FAILED, Optional.of(Phrase.of("card.full", root.toString())));
      }
      Files.createDirectories(folder);
      Files.write(beside, bytes, StandardOpenOption.CREATE_NEW, StandardOpenOption.SYNC);
      Files.move(beside, at, StandardCopyOption.REPLACE_EXISTING);
      return Arrays.equals(Files.readAllBytes(at), bytes)
          ? new Laid(file, State.COPIED, Optional.empty())
          : new Laid(file, State.FAILED, Optional.of(Phrase.of("card.differs", file.to())));
    } catch (IOException e) {
      return failed(file, e);
    } finally {
      clear(beside);
    }
  }

  private static void clear(Path beside) {
    try {
      Files.deleteIfExists(beside);
    } catch (IOException e) {
      // The card is gone, and the part with it.
    }
  }

  private Laid failed(CardFolder.Placed file, IOException e) {
    return new Laid(
        file,
        State.FAILED,
        Optional.of(
            Files.isDirectory(root)
                ? Phrase.of("card.refused", file.to(), String.valueOf(e.getMessage()))
                : Phrase.of("card.gone", root.toString())));
  }
}
