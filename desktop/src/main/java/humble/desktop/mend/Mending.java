package humble.desktop.mend;

import humble.bench.SimulatedBoard;
import humble.core.build.BuildEvent;
import humble.core.kit.BoardState;
import humble.core.mend.Diagnosis;
import humble.core.mend.Measure;
import humble.desktop.hand.Seat;
import humble.desktop.session.OpenBuild;
import humble.desktop.stage.StageId;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/** A search for a fault, from how the board stands to what it was: what its hands share. */
final class Mending {
  private final OpenBuild open;
  private final Seat seat;
  private final StageId from;
  private final Ending ending;
  private final StateChoice states;
  private final Dial dial;
  private @Nullable Search search;
  private boolean naming;
  private String over = "";

  Mending(OpenBuild open, Seat seat, StageId from) {
    this.open = open;
    this.seat = seat;
    this.from = from;
    this.ending = new Ending(open, seat.words());
    this.states = new StateChoice(open, seat.words());
    this.dial = new Dial(open);
    open.build()
        .hidden()
        .flatMap(h -> open.kit().state(h.state()))
        .filter(state -> !open.build().observed(state.id()).isEmpty())
        .ifPresent(state -> begin(state, 0));
  }

  /** Begins in a state; with a level above 0 a fault is hidden on the practice bench first. */
  void begin(BoardState state, int level) {
    cancel();
    search = new Search(open, state, level);
  }

  /** Calls off whatever is being worked out. */
  void cancel() {
    Search now = search;
    if (now != null) {
      now.cancel();
    }
  }

  /** Goes back to where it was called from. */
  void leave() {
    cancel();
    seat.desk().go(from);
  }

  OpenBuild open() {
    return open;
  }

  Seat seat() {
    return seat;
  }

  Ending ending() {
    return ending;
  }

  StateChoice states() {
    return states;
  }

  Dial dial() {
    return dial;
  }

  Optional<Search> search() {
    return Optional.ofNullable(search);
  }

  /** Gives what is said at the end; empty before. */
  String over() {
    return over;
  }

  void over(String said) {
    over = said;
  }

  /** Tells whether the person says what it is, before the readings do. */
  boolean naming() {
    return naming;
  }

  void naming(boolean on) {
    naming = on;
  }

  /** Tells whether the meter waits for probes on two pads. */
  boolean dialled() {
    return dial.at() != Dial.At.VOLTS
        && !naming
        && search().filter(now -> now.own().isEmpty()).isPresent();
  }

  /** Gives what is to be measured: one's own choice, else the advice. */
  Optional<Measure> asked() {
    return search()
        .flatMap(now ->
            now.own()
                .or(() -> now.known().flatMap(Diagnosis.Known::next).map(Diagnosis.Next::measure)));
  }

  /** Gives the simulated board; none while the practice bench is off. */
  Optional<SimulatedBoard> practised() {
    return search().flatMap(now -> open.practised(now.state()));
  }

  /** Makes ready for the next measurement. */
  void next() {
    search().ifPresent(now -> now.own(null));
    dial.reset();
    seat.typed().clear();
  }

  /**
   * Takes the last observation or turn of the board back and stays; what came before it is taken
   * back elsewhere.
   */
  void takeBack() {
    List<BuildEvent.Entry> entries = open.build().inForce();
    boolean here =
        search != null
            && over.isEmpty()
            && !entries.isEmpty()
            && (entries.getLast().event() instanceof BuildEvent.Observed
                || entries.getLast().event() instanceof BuildEvent.Turned);
    if (here) {
      open.takeBack();
    } else {
      seat.desk().back();
    }
  }
}
