package humble.store;

import java.io.IOException;
import java.nio.channels.FileChannel;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.nio.file.StandardOpenOption;
import java.sql.Connection;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.YearMonth;
import java.time.ZoneOffset;
import java.time.format.DateTimeFormatter;
import java.time.format.DateTimeParseException;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import org.sqlite.SQLiteConnection;
import org.sqlite.SQLiteErrorCode;

/**
 * Rolling copies of a journal, made by the database's own backup into the folder {@code backups}
 * beside it: one after each evening, of which the last ten are kept, and the last one of every
 * month. A copy counts only when its chain has been proved, and none is made of a damaged journal.
 */
public final class Copies {
  /** So many of the newest copies are kept. */
  public static final int NEWEST_KEPT = 10;

  /** When nothing was written for so long the evening is over. */
  private static final Duration EVENING_OVER = Duration.ofHours(4);

  private static final DateTimeFormatter STAMP =
      DateTimeFormatter.ofPattern("yyyyMMdd'T'HHmmss'Z'").withZone(ZoneOffset.UTC);
  private static final int OK = 0;
  private static final int RESTORE_PATIENCE_MS = 1_500;

  private final Path journal;
  private final String stem;

  private Copies(Path journal) {
    this.journal = journal;
    String name = String.valueOf(journal.getFileName());
    this.stem = (name.endsWith(".db") ? name.substring(0, name.length() - 3) : name) + "-at-";
  }

  /** Gives the copies of the journal in {@code file}. */
  public static Copies of(Path file) {
    return new Copies(file.toAbsolutePath());
  }

  /**
   * One copy.
   *
   * @param file the file
   * @param at when the last entry in it was written
   */
  public record Copy(Path file, Instant at) {}

  /** Gives the folder the copies lie in. */
  public Path folder() {
    return journal.resolveSibling("backups");
  }

  /** Gives the copies, the newest first. */
  public List<Copy> all() {
    if (!Files.isDirectory(folder())) {
      return List.of();
    }
    try (Stream<Path> files = Files.list(folder())) {
      return files
          .flatMap(file -> copy(file).stream())
          .sorted(Comparator.comparing(Copy::at).reversed())
          .toList();
    } catch (IOException e) {
      // A folder that cannot be listed has no copy to offer.
      return List.of();
    }
  }

  private Optional<Copy> copy(Path file) {
    String name = String.valueOf(file.getFileName());
    if (!name.startsWith(stem) || !name.endsWith(".db")) {
      return Optional.empty();
    }
    try {
      String stamp = name.substring(stem.length(), name.length() - 3);
      return Optional.of(new Copy(file, Instant.from(STAMP.parse(stamp))));
    } catch (DateTimeParseException e) {
      // Somebody else's file.
      return Optional.empty();
    }
  }

  /** Tells whether the last evening has no copy yet, and is over. */
  public boolean isDue(Journal open, Clock clock) {
    Instant last = open.lastAt();
    return isNewer(last) && last.plus(EVENING_OVER).isBefore(clock.instant());
  }

  private boolean isNewer(Instant last) {
    return !last.equals(Instant.EPOCH)
        && all().stream()
            .findFirst()
            .map(copy -> copy.at().getEpochSecond() < last.getEpochSecond())
            .orElse(true);
  }

  /**
   * Makes a copy, unless the newest one holds the same; then lets go of the oldest ones.
   *
   * @return the copy, empty when none was needed
   * @throws IOException with one sentence, when it could not be made; the older copies are then all
   *     still there
   */
  public Optional<Copy> make(Journal open) throws IOException {
    if (open.isUndecided() || !isNewer(open.lastAt())) {
      return Optional.empty();
    }
    Instant at = open.lastAt();
    Path file = folder().resolve(stem + STAMP.format(at) + ".db");
    Files.createDirectories(folder());
    Path part = Files.createTempFile(folder(), ".copy-", ".part");
    try {
      int code =
          open.with(connection ->
              connection
                  .unwrap(SQLiteConnection.class)
                  .getDatabase()
                  .backup("main", part.toString(), null));
      if (code != OK) {
        throw new IOException("the database answered " + code);
      }
      prove(part);
      sync(part);
      Files.move(part, file, StandardCopyOption.ATOMIC_MOVE);
    } catch (SQLException e) {
      throw new IOException(Failure.firstLine(e), e);
    } finally {
      delete(part);
    }
    thinOut();
    return Optional.of(new Copy(file, at));
  }

  /** Proves the chain of a copy. */
  private static void prove(Path copy) throws IOException {
    try (Connection connection = Database.openToRead(copy)) {
      List<Damage> damage = Proof.of(connection).damage();
      if (!damage.isEmpty()) {
        throw new IOException("the copy is damaged: " + damage.getFirst().text());
      }
    } catch (SQLException e) {
      throw new IOException(Failure.firstLine(e), e);
    }
  }

  /**
   * Gives the number of builds in a copy.
   *
   * @throws IOException with one sentence, when it cannot be read or is damaged
   */
  public static long builds(Path copy) throws IOException {
    try (Connection connection = Database.openToRead(copy)) {
      Proof.Found found = Proof.of(connection);
      if (!found.damage().isEmpty()) {
        throw new IOException("the copy is damaged: " + found.damage().getFirst().text());
      }
      return found.rows().stream().map(StoredEvent::buildText).distinct().count();
    } catch (SQLException e) {
      throw new IOException(Failure.firstLine(e), e);
    }
  }

  private static void sync(Path file) throws IOException {
    try (FileChannel channel = FileChannel.open(file, StandardOpenOption.WRITE)) {
      channel.force(true);
    }
  }

  private void thinOut() throws IOException {
    List<Copy> all = all();
    Set<YearMonth> months = new HashSet<>();
    for (int i = 0; i < all.size(); i++) {
      boolean lastOfMonth = months.add(YearMonth.from(all.get(i).at().atZone(ZoneOffset.UTC)));
      if (i >= NEWEST_KEPT && !lastOfMonth) {
        delete(all.get(i).file());
      }
    }
  }

  private static void delete(Path file) throws IOException {
    for (String ending : List.of("", "-wal", "-shm", "-journal")) {
      Files.deleteIfExists(file.resolveSibling(file.getFileName() + ending));
    }
  }

  /**
   * Puts a copy in the place of the journal. What was there is kept beside it under another name.
   * The journal must be closed here; another window that has it open goes on with what was put
   * there.
   *
   * @param copy a copy, here or anywhere else
   * @return where the journal that was there is now, empty when there was none
   * @throws IOException with one sentence, when it could not be done; the journal is then as it was
   */
  public Optional<Path> restore(Path copy) throws IOException {
    if (!Files.isRegularFile(copy)) {
      throw new IOException("There is no copy at " + copy + ".");
    }
    prove(copy);
    Optional<Path> kept = keepAside();
    int code;
    try (Connection connection = Database.open(journal, RESTORE_PATIENCE_MS)) {
      notWritten(connection);
      code =
          connection
              .unwrap(SQLiteConnection.class)
              .getDatabase()
              .restore("main", copy.toAbsolutePath().toString(), null);
      if (code == OK && !tip(connection).equals(tipOf(copy))) {
        // The library gives up on a busy file without a word.
        code = SQLiteErrorCode.SQLITE_BUSY.code;
      }
    } catch (SQLException e) {
      code = Failure.primary(e);
    }
    if (code == SQLiteErrorCode.SQLITE_NOTADB.code || code == SQLiteErrorCode.SQLITE_CORRUPT.code) {
      inPlaceOf(copy);
    } else if (code != OK) {
      // Never put beside a window that has the file open: it would write on into the old one.
      throw new IOException(
          code == SQLiteErrorCode.SQLITE_BUSY.code || code == SQLiteErrorCode.SQLITE_LOCKED.code
              ? "Another window is writing just now; try again."
              : "The database answered " + code + ".");
    }
    return kept;
  }

  /** Sees that nobody is writing now. */
  private static void notWritten(Connection connection) throws SQLException {
    try (Statement statement = connection.createStatement()) {
      statement.execute("BEGIN IMMEDIATE");
      statement.execute("ROLLBACK");
    }
  }

  private static String tipOf(Path copy) throws SQLException {
    try (Connection connection = Database.openToRead(copy)) {
      return tip(connection);
    }
  }

  private static String tip(Connection connection) throws SQLException {
    try (Statement statement = connection.createStatement();
        ResultSet result = statement.executeQuery("SELECT number, hex(chain) FROM tip")) {
      return result.next() ? result.getLong(1) + " " + result.getString(2) : "";
    }
  }

  /** Where the file is no database any more there is nothing to write into. */
  private void inPlaceOf(Path copy) throws IOException {
    Path part = Files.createTempFile(journal.toAbsolutePath().getParent(), ".restore-", ".part");
    try {
      Files.copy(copy, part, StandardCopyOption.REPLACE_EXISTING);
      sync(part);
      for (String ending : List.of("-wal", "-shm", "-journal")) {
        Files.deleteIfExists(journal.resolveSibling(journal.getFileName() + ending));
      }
      Files.move(
          part, journal, StandardCopyOption.ATOMIC_MOVE, StandardCopyOption.REPLACE_EXISTING);
    } finally {
      Files.deleteIfExists(part);
    }
  }

  /** Keeps the journal's files as their bytes are, under a name that is free. */
  private Optional<Path> keepAside() throws IOException {
    if (!Files.exists(journal)) {
      return Optional.empty();
    }
    List<String> endings = new ArrayList<>(List.of("", "-wal"));
    String name = String.valueOf(journal.getFileName());
    int number = 1;
    while (Files.exists(journal.resolveSibling(name + ".aside-" + number))) {
      number++;
    }
    Path aside = journal.resolveSibling(name + ".aside-" + number);
    for (String ending : endings) {
      Path from = journal.resolveSibling(name + ending);
      if (Files.exists(from)) {
        Files.copy(from, journal.resolveSibling(aside.getFileName() + ending));
      }
    }
    return Optional.of(aside);
  }
}
