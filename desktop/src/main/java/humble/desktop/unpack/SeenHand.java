package humble.desktop.unpack;

import humble.core.build.BuildEvent;
import humble.core.kit.Board;
import humble.core.kit.Part;
import humble.core.kit.PartKind;
import humble.core.kit.Place;
import humble.core.orient.BoardView;
import humble.core.orient.Pin1;
import humble.desktop.draw.Mat;
import humble.desktop.hand.Hand;
import humble.desktop.hand.Seat;
import humble.desktop.session.OpenBuild;
import humble.desktop.stage.Card;
import humble.desktop.stage.LineNames;
import java.util.List;
import java.util.Optional;

/** Parts that another hand fitted: there, and the right way round? */
final class SeenHand extends Hand {
  private static final int MOST_NAMED = 12;

  private final OpenBuild open;
  private final List<String> refs;

  SeenHand(Seat seat, OpenBuild open, List<String> refs) {
    super(seat);
    this.open = open;
    this.refs = List.copyOf(refs);
  }

  /**
   * Gives the parts that are looked at next, together: all of a line that may lie either way round,
   * else one by one.
   */
  static List<String> next(OpenBuild open) {
    List<String> unseen = open.build().unseen().stream().toList();
    if (unseen.isEmpty()) {
      return List.of();
    }
    Optional<Part> first = open.parts().part(unseen.getFirst());
    boolean together = first.filter(part -> !part.line().isOriented()).isPresent();
    return together
        ? unseen.stream()
            .filter(ref ->
                open.parts()
                    .part(ref)
                    .filter(part -> part.line().id().equals(first.get().line().id()))
                    .isPresent())
            .toList()
        : List.of(unseen.getFirst());
  }

  private Optional<Part> part() {
    return open.parts().part(refs.getFirst());
  }

  @Override
  public Card card() {
    int left = open.build().unseen().size();
    String names =
        refs.size() <= MOST_NAMED
            ? String.join(", ", refs)
            : say(
                "unpack.seen.and-more",
                String.join(", ", refs.subList(0, MOST_NAMED)),
                refs.size() - MOST_NAMED);
    Card.Maker card = seat.card(say("unpack.seen.kicker", left), say("unpack.seen.title", names));
    part().ifPresent(part -> card.how(LineNames.single(seat.words(), part.line())));
    way().ifPresent(card::how);
    card.why(say("unpack.seen.why"));
    card.key('0', say("unpack.seen.not"), () -> seen(false));
    return card.go(say("unpack.seen.go"), () -> seen(true));
  }

  /** Which way round it should lie, by a landmark. */
  private Optional<String> way() {
    return view()
        .flatMap(view ->
            part()
                .filter(part -> part.line().isOriented())
                .flatMap(part -> Pin1.of(open.parts(), part.ref(), view)))
        .map(pin -> say("fit.pin." + key()) + " " + seat.say(pin.landmark().phrase()));
  }

  private String key() {
    return part()
        .map(part ->
            part.line().kind().isDiode()
                ? "k"
                : part.line().way() == PartKind.Way.PLUS_FIRST ? "plus" : "1")
        .orElse("1");
  }

  private Optional<BoardView> view() {
    return part()
        .flatMap(Part::placed)
        .flatMap(place ->
            open.kit().boards().stream()
                .filter(board -> board.id().equals(place.board()))
                .findFirst()
                .map(board -> new BoardView(board, place.side(), 0)));
  }

  private void seen(boolean there) {
    open.act(new BuildEvent.SeenFitted(refs, there));
  }

  @Override
  public Mat mat() {
    Optional<BoardView> view = view();
    Optional<Board> any = open.kit().boards().stream().findFirst();
    return new SeenMat(
        say("unpack.seen.mat"),
        open.parts(),
        view.or(() ->
            any.map(board ->
                new BoardView(
                    board,
                    part().flatMap(Part::placed).map(Place::side).orElse(humble.core.kit.Side.TOP),
                    0))),
        open.onBoard(),
        refs,
        open.photoFaces());
  }
}
