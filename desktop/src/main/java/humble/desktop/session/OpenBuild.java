package humble.desktop.session;

import humble.bench.PracticeBench;
import humble.bench.SerialLink;
import humble.bench.Transfer;
import humble.core.budget.Budget;
import humble.core.build.Build;
import humble.core.build.BuildEvent;
import humble.core.circuit.Cancelled;
import humble.core.circuit.Fault;
import humble.core.craft.Heat;
import humble.core.craft.ModuleFit;
import humble.core.firmware.ProgramImage;
import humble.core.kit.Board;
import humble.core.kit.BoardState;
import humble.core.kit.Caution;
import humble.core.kit.Finding;
import humble.core.kit.Firmware;
import humble.core.kit.Kit;
import humble.core.kit.ModuleRows;
import humble.core.kit.Parts;
import humble.core.mend.Habits;
import humble.core.power.PowerReckoning;
import humble.core.power.PoweredStage;
import humble.core.route.Move;
import humble.core.route.Pace;
import humble.core.route.Plan;
import humble.core.route.School;
import humble.core.stock.Stocktake;
import humble.formats.ReadingBudget;
import humble.formats.board.BoardLayers;
import humble.formats.hex.HexRead;
import humble.formats.hex.IntelHex;
import humble.formats.kit.KitFolder;
import humble.store.Journal;
import humble.store.NotWritten;
import java.io.IOException;
import java.util.Collection;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.OptionalLong;
import java.util.Set;
import java.util.concurrent.atomic.AtomicReference;
import java.util.function.Supplier;
import org.jspecify.annotations.Nullable;

/**
 * The build on the bench. Every act is appended to the journal, on the disk, before {@link
 * #build()} shows it. Used on the interface thread only; what takes a moment is computed by the
 * executor and handed back by {@code later}.
 */
public final class OpenBuild {
  private final Journal journal;
  private final KitFolder folder;
  private final Kit kit;
  private final Parts parts;
  private Parts fitted;
  private final PracticeBench practice;
  private final Bench bench;
  private final Runnable changed;
  private final Set<String> restored = new HashSet<>();
  private final Set<String> poweredAsked = new HashSet<>();
  private final Map<String, Optional<PoweredStage>> powered = new HashMap<>();
  private final Set<String> layersAsked = new HashSet<>();
  private final Map<String, BoardLayers> layers = new HashMap<>();
  private final Supplier<Pace> paceOfBench;
  private final Supplier<Habits> habitsOfBench;
  private Habits habits = Habits.usual();
  private @Nullable Pace pace;
  private @Nullable Map<String, Double> watts;
  private Build build;
  private @Nullable Reckoned reckoned;
  private boolean reckoning;
  private String failed = "";
  private @Nullable String failedFor;
  private boolean practiceOn = true;
  private volatile boolean closed;

  OpenBuild(
      Journal journal,
      KitFolder folder,
      Kit kit,
      Build build,
      Supplier<Pace> paceOfBench,
      Supplier<Habits> habitsOfBench,
      Bench bench,
      Runnable changed) {
    this.journal = journal;
    this.folder = folder;
    this.kit = kit;
    this.parts = Parts.of(kit);
    this.fitted = parts;
    this.build = build;
    this.paceOfBench = paceOfBench;
    this.habitsOfBench = habitsOfBench;
    this.bench = bench;
    this.changed = changed;
    long seed = build.began().map(BuildEvent.Began::practiceSeed).orElse(1L);
    this.practice = new PracticeBench(parts, seed, List.of());
    hide();
    reckon();
  }

  /** What the journal says is hidden is on the practice bench's board, in every state of it. */
  private void hide() {
    practice.put(
        build
            .hidden()
            .flatMap(hidden -> Fault.parse(hidden.fault()))
            .map(List::of)
            .orElse(List.of()));
  }

  /**
   * Appends an act, then folds it. An act of several events is written whole or not at all.
   *
   * @throws humble.store.NotWritten when it could not be written: nothing has then happened, and it
   *     can be tried again
   */
  public void act(BuildEvent... events) {
    for (BuildEvent.Entry entry : append(List.of(events))) {
      build = build.with(entry);
    }
    hide();
    for (BuildEvent event : events) {
      if (event instanceof BuildEvent.Chose
          || event instanceof BuildEvent.Counted
          || event instanceof BuildEvent.Moved
          || event instanceof BuildEvent.PlansEvenings) {
        reckon();
      }
    }
  }

  /** Mostly nobody else is writing; where somebody is, the waiting is done off this thread. */
  private List<BuildEvent.Entry> append(List<BuildEvent> events) {
    try {
      return journal.append(build.id(), events, Journal.BRIEFLY_MS);
    } catch (NotWritten e) {
      if (e.why() != NotWritten.Why.BUSY) {
        throw e;
      }
      return bench.patience().await(() -> journal.append(build.id(), events, Journal.PATIENTLY_MS));
    }
  }

  /** Takes the last act back; tells whether there was one. */
  public boolean takeBack() {
    OptionalLong last = build.lastToTakeBack();
    if (last.isPresent()) {
      act(new BuildEvent.TookBack(last.getAsLong()));
      reckon();
    }
    return last.isPresent();
  }

  private void reckon() {
    Map<String, String> choices = Map.copyOf(build.choices());
    Set<String> lacking = Stocktake.missingRefs(kit, choices, build.counted());
    Reckoned now = reckoned;
    if (reckoning
        || (now != null
            && now.choices().equals(choices)
            && now.lacking().equals(lacking)
            && now.moves().equals(moves())
            && now.eveningMinutes() == build.eveningMinutes())) {
      return;
    }
    String inputs = choices + " " + lacking + " " + moves() + " " + build.eveningMinutes();
    if (inputs.equals(failedFor)) {
      return;
    }
    reckoning = true;
    List<Move> moves = moves();
    int evening = build.eveningMinutes();
    Pace known = pace;
    Map<String, Double> knownHeat = watts;
    record Learned(Pace pace, Habits habits, Map<String, Double> heat, Reckoned result) {}
    AtomicReference<Learned> learned = new AtomicReference<>();
    inBackground(
        () -> {
          Pace own = known == null ? paceOfBench.get() : known;
          Habits ownHabits = habitsOfBench.get();
          Map<String, Double> heat = knownHeat == null ? Heat.watts(parts) : knownHeat;
          learned.set(
              new Learned(
                  own,
                  ownHabits,
                  heat,
                  Reckoned.of(parts, choices, lacking, moves, evening, own, heat)));
        },
        () -> {
          Learned made = Objects.requireNonNull(learned.get());
          pace = made.pace();
          habits = made.habits();
          watts = made.heat();
          reckoned = made.result();
          failed = "";
          reckoning = false;
          reckon();
          changed.run();
        },
        () -> {
          failedFor = inputs;
          reckoning = false;
          reckon();
        });
  }

  /** Gives what was reckoned for the choices in force; empty while it is being computed. */
  public Optional<Reckoned> reckoned() {
    return Optional.ofNullable(reckoned)
        .filter(r ->
            r.choices().equals(build.choices())
                && r.moves().equals(moves())
                && r.eveningMinutes() == build.eveningMinutes()
                && r.lacking()
                    .equals(Stocktake.missingRefs(kit, build.choices(), build.counted())));
  }

  private List<Move> moves() {
    return build.moved().stream().map(moved -> new Move(moved.step(), moved.before())).toList();
  }

  /** Gives what is not in the bag, by the counts so far. */
  public Set<String> lacking() {
    return Stocktake.missingRefs(kit, build.choices(), build.counted());
  }

  /** Gives the plan of the school taken, low when none was. */
  public Optional<Plan> plan() {
    School school = build.school().flatMap(School::named).orElse(School.LOW);
    return reckoned().map(r -> r.plans().get(school));
  }

  /**
   * Gives the caution that says stop at one of {@code names} and has not been acknowledged: work
   * goes on only after that.
   */
  public Optional<Caution> stopBefore(Collection<String> names) {
    return kit.cautions().stream()
        .filter(caution -> caution.level() == Caution.Level.STOP)
        .filter(caution -> names.contains(caution.at()))
        .filter(caution -> !build.acknowledged().contains(caution.at()))
        .findFirst();
  }

  /**
   * Gives the line to the practice bench's board, which keeps its memory as a real one does: what
   * the journal says was loaded is in it again.
   */
  public SerialLink board(Firmware.Target target) {
    if (restored.add(target.id())) {
      build.loaded().values().stream()
          .filter(loaded -> loaded.practice() && loaded.target().equals(target.id()))
          .forEach(loaded -> restore(target, loaded));
    }
    return practice.link(target);
  }

  /** A file that is gone or has changed since leaves the board empty; it then says so itself. */
  private void restore(Firmware.Target target, BuildEvent.Loaded loaded) {
    for (Firmware.Image image : kit.firmware().images()) {
      if (image.id().equals(loaded.image())) {
        image(image)
            .filter(program -> program.sha256().equals(loaded.sha256()))
            .ifPresent(program ->
                new Transfer(practice.link(target), target)
                    .send(program, share -> {}, () -> false));
      }
    }
  }

  private Optional<ProgramImage> image(Firmware.Image image) {
    try {
      return IntelHex.read(image.file(), folder.bytes(image.file())) instanceof HexRead.Image read
          ? Optional.of(read.image())
          : Optional.empty();
    } catch (IOException e) {
      return Optional.empty();
    }
  }

  /**
   * Gives the layers of a board from its files; empty when it has none, or while they are being
   * read for the first time.
   */
  public Optional<BoardLayers> layers(Board board) {
    if (!board.files().isEmpty() && layersAsked.add(board.id())) {
      AtomicReference<BoardLayers> read = new AtomicReference<>();
      inBackground(
          () -> {
            Budget budget = ReadingBudget.usual(() -> closed);
            read.set(BoardLayers.read(board, folder.source(budget), budget));
          },
          () -> {
            layers.put(board.id(), read.get());
            changed.run();
          });
    }
    return Optional.ofNullable(layers.get(board.id())).filter(known -> !known.isEmpty());
  }

  /**
   * Gives what supply and rails should say in a state; empty while it is being reckoned for the
   * first time, and for a state that has no supply or no operating point.
   */
  public Optional<PoweredStage> powered(BoardState state) {
    if (poweredAsked.add(state.id())) {
      AtomicReference<Optional<PoweredStage>> made = new AtomicReference<>(Optional.empty());
      Parts now = fittedParts();
      inBackground(
          () -> {
            try {
              made.set(new PowerReckoning(now).stage(state, () -> closed));
            } catch (Cancelled e) {
              // The build was put away: nobody asks any more.
              made.set(Optional.empty());
            }
          },
          () -> {
            powered.put(state.id(), made.get());
            changed.run();
          });
    }
    return powered.getOrDefault(state.id(), Optional.empty());
  }

  /** Tells whether {@link #powered} has been reckoned, with or without a result. */
  public boolean poweredReckoned(BoardState state) {
    return powered.containsKey(state.id());
  }

  /** Gives what of the files of a board could not be read, once they have been. */
  public List<Finding> layerProblems(Board board) {
    BoardLayers read = layers.get(board.id());
    return read == null ? List.of() : read.problems();
  }

  /** Shows soon, from any thread, how far long work is. */
  public void tell() {
    bench
        .later()
        .execute(() -> {
          if (!closed) {
            changed.run();
          }
        });
  }

  /** Runs {@code work} in the background and {@code then} on the interface thread. */
  public void inBackground(Runnable work, Runnable then) {
    inBackground(work, then, () -> {});
  }

  /**
   * Runs {@code work} in the background and {@code then} on the interface thread. Work that fails
   * is written to the log and told on the card; {@code otherwise} then runs instead. Where {@code
   * then} cannot write an act it is kept, told, and tried again when the person says so.
   */
  public void inBackground(Runnable work, Runnable then, Runnable otherwise) {
    bench
        .background()
        .execute(() -> {
          Optional<Throwable> fault = faultOf(work);
          bench
              .later()
              .execute(() -> {
                if (closed) {
                  return;
                }
                fault.ifPresentOrElse(
                    thrown -> {
                      failed = bench.faults().told("Work in the background failed", thrown);
                      otherwise.run();
                      changed.run();
                    },
                    () -> bench.carefully().run(then));
              });
        });
  }

  /** Whatever ends the work is told: a thread that dies would take it along without a word. */
  private static Optional<Throwable> faultOf(Runnable work) {
    try {
      work.run();
      return Optional.empty();
    } catch (RuntimeException | Error e) {
      return Optional.of(e);
    }
  }

  /** Gives one sentence about work in the background that failed; empty when none did. */
  public String failed() {
    return failed;
  }

  /** Puts the build away: what still runs in the background ends without a word. */
  void close() {
    closed = true;
  }

  /** Gives the kit. */
  public Kit kit() {
    return kit;
  }

  /** Gives the parts of the kit. */
  public Parts parts() {
    return parts;
  }

  /** Gives the parts as this build has them: modules in the rows that their labels chose. */
  public Parts fittedParts() {
    Kit now = kit;
    for (ModuleRows module : kit.handwork().modules()) {
      String row = build.module(module.ref()).map(BuildEvent.ModuleRead::row).orElse("");
      for (ModuleRows.Row each : module.rows()) {
        if (each.id().equals(row)) {
          now = ModuleFit.inRow(now, module, each);
        }
      }
    }
    if (!now.equals(fitted.kit())) {
      fitted = Parts.of(now);
    }
    return fitted;
  }

  /** Gives the folder of the kit. */
  public KitFolder folder() {
    return folder;
  }

  /** Gives where the build stands. */
  public Build build() {
    return build;
  }

  /** Gives how often each kind of fault was the one at this bench, practice left out. */
  public Habits habits() {
    return habits;
  }

  /** Gives the practice bench. */
  public PracticeBench practice() {
    return practice;
  }

  /** Tells whether readings may come from the practice bench. */
  public boolean practiceOn() {
    return practiceOn;
  }

  /** Switches the practice bench. */
  public void practiceOn(boolean on) {
    practiceOn = on;
  }
}
