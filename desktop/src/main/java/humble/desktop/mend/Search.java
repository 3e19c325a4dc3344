package humble.desktop.mend;

import humble.bench.HiddenFault;
import humble.core.build.BuildEvent;
import humble.core.circuit.Cancelled;
import humble.core.kit.BoardState;
import humble.core.kit.Parts;
import humble.core.mend.Diagnosis;
import humble.core.mend.Habits;
import humble.core.mend.Measure;
import humble.core.mend.Observation;
import humble.core.mend.Predictions;
import humble.core.mend.Suspects;
import humble.core.mend.TwoFaults;
import humble.core.stock.Meter;
import humble.desktop.session.OpenBuild;
import java.util.HashSet;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.atomic.AtomicBoolean;
import java.util.concurrent.atomic.AtomicReference;
import org.jspecify.annotations.Nullable;

/**
 * The search for a fault in one state: made in the background, asked on the interface thread; what
 * is observed stands in the journal.
 */
final class Search {
  /** No observation reads like this. */
  private static final List<String> STALE = List.of("?");

  private final OpenBuild open;
  private final BoardState state;
  private final Runnable changed;
  private final AtomicBoolean cancelled = new AtomicBoolean();
  private final Set<Measure> outOfReach = new HashSet<>();
  private @Nullable Predictions predictions;
  private @Nullable Diagnosis diagnosis;
  private Diagnosis.@Nullable Known known;
  private List<String> knownFor = STALE;
  private List<TwoFaults.Pair> pairs = List.of();

  /** Calls off the search for pairs under way: what is read next must not wait for it. */
  private AtomicBoolean pairing = new AtomicBoolean();

  private boolean thinking;
  private @Nullable Measure own;
  private Diagnosis.@Nullable Next ownNext;
  private volatile int tried;
  private boolean ready;
  private boolean nothingToHide;

  /** Searches on the board as it is; with a {@code level} above 0 a fault is hidden on it first. */
  Search(OpenBuild open, BoardState state, Habits habits, int level, Runnable changed) {
    this.open = open;
    this.state = state;
    this.changed = changed;
    Parts parts = open.fittedParts();
    long seed = open.build().entries().size() * 7919L + level;
    long bench = open.practice().seed();
    AtomicReference<Predictions> made = new AtomicReference<>();
    AtomicReference<Diagnosis> judged = new AtomicReference<>();
    AtomicReference<HiddenFault> found = new AtomicReference<>();
    open.inBackground(
        () -> {
          try {
            Predictions predicted =
                new Predictions(parts, state, Suspects.of(parts, state, habits), cancelled::get);
            Diagnosis judge = new Diagnosis(predicted, Meter.USUAL);
            judge.suspectsAfter(List.of());
            if (level > 0) {
              HiddenFault.at(predicted, judge, level, seed, bench, this::trying)
                  .ifPresent(found::set);
            }
            made.set(predicted);
            judged.set(judge);
          } catch (Cancelled e) {
            // Whoever left has no use for what was half made.
            made.set(null);
          }
        },
        () -> {
          predictions = made.get();
          diagnosis = judged.get();
          ready = predictions != null;
          if (ready && level > 0 && !cancelled.get()) {
            hide(level, found.get());
          }
          changed.run();
        });
  }

  private boolean trying(int number) {
    tried = number;
    open.tell();
    return !cancelled.get();
  }

  private void hide(int level, @Nullable HiddenFault found) {
    nothingToHide = found == null;
    if (found != null) {
      open.act(
          new BuildEvent.FaultHidden(
              state.id(), level, found.fault().toString(), found.leastMeasurements()));
    }
  }

  /** Gives how many faults were drawn so far to find one to hide; 0 before. */
  int tried() {
    return tried;
  }

  /** Tells whether a fault was to be hidden and none of this state shows in any reading. */
  boolean nothingToHide() {
    return nothingToHide;
  }

  void cancel() {
    cancelled.set(true);
  }

  BoardState state() {
    return state;
  }

  boolean ready() {
    return ready;
  }

  /** Tells whether the circuit can be solved at all in this state. */
  boolean solvable() {
    return predictions != null && predictions.solvable();
  }

  /** Gives what was observed so far, in the order observed. */
  List<Observation> observations() {
    Parts parts = open.fittedParts();
    return open.build().observed(state.id()).stream()
        .flatMap(text ->
            Observation.reading(text, parts, state)
                .or(() -> Observation.seen(text, parts))
                .stream())
        .toList();
  }

  /** Gives what is known now; empty while it is being computed. */
  Optional<Diagnosis.Known> known() {
    List<String> now = List.copyOf(open.build().observed(state.id()));
    Diagnosis judge = diagnosis;
    if (judge != null && !now.equals(knownFor)) {
      pairing.set(true);
      if (!thinking) {
        think(judge, now);
      }
      return Optional.empty();
    }
    return Optional.ofNullable(known);
  }

  /** Gives what was known last, for the picture while the next is being computed. */
  Optional<Diagnosis.Known> lastKnown() {
    return Optional.ofNullable(known);
  }

  private void think(Diagnosis judge, List<String> now) {
    thinking = true;
    List<Observation> seen = observations();
    Set<Measure> away = Set.copyOf(outOfReach);
    AtomicReference<Diagnosis.Known> judged = new AtomicReference<>();
    pairs = List.of();
    open.inBackground(
        () -> judged.set(judge.after(seen, away)),
        () -> {
          Diagnosis.Known after = judged.get();
          known = after;
          if (after != null && !after.explained()) {
            two(judge, seen, now);
          }
          // What was left out meanwhile is asked anew.
          knownFor = away.equals(outOfReach) ? now : STALE;
          thinking = false;
          changed.run();
        });
  }

  /** Where no single fault explains what was read, two together may. */
  private void two(Diagnosis judge, List<Observation> seen, List<String> now) {
    AtomicReference<List<TwoFaults.Pair>> found = new AtomicReference<>(List.of());
    AtomicBoolean superseded = new AtomicBoolean();
    pairing = superseded;
    open.inBackground(
        () -> {
          try {
            found.set(judge.pairs(seen, () -> cancelled.get() || superseded.get()));
          } catch (Cancelled e) {
            // Whoever left, or read something new meanwhile, has no use for them.
            found.set(List.of());
          }
        },
        () -> {
          if (now.equals(knownFor)) {
            pairs = Objects.requireNonNullElse(found.get(), List.of());
            changed.run();
          }
        });
  }

  /** Gives two faults at once that explain what no single one does, once they are found. */
  List<TwoFaults.Pair> pairs() {
    return pairs;
  }

  /**
   * Takes up a measurement of one's own, or with null the advised one; what it is worth and what it
   * should read is reckoned in the background.
   */
  void own(@Nullable Measure measure) {
    own = measure;
    ownNext = null;
    Diagnosis judge = diagnosis;
    if (measure == null || judge == null) {
      return;
    }
    List<Observation> seen = observations();
    AtomicReference<Diagnosis.Next> asked = new AtomicReference<>();
    open.inBackground(
        () -> asked.set(judge.asked(measure, seen)),
        () -> {
          if (measure.equals(own)) {
            ownNext = asked.get();
            changed.run();
          }
        });
  }

  /** Gives the measurement of one's own that is under way. */
  Optional<Measure> own() {
    return Optional.ofNullable(own);
  }

  /**
   * Gives what is to be measured now and what it should read: one's own choice, else the advice.
   * Empty while that is being reckoned.
   */
  Optional<Diagnosis.Next> next() {
    return own == null ? lastKnown().flatMap(Diagnosis.Known::next) : Optional.ofNullable(ownNext);
  }

  /** Leaves a measurement out that no probe reaches. */
  void outOfReach(Measure measure) {
    outOfReach.add(measure);
    knownFor = STALE;
  }

  /** Writes an observation down. */
  void observe(String what, boolean practice) {
    open.act(new BuildEvent.Observed(state.id(), what, practice));
  }
}
