package humble.desktop.session;

import humble.core.build.Build;
import humble.core.build.BuildEvent;
import humble.core.kit.Finding;
import humble.core.kit.Kit;
import humble.formats.kit.KitFolder;
import humble.formats.kit.KitRead;
import humble.formats.kit.KitWriter;
import humble.store.Journal;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.Executor;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;

/** The bench: its journal, its kits, and the build that lies on it. */
public final class Session {
  private final Journal journal;
  private final Path home;
  private final List<Path> kitPaths;
  private final Executor background;
  private final Executor later;
  private Runnable changed = () -> {};
  private @Nullable OpenBuild open;

  /**
   * Makes a session.
   *
   * @param journal the journal
   * @param home folder of this bench
   * @param kitPaths kits on the shelf
   * @param background runs what takes a moment
   * @param later runs something on the interface thread
   */
  public Session(
      Journal journal, Path home, List<Path> kitPaths, Executor background, Executor later) {
    this.journal = journal;
    this.home = home;
    this.kitPaths = new ArrayList<>(kitPaths);
    ownKits().forEach(this::addToShelf);
    this.background = background;
    this.later = later;
  }

  /** Gives the kits that were brought in at this bench, in the order of their names. */
  private List<Path> ownKits() {
    Path kits = home.resolve("kits");
    if (!Files.isDirectory(kits)) {
      return List.of();
    }
    try (Stream<Path> folders = Files.list(kits)) {
      return folders.filter(kit -> Files.exists(kit.resolve("kit.json"))).sorted().toList();
    } catch (IOException e) {
      // A folder that cannot be listed offers nothing; the kits given by name are still there.
      return List.of();
    }
  }

  /**
   * Keeps a kit that was brought in, beside the bench's journal, and puts it on the shelf.
   *
   * @return where it is
   * @throws IOException with one sentence, when it cannot be written
   */
  public Path keep(Kit kit) throws IOException {
    Path folder = home.resolve("kits").resolve(kit.id());
    for (int i = 2; Files.exists(folder); i++) {
      folder = home.resolve("kits").resolve(kit.id() + "-" + i);
    }
    KitWriter.write(folder, KitWriter.text(kit), Map.of(), false);
    addToShelf(folder);
    return folder;
  }

  /** Something on the shelf: a build begun, or a kit that can be begun. */
  public sealed interface OnShelf {
    /** A build, with what is on its board already. */
    record Begun(Build build, Kit kit) implements OnShelf {}

    /** A kit. */
    record Fresh(Path path, Kit kit) implements OnShelf {}

    /** A kit that cannot be opened, with what stands against it. */
    record Broken(Path path, List<String> problems) implements OnShelf {
      public Broken {
        problems = List.copyOf(problems);
      }
    }
  }

  /** Gives the shelf: builds first, the last worked on at the front, then kits. */
  public List<OnShelf> shelf() {
    List<OnShelf> shelf = new ArrayList<>();
    for (String id : journal.builds()) {
      Build build = journal.build(id);
      build.began().ifPresent(began -> shelf.add(begun(build, Path.of(began.kitPath()))));
    }
    kitPaths.forEach(path -> shelf.add(fresh(path)));
    return shelf;
  }

  private static OnShelf fresh(Path path) {
    return switch (KitFolder.at(path).read()) {
      case KitRead.Opened opened -> new OnShelf.Fresh(path, opened.kit());
      case KitRead.Refused refused -> broken(path, refused);
    };
  }

  private static OnShelf begun(Build build, Path path) {
    return switch (KitFolder.at(path).read()) {
      case KitRead.Opened opened -> new OnShelf.Begun(build, opened.kit());
      case KitRead.Refused refused -> broken(path, refused);
    };
  }

  private static OnShelf.Broken broken(Path path, KitRead.Refused refused) {
    return new OnShelf.Broken(
        path, refused.findings().stream().filter(Finding::isError).map(Finding::toString).toList());
  }

  /**
   * Lays what stands on the shelf onto the bench; a fresh kit begins a build. A broken one changes
   * nothing.
   */
  public void lay(OnShelf item) {
    switch (item) {
      case OnShelf.Begun begun -> open(begun.build(), begun.kit(), kitPath(begun.build()));
      case OnShelf.Fresh fresh -> begin(fresh);
      case OnShelf.Broken broken -> {}
    }
  }

  private static Path kitPath(Build build) {
    return Path.of(build.began().map(BuildEvent.Began::kitPath).orElse("."));
  }

  private void begin(OnShelf.Fresh fresh) {
    String id = freeId(fresh.kit().id());
    long seed = 7919L * (id.hashCode() & 0xffff) + 13;
    BuildEvent.Began began =
        new BuildEvent.Began(
            fresh.kit().name(), fresh.kit().id(), fresh.path().toAbsolutePath().toString(), seed);
    Optional<Build> last = journal.builds().stream().findFirst().map(journal::build);
    journal.append(id, began);
    // Lamp, eyes and meter are the bench's: what was said for the last build holds for this one.
    last.flatMap(Build::sees).ifPresent(sees -> journal.append(id, sees));
    last.flatMap(Build::meter)
        .ifPresent(meter -> journal.append(id, new BuildEvent.UsesMeter(meter)));
    open(journal.build(id), fresh.kit(), fresh.path());
  }

  private String freeId(String kit) {
    List<String> taken = journal.builds();
    int number = 1;
    while (taken.contains(String.format(Locale.ROOT, "%s-%d", kit, number))) {
      number++;
    }
    return String.format(Locale.ROOT, "%s-%d", kit, number);
  }

  private void open(Build build, Kit kit, Path path) {
    open().ifPresent(OpenBuild::close);
    KitFolder folder = KitFolder.at(path);
    open =
        new OpenBuild(
            journal,
            folder,
            folder.withMarks(kit),
            build,
            new PaceOfBench(journal.file()),
            new HabitsOfBench(journal.file()),
            background,
            later,
            () -> changed.run());
  }

  /** Lays the build last worked on onto the bench, when there is one that can be opened. */
  public void layLast() {
    List<String> ids = journal.builds();
    if (!ids.isEmpty()) {
      Build build = journal.build(ids.getFirst());
      build.began().map(began -> begun(build, Path.of(began.kitPath()))).ifPresent(this::lay);
    }
  }

  /**
   * Lays a kit onto the bench: the build of it last worked on, or a new one. A kit that cannot be
   * read is put on the shelf with its problems and changes nothing.
   */
  public void layKit(Path path) {
    Path kit = path.toAbsolutePath().normalize();
    addToShelf(kit);
    for (String id : journal.builds()) {
      Build build = journal.build(id);
      if (build.began().map(b -> Path.of(b.kitPath()).equals(kit)).orElse(false)) {
        lay(begun(build, kit));
        return;
      }
    }
    lay(fresh(kit));
  }

  /** Puts a kit on the shelf, unless it stands there. */
  public void addToShelf(Path path) {
    Path kit = path.toAbsolutePath().normalize();
    if (kitPaths.stream().noneMatch(each -> each.toAbsolutePath().normalize().equals(kit))) {
      kitPaths.add(kit);
    }
  }

  /** Gives the build on the bench. */
  public Optional<OpenBuild> open() {
    return Optional.ofNullable(open);
  }

  /** Sets what runs when something computed in the background has arrived. */
  public void whenChanged(Runnable run) {
    changed = run;
  }

  /** Gives the folder of this bench. */
  public Path home() {
    return home;
  }

  /** Closes the journal. */
  public void close() {
    open().ifPresent(OpenBuild::close);
    journal.close();
  }
}
