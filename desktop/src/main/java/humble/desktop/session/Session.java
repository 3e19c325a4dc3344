package humble.desktop.session;

import humble.core.build.Build;
import humble.core.build.BuildEvent;
import humble.core.build.KitChange;
import humble.core.intake.ChipLibrary;
import humble.core.kit.Finding;
import humble.core.kit.Kit;
import humble.core.own.Follows;
import humble.core.practice.Answered;
import humble.core.words.ForeignText;
import humble.formats.InputFile;
import humble.formats.ReadingBudget;
import humble.formats.WholeFile;
import humble.formats.kit.BuildArchive;
import humble.formats.kit.EditWriter;
import humble.formats.kit.KitFolder;
import humble.formats.kit.KitRead;
import humble.formats.kit.KitWriter;
import humble.store.Copies;
import humble.store.Journal;
import humble.store.JournalDamage;
import humble.store.JournalLines;
import humble.store.JournalOpen;
import humble.store.NotWritten;
import humble.store.log.FaultLog;
import java.io.IOException;
import java.io.StringReader;
import java.io.StringWriter;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.InvalidPathException;
import java.nio.file.Path;
import java.time.Clock;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.Executor;
import java.util.function.Supplier;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;

/** The bench: its journal, its kits, and the build that lies on it. */
public final class Session {
  private final Path home;
  private final List<Path> kitPaths;
  private final Executor background;
  private final Executor later;
  private final FaultLog log;
  private final Links links = new Links();
  private Journal journal;
  private Bench.Patience patience = Bench.ON_THE_SPOT;
  private Bench.Carefully carefully = Runnable::run;
  private Runnable changed = () -> {};
  private String notice = "";
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
    this.log = new FaultLog(home);
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
    } catch (IOException | UncheckedIOException e) {
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
    return keep(kit, Map.of());
  }

  /**
   * Keeps a kit that was brought in, with its files, and puts it on the shelf.
   *
   * @param files files by their place in the kit
   * @return where it is
   * @throws IOException with one sentence, when it cannot be written
   */
  public Path keep(Kit kit, Map<String, Path> files) throws IOException {
    Path folder = WholeFile.unused(WholeFile.within(home.resolve("kits"), kit.id(), ""));
    KitWriter.write(folder, KitWriter.text(kit), files, false);
    addToShelf(folder);
    return folder;
  }

  /** Something on the shelf: a build begun, or a kit that can be begun. */
  public sealed interface OnShelf {
    /** A build, with what is on its board already. */
    record Begun(Build build, Kit kit) implements OnShelf {}

    /** A kit. */
    record Fresh(Path path, Kit kit) implements OnShelf {}

    /** A kit, or the build of one, that cannot be opened, with what stands against it. */
    record Broken(String name, List<String> problems) implements OnShelf {
      public Broken {
        problems = List.copyOf(problems);
      }
    }
  }

  /**
   * Gives the shelf: builds first, the last worked on at the front, then kits. What cannot be read
   * stands there as such.
   */
  public List<OnShelf> shelf() {
    List<OnShelf> shelf = new ArrayList<>();
    for (String id : journal.builds()) {
      read(id, () -> begun(journal.build(id))).ifPresent(shelf::add);
    }
    for (Path path : kitPaths) {
      read(String.valueOf(path.getFileName()), () -> Optional.of(fresh(path)))
          .ifPresent(shelf::add);
    }
    return shelf;
  }

  /** One thing that cannot be read must not take the others along. */
  private Optional<OnShelf> read(String name, Supplier<Optional<OnShelf>> reading) {
    try {
      return reading.get();
    } catch (RuntimeException | StackOverflowError e) {
      return Optional.of(
          new OnShelf.Broken(name, List.of(told("'" + name + "' could not be read", e))));
    }
  }

  /** Writes a fault of the program down and gives one sentence for people. */
  public String told(String what, Throwable fault) {
    log.fault(what, fault);
    return what + ": " + fault.getClass().getSimpleName() + ". It stands in " + log.file() + ".";
  }

  /** Gives the log of what went wrong in the program itself. */
  public FaultLog log() {
    return log;
  }

  private OnShelf fresh(Path path) {
    return switch (KitFolder.at(path).read()) {
      case KitRead.Opened opened -> new OnShelf.Fresh(path, opened.kit());
      case KitRead.Refused refused -> broken(String.valueOf(path.getFileName()), refused);
    };
  }

  /** A build whose beginning cannot be read is no less of a build: it is named by its id. */
  private Optional<OnShelf> begun(Build build) {
    BuildEvent.Began began = build.began().orElse(null);
    if (began == null) {
      boolean hurt = build.entries().stream().anyMatch(e -> e.event() instanceof BuildEvent.Unread);
      return hurt
          ? Optional.of(new OnShelf.Broken(build.id(), List.of("Its first entry cannot be read.")))
          : Optional.empty();
    }
    return Optional.of(begun(build, began));
  }

  private OnShelf begun(Build build, BuildEvent.Began began) {
    try {
      return switch (KitFolder.at(Path.of(began.kitPath()))
          .with(build.kitChanges())
          .besides(photos())
          .read()) {
        case KitRead.Opened opened -> new OnShelf.Begun(build, opened.kit());
        case KitRead.Refused refused -> broken(began.name(), refused);
      };
    } catch (InvalidPathException e) {
      return new OnShelf.Broken(
          began.name(),
          List.of("'" + ForeignText.shown(began.kitPath()) + "' is no place for a kit."));
    }
  }

  private static OnShelf.Broken broken(String name, KitRead.Refused refused) {
    return new OnShelf.Broken(
        name, refused.findings().stream().filter(Finding::isError).map(Finding::toString).toList());
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
    // Lamp, eyes, meter and supply are the bench's: what was said for the last build holds for this
    // one.
    List<BuildEvent> first = new ArrayList<>(List.of(began));
    last.flatMap(Build::sees).ifPresent(first::add);
    last.flatMap(Build::meter).ifPresent(meter -> first.add(new BuildEvent.UsesMeter(meter)));
    last.flatMap(Build::fedBy).ifPresent(how -> first.add(new BuildEvent.FedBy(how)));
    // What was told of this kit at this bench goes with it: nothing is asked twice.
    toldOf(fresh.path()).ifPresent(told -> first.addAll(told.answers()));
    append(id, first);
    begun(journal.build(id)).ifPresent(this::lay);
  }

  /**
   * Gives the build last worked on in which something was told of a kit, as far as that can still
   * be laid over its file; empty where nothing was.
   */
  private Optional<Build> toldOf(Path kit) {
    String place = kit.toAbsolutePath().toString();
    return journal.builds().stream()
        .map(journal::build)
        .filter(build -> build.began().filter(b -> b.kitPath().equals(place)).isPresent())
        .filter(build -> !build.kitChanges().isEmpty())
        .findFirst()
        .filter(
            build -> KitFolder.at(kit).with(build.kitChanges()).read() instanceof KitRead.Opened);
  }

  /** Gives the kits on the shelf. */
  public List<Path> kitPaths() {
    return List.copyOf(kitPaths);
  }

  /** Gives what kits tell of their chips; one that cannot be read tells nothing. */
  public static ChipLibrary chips(List<Path> kits) {
    List<Kit> read = new ArrayList<>();
    for (Path path : kits) {
      if (KitFolder.at(path).read() instanceof KitRead.Opened opened) {
        read.add(opened.kit());
      }
    }
    return ChipLibrary.of(read);
  }

  /**
   * Takes a build in that came along as one file, with its kit, and lays it on the bench. One that
   * is here already is laid on the bench as it is here.
   *
   * @param otherHand whether somebody else built it so far
   * @return what stands against it, as sentences; empty where it was taken in
   */
  public List<String> takeAlong(BuildArchive archive, boolean otherHand) {
    try {
      Path kit = archive.keepKit(home.resolve("kits"));
      JournalLines.TakenIn taken =
          JournalLines.takeAlong(
              journal,
              new StringReader(archive.lines()),
              archive.name(),
              ReadingBudget.usual(),
              new BuildEvent.CameAlong(
                  kit.toAbsolutePath().normalize().toString(), archive.name(), otherHand));
      if (!taken.problems().isEmpty()) {
        return taken.problems();
      }
      addToShelf(kit);
      Stream.concat(taken.builds().values().stream(), taken.same().stream())
          .findFirst()
          .flatMap(id -> begun(journal.build(id)))
          .ifPresent(this::lay);
      return List.of();
    } catch (IOException e) {
      return List.of(InputFile.reason(e));
    }
  }

  /** Gives the bytes of a build as one file, with its kit and its photos. */
  public byte[] along(Build build) throws IOException {
    StringWriter lines = new StringWriter();
    JournalLines.write(journal, build.id(), lines);
    return BuildArchive.of(build, lines.toString(), photos());
  }

  /** Gives the other builds of this bench that have a beginning, the last worked on first. */
  public List<Build> others(String than) {
    return journal.builds().stream()
        .filter(id -> !id.equals(than))
        .map(journal::build)
        .filter(build -> build.began().isPresent())
        .toList();
  }

  /** Gives every drill that was answered at this bench, in order. */
  public List<Answered> practised() {
    return Answered.of(journal.bench());
  }

  /** Keeps a drill that was answered. */
  public void drilled(BuildEvent.Drilled drilled) {
    append(Journal.BENCH, List.of(drilled));
  }

  /** Tells whether nothing was ever begun at this bench and nobody walked through the window. */
  public boolean isNew() {
    return !journal.isUndecided()
        && journal.builds().isEmpty()
        && journal.bench().inForce().stream()
            .noneMatch(entry -> entry.event() instanceof BuildEvent.Walked);
  }

  /** Keeps that somebody walked through the window. */
  public void walked(boolean toTheEnd) {
    append(Journal.BENCH, List.of(new BuildEvent.Walked(toTheEnd)));
  }

  /** Gives background work that belongs to no build; {@code changed} shows what became of it. */
  public Works works(Runnable changed) {
    return new Works(bench(), changed);
  }

  /** Who waits and who tells may be said after a build was opened. */
  private Bench bench() {
    Bench.Patience waits =
        new Bench.Patience() {
          @Override
          public <T> T await(Supplier<T> work) {
            return patience.await(work);
          }
        };
    return new Bench(background, links, later, waits, work -> carefully.run(work), this::told);
  }

  private void append(String id, List<BuildEvent> events) {
    try {
      journal.append(id, events, Journal.BRIEFLY_MS);
    } catch (NotWritten e) {
      if (e.why() != NotWritten.Why.BUSY) {
        throw e;
      }
      patience.await(() -> journal.append(id, events, Journal.PATIENTLY_MS));
    }
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
    open(build, kit, path, true);
  }

  private void open(Build build, Kit kit, Path path, boolean unmarked) {
    Optional.ofNullable(open).ifPresent(OpenBuild::close);
    KitFolder folder = KitFolder.at(path).with(build.kitChanges()).besides(photos());
    open =
        new OpenBuild(
            journal,
            folder,
            unmarked ? folder.withMarks(kit) : kit,
            build,
            new PaceOfBench(journal.file()),
            new HabitsOfBench(journal.file()),
            bench(),
            () -> changed.run());
  }

  /** Lays the build last worked on onto the bench, when there is one that can be opened. */
  public void layLast() {
    List<String> ids = journal.builds();
    if (!ids.isEmpty() && !journal.isUndecided()) {
      read(ids.getFirst(), () -> begun(journal.build(ids.getFirst()))).ifPresent(this::lay);
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
      String place = build.began().map(BuildEvent.Began::kitPath).orElse("");
      if (place.equals(kit.toString())) {
        read(id, () -> begun(build)).ifPresent(this::lay);
        return;
      }
    }
    read(String.valueOf(kit.getFileName()), () -> Optional.of(fresh(kit))).ifPresent(this::lay);
  }

  /** Puts a kit on the shelf, unless it stands there. */
  public void addToShelf(Path path) {
    Path kit = path.toAbsolutePath().normalize();
    if (kitPaths.stream().noneMatch(each -> each.toAbsolutePath().normalize().equals(kit))) {
      kitPaths.add(kit);
    }
  }

  /** Gives the build on the bench, with its kit as it was last told. */
  public Optional<OpenBuild> open() {
    OpenBuild now = open;
    if (now != null && now.isOutgrown()) {
      boolean practice = now.practiceOn();
      OpenBuild.Looked looked = now.looked();
      begun(now.build()).ifPresent(this::lay);
      OpenBuild grown = open;
      if (grown == now) {
        // What cannot be read any more stays as it was last shown.
        log.note("The kit of " + now.build().id() + " cannot be read with what was told of it.");
        now.stay();
      } else if (grown != null) {
        grown.practiceOn(practice);
        grown.look(looked);
      }
    }
    return Optional.ofNullable(open);
  }

  /**
   * Tells something of the kit on the bench: it is written into the journal, and the kit is the
   * changed one from then on.
   *
   * @return what stands against it, as sentences; empty where it was taken
   */
  public List<String> tell(String question, String said, Follows follows) {
    OpenBuild now = open().orElseThrow();
    return tell(
        question,
        said,
        follows.guessed(),
        EditWriter.changes(now.folder(), now.written(), follows.edits()));
  }

  /** Changes the kit on the bench as {@link #tell}, by changes of its file. */
  public List<String> change(String question, String said, List<KitChange> changes) {
    OpenBuild now = open().orElseThrow();
    List<KitChange> all = new ArrayList<>(EditWriter.writtenOut(now.folder(), now.written()));
    all.addAll(changes);
    return tell(question, said, List.of(), all);
  }

  private List<String> tell(
      String question, String said, List<String> guessed, List<KitChange> changes) {
    OpenBuild now = open().orElseThrow();
    List<KitChange> all = new ArrayList<>(now.build().kitChanges());
    all.addAll(changes);
    Kit told = now.written();
    if (!changes.isEmpty()) {
      switch (KitFolder.at(kitPath(now.build())).with(all).besides(photos()).read()) {
        case KitRead.Opened opened -> told = opened.kit();
        case KitRead.Refused refused -> {
          return refused.findings().stream()
              .filter(Finding::isError)
              .map(Finding::toString)
              .toList();
        }
      }
    }
    now.act(new BuildEvent.Answered(question, said, guessed, changes));
    if (!changes.isEmpty()) {
      boolean practice = now.practiceOn();
      OpenBuild.Looked looked = now.looked();
      open(now.build(), now.kit().marksFor(told), kitPath(now.build()), false);
      Optional.ofNullable(open)
          .ifPresent(grown -> {
            grown.practiceOn(practice);
            grown.look(looked);
          });
    }
    return List.of();
  }

  /** Sets what runs when something computed in the background has arrived. */
  public void whenChanged(Runnable run) {
    changed = run;
  }

  /** Sets who waits off the interface thread, and who tells of acts that could not be written. */
  public void leanOn(Bench.Patience waits, Bench.Carefully tells) {
    patience = waits;
    carefully = tells;
  }

  /** Gives the folder that keeps the photos of this bench, named by what is in them. */
  public Path photos() {
    return home.resolve("photos");
  }

  /** Gives the folder of this bench. */
  public Path home() {
    return home;
  }

  /** Gives the journal, for what is said about it as a whole. */
  public Journal journal() {
    return journal;
  }

  /** Gives what is to be said about the journal that is in use; empty when nothing is. */
  public String notice() {
    return notice;
  }

  /** Sets what is to be said about the journal that is in use. */
  public void notice(String text) {
    notice = text;
  }

  /** Gives the copies of the journal. */
  public Copies copies() {
    return Copies.of(journal.file());
  }

  /**
   * Puts a copy in the place of the journal and opens it.
   *
   * @return where the journal that was there is kept, empty when there was none
   * @throws IOException with one sentence, when it could not be done
   */
  public Optional<Path> restore(Copies.Copy copy) throws IOException {
    Optional.ofNullable(open).ifPresent(OpenBuild::close);
    open = null;
    journal.close();
    try {
      return copies().restore(copy.file());
    } finally {
      switch (Journal.open(journal.file(), Clock.systemUTC())) {
        case JournalOpen.Opened opened -> journal = opened.journal();
        case JournalOpen.Damaged damaged -> journal = damaged.journal();
        case JournalOpen.Refused refused -> log.note(refused.why());
      }
    }
  }

  /** Makes a copy of an evening that ended without one, by a connection of its own. */
  public void copyIfDue() {
    background.execute(() -> {
      if (Journal.open(journal.file(), Clock.systemUTC()) instanceof JournalOpen.Opened opened) {
        try (Journal own = opened.journal()) {
          if (copies().isDue(own, Clock.systemUTC())) {
            copies().make(own);
          }
        } catch (IOException | JournalDamage e) {
          log.fault("No copy of the journal could be made", e);
        }
      }
    });
  }

  /** Closes the journal, and makes a copy of what the evening brought. */
  public void close() {
    Optional.ofNullable(open).ifPresent(OpenBuild::close);
    try {
      copies().make(journal);
    } catch (IOException | JournalDamage e) {
      log.fault("No copy of the journal could be made", e);
    }
    links.close();
    journal.close();
    log.close();
  }
}
