package humble.desktop.mend;

import humble.bench.SimulatedBoard;
import humble.core.build.BuildEvent;
import humble.core.kit.Board;
import humble.core.kit.Part;
import humble.core.kit.PinRef;
import humble.core.kit.Place;
import humble.core.kit.Side;
import humble.core.mend.Diagnosis;
import humble.core.orient.BoardView;
import humble.desktop.draw.Faces;
import humble.desktop.draw.Mat;
import humble.desktop.session.OpenBuild;
import humble.desktop.session.PhotosOfBuild;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** The board under the meter, as it lies in every stage. */
final class MendBoard {
  private static final Board NO_BOARD = new Board("", "", 100, 60, 1.6, List.of(), Map.of());

  private final Mending mending;
  private final OpenBuild open;
  private final Faces faces;

  MendBoard(Mending mending) {
    this.mending = mending;
    this.open = mending.open();
    this.faces = PhotosOfBuild.faces(open);
  }

  void turn(List<ProbeWords.Probed> touched) {
    lie(view(shown(touched)).turned());
  }

  void flip(List<ProbeWords.Probed> touched) {
    lie(view(shown(touched)).flipped());
  }

  private void lie(BoardView view) {
    open.act(new BuildEvent.Turned(view.board().id(), view.side().text(), view.turnDeg()));
  }

  /** Gives the picture with the pads under the probes, red first. */
  Mat mat(List<ProbeWords.Probed> touched) {
    Optional<Search> now = mending.search();
    Optional<Diagnosis.Known> known = now.flatMap(Search::lastKnown);
    String board = shown(touched);
    List<MendMat.Probe> probes = new ArrayList<>();
    for (ProbeWords.Probed each : known.isEmpty() ? List.<ProbeWords.Probed>of() : touched) {
      if (boardOf(each.pin()).filter(board::equals).isPresent()) {
        open.built()
            .padAt(each.pin())
            .ifPresent(at -> probes.add(new MendMat.Probe(at, each.red(), each.pin().toString())));
      }
    }
    return new MendMat(
        known.isPresent() ? mending.seat().say("mend.mat") : "",
        open.built(),
        view(board),
        faces,
        open.onBoard(),
        known,
        now.flatMap(Search::next),
        probes,
        known.isPresent() && now.filter(Search::solvable).isPresent()
            ? mending.practised().map(SimulatedBoard::limited)
            : Optional.empty(),
        mending.seat().words());
  }

  /** The board that the first probe is on; empty when none is on any. */
  private String shown(List<ProbeWords.Probed> touched) {
    return touched.stream().flatMap(each -> boardOf(each.pin()).stream()).findFirst().orElse("");
  }

  private Optional<String> boardOf(PinRef pin) {
    return open.built().part(pin.ref()).flatMap(Part::placed).map(Place::board);
  }

  private BoardView view(String id) {
    List<Board> boards = open.kit().boards();
    Board board =
        open.kit().board(id).orElseGet(() -> boards.isEmpty() ? NO_BOARD : boards.getFirst());
    return open.build()
        .view(board.id())
        .map(turned ->
            new BoardView(board, Side.named(turned.side()).orElse(Side.TOP), turned.turnDeg()))
        .orElseGet(() -> new BoardView(board, Side.TOP, 0));
  }
}
