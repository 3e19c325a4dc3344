package humble.desktop.session;

import humble.bench.PracticeBench;
import humble.bench.SerialLink;
import humble.bench.SimulatedBoard;
import humble.bench.SimulatedWake;
import humble.core.build.Build;
import humble.core.build.BuildEvent;
import humble.core.build.KitChange;
import humble.core.circuit.Fault;
import humble.core.craft.BuiltBoard;
import humble.core.craft.Stop;
import humble.core.craft.UsualCautions;
import humble.core.host.Found;
import humble.core.host.HoleState;
import humble.core.host.HostSurvey;
import humble.core.kit.AsBuilt;
import humble.core.kit.Board;
import humble.core.kit.BoardPhoto;
import humble.core.kit.BoardState;
import humble.core.kit.Choices;
import humble.core.kit.Finding;
import humble.core.kit.Firmware;
import humble.core.kit.Gate;
import humble.core.kit.HostWork;
import humble.core.kit.Kit;
import humble.core.kit.Parts;
import humble.core.kit.Side;
import humble.core.mend.Habits;
import humble.core.power.Expectation;
import humble.core.power.FirstPower;
import humble.core.power.PoweredStage;
import humble.core.route.Pace;
import humble.core.route.Plan;
import humble.core.route.School;
import humble.core.words.Words;
import humble.desktop.draw.Faces;
import humble.formats.board.BoardLayers;
import humble.formats.kit.KitFolder;
import humble.store.Journal;
import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalLong;
import java.util.Set;
import java.util.function.Supplier;
import org.jspecify.annotations.Nullable;

/**
 * The build on the bench. Every act is appended to the journal, on the disk, before {@link
 * #build()} shows it. Used on the interface thread only; what takes a moment is worked out
 * elsewhere and handed back.
 */
public final class OpenBuild {
  private final Acts acts;
  private final KitFolder folder;
  private final Kit written;
  private final Kit kit;
  private final List<FirstPower.Check> firstPower;
  private final Parts parts;
  private final Set<String> soldered;
  private Parts built;
  private Parts planned;
  private final PracticeBench practice;
  private final PracticeLinks links;
  private final Works works;
  private final Planning planning;
  private final Windows windows;
  private final Recall<Board, BoardLayers> layers;
  private boolean practiceOn = true;
  private Looked looked = Looked.PHOTO;
  private @Nullable Faces photoFaces;
  private boolean stale = true;
  private List<KitChange> told;
  private List<String> dangers;

  OpenBuild(
      Journal journal,
      KitFolder folder,
      Kit kit,
      Build build,
      Supplier<Pace> paceOfBench,
      Supplier<Habits> habitsOfBench,
      Bench bench,
      Runnable changed) {
    this.acts = new Acts(journal, build, bench);
    this.folder = folder;
    this.told = List.copyOf(build.kitChanges());
    this.written = kit;
    Words words = Words.core(Locale.getDefault());
    this.dangers = build.dangers().orElse(List.of());
    this.kit = UsualCautions.given(FirstPower.given(kit, words), dangers, words);
    this.firstPower = FirstPower.checks(this.kit);
    this.parts = Parts.of(this.kit);
    this.soldered = this.kit.soldered();
    this.built = parts;
    this.planned = parts;
    this.works = new Works(bench, changed);
    this.planning = new Planning(parts, paceOfBench, habitsOfBench, works);
    this.windows = new Windows(works);
    this.layers = new Recall<>(works, board -> LayersRead.of(board, folder));
    long seed = build.began().map(BuildEvent.Began::practiceSeed).orElse(1L);
    this.practice = new PracticeBench(parts, seed, List.of());
    this.links = new PracticeLinks(practice, folder, this.kit);
    changed();
  }

  /**
   * What is on the board and what is hidden on it follows from the journal; made when asked for.
   */
  private void changed() {
    stale = true;
    planning.see(build());
  }

  private void lay() {
    if (!stale) {
      return;
    }
    built = as(BoardSoFar.of(this), built);
    planned = as(BoardSoFar.planned(this), planned);
    practice.lay(built);
    practice.put(
        build()
            .hidden()
            .flatMap(hidden -> Fault.parse(hidden.fault()))
            .map(List::of)
            .orElse(List.of()));
    stale = false;
  }

  private Parts as(AsBuilt now, Parts before) {
    return now.equals(before.built()) ? before : BuiltBoard.of(kit, now);
  }

  /**
   * Appends an act, then folds it. An act of several events is written whole or not at all.
   *
   * @throws humble.store.NotWritten when it could not be written: nothing has then happened, and it
   *     can be tried again
   */
  public void act(BuildEvent... events) {
    acts.append(List.of(events));
    works.acted();
    changed();
  }

  /** Takes the last act back; tells whether there was one. */
  public boolean takeBack() {
    OptionalLong last = build().lastToTakeBack();
    if (last.isPresent()) {
      act(new BuildEvent.TookBack(last.getAsLong()));
    }
    return last.isPresent();
  }

  /** Gives what was reckoned for the choices in force; empty while it is being computed. */
  public Optional<Reckoned> reckoned() {
    return planning.reckoned(build());
  }

  /** Gives what is not in the bag, by the counts so far. */
  public Set<String> lacking() {
    return planning.lacking(build());
  }

  /** Gives the plan of the school taken, low when none was. */
  public Optional<Plan> plan() {
    School school = build().school().flatMap(School::named).orElse(School.LOW);
    return reckoned().map(r -> r.plans().get(school));
  }

  /** Gives one sentence when the plans cannot be worked out; empty when they can. */
  public String notPlanned() {
    return planning.failed();
  }

  /** Gives one sentence about work in the background that failed; empty when none did. */
  public String failed() {
    return works.failed();
  }

  /** Works plans that failed out once more. */
  public void planAgain() {
    planning.again(build());
  }

  /**
   * Gives the caution that says stop at one of {@code names} and has not been acknowledged: work
   * goes on only after that.
   */
  public Optional<Stop> stopBefore(Collection<String> names) {
    return Stop.open(kit.cautions(), names, build().acknowledged());
  }

  /**
   * Tells whether nobody has said yet what the finished thing does to others, and nobody wrote it.
   */
  public boolean asksOfDangers() {
    return UsualCautions.asksOf(written) && build().dangers().isEmpty();
  }

  /** Gives the line to the practice bench's board; asked on the thread of that link. */
  public SerialLink link(Firmware.Target target, Build asOf) {
    return links.of(target, asOf);
  }

  /**
   * Gives the layers of a board from its files; empty when it has none, or while they are being
   * read for the first time.
   */
  public Optional<BoardLayers> layers(Board board) {
    return board.files().isEmpty()
        ? Optional.empty()
        : layers.ask(board).filter(read -> !read.isEmpty());
  }

  /** What a board is drawn over. */
  public enum Looked {
    /** A photo of the bare board, where there is one. */
    PHOTO,
    /** A photo of the board with its parts, where there is one. */
    FITTED,
    /** The drawing. */
    DRAWING
  }

  /** Gives what the boards are drawn over now. */
  public Looked looked() {
    return looked;
  }

  /** Draws the boards over something else. */
  public void look(Looked other) {
    looked = other;
  }

  /** Gives the photos of the boards, kept as long as the build is open. */
  public Faces photoFaces() {
    Faces faces = photoFaces;
    if (faces == null) {
      faces = PhotosOfBuild.photos(this);
      photoFaces = faces;
    }
    return faces;
  }

  /** Goes on to the next thing that the boards of this kit can be drawn over. */
  public void blink() {
    boolean fitted =
        kit.boards().stream().flatMap(b -> b.photos().stream()).anyMatch(BoardPhoto::fitted);
    looked =
        switch (looked) {
          case PHOTO -> fitted ? Looked.FITTED : Looked.DRAWING;
          case FITTED -> Looked.DRAWING;
          case DRAWING -> Looked.PHOTO;
        };
  }

  /** Gives the photo that a side of a board is drawn over; empty for its drawing. */
  public Optional<BoardPhoto> photo(Board board, Side side) {
    return looked == Looked.DRAWING
        ? Optional.empty()
        : board
            .photo(side, looked == Looked.FITTED)
            .or(() -> board.photo(side, looked != Looked.FITTED));
  }

  /** Gives what of the files of a board could not be read, once they have been. */
  public List<Finding> layerProblems(Board board) {
    return layers.peek(board).map(BoardLayers::problems).orElse(List.of());
  }

  /** Gives what supply and rails should say in a state of the board as it is built. */
  public Known<PoweredStage> powered(BoardState state) {
    return windows.powered(built(), state);
  }

  /** Gives what a gate should read: the one in hand on the board as it is, others as planned. */
  public Known<Expectation> expectation(Gate gate, boolean inHand) {
    return windows.expected(inHand ? built() : planned(), gate);
  }

  /** Lets what failed be worked out once more. */
  public void reckonAgain() {
    windows.again();
    planAgain();
  }

  /** Gives the work in the background. */
  public Works works() {
    return works;
  }

  /** Tells whether something was told of the kit, or taken back, since it was read. */
  boolean isOutgrown() {
    return !told.equals(build().kitChanges())
        || !dangers.equals(build().dangers().orElse(List.of()));
  }

  /** The kit stays as it was read, whatever was told of it since. */
  void stay() {
    told = List.copyOf(build().kitChanges());
    dangers = build().dangers().orElse(List.of());
  }

  /** Puts the build away: what still runs in the background ends without a word. */
  void close() {
    works.close();
  }

  /** Gives the kit as it was read, without what is reckoned of its first power. */
  Kit written() {
    return written;
  }

  /** Gives the kit. */
  public Kit kit() {
    return kit;
  }

  /** Gives the parts of the kit, as designed. */
  public Parts parts() {
    return parts;
  }

  /**
   * Gives the parts as this build has them: what was chosen, modules in the rows that their labels
   * chose, and what is not on the board.
   */
  public Parts built() {
    lay();
    return built;
  }

  /** Gives the parts as they will be when all that is not lacking is fitted. */
  public Parts planned() {
    lay();
    return planned;
  }

  /** Gives the parts that the choices taken leave out. */
  public Set<String> leftOut() {
    return Choices.leftOut(kit, build().choices());
  }

  /** Gives what was found at the places of a host board, by reference. */
  public Map<String, Found> surveyed() {
    Map<String, Found> found = new LinkedHashMap<>();
    build()
        .surveyed()
        .forEach((ref, text) -> Found.named(text).ifPresent(each -> found.put(ref, each)));
    return found;
  }

  /** Gives how the holes of a host board were last seen, by {@code REF.PIN}. */
  public Map<String, HoleState> holes() {
    Map<String, HoleState> seen = new LinkedHashMap<>();
    build()
        .holes()
        .forEach((pin, text) -> HoleState.named(text).ifPresent(each -> seen.put(pin, each)));
    return seen;
  }

  /**
   * Gives what is on the board: what was fitted, and what was soldered before and is still there.
   */
  public Set<String> onBoard() {
    Set<String> all = new LinkedHashSet<>(soldered);
    all.removeAll(HostSurvey.missing(parts, surveyed()));
    kit.boards().stream()
        .filter(board -> build().doneSteps().contains(HostWork.CLEARS + board.id()))
        .forEach(board -> all.removeAll(offOf(board)));
    all.addAll(build().fittedRefs());
    return all;
  }

  private Set<String> offOf(Board board) {
    return kit.comingOff().stream()
        .filter(ref -> kit.placeOf(ref).filter(p -> p.board().equals(board.id())).isPresent())
        .collect(java.util.stream.Collectors.toSet());
  }

  /** Gives the folder of the kit. */
  public KitFolder folder() {
    return folder;
  }

  /** Gives where the build stands. */
  public Build build() {
    return acts.build();
  }

  /** Gives how often each kind of fault was the one at this bench, practice left out. */
  public Habits habits() {
    return planning.habits();
  }

  /** Gives the practice bench. */
  public PracticeBench practice() {
    lay();
    return practice;
  }

  /** Gives what a board with nothing wrong would show, as it is built. */
  public SimulatedWake healthy() {
    return SimulatedWake.healthy(built());
  }

  /**
   * Gives the simulated board in a state, with what is hidden on it; none while the practice bench
   * is off, or where the circuit has no operating point.
   */
  public Optional<SimulatedBoard> practised(BoardState state) {
    return practiceOn ? practice().board(state) : Optional.empty();
  }

  /** Gives the checks of first power of a kit that has no gate to read; else none. */
  public List<FirstPower.Check> firstPower() {
    return firstPower;
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
