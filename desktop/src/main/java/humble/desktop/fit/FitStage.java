package humble.desktop.fit;

import humble.core.kit.ModuleRows;
import humble.core.kit.Part;
import humble.core.kit.Task;
import humble.core.kit.TaskKind;
import humble.core.kit.Winding;
import humble.core.route.Step;
import humble.desktop.draw.Mat;
import humble.desktop.hand.HandStage;
import humble.desktop.hand.PlanningHand;
import humble.desktop.hand.StopHand;
import humble.desktop.hand.Turn;
import humble.desktop.session.OpenBuild;
import humble.desktop.session.Progress;
import humble.desktop.stage.Desk;
import humble.desktop.stage.StageId;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/**
 * Fits part by part, in the order of the plan: which way round, how to hold it, what to look at.
 */
public final class FitStage extends HandStage {
  private final OpenBuild open;
  private final BoardInHand board;

  /** Id of the step whose bag was taken out of its order; empty for none. */
  private String taken = "";

  /** Modules whose labels meet no row and that are wired by hand. */
  private final Set<String> byHand = new HashSet<>();

  /** Makes the stage. */
  public FitStage(OpenBuild open, Desk desk) {
    super(desk);
    this.open = open;
    this.board = new BoardInHand(open, seat);
  }

  @Override
  protected Turn turn() {
    if (open.plan().isEmpty()) {
      return PlanningHand.turn(seat, open, seat.say("fit.kicker.plain"), this::picture);
    }
    return step()
        .map(this::turn)
        .orElseGet(() -> new Turn("done", () -> new AllFittedHand(seat, open, board)));
  }

  /** The bag in hand, when one was taken out of its order, else the next of the plan. */
  private Optional<Step> step() {
    return open.plan()
        .flatMap(plan ->
            plan.steps().stream()
                .filter(step -> step.id().equals(taken))
                .filter(step -> !Progress.stepDone(open.build(), step))
                .findFirst())
        .or(() -> Progress.step(open).filter(step -> !Progress.closes(open, step)));
  }

  private Mat picture() {
    Optional<Step> step = step();
    return board.mat(step, step.flatMap(s -> s.refs().stream().findFirst()), Optional.empty());
  }

  private Turn turn(Step step) {
    StepHand.Of of =
        new StepHand.Of(seat, open, step, board, this::layOver, bag -> taken = bag.id());
    return StopHand.before(
            StepHand.names(step),
            seat,
            open,
            StepHand.kicker(seat, open, step),
            step(of).title(),
            this::picture)
        .or(() -> wind(step))
        .or(() -> labels(step))
        .or(() -> lit(of))
        .or(() -> through(of))
        .orElseGet(() ->
            new Turn(new Named(step, Progress.waitsForFirstPower(open, step)), () -> step(of)));
  }

  private record Named(Step step, boolean waits) {}

  private static StepHand step(StepHand.Of of) {
    return switch (of.step().act()) {
      case FIT, INSERT ->
          Progress.waitsForFirstPower(of.open(), of.step())
              ? new FirstPowerHand(of)
              : of.step().isByCount()
                  ? new ByCountHand(of)
                  : PasteHand.isPasted(of.open(), of.step()) ? new PasteHand(of) : new PartHand(of);
      case GATE -> new ElsewhereHand(of);
      case TASK ->
          Progress.place(of.open().kit(), of.step()) == StageId.FIT
              ? ClearHand.is(of) ? new ClearHand(of) : new TaskHand(of)
              : Progress.waitsForFirstPower(of.open(), of.step())
                  ? new FirstPowerHand(of)
                  : new ElsewhereHand(of);
      case REMOVE -> new TakeOutHand(of);
      case TURN -> new TurnHand(of);
      case CHOOSE -> new ChooseHand(of);
    };
  }

  /** A coil is wound before it is fitted, or when its task comes. */
  private Optional<Turn> wind(Step step) {
    Optional<Winding> winding =
        step.act() == Step.Act.TASK
            ? open.kit()
                .task(step.id())
                .filter(t -> t.kind() == TaskKind.WIND)
                .flatMap(this::unwound)
            : step.refs().stream()
                .flatMap(ref -> open.kit().handwork().windingOf(ref).stream())
                .filter(w -> !WindHand.isWound(open, w))
                .findFirst();
    return winding
        .filter(w -> !WindHand.isWound(open, w))
        .map(w -> new Turn(w, () -> new WindHand(seat, open, w)));
  }

  private static String first(Step step) {
    return step.refs().isEmpty() ? "" : step.refs().getFirst();
  }

  private Optional<Winding> unwound(Task task) {
    List<Winding> windings = open.kit().handwork().windings();
    return windings.stream()
        .filter(winding -> task.before().contains(winding.ref()))
        .findFirst()
        .or(() -> windings.stream().filter(w -> !WindHand.isWound(open, w)).findFirst());
  }

  /** The colour of a clear lens shows only when it is lit. */
  private Optional<Turn> lit(StepHand.Of of) {
    Step step = of.step();
    return step.act() == Step.Act.FIT
        ? open.built()
            .part(first(step))
            .map(Part::line)
            .filter(line -> line.isLitToBeKnown() && !TryHand.isTried(open, line))
            .map(line -> new Turn(line, () -> new TryHand(of, line)))
        : Optional.empty();
  }

  private Optional<Turn> through(StepHand.Of of) {
    return open.build().marksSeen(of.step().id()).contains(ThroughHand.SOLDERED)
        ? ThroughHand.next(open, of.step())
            .map(coil -> new Turn(coil, () -> new ThroughHand(of, coil)))
        : Optional.empty();
  }

  /** A module's labels are read before it is fitted. */
  private Optional<Turn> labels(Step step) {
    return open.kit()
        .handwork()
        .rowsOf(first(step))
        .filter(rows -> ModuleHand.canBeTyped(rows) && !ModuleHand.isRead(open, rows))
        .filter(rows -> !byHand.contains(rows.ref()))
        .map(this::labels);
  }

  private Turn labels(ModuleRows rows) {
    return new Turn(rows, () -> new ModuleHand(seat, open, rows, () -> byHand.add(rows.ref())));
  }
}
