package humble.desktop.session;

import humble.core.build.Build;
import humble.core.build.BuildEvent;
import humble.core.craft.UsualCautions;
import humble.core.host.HostSurvey;
import humble.core.kit.Board;
import humble.core.kit.Choices;
import humble.core.kit.Firmware;
import humble.core.kit.Kit;
import humble.core.kit.Line;
import humble.core.kit.LookOver;
import humble.core.kit.PartKind;
import humble.core.kit.Setting;
import humble.core.kit.Task;
import humble.core.kit.TaskKind;
import humble.core.kit.Toggled;
import humble.core.power.FirstPower;
import humble.core.route.Step;
import humble.core.stock.Stocktake;
import humble.core.stock.Strips;
import humble.desktop.stage.StageId;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;

/** How far every stage of a build is, from the journal alone. */
public final class Progress {
  private Progress() {}

  /** Gives the share done of a stage, 0 to 1. */
  public static double share(OpenBuild open, StageId stage) {
    Build build = open.build();
    Kit kit = open.kit();
    return switch (stage) {
      case SHELF -> 1;
      case UNPACK -> {
        List<Stocktake.Item> items = Stocktake.items(kit, build.choices());
        List<Strips> strips = toSnap(open);
        long spots = 0;
        for (Board board : kit.boards()) {
          spots += LookOver.of(open.parts(), board).size();
        }
        List<HostSurvey.Spot> survey = HostSurvey.of(open.parts());
        int hosts = kit.hosts().isEmpty() ? 0 : 1;
        int supplies = kit.supplies().isEmpty() ? 0 : 1;
        int asked = UsualCautions.asksOf(open.written()) ? 1 : 0;
        boolean hostRead = build.host().map(host -> host.fits()).orElse(false);
        yield ratio(
            items.stream().filter(item -> build.counted().containsKey(item.id())).count()
                + strips.stream()
                    .filter(s -> build.snapped().contains(s.pieces().getFirst().line()))
                    .count()
                + Math.min(spots, build.lookedOver().size())
                + survey.stream().filter(s -> build.surveyed().containsKey(s.ref())).count()
                + (hostRead ? hosts : 0)
                + (build.dangers().isPresent() ? asked : 0)
                + (build.checked().containsKey(BuildEvent.Checked.SUPPLY) ? supplies : 0),
            items.size()
                + strips.size()
                + spots
                + survey.size()
                + hosts
                + supplies
                + asked
                + build.unseen().size());
      }
      case SORT -> {
        List<Line> lines = toSort(kit);
        yield ratio(lines.stream().filter(line -> sorted(build, line)).count(), lines.size());
      }
      case PLAN -> build.school().isPresent() ? 1 : 0;
      case FIT -> {
        List<Step> steps =
            open.plan()
                .map(plan ->
                    plan.steps().stream()
                        .filter(step -> place(open.kit(), step) == StageId.FIT)
                        .toList())
                .orElse(List.of());
        yield steps.isEmpty()
            ? (build.fittedRefs().isEmpty() ? 0 : 0.5)
            : ratio(steps.stream().filter(s -> stepDone(build, s)).count(), steps.size());
      }
      case POWER ->
          kit.gates().isEmpty()
              ? ratio(
                  open.firstPower().stream().filter(check -> isPast(build, check.id())).count(),
                  open.firstPower().size())
              : ratio(
                  kit.gates().stream().filter(gate -> build.gateOpen(gate.id())).count(),
                  kit.gates().size());
      case LOAD -> load(open, kit.firmware().toggled());
      case WAKE ->
          withTasks(
              open,
              stage,
              kit.peripherals().stream().filter(p -> build.awake().contains(p.id())).count()
                  + build.finished().over(kit.finishing()).size(),
              (long) kit.peripherals().size() + kit.finishing().ids().size());
      case CLOSE ->
          build.isClosed()
              ? 1
              : withTasks(
                  open,
                  stage,
                  build.closed().size(),
                  2 + kit.casing().map(c -> c.screws().size()).orElse(0));
      case BOOK -> build.isClosed() ? 1 : 0;
    };
  }

  /** Tells whether a kit gives a stage anything to do; what has nothing is not done either. */
  public static boolean hasWork(OpenBuild open, StageId stage) {
    Kit kit = open.kit();
    return switch (stage) {
      case SORT -> !toSort(kit).isEmpty();
      case POWER -> !kit.gates().isEmpty() || !open.firstPower().isEmpty();
      case LOAD ->
          !kit.firmware().images().isEmpty()
              || !kit.firmware().toggled().isEmpty()
              || !kit.firmware().settings().isEmpty()
              || !kit.firmware().beside().isEmpty()
              || hasTask(kit, TaskKind.LOAD);
      case WAKE ->
          !kit.peripherals().isEmpty()
              || !kit.finishing().ids().isEmpty()
              || hasTask(kit, TaskKind.TEST);
      case SHELF, UNPACK, PLAN, FIT, CLOSE, BOOK -> true;
    };
  }

  /** What is toggled in counts with the programs that are sent. */
  private static double load(OpenBuild open, List<Toggled> toggled) {
    Build build = open.build();
    List<Firmware.Image> images = open.kit().firmware().images();
    List<String> beside = open.kit().firmware().beside().ids();
    // With programs in, nothing asks for what was left beside them any more.
    List<Setting> settings = images.isEmpty() ? open.kit().firmware().settings() : List.of();
    return withTasks(
        open,
        StageId.LOAD,
        images.stream().filter(image -> build.loaded().containsKey(image.id())).count()
            + toggled.stream().filter(each -> ran(build, each)).count()
            + beside.stream().filter(id -> isWell(build, id)).count()
            + settings.stream().filter(each -> isMade(build, each)).count(),
        (long) images.size() + toggled.size() + beside.size() + settings.size());
  }

  private static boolean isWell(Build build, String beside) {
    BuildEvent.BesideDone done = build.beside().get(beside);
    return done != null && done.good();
  }

  /** One that was left counts where nobody has to make it. */
  private static boolean isMade(Build build, Setting setting) {
    String made = build.settings().get(setting.id());
    return made != null && (!made.isEmpty() || !setting.required());
  }

  /** Tells whether all that is left in a stage waits for a later one. */
  private static boolean waits(OpenBuild open, StageId stage) {
    return stage == StageId.LOAD && load(open, toggled(open)) >= 1;
  }

  /** Gives the programs whose turn it is to be toggled in: what they need is awake. */
  public static List<Toggled> toggled(OpenBuild open) {
    Build build = open.build();
    return open.kit().firmware().toggled().stream()
        .filter(each ->
            each.after().stream().allMatch(id -> build.awake().contains(id) || build.gateOpen(id)))
        .toList();
  }

  /** Tells whether a program that was toggled in ran as it should. */
  public static boolean ran(Build build, Toggled program) {
    return build.toggled(program.id()).shown().filter(BuildEvent.ProgramShown::good).isPresent();
  }

  private static boolean hasTask(Kit kit, TaskKind kind) {
    return kit.tasks().stream().anyMatch(task -> task.kind() == kind);
  }

  private static double withTasks(OpenBuild open, StageId stage, long done, long all) {
    List<Step> steps =
        open.plan()
            .map(plan ->
                plan.steps().stream().filter(step -> place(open.kit(), step) == stage).toList())
            .orElse(List.of());
    long more = steps.stream().filter(step -> stepDone(open.build(), step)).count();
    return ratio(done + more, all + steps.size());
  }

  /** Gives the stage in which a step of the plan is done. */
  public static StageId place(Kit kit, Step step) {
    return switch (step.act()) {
      case GATE -> StageId.POWER;
      case TASK ->
          switch (kit.task(step.id()).map(Task::kind).orElse(TaskKind.PREPARE)) {
            case LOAD -> StageId.LOAD;
            case TEST -> StageId.WAKE;
            case GLUE, CASE -> StageId.CLOSE;
            case INSPECT,
                PREPARE,
                REMOVE,
                WIND,
                WIRE,
                LINK,
                TRIM,
                CLEAN,
                COAT,
                FIT_PANEL,
                ALIGN,
                MEASURE,
                CONFIGURE ->
                StageId.FIT;
          };
      case FIT, INSERT, REMOVE, TURN, CHOOSE -> StageId.FIT;
    };
  }

  private static double ratio(long done, long all) {
    return all == 0 ? 1 : (double) done / all;
  }

  /** Gives the strips that have to be snapped, of those that were counted and are in the bag. */
  public static List<Strips> toSnap(OpenBuild open) {
    Build build = open.build();
    return Strips.of(open.kit(), Choices.leftOut(open.kit(), build.choices())).stream()
        .filter(strips -> !strips.pieces().isEmpty() && strips.isSnapped())
        .filter(strips -> strips.snapping().isPresent())
        .filter(strips -> build.counted().getOrDefault(strips.pieces().getFirst().line(), 0) > 0)
        .toList();
  }

  /** Gives the lines whose parts are told apart by the meter. */
  public static List<Line> toSort(Kit kit) {
    return kit.bagged().stream()
        .filter(line -> line.kind() == PartKind.RESISTOR && line.bands() > 0)
        .toList();
  }

  /** Tells whether the pile of a line is known, by the meter or by its bands. */
  public static boolean sorted(Build build, Line line) {
    return build.measured().containsKey(line.id()) || build.bandsRead().contains(line.id());
  }

  /** Tells whether a step of the plan is done. */
  public static boolean stepDone(Build build, Step step) {
    return switch (step.act()) {
      case GATE -> build.gateOpen(step.id());
      case CHOOSE -> build.choices().containsKey(step.id());
      case FIT, INSERT -> build.isDone(step.id(), step.refs());
      case TASK, TURN, REMOVE -> build.doneSteps().contains(step.id());
    };
  }

  /** Gives the first stage that is not done. */
  public static StageId current(OpenBuild open) {
    if (open.build().isClosed()) {
      return StageId.BOOK;
    }
    for (StageId stage : StageId.values()) {
      if (stage == StageId.FIT && open.build().school().isPresent()) {
        StageId next =
            step(open)
                .filter(step -> !closes(open, step))
                .map(step -> place(open.kit(), step))
                .orElse(stage);
        if (next != StageId.FIT) {
          return next;
        }
      }
      if (share(open, stage) < 1 && !waits(open, stage)) {
        return stage;
      }
    }
    return StageId.BOOK;
  }

  /** Tells whether a step belongs to the case: what is left to load or to wake comes before it. */
  public static boolean closes(OpenBuild open, Step step) {
    return place(open.kit(), step) == StageId.CLOSE;
  }

  /** Gives the first step of the plan that is not done. */
  public static Optional<Step> step(OpenBuild open) {
    return open.plan()
        .flatMap(plan ->
            plan.steps().stream().filter(step -> !stepDone(open.build(), step)).findFirst());
  }

  /** Gives the next check of first power, where a kit has no gate to read. */
  public static Optional<FirstPower.Check> nextCheck(OpenBuild open) {
    return open.firstPower().stream()
        .filter(check -> !isPast(open.build(), check.id()))
        .findFirst();
  }

  /** Tells whether a check was as it should be, or was gone past with a reason. */
  private static boolean isPast(Build build, String check) {
    return build.checked().getOrDefault(check, false) || build.overriddenGates().containsKey(check);
  }

  /**
   * Tells whether a step puts a chip into a socket that has not been powered empty, or tries or
   * loads what has not been powered at all.
   */
  public static boolean waitsForFirstPower(OpenBuild open, Step step) {
    StageId place = place(open.kit(), step);
    if (open.kit().firmware().earlyImage(step.id()).isPresent()) {
      return false;
    }
    if (place == StageId.WAKE || place == StageId.LOAD) {
      return nextCheck(open).isPresent();
    }
    return step.act() == Step.Act.INSERT
        && Stream.concat(
                step.refs().stream().flatMap(ref -> open.kit().lineOf(ref).stream()),
                open.kit().line(step.line()).stream())
            .anyMatch(line -> line.kind() != PartKind.BATTERY)
        && nextCheck(open).filter(FirstPower.Check::isBeforeChips).isPresent();
  }

  /** Tells whether chips still have to go into their sockets. */
  public static boolean chipsWait(OpenBuild open) {
    return open.plan()
        .map(plan ->
            plan.steps().stream()
                .anyMatch(step -> step.act() == Step.Act.INSERT && !stepDone(open.build(), step)))
        .orElse(false);
  }

  /** Gives the gate that the next step of the plan is. */
  public static Optional<String> nextGate(OpenBuild open) {
    return step(open).filter(step -> step.act() == Step.Act.GATE).map(Step::id);
  }
}
