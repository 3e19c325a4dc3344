package humble.core.beside;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.SequencedMap;
import java.util.TreeMap;

/**
 * What a library was like: the SHA-256 of every file, by its path, in the order of the paths. Its
 * text is that of the usual checksum lists: the hash, two blanks, the path.
 *
 * @param files hashes by path
 */
public record LibraryState(SequencedMap<String, String> files) {
  private static final int HASH = 64;

  public LibraryState {
    files = new TreeMap<>(files);
  }

  /** What has changed. */
  public record Change(List<String> changed, List<String> added, List<String> removed) {
    /** Tells whether nothing has. */
    public boolean isNone() {
      return changed.isEmpty() && added.isEmpty() && removed.isEmpty();
    }
  }

  /** Gives what is otherwise now. */
  public Change since(LibraryState before) {
    List<String> changed = new ArrayList<>();
    List<String> added = new ArrayList<>();
    files.forEach((path, hash) -> {
      String was = before.files.get(path);
      if (was == null) {
        added.add(path);
      } else if (!was.equals(hash)) {
        changed.add(path);
      }
    });
    List<String> removed =
        before.files.keySet().stream().filter(path -> !files.containsKey(path)).toList();
    return new Change(changed, added, removed);
  }

  /** Writes it. */
  public String text() {
    StringBuilder text = new StringBuilder();
    files.forEach((path, hash) -> text.append(hash).append("  ").append(path).append('\n'));
    return text.toString();
  }

  /** What came of reading a text. */
  public sealed interface Read {
    /** It was read. */
    record Whole(LibraryState state) implements Read {}

    /** A line is none of such a list. */
    record Unreadable(int line) implements Read {}
  }

  /** Reads what {@link #text} wrote. */
  public static Read read(String text) {
    Map<String, String> files = new TreeMap<>();
    List<String> lines = text.lines().toList();
    for (int i = 0; i < lines.size(); i++) {
      Optional<String[]> line = line(lines.get(i));
      if (line.isEmpty()) {
        return new Read.Unreadable(i + 1);
      }
      files.put(line.get()[1], line.get()[0]);
    }
    return new Read.Whole(new LibraryState(new TreeMap<>(files)));
  }

  private static Optional<String[]> line(String line) {
    boolean so =
        line.length() > HASH + 2
            && line.substring(0, HASH).matches("[0-9A-Fa-f]+")
            && (line.startsWith("  ", HASH) || line.startsWith(" *", HASH));
    return so
        ? Optional.of(
            new String[] {
              line.substring(0, HASH).toLowerCase(Locale.ROOT), line.substring(HASH + 2)
            })
        : Optional.empty();
  }
}
