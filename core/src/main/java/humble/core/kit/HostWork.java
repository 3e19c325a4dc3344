package humble.core.kit;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;

/**
 * The steps that follow from a board that was there before the kit: its holes are cleared for what
 * goes on, and what was bared is coated again.
 */
public final class HostWork {
  /** Stands before the board in the id of the step that clears its holes. */
  public static final String CLEARS = "clear:";

  /** Stands before the board in the id of the step that coats it again. */
  public static final String RECOATS = "recoat:";

  private static final double PART_OFF_MIN = 1.5;
  private static final double HOLE_MIN = 0.5;
  private static final double COAT_MIN = 10;

  private static final Set<TaskKind> BEFORE_ANY_SOLDER =
      EnumSet.of(TaskKind.PREPARE, TaskKind.REMOVE, TaskKind.INSPECT);

  private final Kit kit;
  private final Map<String, Place> placeOf = new HashMap<>();

  private HostWork(Kit kit) {
    this.kit = kit;
    kit.places().forEach(place -> placeOf.putIfAbsent(place.ref(), place));
  }

  static List<Task> of(Kit kit) {
    if (kit.boards().stream().noneMatch(Board::host)) {
      return List.of();
    }
    HostWork work = new HostWork(kit);
    List<Task> tasks = new ArrayList<>();
    for (Board board : kit.boards()) {
      if (board.host()) {
        work.clearing(board, tasks);
        work.coating(board, tasks);
      }
    }
    return tasks;
  }

  /** Gives the board whose holes a step clears; empty for any other step. */
  public static java.util.Optional<Board> cleared(Kit kit, String step) {
    return step.startsWith(CLEARS)
        ? kit.board(step.substring(CLEARS.length())).filter(Board::host)
        : java.util.Optional.empty();
  }

  private boolean isOn(Board board, String ref) {
    Place place = placeOf.get(ref);
    return place != null && place.board().equals(board.id());
  }

  private Set<String> on(Board board, boolean bagged) {
    Set<String> refs = new TreeSet<>(RefOrder.NATURAL);
    for (Line line : kit.lines()) {
      if (bagged ? !line.isOnBoard() : line.particulars().comesOff()) {
        line.refs().stream().filter(ref -> isOn(board, ref)).forEach(refs::add);
      }
    }
    return refs;
  }

  private int pins(String ref) {
    return kit.lineOf(ref)
        .flatMap(line -> kit.packageNamed(line.packageId()))
        .map(pack -> pack.pins().size())
        .orElse(0);
  }

  private void clearing(Board board, Set<String> off, Set<String> goes, List<Task> tasks) {
    Set<String> before = new LinkedHashSet<>(goes);
    for (WireRun wire : kit.handwork().wires()) {
      boolean here =
          List.of(wire.from(), wire.to()).stream()
              .flatMap(end -> PinRef.parse(end).stream())
              .anyMatch(pin -> off.contains(pin.ref()));
      if (here && !wire.task().isEmpty()) {
        before.add(wire.task());
      }
    }
    List<String> after =
        kit.tasks().stream()
            .filter(task -> task.kind() == TaskKind.REMOVE && isBeforeAnySolder(task))
            .map(Task::id)
            .toList();
    int holes = off.stream().mapToInt(this::pins).sum() + goes.stream().mapToInt(this::pins).sum();
    tasks.add(
        new Task(
            CLEARS + board.id(),
            TaskKind.REMOVE,
            "Clear the holes of “" + board.id() + "” for what goes on it",
            off.size() * PART_OFF_MIN + holes * HOLE_MIN,
            0,
            after,
            List.copyOf(before)));
  }

  private void clearing(Board board, List<Task> tasks) {
    Set<String> off = on(board, false);
    Set<String> goes = on(board, true);
    if (!off.isEmpty() || !goes.isEmpty()) {
      clearing(board, off, goes, tasks);
    }
  }

  /** A task that takes something off later on, such as a film, has nothing to do with holes. */
  private boolean isBeforeAnySolder(Task task) {
    return task.after().stream()
        .allMatch(name ->
            kit.tasks().stream()
                .anyMatch(
                    each -> each.id().equals(name) && BEFORE_ANY_SOLDER.contains(each.kind())));
  }

  /** A kit that says itself what is coated, and when, is not told. */
  private void coating(Board board, List<Task> tasks) {
    boolean told = kit.tasks().stream().anyMatch(task -> task.kind() == TaskKind.COAT);
    boolean bared = !on(board, false).isEmpty() || !on(board, true).isEmpty();
    if (board.coated() && bared && !told) {
      tasks.add(
          new Task(
              RECOATS + board.id(),
              TaskKind.COAT,
              "Coat again what was bared on “" + board.id() + "”",
              COAT_MIN,
              0,
              List.of("soldering"),
              List.of()));
    }
  }
}
