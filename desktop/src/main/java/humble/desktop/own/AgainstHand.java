package humble.desktop.own;

import humble.core.kit.Harm;
import humble.core.kit.Part;
import humble.core.kit.Place;
import humble.core.kit.PointMm;
import humble.core.kit.Side;
import humble.core.orient.BoardView;
import humble.core.own.Follows;
import humble.desktop.draw.BoardPicture;
import humble.desktop.draw.Faces;
import humble.desktop.draw.Mat;
import humble.desktop.draw.Pen;
import humble.desktop.draw.Token;
import humble.desktop.hand.Hand;
import humble.desktop.session.OpenBuild;
import humble.desktop.session.PhotosOfBuild;
import humble.desktop.stage.Card;
import humble.desktop.stage.LineNames;
import humble.desktop.stage.Standing;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/**
 * Holds the photo of the board with its parts against what should be there, place by place; those
 * first that do the most harm when they are the wrong way round.
 */
final class AgainstHand extends Hand {
  private static final String QUESTION = "against:";
  private static final double LEAST_ACROSS_MM = 14;
  private static final double ROOM = 2.2;

  private final OwnBench bench;
  private final List<Part> order;
  private final Faces photo;
  private final OpenBuild.Looked before;
  private boolean over;

  AgainstHand(OwnBench bench) {
    super(bench.seat());
    this.bench = bench;
    this.before = bench.open().looked();
    bench.open().look(OpenBuild.Looked.FITTED);
    this.photo = PhotosOfBuild.faces(bench.open());
    String board = bench.board().id();
    this.order =
        bench.parts().all().stream()
            .filter(part -> part.placed().filter(at -> at.board().equals(board)).isPresent())
            .filter(part -> part.placed().filter(at -> at.side() == Side.TOP).isPresent())
            .sorted(Comparator.comparing(Harm::ifReversed).reversed())
            .toList();
  }

  @Override
  public boolean over() {
    return over;
  }

  @Override
  public void left() {
    super.left();
    bench.open().look(before);
  }

  private Optional<Part> next() {
    return order.stream()
        .filter(part -> !bench.answered().contains(QUESTION + part.ref()))
        .filter(part -> !bench.isPutOff(QUESTION + part.ref()))
        .findFirst();
  }

  @Override
  public Card card() {
    Part part = next().orElse(null);
    return part == null ? done() : ask(part);
  }

  private Card ask(Part part) {
    long looked =
        order.stream().filter(each -> bench.answered().contains(QUESTION + each.ref())).count();
    Card.Maker card =
        seat.card(
            say("own.against.kicker", looked + 1, order.size()),
            say("own.against.title", part.ref(), LineNames.brief(seat.words(), part.line())));
    Harm harm = Harm.ifReversed(part);
    card.how(say("own.against.harm." + harm.name().toLowerCase(java.util.Locale.ROOT)));
    card.choice(
        1,
        Standing.TO_DO,
        say("own.choice", 1, say("own.against.other")),
        () -> tell(part, "other"));
    card.key('+', say("own.later"), () -> bench.putOff(QUESTION + part.ref()));
    card.key(Card.BACK, say("key.take-back"), bench::takeBack);
    card.key('.', say("own.more.go"), () -> over = true);
    card.why(say("own.against.why"));
    return card.go(say("own.against.same"), () -> tell(part, "same"));
  }

  private void tell(Part part, String said) {
    bench.tell(QUESTION + part.ref(), said, Follows.nothing());
  }

  private Card done() {
    List<String> wrong =
        order.stream()
            .map(Part::ref)
            .filter(ref -> bench.said(QUESTION + ref).filter("other"::equals).isPresent())
            .toList();
    long left =
        order.stream().filter(part -> !bench.answered().contains(QUESTION + part.ref())).count();
    Card.Maker card =
        seat.card(
            say("own.against.kicker", order.size() - left, order.size()),
            wrong.isEmpty() ? say("own.against.none") : say("own.against.some", wrong.size()));
    if (left > 0) {
      card.row(Standing.TO_DO, say("own.against.left", left));
    }
    wrong.forEach(ref -> card.row(Standing.DEVIATED, ref));
    card.how(say("own.against.proves"));
    card.key(Card.BACK, say("key.take-back"), bench::takeBack);
    return card.go(say("own.more.go"), () -> over = true);
  }

  @Override
  public Mat mat() {
    Part part = next().orElse(null);
    Place place = part == null ? null : part.place();
    if (part == null || place == null) {
      return bench.mat(bench.looked(), List.of(), List.of(), Set.of(), OwnMat.Answers.NOTHING);
    }
    double reach =
        part.pack().pins().stream()
            .mapToDouble(pin -> Math.hypot(pin.at().xMm(), pin.at().yMm()))
            .max()
            .orElse(0);
    double across = Math.max(LEAST_ACROSS_MM, ROOM * 2 * reach);
    BoardView view = new BoardView(bench.board(), Side.TOP, 0);
    String title = say("own.against.mat", part.ref());
    String seen = say("own.against.seen");
    String meant = say("own.against.meant");
    Set<String> all = Set.copyOf(order.stream().map(Part::ref).toList());
    return new Mat() {
      @Override
      public void paint(Pen pen, double w, double h) {
        pen.text(title, 20, 24, 17, Token.INK_SOFT, Pen.Hang.LEFT);
        double wide = (w - 60) / 2;
        double high = h - 110;
        BoardPicture.closeUp(
                bench.parts(), view, 20, 80, wide, high, place.at(), new PointMm(0, 0), across)
            .paint(pen, Set.of(), Set.of(), Set.of(), photo);
        BoardPicture.closeUp(
                bench.parts(),
                view,
                40 + wide,
                80,
                wide,
                high,
                place.at(),
                new PointMm(0, 0),
                across)
            .paint(pen, all, Set.of(), Set.of(), Faces.NONE);
        pen.bold(seen, 20 + wide / 2, 60, 17, Token.INK, Pen.Hang.MIDDLE);
        pen.bold(meant, 40 + wide * 1.5, 60, 17, Token.INK, Pen.Hang.MIDDLE);
      }

      @Override
      public String spoken() {
        return title;
      }
    };
  }
}
