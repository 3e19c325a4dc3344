package humble.desktop.own;

import humble.core.kit.Kit;
import humble.core.kit.Line;
import humble.core.kit.Mount;
import humble.core.kit.PartPackage;
import humble.core.kit.Parts;
import humble.core.kit.Place;
import humble.core.kit.PointMm;
import humble.core.own.Follows;
import humble.core.own.Footing;
import humble.core.own.HoleSnap;
import humble.core.own.Lie;
import humble.core.own.Placing;
import humble.core.own.ToPlace;
import humble.desktop.draw.Mat;
import humble.desktop.hand.Hand;
import humble.desktop.stage.Card;
import humble.desktop.stage.LineNames;
import humble.desktop.stage.Standing;
import humble.desktop.stage.Takes;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;

/** Asks for the holes of one part: clicked on the board, or typed. */
final class PlaceHand extends Hand {
  private static final Pattern TYPED =
      Pattern.compile("(-?\\d+(?:[.,]\\d+)?)/(-?\\d+(?:[.,]\\d+)?)");

  /** A package whose pins stand so much closer or wider is another one. */
  private static final double MOST_STRETCH = 1.6;

  private final OwnBench bench;
  private final ToPlace.Ask ask;
  private final int number;
  private final int total;
  private final Runnable more;
  private @Nullable PointMm first;
  private @Nullable PointMm pointer;

  PlaceHand(OwnBench bench, ToPlace.Ask ask, int number, int total, Runnable more) {
    super(bench.seat());
    this.bench = bench;
    this.ask = ask;
    this.number = number;
    this.total = total;
    this.more = more;
  }

  private String question() {
    return "place:" + ask.ref();
  }

  private String shape() {
    PartPackage pack = ask.pack();
    if (Footing.clicks(pack) == 1) {
      return "one";
    }
    if (pack.pins().size() == 2) {
      return "two";
    }
    return pack.isDualInLine() ? "dual" : Footing.isRow(pack) ? "row" : "far";
  }

  @Override
  public Card card() {
    String name = LineNames.brief(seat.words(), ask.line());
    String title =
        first == null
            ? say("own.place.title." + shape(), ask.ref(), name, ask.pack().pins().size())
            : say("own.place.title.second", ask.ref(), name);
    Card.Maker card =
        seat.card(
            say("own.place.kicker", number, total, bench.open().build().answers().size()), title);
    String snaps =
        say(
            "own.place.snap."
                + (!bench.holes().isEmpty() ? "seen" : first == null ? "grid" : "second"));
    card.how(first == null ? say("own.place.how." + shape()) + " " + snaps : snaps);
    card.how(say("own.place.typed"));
    card.field(typed().text(), "mm", Takes.DIGITS);
    bench.trouble(card);
    last().ifPresent(text -> card.row(Standing.DONE, text));
    if (ask.alike() > 1) {
      card.row(Standing.TO_DO, say("own.place.alike", ask.alike() - 1));
    }
    card.silent('/', () -> typed().type(typed().text() + "/"));
    card.key('+', say("own.later"), () -> bench.putOff(question()));
    card.key('.', say("own.more"), more);
    card.key(Card.BACK, say("key.take-back"), this::back);
    card.why(say("own.place.why"));
    String text = typed().text();
    if (text.equals("0")) {
      return card.go(say("own.place.none", ask.ref()), this::notHere);
    }
    if (text.isEmpty()) {
      return card.notYet(say("own.place.go.none"));
    }
    Optional<PointMm> at = typedPoint(text);
    return at.isPresent()
        ? card.go(say("own.place.go", text), () -> hole(at.get()))
        : card.notYet(say("own.place.go.typed"));
  }

  private Optional<String> last() {
    return bench.open().build().answers().stream()
        .filter(answer -> answer.question().startsWith("place:"))
        .reduce((a, b) -> b)
        .map(answer -> answer.question().substring("place:".length()))
        .flatMap(ref -> bench.parts().part(ref))
        .map(part ->
            say(
                "own.place.last",
                part.ref(),
                LineNames.brief(seat.words(), part.line()),
                Footing.spanMm(part.pack())));
  }

  private static Optional<PointMm> typedPoint(String text) {
    Matcher matcher = TYPED.matcher(text);
    return matcher.matches()
        ? Optional.of(
            new PointMm(
                Double.parseDouble(matcher.group(1).replace(',', '.')),
                Double.parseDouble(matcher.group(2).replace(',', '.'))))
        : Optional.empty();
  }

  private void back() {
    if (first != null) {
      first = null;
      bench.trouble("");
    } else {
      bench.takeBack();
    }
  }

  private void notHere() {
    bench.tell("none:" + ask.ref(), say("own.place.none", ask.ref()), Follows.nothing());
  }

  @Override
  public void point(double x, double y) {
    bench.under(x, y).map(this::snapped).ifPresent(this::hole);
  }

  @Override
  public boolean hover(double x, double y) {
    PointMm before = pointer;
    PointMm now = bench.under(x, y).map(this::snapped).orElse(null);
    pointer = now;
    return now == null ? before != null : !now.equals(before);
  }

  private PointMm snapped(PointMm at) {
    PointMm from = first;
    return from == null
        ? HoleSnap.first(at, bench.holes())
        : HoleSnap.second(at, from, ask.pack(), bench.holes());
  }

  private void hole(PointMm at) {
    typed().clear();
    bench.trouble("");
    if (!bench.isOnBoard(at)) {
      bench.trouble(say("own.place.beside", said(at)));
      return;
    }
    PointMm from = first;
    if (Footing.clicks(ask.pack()) == 1) {
      put(List.of(Footing.on(ask.pack(), at, bench.side())), said(at));
    } else if (from == null) {
      first = at;
    } else {
      List<Lie> lies = Footing.on(ask.pack(), from, at, bench.side());
      if (lies.isEmpty()) {
        bench.trouble(say("own.place.same"));
      } else if (isOther(lies.getFirst(), from.distanceMm(at))) {
        first = null;
        bench.trouble(
            say("own.place.far", from.distanceMm(at), ask.ref(), Footing.spanMm(ask.pack())));
      } else {
        put(lies, said(from) + " " + said(at));
      }
    }
  }

  private boolean isOther(Lie lie, double span) {
    double own = Footing.spanMm(ask.pack());
    boolean made = !lie.pack().id().equals(ask.pack().id());
    return made
        && ask.pack().pins().size() > 2
        && (span > own * MOST_STRETCH || span < own / MOST_STRETCH);
  }

  private static String said(PointMm at) {
    return String.format(Locale.ROOT, "%.2f/%.2f", at.xMm(), at.yMm());
  }

  private void put(List<Lie> lies, String said) {
    Kit kit = bench.kit();
    Optional<Follows> follows = Placing.of(kit, bench.board().id(), bench.side(), ask.ref(), lies);
    first = null;
    if (follows.isEmpty()) {
      Line line = ask.line();
      bench.trouble(say("own.place.unlike", ask.ref(), String.join(", ", line.refs())));
    } else {
      bench.tell(question(), said, follows.get());
    }
  }

  @Override
  public Mat mat() {
    List<PointMm> rings = new ArrayList<>();
    PointMm from = first;
    if (from != null) {
      rings.add(from);
    }
    PointMm at = pointer;
    if (at != null) {
      rings.add(at);
    }
    Parts parts = bench.parts();
    return new OwnMat(
        bench.looked(),
        parts,
        bench.view(),
        bench::shown,
        at == null ? null : held(at),
        rings,
        List.of(),
        Set.of(),
        OwnMat.Answers.NOTHING,
        new StonesStrip(seat.words(), bench.stones()),
        bench.guessedRefs(),
        bench.ground());
  }

  /** The part in hand floats where the pointer is, in its true size. */
  private OwnMat.Held held(PointMm at) {
    PointMm from = first;
    List<Lie> lies =
        from == null || Footing.clicks(ask.pack()) == 1
            ? List.of(Footing.on(ask.pack(), at, bench.side()))
            : Footing.on(ask.pack(), from, at, bench.side());
    Lie lie = lies.isEmpty() ? Footing.on(ask.pack(), at, bench.side()) : lies.getFirst();
    Place place = lie.place(ask.ref(), bench.board().id(), bench.side(), Mount.FLUSH);
    return OwnMat.Held.of(ask.line(), ask.ref(), lie.pack(), place);
  }
}
