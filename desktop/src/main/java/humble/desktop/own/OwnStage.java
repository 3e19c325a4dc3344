package humble.desktop.own;

import humble.core.kit.Kit;
import humble.core.kit.Line;
import humble.core.kit.PointMm;
import humble.core.kit.Side;
import humble.core.orient.BoardView;
import humble.core.own.Skeleton;
import humble.core.own.ToPlace;
import humble.core.own.WayRound;
import humble.desktop.hand.HandStage;
import humble.desktop.hand.Turn;
import humble.desktop.session.OpenBuild;
import humble.desktop.session.Session;
import humble.desktop.stage.Card;
import humble.desktop.stage.Desk;
import humble.desktop.stage.StageId;
import java.nio.file.Path;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/**
 * Asks for what a kit does not say yet, on the picture of its board: where each part goes, which
 * way round, where the supply comes in, what is joined. Every answer is an act of the build.
 */
public final class OwnStage extends HandStage {
  private static final String NONE = "none:";

  private final OwnBench bench;
  private final StageId back;

  /** Makes the stage. */
  public OwnStage(Session session, Desk desk, StageId back) {
    super(desk);
    this.bench = new OwnBench(session, seat);
    this.back = back;
  }

  /** Gives where a point of the board is on a mat of that size, its top side up. */
  public static double[] px(OpenBuild open, PointMm at, double w, double h) {
    BoardView view = new BoardView(open.kit().boards().getFirst(), Side.TOP, 0);
    return OwnMat.laid(open.parts(), view, w, h).px(at);
  }

  @Override
  protected Turn turn() {
    Kit kit = bench.kit();
    if (kit.boards().isEmpty()) {
      return new Turn("board", () -> new BoardHand(bench, this::more, this::leave));
    }
    return way().or(this::names).or(this::place).or(this::power).orElseGet(this::rest);
  }

  private Optional<Turn> way() {
    return bench.guessed().stream()
        .filter(guess -> guess.startsWith("turn:") && !bench.isPutOff(guess))
        .filter(guess -> !isLeftOpen(guess))
        .flatMap(guess -> WayRound.of(bench.parts(), guess.substring("turn:".length())).stream())
        .findFirst()
        .map(way -> new Turn(way, () -> new WayHand(bench, way)));
  }

  /** Nothing printed tells: that was the last answer, and it is not asked again by itself. */
  private boolean isLeftOpen(String guess) {
    return bench.open().build().answers().stream()
        .filter(answer -> answer.guessed().contains(guess))
        .reduce((a, b) -> b)
        .filter(answer -> answer.question().equals(guess))
        .isPresent();
  }

  /** Lines without designators are asked for names once. */
  private Optional<Turn> names() {
    return bench.kit().lines().stream()
        .filter(Line::isByCount)
        .filter(line -> !bench.answered().contains(RefsHand.QUESTION + line.id()))
        .filter(line -> !bench.isPutOff(RefsHand.QUESTION + line.id()))
        .findFirst()
        .map(line -> new Turn(RefsHand.QUESTION + line.id(), () -> new RefsHand(bench, line)));
  }

  private record Placed(String ref, int answers) {}

  private Optional<Turn> place() {
    Set<String> notHere = new HashSet<>();
    bench.answered().stream()
        .filter(question -> question.startsWith(NONE))
        .forEach(question -> notHere.add(question.substring(NONE.length())));
    List<ToPlace.Ask> asks = ToPlace.of(bench.kit(), notHere).asks();
    int total = asks.size() + bench.kit().places().size();
    int done = bench.kit().places().size();
    return asks.stream()
        .filter(ask -> !bench.isPutOff("place:" + ask.ref()))
        .findFirst()
        .map(ask ->
            new Turn(
                new Placed(ask.ref(), ask.alike()),
                () -> new PlaceHand(bench, ask, done + 1, total, this::more)));
  }

  private Optional<Turn> power() {
    return new Skeleton(bench.parts(), bench.answered())
        .open().stream()
            .filter(ask -> !bench.isPutOff(ask.id()))
            .findFirst()
            .map(ask -> new Turn(ask, () -> SupplyHands.of(bench, ask, this::more)));
  }

  private Turn rest() {
    return new Turn("rest", () -> new RestHand(bench, ways(), this::more));
  }

  /** Takes a photo of the board. */
  public void photo(Path file) {
    if (hand() instanceof PhotoHand open) {
      open.read(file);
    } else {
      PhotoHand hand = new PhotoHand(bench);
      layOver(hand);
      hand.read(file);
    }
  }

  @Override
  public void openFile() {
    seat.desk().chooseFile(seat.say("own.photo.choose"), this::photo);
  }

  private void more() {
    layOver(new MoreHand(bench, ways()));
  }

  private MoreHand.Ways ways() {
    return new MoreHand.Ways() {
      @Override
      public void join() {
        layOver(new JoinHand(bench));
      }

      @Override
      public void buzz() {
        layOver(new BuzzHand(bench));
      }

      @Override
      public void look() {
        layOver(new GuessHand(bench));
      }

      @Override
      public void change() {
        layOver(new ChangeHand(bench, List.of()));
      }

      @Override
      public void part(String ref) {
        layOver(new PartHand(bench, ref, way -> layOver(new ChangeHand(bench, way))));
      }

      @Override
      public void lines() {
        layOver(new LinesHand(bench));
      }

      @Override
      public void photo() {
        layOver(new PhotoHand(bench));
      }

      @Override
      public void against() {
        layOver(new AgainstHand(bench));
      }

      @Override
      public void keep() {
        layOver(new KeepHand(bench));
      }

      @Override
      public void leave() {
        OwnStage.this.leave();
      }
    };
  }

  private void leave() {
    seat.desk().go(back == StageId.SHELF ? StageId.UNPACK : back);
  }

  @Override
  public void paste(String text) {
    if (hand() instanceof LinesHand lines) {
      lines.paste(text);
    } else {
      seat.typed().type(seat.typed().text() + text.strip().replaceAll("\\s+", " "));
    }
  }

  /** Each hand says how it is taken back. */
  @Override
  protected Card withCommonKeys(Card card) {
    return card.withKey(Card.Key.of(Card.BACK, seat.say("key.take-back"), bench::takeBack));
  }

  @Override
  public String guidePage() {
    return "own";
  }
}
