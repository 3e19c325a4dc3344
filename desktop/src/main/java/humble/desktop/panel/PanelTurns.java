package humble.desktop.panel;

import humble.core.build.BuildEvent;
import humble.core.firmware.ToggleWork;
import humble.core.kit.Panel;
import humble.core.kit.Toggled;
import humble.desktop.hand.Seat;
import humble.desktop.hand.StopHand;
import humble.desktop.hand.Turn;
import humble.desktop.session.OpenBuild;
import humble.desktop.session.Progress;
import humble.desktop.stage.Card;
import humble.desktop.stage.Standing;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/** The turns of the programs that are toggled in, one row after the other. */
public final class PanelTurns {
  private final @Nullable PanelBench bench;
  private final OpenBuild open;
  private final Seat seat;

  /** Makes them; a kit without a front panel has none. */
  public PanelTurns(OpenBuild open, Seat seat) {
    this.open = open;
    this.seat = seat;
    Panel panel = open.kit().firmware().panel();
    this.bench = panel == null ? null : new PanelBench(open, seat, panel);
  }

  /** Tells whether there is nothing to toggle in at all. */
  public boolean isEmpty() {
    return bench == null || open.kit().firmware().toggled().isEmpty();
  }

  /** Reads the listings, in the background. */
  public void read() {
    PanelBench now = bench;
    if (now != null) {
      now.read();
    }
  }

  private record Doing(String program, Object what) {}

  /** Gives whose turn it is; empty when nothing is left that may come now. */
  public Optional<Turn> next() {
    PanelBench at = bench;
    return at == null ? Optional.empty() : at.now().map(program -> next(at, program));
  }

  private Turn next(PanelBench at, Toggled program) {
    return StopHand.before(
            List.of(program.id()),
            seat,
            open,
            seat.say("panel.kicker", program.id()),
            program.title(),
            () -> PanelMat.of(at, program, PanelMat.Look.PLAIN))
        .orElseGet(() -> turn(at, program));
  }

  private Turn turn(PanelBench at, Toggled program) {
    if (!at.isBegun(program) || !at.trouble(program).isEmpty()) {
      return new Turn(new Doing(program.id(), "begin"), () -> new BeginHand(at, program));
    }
    boolean odd = open.build().toggled(program.id()).shown().filter(s -> !s.good()).isPresent();
    ToggleWork.Step step = at.next(program);
    return new Turn(
        new Doing(program.id(), odd && isRun(step) ? at.isAgain(program) : step),
        () ->
            switch (step) {
              case ToggleWork.Step.Go go -> new GoHand(at, program, go.row());
              case ToggleWork.Step.Put put -> new PutHand(at, program, put);
              case ToggleWork.Step.Read read -> new ReadBackHand(at, program, read);
              case ToggleWork.Step.Run run ->
                  odd && !at.isAgain(program) ? new OddHand(at, program) : new RunHand(at, program);
            });
  }

  private static boolean isRun(ToggleWork.Step step) {
    return step instanceof ToggleWork.Step.Run;
  }

  /** Adds a row for every program: what it showed, or what it waits for. */
  public void rows(Card.Maker card) {
    PanelBench at = bench;
    if (at != null) {
      open.kit().firmware().toggled().forEach(program -> row(card, at, program));
    }
  }

  private void row(Card.Maker card, PanelBench at, Toggled program) {
    Optional<BuildEvent.ProgramShown> shown = open.build().toggled(program.id()).shown();
    List<String> waits = at.waits(program);
    if (shown.isPresent()) {
      card.row(
          shown.get().good() ? Standing.DONE : Standing.DEVIATED,
          seat.say(shown.get().good() ? "panel.row.done" : "panel.row.odd", program.title()));
    } else {
      card.row(
          Standing.TO_DO,
          waits.isEmpty()
              ? seat.say("panel.row.open", program.title())
              : seat.say("panel.row.waits", program.title(), String.join(", ", waits)));
    }
  }

  /** Tells whether every program ran as it should. */
  public boolean isDone() {
    return open.kit().firmware().toggled().stream()
        .allMatch(each -> Progress.ran(open.build(), each));
  }

  /** Tells whether a program waits for something that is not awake yet. */
  public boolean waits() {
    PanelBench at = bench;
    return at != null
        && open.kit().firmware().toggled().stream().anyMatch(each -> !at.waits(each).isEmpty());
  }

  /** It is left. */
  public void left() {
    PanelBench at = bench;
    if (at != null) {
      at.practice().cancel();
    }
  }
}
