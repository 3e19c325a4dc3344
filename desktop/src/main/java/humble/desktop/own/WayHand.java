package humble.desktop.own;

import humble.core.kit.Kit;
import humble.core.kit.Line;
import humble.core.kit.PackagePin;
import humble.core.kit.Parts;
import humble.core.kit.Place;
import humble.core.kit.PointMm;
import humble.core.orient.BoardView;
import humble.core.own.Follows;
import humble.core.own.WayRound;
import humble.core.picture.Piece;
import humble.core.picture.TopView;
import humble.desktop.draw.BoardPicture;
import humble.desktop.draw.Mat;
import humble.desktop.draw.Pen;
import humble.desktop.draw.Token;
import humble.desktop.hand.Hand;
import humble.desktop.stage.Card;
import humble.desktop.stage.LineNames;
import humble.desktop.stage.Standing;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;

/** Asks which way round a part sits, by the mark that is printed at its place. */
final class WayHand extends Hand {
  private final OwnBench bench;
  private final WayRound way;
  private String mark;

  WayHand(OwnBench bench, WayRound way) {
    super(bench.seat());
    this.bench = bench;
    this.way = way;
    bench.faceUp(way.part().ref());
    this.mark = bench.lastMark(kind()).filter(way.marks()::contains).orElse(way.marks().getFirst());
  }

  private Line line() {
    return way.part().line();
  }

  private String kind() {
    return line().kind().text() + (way.part().pack().isDualInLine() ? "/dual" : "");
  }

  private String ref() {
    return way.part().ref();
  }

  private String marked() {
    return say("own.mark." + mark);
  }

  @Override
  public Card card() {
    Card.Maker card =
        seat.card(
            say("own.way.kicker"),
            say("own.way.title", ref(), LineNames.brief(seat.words(), line()), marked()));
    card.how(say("own.way.how"));
    bench.trouble(card);
    for (int i = 0; i < way.turns().size(); i++) {
      int number = i;
      card.choice(
          i + 1, Standing.TO_DO, say("own.way.choice", i + 1, direction(i)), () -> is(number));
    }
    card.row(Standing.TO_DO, say("own.way.none"));
    card.silent('0', this::unmarked);
    card.key('+', say("own.way.other", say("own.mark." + next())), () -> mark = next());
    card.key('.', say("own.later"), () -> bench.putOff("turn:" + ref()));
    card.key(Card.BACK, say("key.take-back"), bench::takeBack);
    card.why(say("own.way.why." + line().way().name().toLowerCase(java.util.Locale.ROOT)));
    return card.notYet(say("own.way.go"));
  }

  private String next() {
    List<String> marks = way.marks();
    return marks.get((marks.indexOf(mark) + 1) % marks.size());
  }

  /** Where the mark would be from the middle of the part, as the board lies. */
  private String direction(int number) {
    BoardView view = bench.view();
    PointMm middle = view.seen(way.turned(number).at());
    PointMm to = view.seen(way.markAt(number, mark)).minus(middle);
    String key =
        Math.abs(to.xMm()) >= Math.abs(to.yMm())
            ? to.xMm() < 0 ? "left" : "right"
            : to.yMm() < 0 ? "below" : "above";
    return say("own.way." + key);
  }

  private void is(int number) {
    bench.lastMark(kind(), mark);
    bench.tell(
        "turn:" + ref(),
        marked() + " " + direction(number),
        new Follows(way.edits(bench.parts(), number, mark), List.of()));
  }

  /** Nothing printed tells: it is known that nobody knows, and asked no more. */
  private void unmarked() {
    bench.tell(
        "turn:" + ref(), say("own.way.none"), new Follows(List.of(), List.of("turn:" + ref())));
  }

  @Override
  public void pick(String spot) {
    if (spot.startsWith("way:")) {
      is(Integer.parseInt(spot.substring("way:".length())));
    }
  }

  @Override
  public Mat mat() {
    StonesStrip strip = new StonesStrip(seat.words(), bench.stones());
    String title = say("own.way.mat", ref(), marked());
    Parts parts = bench.parts();
    return new Mat() {
      @Override
      public void paint(Pen pen, double w, double h) {
        pen.text(title, 20, 24, 17, Token.INK_SOFT, Pen.Hang.LEFT);
        int ways = way.turns().size();
        double wide = (w - 36 - (ways - 1) * 18) / ways;
        double high = h - 40 - StonesStrip.HEIGHT_PX - 46;
        for (int i = 0; i < ways; i++) {
          double x = 18 + i * (wide + 18);
          way(pen, parts, i, x, 44, wide, high);
          pen.spot("way:" + i, x, 44, wide, high);
        }
        strip.paint(pen, 18, h - StonesStrip.HEIGHT_PX - 14, w - 36);
      }

      @Override
      public String spoken() {
        return title + ". " + strip.spoken();
      }
    };
  }

  private void way(Pen pen, Parts parts, int number, double x, double y, double w, double h) {
    Place place = way.turned(number);
    Parts turned = parts.with(withPlace(parts.kit(), place));
    double reach =
        way.part().pack().pins().stream()
            .map(PackagePin::at)
            .mapToDouble(at -> Math.hypot(at.xMm(), at.yMm()))
            .max()
            .orElse(3);
    BoardView view = bench.view();
    double across = Math.max(9, 2.7 * reach) * Math.max(1, h / w);
    BoardPicture picture =
        BoardPicture.closeUp(turned, view, x, y, w, h, place.at(), new PointMm(0, 0), across);
    picture.paint(pen, Set.of(), Set.of(ref()), Set.of());
    pen.within(x, y, w, h, () -> mark(pen, picture, number));
    pen.disc(x + 30, y + 30, 20, Token.FLUX, Token.INK, 2);
    pen.bold(String.valueOf(number + 1), x + 30, y + 30, 24, Token.INK, Pen.Hang.MIDDLE);
  }

  private static Kit withPlace(Kit kit, Place place) {
    List<Place> places = new ArrayList<>(kit.places());
    places.replaceAll(each -> each.ref().equals(place.ref()) ? place : each);
    return kit.withBoard(places, kit.nets());
  }

  /** How far pads and body reach from the middle in a direction, in millimetres. */
  private double edge(Place place, PointMm out) {
    double length = Math.max(0.1, Math.hypot(out.xMm(), out.yMm()));
    double reach = length + 0.8;
    for (Piece piece : TopView.of(way.part())) {
      for (PointMm corner : piece.corners()) {
        PointMm at = place.onBoard(corner).minus(place.at());
        reach = Math.max(reach, (at.xMm() * out.xMm() + at.yMm() * out.yMm()) / length);
      }
    }
    return reach;
  }

  /** The mark as it would be printed, just beyond the pin that it stands at. */
  private void mark(Pen pen, BoardPicture picture, int number) {
    PointMm at = way.markAt(number, mark);
    PointMm middle = way.turned(number).at();
    PointMm out = at.minus(middle);
    double length = Math.max(0.1, Math.hypot(out.xMm(), out.yMm()));
    PointMm beyond = middle.plus(out.times((edge(way.turned(number), out) + 1.6) / length));
    double[] px = picture.px(mark.equals("square-pad") ? at : beyond);
    double size = Math.max(7, 0.8 * picture.scale());
    switch (mark) {
      case "plus" -> {
        pen.line(px[0] - size, px[1], px[0] + size, px[1], Token.ON_BOARD, 4);
        pen.line(px[0], px[1] - size, px[0], px[1] + size, Token.ON_BOARD, 4);
      }
      case "square-pad" ->
          pen.box(
              px[0] - 1.25 * size,
              px[1] - 1.25 * size,
              2.5 * size,
              2.5 * size,
              0,
              null,
              Token.ON_BOARD);
      case "dot" -> pen.disc(px[0], px[1], size * 0.6, Token.ON_BOARD, null, 0);
      case "triangle" ->
          pen.shape(
              List.of(
                  new double[] {px[0], px[1] - size},
                  new double[] {px[0] + size, px[1] + size},
                  new double[] {px[0] - size, px[1] + size}),
              Token.ON_BOARD,
              null);
      // The drawn body shows all others itself.
      default -> {}
    }
  }
}
