package humble.desktop.fit;

import humble.core.craft.Inspection;
import humble.core.craft.WireTable;
import humble.core.host.Bared;
import humble.core.kit.Board;
import humble.core.kit.PinRef;
import humble.core.kit.RefOrder;
import humble.core.kit.Side;
import humble.core.kit.Task;
import humble.core.kit.TaskKind;
import humble.core.kit.WireRun;
import humble.core.orient.BoardView;
import humble.desktop.draw.Mat;
import humble.desktop.hand.StageTask;
import humble.desktop.stage.Card;
import humble.desktop.stage.Standing;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Pattern;

/** Work that is not the fitting of a part: cleaning, wiring, looking joints over. */
final class TaskHand extends StepHand {
  private static final int MOST_CLEAR = 3;

  private boolean looked;

  TaskHand(Of of) {
    super(of);
  }

  /** What is peeled off and not soldered off. */
  private static final Pattern PEELS =
      Pattern.compile("\\b(peel|film|foil|tape|sticker|backing)", Pattern.CASE_INSENSITIVE);

  @Override
  String title() {
    return say("fit.task");
  }

  private Optional<Task> task() {
    return open.kit().task(step.id());
  }

  private Inspection inspection() {
    return Inspection.of(open.built(), board.view().board().id(), open.build().fittedRefs());
  }

  @Override
  public Card card() {
    Card.Maker card = begun();
    task().ifPresent(task -> lines(card, task));
    caution(card);
    why(card);
    boolean looks = task().filter(task -> task.kind() == TaskKind.INSPECT).isPresent();
    Inspection inspection = inspection();
    int joints = inspection.joints().size();
    if (looks && joints > 0) {
      long good = InspectHand.good(open, inspection);
      card.row(
          good == joints ? Standing.DONE : Standing.TO_DO, say("fit.inspect.so-far", good, joints));
      if (good == 0 && !looked) {
        return withTools(card).go(say("fit.inspect.begin"), this::look);
      }
    }
    return withTools(card).go(say("fit.task.go"), this::done);
  }

  private void look() {
    looked = true;
    inspect();
  }

  /** Taking off film needs no iron; taking off a part does. */
  private static Optional<String> craft(Task task) {
    boolean peels = task.kind() == TaskKind.REMOVE && PEELS.matcher(task.title()).find();
    return Optional.of(peels ? "fit.task.peel" : "fit.task." + task.kind().text());
  }

  /** Gives what the work has bared on a host so far. */
  private List<Bared> bared(Board host) {
    Set<String> done = open.build().doneSteps();
    List<WireRun> joined =
        open.kit().handwork().wires().stream().filter(w -> done.contains(w.task())).toList();
    Set<String> handled = new HashSet<>(open.build().fittedRefs());
    handled.addAll(open.kit().comingOff());
    open.build().holes().keySet().stream()
        .flatMap(pin -> PinRef.parse(pin).stream())
        .forEach(pin -> handled.add(pin.ref()));
    return Bared.of(open.parts(), host, handled, joined);
  }

  private List<Board> hosts() {
    return open.kit().boards().stream().filter(Board::host).toList();
  }

  /** What was bared on a host is coated again, and nothing else. */
  private void coats(Card.Maker card) {
    for (Board host : hosts()) {
      List<Bared> spots = bared(host);
      card.how(
          spots.isEmpty()
              ? say("fit.coat.none", host.id())
              : say(
                  "fit.coat.spots",
                  host.id(),
                  RefOrder.listed(spots.stream().map(Bared::what).toList())));
      Bared.keptClear(open.parts(), host, spots).stream()
          .limit(MOST_CLEAR)
          .forEach(clear ->
              card.how(
                  say("fit.coat.clear", clear.ref(), Math.round(clear.gapMm()), clear.beside())));
    }
  }

  @Override
  public Mat mat() {
    boolean coats = task().filter(task -> task.kind() == TaskKind.COAT).isPresent();
    Board host = coats ? hosts().stream().findFirst().orElse(null) : null;
    if (host == null) {
      return super.mat();
    }
    List<Bared> spots = bared(host);
    return new CoatMat(
        say("fit.coat.mat", host.id()),
        say("fit.coat.no"),
        open.built(),
        new BoardView(host, Side.TOP, 0),
        open.onBoard(),
        spots,
        Bared.keptClear(open.parts(), host, spots));
  }

  private void lines(Card.Maker card, Task task) {
    card.how(task.title());
    craft(task).filter(seat.words()::knows).ifPresent(craft -> card.how(say(craft)));
    StageTask.unattended(seat.words(), task).ifPresent(card::how);
    if (task.kind() == TaskKind.COAT) {
      coats(card);
    }
    for (WireTable.Row row : WireTable.of(open.built(), open.kit().handwork().wiresOf(task.id()))) {
      WireRun wire = row.wire();
      card.row(
          Standing.TO_DO,
          say(
              row.function().isEmpty() ? "fit.wire" : "fit.wire.net",
              wire.id(),
              wire.colour(),
              wire.from(),
              wire.to(),
              row.function()));
      row.warning().ifPresent(warning -> card.verdict(false, seat.say(warning)));
    }
  }
}
