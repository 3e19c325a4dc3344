package humble.store;

import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;

/**
 * The journal of a bench's folder: {@code bench.db}; where that one cannot be used, the newest
 * usable one that was begun beside it ({@code bench-2.db} and so on).
 */
public final class BenchFile {
  /** The name of a bench's first journal. */
  public static final String NAME = "bench.db";

  private static final int MOST = 999;

  private BenchFile() {}

  /**
   * What was found.
   *
   * @param outcome the outcome of opening {@code file}
   * @param file the journal that is used
   * @param insteadOf why the first one is not, empty when it is the first one
   */
  public record Found(JournalOpen outcome, Path file, String insteadOf) {}

  /** Opens the journal in {@code home}, or makes it. */
  public static Found open(Path home, Clock clock) {
    Path first = home.resolve(NAME);
    JournalOpen outcome = Journal.open(first, clock);
    if (!(outcome instanceof JournalOpen.Refused refused)
        || refused.reason() == JournalOpen.Reason.NO_PLACE) {
      return new Found(outcome, first, "");
    }
    int last = 1;
    while (last < MOST && Files.exists(numbered(first, last + 1))) {
      last++;
    }
    for (int number = last; number > 1; number--) {
      Path beside = numbered(first, number);
      JournalOpen other = Journal.open(beside, clock);
      if (!(other instanceof JournalOpen.Refused)) {
        return new Found(other, beside, refused.why());
      }
    }
    return new Found(outcome, first, "");
  }

  /** Gives the first name beside {@code file} that nothing bears. */
  static Path free(Path file) {
    int number = 2;
    while (Files.exists(numbered(file, number))) {
      number++;
    }
    return numbered(file, number);
  }

  private static Path numbered(Path file, int number) {
    String name = String.valueOf(file.getFileName());
    int dot = name.lastIndexOf('.');
    String stem = dot > 0 ? name.substring(0, dot) : name;
    String ending = dot > 0 ? name.substring(dot) : "";
    return file.resolveSibling(stem + "-" + number + ending);
  }
}
