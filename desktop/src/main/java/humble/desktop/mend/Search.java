package humble.desktop.mend;

import humble.bench.HiddenFault;
import humble.core.build.BuildEvent;
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
import humble.core.stock.MeterProfile;
import humble.desktop.session.Errand;
import humble.desktop.session.OpenBuild;
import humble.desktop.session.Works;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.BooleanSupplier;
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
  private final Works works;
  private final List<Errand<?>> errands = new ArrayList<>();
  private final Set<Measure> outOfReach = new HashSet<>();
  private @Nullable Predictions predictions;
  private @Nullable Diagnosis diagnosis;
  private Diagnosis.@Nullable Known known;
  private List<String> knownFor = STALE;
  private List<TwoFaults.Pair> pairs = List.of();

  private Errand<?> thinking = Errand.over();

  /** The search for pairs under way: what is read next must not wait for it. */
  private Errand<?> pairing = Errand.over();

  private @Nullable Measure own;
  private Diagnosis.@Nullable Next ownNext;
  private volatile int tried;
  private boolean nothingToHide;

  /** Searches on the board as it is; with a {@code level} above 0 a fault is hidden on it first. */
  Search(OpenBuild open, BoardState state, int level) {
    this.open = open;
    this.state = state;
    this.works = open.works();
    Parts parts = open.built();
    Habits habits = open.habits();
    Map<String, String> joints = Map.copyOf(open.build().joints());
    Meter meter =
        open.build().meter().flatMap(MeterProfile::named).orElse(MeterProfile.USUAL).anyRange();
    long seed = open.build().entries().size() * 7919L + level;
    long bench = open.practice().seed();
    own(
        works.start(
            calledOff -> {
              Predictions predicted =
                  new Predictions(
                      parts, state, Suspects.of(parts, state, habits, joints), calledOff);
              Diagnosis judge = new Diagnosis(predicted, meter);
              judge.suspectsAfter(List.of());
              Optional<HiddenFault> hidden =
                  level == 0
                      ? Optional.empty()
                      : HiddenFault.at(
                          predicted, judge, level, seed, bench, n -> trying(n, calledOff));
              return new Begun(predicted, judge, hidden);
            },
            begun -> {
              predictions = begun.predictions();
              diagnosis = begun.judge();
              if (level > 0) {
                hide(level, begun.hidden().orElse(null));
              }
            }));
  }

  private record Begun(Predictions predictions, Diagnosis judge, Optional<HiddenFault> hidden) {}

  private <T> Errand<T> own(Errand<T> errand) {
    errands.removeIf(each -> !each.isRunning() && each.failed().isEmpty());
    errands.add(errand);
    return errand;
  }

  /** Gives one sentence about what failed in working it out; empty when nothing did. */
  Optional<String> failed() {
    return errands.stream().flatMap(errand -> errand.failed().stream()).findFirst();
  }

  private boolean trying(int number, BooleanSupplier calledOff) {
    tried = number;
    works.tell();
    return !calledOff.getAsBoolean();
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

  /** Leaves it: nothing that is still being worked out has any effect. */
  void cancel() {
    errands.forEach(Errand::cancel);
  }

  BoardState state() {
    return state;
  }

  boolean ready() {
    return predictions != null;
  }

  /** Tells whether the circuit can be solved at all in this state. */
  boolean solvable() {
    return predictions != null && predictions.solvable();
  }

  /** Gives what was observed so far, in the order observed. */
  List<Observation> observations() {
    Parts parts = open.built();
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
      pairing.cancel();
      if (!thinking.isRunning()) {
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
    List<Observation> seen = observations();
    Set<Measure> away = Set.copyOf(outOfReach);
    pairs = List.of();
    thinking =
        own(
            works.start(
                calledOff -> judge.after(seen, away),
                after -> {
                  known = after;
                  if (!after.explained()) {
                    two(judge, seen, now);
                  }
                  // What was left out meanwhile is asked anew.
                  knownFor = away.equals(outOfReach) ? now : STALE;
                }));
  }

  /** Where no single fault explains what was read, two together may. */
  private void two(Diagnosis judge, List<Observation> seen, List<String> now) {
    pairing =
        own(
            works.start(
                calledOff -> judge.pairs(seen, calledOff),
                found -> {
                  if (now.equals(knownFor)) {
                    pairs = found;
                  }
                }));
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
    own(
        works.start(
            calledOff -> judge.asked(measure, seen),
            asked -> {
              if (measure.equals(own)) {
                ownNext = asked;
              }
            }));
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
