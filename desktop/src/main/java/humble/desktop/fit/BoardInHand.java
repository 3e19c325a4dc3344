package humble.desktop.fit;

import humble.core.build.BuildEvent;
import humble.core.craft.JointOrder;
import humble.core.kit.Board;
import humble.core.kit.Finding;
import humble.core.kit.Part;
import humble.core.kit.Parts;
import humble.core.kit.Place;
import humble.core.kit.PointMm;
import humble.core.kit.Side;
import humble.core.orient.BoardView;
import humble.core.orient.NetTrace;
import humble.core.orient.Pin1;
import humble.core.route.Step;
import humble.desktop.draw.Faces;
import humble.desktop.draw.Mat;
import humble.desktop.hand.Seat;
import humble.desktop.session.OpenBuild;
import humble.desktop.session.PhotosOfBuild;
import humble.desktop.session.Progress;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;

/** The board that lies on the bench, as it lies: which, which way up, and how close one looks. */
final class BoardInHand {
  /** About what a magnified board is drawn at, for a hand that pulls it. */
  private static final double MAGNIFIED_PX_PER_MM = 15;

  /** Stands in where a kit that was typed in has no board: nothing is drawn on it. */
  private static final Board NO_BOARD = new Board("", "", 100, 60, 1.6, List.of(), Map.of());

  private final OpenBuild open;
  private final Seat seat;
  private final Faces faces;
  private boolean magnified;

  /** How far the piece under the magnifier was pulled, as seen, in millimetres. */
  private PointMm pulledMm = new PointMm(0, 0);

  BoardInHand(OpenBuild open, Seat seat) {
    this.open = open;
    this.seat = seat;
    this.faces = PhotosOfBuild.faces(open);
  }

  Faces faces() {
    return faces;
  }

  /** The board in hand: that of the step, else that of the last part fitted. */
  private Board board() {
    List<Board> boards = open.kit().boards();
    String id =
        Progress.step(open)
            .map(this::boardOf)
            .filter(name -> !name.isEmpty())
            .orElseGet(this::last);
    return open.kit().board(id).orElseGet(() -> boards.isEmpty() ? NO_BOARD : boards.getFirst());
  }

  /** A task is done on the board of the parts that it follows or goes before. */
  private String boardOf(Step step) {
    if (!step.board().isEmpty() || step.act() != Step.Act.TASK) {
      return step.board();
    }
    return open.kit().task(step.id()).stream()
        .flatMap(task -> Stream.concat(task.after().stream(), task.before().stream()))
        .flatMap(name -> open.built().part(name).flatMap(Part::placed).stream())
        .map(Place::board)
        .findFirst()
        .orElse("");
  }

  /** Gives the board of the last part fitted; empty when none was. */
  String last() {
    String board = "";
    for (String ref : open.build().fittedRefs()) {
      board = open.built().part(ref).flatMap(Part::placed).map(Place::board).orElse(board);
    }
    return board;
  }

  /** Gives the board as it lies. */
  BoardView view() {
    Board board = board();
    Side usual = Progress.step(open).map(Step::side).orElse(Side.TOP);
    return open.build()
        .view(board.id())
        .map(turned ->
            new BoardView(board, Side.named(turned.side()).orElse(Side.TOP), turned.turnDeg()))
        .orElseGet(() -> new BoardView(board, usual, 0));
  }

  /** Which side it is, and what it is drawn over where there is a choice. */
  private String looked(BoardView view) {
    String side = seat.say(view.side() == Side.TOP ? "fit.side.top" : "fit.side.bottom");
    boolean photos = view.board().photos().stream().anyMatch(photo -> photo.side() == view.side());
    return photos
        ? seat.say(
            open.photo(view.board(), view.side()).isPresent() ? "fit.side.photo" : "fit.side.drawn",
            side)
        : side;
  }

  void turn() {
    lie(view().turned());
  }

  void flip() {
    lie(view().flipped());
  }

  private void lie(BoardView next) {
    open.act(new BuildEvent.Turned(next.board().id(), next.side().text(), next.turnDeg()));
  }

  void magnify() {
    magnified(!magnified);
  }

  void magnified(boolean on) {
    if (on != magnified) {
      magnified = on;
      pulledMm = new PointMm(0, 0);
    }
  }

  /** What is under the magnifier follows the hand; the whole board stays where it is. */
  boolean pull(double dx, double dy) {
    if (magnified) {
      pulledMm = pulledMm.plus(new PointMm(-dx / MAGNIFIED_PX_PER_MM, dy / MAGNIFIED_PX_PER_MM));
    }
    return magnified;
  }

  /** Gives the picture for a step: its parts lit, one of them in focus, a net followed. */
  Mat mat(Optional<Step> step, Optional<String> focus, Optional<NetTrace> net) {
    Parts parts = open.built();
    List<String> refs = step.map(Step::refs).orElse(List.of());
    Optional<Part> focused = focus.flatMap(parts::part);
    Optional<Step> counted = step.filter(Step::isByCount);
    if (open.kit().boards().isEmpty()) {
      return new PartMat(
          seat.say(counted.isPresent() ? "fit.by-count.mat" : "fit.no-board"),
          focused.map(Part::line).or(() -> counted.flatMap(s -> open.kit().line(s.line()))),
          counted.map(s -> List.of(seat.say("fit.by-count.pieces", s.count()))).orElse(refs),
          open.onBoard(),
          seat.words());
    }
    BoardView view = view();
    Optional<Pin1> pin1 =
        focused.filter(PartWords::isOriented).flatMap(p -> Pin1.of(parts, p.ref(), view));
    return new FitMat(
        parts,
        view,
        open.onBoard(),
        Set.copyOf(refs),
        open.leftOut(),
        focused,
        pin1,
        pin1.map(p -> seat.say(p.landmark().phrase())).orElse(""),
        looked(view),
        open.layerProblems(view.board()).stream().findFirst().map(Finding::toString).orElse(""),
        counts(),
        focused
            .filter(p -> step.filter(s -> s.act() == Step.Act.FIT).isPresent())
            .map(p -> JointOrder.of(parts, p.ref())),
        magnified,
        pulledMm,
        faces,
        net,
        seat.words());
  }

  /** How many joints there are, are made, and have been looked at. */
  private String counts() {
    int made =
        open.build().inForce().stream()
            .mapToInt(e -> e.event() instanceof BuildEvent.Fitted fitted ? fitted.joints() : 0)
            .sum();
    int all = open.plan().map(plan -> plan.steps().stream().mapToInt(Step::joints).sum()).orElse(0);
    long looked = open.build().joints().values().stream().filter("good"::equals).count();
    return seat.say("fit.counts", made, all, looked);
  }
}
