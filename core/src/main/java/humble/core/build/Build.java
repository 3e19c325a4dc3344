package humble.core.build;

import humble.core.kit.Firmware;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Collections;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalLong;
import java.util.SequencedMap;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/**
 * Where a build stands: the pure fold of its journal. Events that were taken back are left out of
 * the fold and kept in {@link #entries()}.
 */
public final class Build {
  private static final Duration LONGEST_PAUSE = Duration.ofMinutes(20);

  private final String id;
  private final List<BuildEvent.Entry> entries;
  private final List<BuildEvent.Entry> inForce;
  private final SequencedMap<String, Integer> counted = new LinkedHashMap<>();
  private final SequencedMap<String, List<BuildEvent.Measured>> measured = new LinkedHashMap<>();
  private final Set<String> bandsRead = new LinkedHashSet<>();
  private final SequencedMap<String, Boolean> lookedOver = new LinkedHashMap<>();
  private final Set<String> snapped = new LinkedHashSet<>();
  private final List<BuildEvent.Moved> moved = new ArrayList<>();
  private final Map<String, String> choices = new LinkedHashMap<>();
  private final Map<String, BuildEvent.Turned> views = new LinkedHashMap<>();
  private final Map<String, Set<String>> marks = new LinkedHashMap<>();
  private final SequencedMap<String, String> acknowledged = new LinkedHashMap<>();
  private final Set<String> doubtfulLines = new LinkedHashSet<>();
  private final Map<String, BuildEvent.ModuleRead> modules = new LinkedHashMap<>();
  private final Map<String, Integer> wound = new LinkedHashMap<>();
  private final SequencedMap<String, String> joints = new LinkedHashMap<>();
  private int eveningMinutes;
  private final Set<String> doneSteps = new LinkedHashSet<>();
  private final Set<String> fittedRefs = new LinkedHashSet<>();
  private final SequencedMap<String, String> leftOut = new LinkedHashMap<>();
  private final SequencedMap<String, String> replaced = new LinkedHashMap<>();
  private final SequencedMap<String, BuildEvent.GateRead> gateReadings = new LinkedHashMap<>();
  private final SequencedMap<String, Double> passedGates = new LinkedHashMap<>();
  private final SequencedMap<String, BuildEvent.Loaded> loaded = new LinkedHashMap<>();
  private final SequencedMap<String, Boolean> started = new LinkedHashMap<>();
  private final Map<String, Map<String, String>> facts = new LinkedHashMap<>();
  private final Set<String> awake = new LinkedHashSet<>();
  private final Set<String> closed = new LinkedHashSet<>();
  private final SequencedMap<String, String> overriddenGates = new LinkedHashMap<>();
  private final Map<String, List<String>> observed = new LinkedHashMap<>();
  private final List<BuildEvent.Mended> mended = new ArrayList<>();
  private BuildEvent.@Nullable FaultHidden hidden;
  private BuildEvent.@Nullable Began began;
  private @Nullable String school;
  private BuildEvent.@Nullable Sees sees;
  private @Nullable String meter;
  private @Nullable String fedBy;
  private String programmer = "";
  private final SequencedMap<String, String> settings = new LinkedHashMap<>();
  private final SequencedMap<String, BuildEvent.BesideDone> beside = new LinkedHashMap<>();
  private final Map<String, Toggling> toggled = new LinkedHashMap<>();
  private final Map<String, BuildEvent.SeriesRead> seriesRead = new LinkedHashMap<>();
  private final Map<String, Boolean> coiled = new LinkedHashMap<>();
  private final Map<String, String> tried = new LinkedHashMap<>();
  private final Map<String, Boolean> checked = new LinkedHashMap<>();
  private BuildEvent.@Nullable HostRead host;
  private final SequencedMap<String, BuildEvent.Answered> answered = new LinkedHashMap<>();
  private final List<BuildEvent.Answered> answers = new ArrayList<>();
  private final List<KitChange> kitChanges = new ArrayList<>();
  private final Set<String> guessed = new LinkedHashSet<>();
  private final Set<String> unseen = new LinkedHashSet<>();
  private final Map<String, String> fittedIn = new LinkedHashMap<>();
  private final List<String> later = new ArrayList<>();
  private final Finished finished = new Finished();
  private final Set<String> hearsay = new LinkedHashSet<>();
  private final List<BuildEvent.PhotoKept> photos = new ArrayList<>();
  private boolean takenOver;
  private BuildEvent.@Nullable RestsOn restsOn;
  private @Nullable List<String> dangers;
  private final SequencedMap<String, String> surveyed = new LinkedHashMap<>();
  private final SequencedMap<String, String> holes = new LinkedHashMap<>();

  private Build(String id, List<BuildEvent.Entry> entries) {
    this.id = id;
    this.entries = List.copyOf(entries);
    Set<Long> gone = new HashSet<>();
    for (BuildEvent.Entry entry : entries) {
      if (entry.event() instanceof BuildEvent.TookBack back) {
        gone.add(back.number());
      }
    }
    this.inForce =
        entries.stream()
            .filter(e -> !(e.event() instanceof BuildEvent.TookBack) && !gone.contains(e.number()))
            .toList();
    inForce.forEach(entry -> fold(entry.event()));
  }

  /** Folds the journal of one build. */
  public static Build of(String id, List<BuildEvent.Entry> entries) {
    return new Build(id, entries);
  }

  /** Gives this build with one more event. */
  public Build with(BuildEvent.Entry entry) {
    List<BuildEvent.Entry> more = new ArrayList<>(entries);
    more.add(entry);
    return new Build(id, more);
  }

  private void fold(BuildEvent event) {
    switch (event) {
      case BuildEvent.Began e -> began = e;
      case BuildEvent.Answered e -> {
        answered.putLast(e.question(), e);
        answers.add(e);
        kitChanges.addAll(e.changes());
        guessed.remove(e.question());
        guessed.addAll(e.guessed());
      }
      case BuildEvent.Counted e -> counted.put(e.item(), e.pieces());
      case BuildEvent.Measured e ->
          measured.computeIfAbsent(e.line(), key -> new ArrayList<>()).add(e);
      case BuildEvent.BandsRead e -> bandsRead.add(e.line());
      case BuildEvent.Sees e -> sees = e;
      case BuildEvent.UsesMeter e -> meter = e.profile();
      case BuildEvent.FedBy e -> fedBy = e.how();
      case BuildEvent.SettingMade e -> settings.put(e.setting(), e.value());
      case BuildEvent.UsesProgrammer e -> programmer = e.command();
      case BuildEvent.BesideDone e -> beside.put(e.id(), e);
      case BuildEvent.RowPut e -> put(e);
      case BuildEvent.RowRead e -> toggling(e.program()).read(e.address(), e.value());
      case BuildEvent.PanelOff e -> toggled.values().forEach(Toggling::off);
      case BuildEvent.ProgramShown e -> toggling(e.program()).shown(e);
      case BuildEvent.SeriesRead e -> seriesRead.put(e.state(), e);
      case BuildEvent.Checked e -> checked.put(e.check(), e.fine());
      case BuildEvent.HostRead e -> host = e;
      case BuildEvent.Surveyed e -> surveyed.put(e.ref(), e.found());
      case BuildEvent.HoleSeen e -> holes.put(e.pin(), e.state());
      case BuildEvent.LookedOver e -> lookedOver.put(e.board() + "/" + e.spot(), e.fine());
      case BuildEvent.Snapped e -> snapped.add(e.line());
      case BuildEvent.Chose e -> choices.put(e.option(), e.choice());
      case BuildEvent.TookSchool e -> school = e.school();
      case BuildEvent.Moved e -> moved.add(e);
      case BuildEvent.Turned e -> views.put(e.board(), e);
      case BuildEvent.MarkSeen e ->
          marks.computeIfAbsent(e.step(), key -> new LinkedHashSet<>()).add(e.mark());
      case BuildEvent.Acknowledged e -> acknowledged.put(e.at(), e.reason());
      case BuildEvent.SaysDangers e -> dangers = e.dangers();
      case BuildEvent.CameAlong e -> cameAlong(e);
      case BuildEvent.SeenFitted e -> seenFitted(e);
      case BuildEvent.RestsOn e -> restsOn = e.build().isEmpty() ? null : e;
      case BuildEvent.PhotoKept e -> photos.add(e);
      case BuildEvent.Drilled e -> {}
      case BuildEvent.Walked e -> {}
      case BuildEvent.PlansEvenings e -> eveningMinutes = e.minutes();
      case BuildEvent.MarksWeighed e -> {
        if (e.conflict()) {
          doubtfulLines.add(e.line());
        }
      }
      case BuildEvent.ModuleRead e -> modules.put(e.ref(), e);
      case BuildEvent.Wound e -> wound.put(e.winding() + "/" + e.coil(), e.turns());
      case BuildEvent.Coiled e -> coiled.put(e.winding() + "/" + e.coil(), e.through());
      case BuildEvent.Tried e -> tried.put(e.line(), e.colour());
      case BuildEvent.JointSeen e -> joints.put(e.pin(), e.seen());
      case BuildEvent.Fitted e -> {
        doneSteps.add(e.step());
        hearsay.remove(e.step());
        fittedRefs.addAll(e.refs());
        e.refs().forEach(ref -> fittedIn.put(ref, e.step()));
      }
      case BuildEvent.FittedSome e -> fittedRefs.addAll(e.refs());
      case BuildEvent.TookOut e -> {
        doneSteps.add(e.step());
        e.refs().forEach(fittedRefs::remove);
        e.refs().forEach(unseen::remove);
      }
      case BuildEvent.LeftOut e -> leftOut.put(e.ref(), e.reason());
      case BuildEvent.Replaced e -> replaced.put(e.ref(), e.reason());
      case BuildEvent.GateRead e -> gateReadings.put(e.gate(), e);
      case BuildEvent.GatePassed e -> passedGates.put(e.gate(), e.value());
      case BuildEvent.GateOverridden e -> overriddenGates.put(e.gate(), e.reason());
      case BuildEvent.FaultHidden e -> hidden = e;
      case BuildEvent.Observed e ->
          observed.computeIfAbsent(e.state(), key -> new ArrayList<>()).add(e.what());
      case BuildEvent.Mended e -> {
        observed.remove(e.state());
        mended.add(e);
        hidden = e.practice() ? null : hidden;
      }
      case BuildEvent.Repaired e -> {
        e.gates().forEach(this::shut);
        seriesRead.remove(e.state());
      }
      case BuildEvent.Loaded e -> {
        loaded.put(e.image(), e);
        started.remove(e.image());
        doneSteps.add(Firmware.LOADS + e.image());
      }
      case BuildEvent.Started e -> started.put(e.image(), e.byItself());
      case BuildEvent.Saw e -> {
        facts.computeIfAbsent(e.peripheral(), key -> new LinkedHashMap<>()).putAll(e.facts());
        if (e.facts().getOrDefault("later", "").equals("yes")) {
          later.remove(e.peripheral());
          later.add(e.peripheral());
        }
      }
      case BuildEvent.Woke e -> awake.add(e.peripheral());
      case BuildEvent.TrimAnew e -> finished.anew(e.trim());
      case BuildEvent.TrimTried e -> finished.tried(e);
      case BuildEvent.TrimLeft e -> finished.left(e);
      case BuildEvent.Calibrated e -> finished.calibrated(e);
      case BuildEvent.Proved e -> finished.proved(e);
      case BuildEvent.ScrewTaken e -> {}
      case BuildEvent.Closed e -> closed.add(e.step());
      case BuildEvent.Noted e -> {}
      case BuildEvent.Wrong e -> {}
      case BuildEvent.TookBack e -> {}
      case BuildEvent.Unread e -> {}
    }
  }

  /**
   * The kit lies elsewhere now. What another hand did is on the board, but nothing that it read,
   * saw or proved counts here.
   */
  private void cameAlong(BuildEvent.CameAlong e) {
    BuildEvent.Began first = began;
    if (first != null) {
      began = new BuildEvent.Began(first.name(), first.kitId(), e.kitPath(), first.practiceSeed());
    }
    if (e.otherHand()) {
      takenOver = true;
      unseen.addAll(fittedRefs);
      gateReadings.clear();
      passedGates.clear();
      overriddenGates.clear();
      seriesRead.clear();
      checked.clear();
      joints.clear();
      awake.clear();
      started.clear();
      loaded.keySet().forEach(image -> doneSteps.remove(Firmware.LOADS + image));
      loaded.clear();
      coiled.clear();
      beside.clear();
      toggled.clear();
      acknowledged.clear();
      finished.forget();
      // What was soldered stays as it is; that it was tried is only told.
      hearsay.addAll(doneSteps);
      closed.clear();
    }
  }

  /** What is not there after all has to be fitted: its step is not done any more. */
  private void seenFitted(BuildEvent.SeenFitted e) {
    e.refs().forEach(unseen::remove);
    if (!e.there()) {
      for (String ref : e.refs()) {
        fittedRefs.remove(ref);
        Optional.ofNullable(fittedIn.remove(ref)).ifPresent(doneSteps::remove);
      }
    }
  }

  /** Gives what was left for later in Wake, what was left last at the end. */
  public List<String> later() {
    return Collections.unmodifiableList(later);
  }

  /** Gives how far trims, calibrations and proofs are. */
  public Finished finished() {
    return finished;
  }

  /** Tells whether somebody else built a part of it. */
  public boolean isTakenOver() {
    return takenOver;
  }

  /** Gives the parts that another hand fitted and nobody has looked at here. */
  public Set<String> unseen() {
    return Collections.unmodifiableSet(unseen);
  }

  /** Gives the steps that another hand did and nobody did again here. */
  public Set<String> hearsay() {
    return Collections.unmodifiableSet(hearsay);
  }

  /** Gives the build that this one rests on. */
  public Optional<BuildEvent.RestsOn> restsOn() {
    return Optional.ofNullable(restsOn);
  }

  /** Gives what was said of the dangers of the finished thing; empty while nobody was asked. */
  public Optional<List<String>> dangers() {
    return Optional.ofNullable(dangers);
  }

  /** Gives the photos that were kept, in their order. */
  public List<BuildEvent.PhotoKept> photos() {
    return Collections.unmodifiableList(photos);
  }

  /** A byte that is put in takes the place of what another program had there. */
  private void put(BuildEvent.RowPut row) {
    toggled.values().forEach(each -> each.without(row.address()));
    toggling(row.program()).put(row.address(), row.value());
  }

  private Toggling toggling(String program) {
    return toggled.computeIfAbsent(program, each -> new Toggling());
  }

  /** Gives what was done beside the programs, by its id. */
  public Map<String, BuildEvent.BesideDone> beside() {
    return beside;
  }

  /** Gives how far a program is that is toggled in. */
  public ToggledIn toggled(String program) {
    Toggling now = toggled.get(program);
    return now == null ? ToggledIn.NOTHING : now.now();
  }

  /** What was read with a fault on the board says nothing of the board without it. */
  private void shut(String gate) {
    gateReadings.remove(gate);
    passedGates.remove(gate);
    overriddenGates.remove(gate);
  }

  /** Gives the id of the build. */
  public String id() {
    return id;
  }

  /** Gives every entry, those taken back and the taking back included. */
  public List<BuildEvent.Entry> entries() {
    return entries;
  }

  /** Gives the entries that count. */
  public List<BuildEvent.Entry> inForce() {
    return inForce;
  }

  /** Gives how the build began. */
  public Optional<BuildEvent.Began> began() {
    return Optional.ofNullable(began);
  }

  /**
   * Gives the number of the last entry that can be taken back; the beginning cannot, nor that the
   * build came along, nor what the bench brought along: its lamp, its eyes, its meter, its supply.
   */
  public OptionalLong lastToTakeBack() {
    boolean onlyBegun =
        inForce.stream().allMatch(entry -> isBeginning(entry.event()))
            // Without it nothing here would know where its kit is.
            || inForce.getLast().event() instanceof BuildEvent.CameAlong;
    return onlyBegun ? OptionalLong.empty() : OptionalLong.of(inForce.getLast().number());
  }

  private static boolean isBeginning(BuildEvent event) {
    return event instanceof BuildEvent.Began
        || event instanceof BuildEvent.Sees
        || event instanceof BuildEvent.UsesMeter
        || event instanceof BuildEvent.FedBy;
  }

  /** Gives the pieces counted by item. */
  public Map<String, Integer> counted() {
    return counted;
  }

  /** Gives the measurements by line, in the order made. */
  public Map<String, List<BuildEvent.Measured>> measured() {
    return measured;
  }

  /** Gives the lines whose bands were read. */
  public Set<String> bandsRead() {
    return bandsRead;
  }

  /** Gives the lamp and the eyes, when they were said. */
  public Optional<BuildEvent.Sees> sees() {
    return Optional.ofNullable(sees);
  }

  /** Gives the meter's profile, when it was said. */
  public Optional<String> meter() {
    return Optional.ofNullable(meter);
  }

  /** Gives the settings that were made, by their ids; empty where one was left. */
  public Map<String, String> settings() {
    return settings;
  }

  /** Gives the command by which the maker's own programmer is run; empty where none was given. */
  public String programmer() {
    return programmer;
  }

  /**
   * Gives what gives the power at the bench, {@code limited} or {@code plain}, when it was said.
   */
  public Optional<String> fedBy() {
    return Optional.ofNullable(fedBy);
  }

  /** Gives the last readings across a resistor in the plus lead, by state. */
  public Map<String, BuildEvent.SeriesRead> seriesRead() {
    return seriesRead;
  }

  /** Gives the checks of first power that were done, and whether each was as it should be. */
  public Map<String, Boolean> checked() {
    return checked;
  }

  /** Gives what was read on the host board. */
  public Optional<BuildEvent.HostRead> host() {
    return Optional.ofNullable(host);
  }

  /** Gives the last answer to each question about the kit itself, the latest last. */
  public SequencedMap<String, BuildEvent.Answered> answered() {
    return Collections.unmodifiableSequencedMap(answered);
  }

  /** Gives every answer about the kit itself that is in force, in their order. */
  public List<BuildEvent.Answered> answers() {
    return Collections.unmodifiableList(answers);
  }

  /** Gives what was guessed of the kit and nobody has looked at yet. */
  public Set<String> guessed() {
    return Collections.unmodifiableSet(guessed);
  }

  /** Gives what the answers change in the kit, in their order. */
  public List<KitChange> kitChanges() {
    return Collections.unmodifiableList(kitChanges);
  }

  /** Gives what was found at the places of a host board, by reference. */
  public Map<String, String> surveyed() {
    return surveyed;
  }

  /** Gives how the holes of a host board were last seen, by {@code REF.PIN}. */
  public Map<String, String> holes() {
    return holes;
  }

  /** Gives the places looked at on bare boards, as {@code board/spot}, and whether all was well. */
  public Map<String, Boolean> lookedOver() {
    return lookedOver;
  }

  /** Gives the lines whose strips are snapped. */
  public Set<String> snapped() {
    return snapped;
  }

  /** Gives the choice by option, of those decided. */
  public Map<String, String> choices() {
    return choices;
  }

  /** Gives the steps moved by hand, in the order of the moves. */
  public List<BuildEvent.Moved> moved() {
    return moved;
  }

  /** Gives the school taken. */
  public Optional<String> school() {
    return Optional.ofNullable(school);
  }

  /** Gives how a board was last laid. */
  public Optional<BuildEvent.Turned> view(String board) {
    return Optional.ofNullable(views.get(board));
  }

  /** Gives the marks looked at in a step. */
  public Set<String> marksSeen(String step) {
    return marks.getOrDefault(step, Set.of());
  }

  /** Gives where cautions were acknowledged. */
  public Set<String> acknowledged() {
    return Collections.unmodifiableSet(acknowledged.keySet());
  }

  /** Gives why a person went on at each caution that was acknowledged; empty where nobody said. */
  public Map<String, String> acknowledgedWhy() {
    return Collections.unmodifiableMap(acknowledged);
  }

  /** Gives the minutes meant for an evening, 0 for no plan of evenings. */
  public int eveningMinutes() {
    return eveningMinutes;
  }

  /** Gives the lines of which one part's marks contradicted each other. */
  public Set<String> doubtfulLines() {
    return doubtfulLines;
  }

  /** Gives what was read on the module {@code ref}. */
  public Optional<BuildEvent.ModuleRead> module(String ref) {
    return Optional.ofNullable(modules.get(ref));
  }

  /** Gives the turns that a coil of a winding has. */
  public int wound(String winding, String coil) {
    return wound.getOrDefault(winding + "/" + coil, 0);
  }

  /** Tells whether a coil was measured from end to end and its wire is joined at both. */
  public boolean isThrough(String winding, String coil) {
    return coiled.getOrDefault(winding + "/" + coil, false);
  }

  /** Gives the colour in which the lights of a line were last seen to shine; empty for dark. */
  public Optional<String> tried(String line) {
    return Optional.ofNullable(tried.get(line));
  }

  /** Gives what was seen at joints, by {@code REF.PIN}. */
  public Map<String, String> joints() {
    return joints;
  }

  /** Gives the steps of the plan that are done. */
  public Set<String> doneSteps() {
    return doneSteps;
  }

  /** Gives the parts that are on the board. */
  public Set<String> fittedRefs() {
    return fittedRefs;
  }

  /** Gives the reasons of the parts that are left out. */
  public Map<String, String> leftOut() {
    return leftOut;
  }

  /** Gives what is said of the parts in whose place another was fitted. */
  public Map<String, String> replaced() {
    return replaced;
  }

  /**
   * Tells whether a step of the plan is done: written down as done, or all its parts are fitted or
   * left out one by one.
   */
  public boolean isDone(String step, List<String> refs) {
    return doneSteps.contains(step)
        || leftOut.containsKey(step)
        || !refs.isEmpty()
            && !step.contains("@")
            && refs.stream().allMatch(ref -> fittedRefs.contains(ref) || leftOut.containsKey(ref));
  }

  /** Gives the last reading by gate. */
  public Map<String, BuildEvent.GateRead> gateReadings() {
    return gateReadings;
  }

  /** Gives the readings that passed, by gate. */
  public Map<String, Double> passedGates() {
    return passedGates;
  }

  /** Gives the reasons of the gates that were passed without their reading. */
  public Map<String, String> overriddenGates() {
    return overriddenGates;
  }

  /** Tells whether a gate is open: passed with its reading, or overridden with a reason. */
  public boolean gateOpen(String gate) {
    return passedGates.containsKey(gate) || overriddenGates.containsKey(gate);
  }

  /** Gives what was read and seen in a state since the last fault was found. */
  public List<String> observed(String state) {
    return observed.getOrDefault(state, List.of());
  }

  /** Gives the faults that were found, in the order found. */
  public List<BuildEvent.Mended> mended() {
    return mended;
  }

  /** Gives the fault hidden on the practice bench and not found yet. */
  public Optional<BuildEvent.FaultHidden> hidden() {
    return Optional.ofNullable(hidden).filter(h -> !h.fault().isEmpty());
  }

  /** Gives whether what was loaded began by itself after power was off, by image. */
  public Map<String, Boolean> started() {
    return started;
  }

  /** Gives what was loaded, by image. */
  public Map<String, BuildEvent.Loaded> loaded() {
    return loaded;
  }

  /** Gives what was seen of a peripheral, or set at it: the last of each name. */
  public Map<String, String> facts(String peripheral) {
    return Collections.unmodifiableMap(facts.getOrDefault(peripheral, Map.of()));
  }

  /** Gives the peripherals that are awake. */
  public Set<String> awake() {
    return awake;
  }

  /** Tells whether the case is closed: the build is over. */
  public boolean isClosed() {
    return closed.contains(BuildEvent.Closed.LAST);
  }

  /** Gives the steps of closing that are done. */
  public Set<String> closed() {
    return closed;
  }

  /**
   * Gives the time at the bench since {@code from}, pauses of more than twenty minutes left out.
   */
  public Duration benchTime(Instant from) {
    Duration total = Duration.ZERO;
    Instant last = null;
    for (BuildEvent.Entry entry : entries) {
      boolean came = entry.event() instanceof BuildEvent.CameAlong;
      if (last != null && !came && !entry.at().isBefore(from)) {
        Duration gap = Duration.between(last, entry.at());
        if (!gap.isNegative() && gap.compareTo(LONGEST_PAUSE) <= 0) {
          total = total.plus(gap);
        }
      }
      last = entry.at();
    }
    return total;
  }
}
