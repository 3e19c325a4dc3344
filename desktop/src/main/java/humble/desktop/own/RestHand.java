package humble.desktop.own;

import humble.core.own.Stone;
import humble.core.own.ToPlace;
import humble.desktop.draw.Mat;
import humble.desktop.hand.Hand;
import humble.desktop.stage.Card;
import humble.desktop.stage.Standing;
import java.util.List;
import java.util.Set;

/** Nothing is asked for at the moment: what the kit can do, and what would make it do more. */
final class RestHand extends Hand {
  private final OwnBench bench;
  private final Runnable leave;
  private final Runnable more;

  RestHand(OwnBench bench, Runnable leave, Runnable more) {
    super(bench.seat());
    this.bench = bench;
    this.leave = leave;
    this.more = more;
  }

  @Override
  public Card card() {
    List<Stone> stones = bench.stones();
    boolean reads = stones.stream().anyMatch(s -> s.name() == Stone.Name.READS && s.isReached());
    Card.Maker card =
        seat.card(say("own.rest.kicker"), say(reads ? "own.rest.reads" : "own.rest.title"));
    card.how(say("own.rest.how"));
    bench.trouble(card);
    for (Stone stone : stones) {
      String name = say("own.stone." + stone.name().name().toLowerCase(java.util.Locale.ROOT));
      if (stone.needed() > 0) {
        card.row(
            stone.isReached() ? Standing.DONE : stone.known() > 0 ? Standing.NOW : Standing.TO_DO,
            stone.isReached()
                ? say("own.rest.can", name)
                : say("own.rest.away", name, stone.away().size()));
      }
    }
    ToPlace open = ToPlace.of(bench.kit(), Set.of());
    if (!open.unlisted().isEmpty()) {
      card.row(Standing.DEVIATED, say("own.rest.unlisted", String.join(", ", open.unlisted())));
    }
    if (!open.without().isEmpty()) {
      card.row(Standing.DEVIATED, say("own.rest.without", String.join(", ", open.without())));
    }
    if (!open.byCount().isEmpty()) {
      card.row(Standing.TO_DO, say("own.rest.by-count", open.byCount().size()));
    }
    if (!bench.guessed().isEmpty()) {
      card.row(Standing.DEVIATED, say("own.rest.guessed", bench.guessed().size()));
    }
    card.key('+', say("own.rest.again"), bench::askAgain);
    card.key('.', say("own.more"), more);
    card.key(Card.BACK, say("key.take-back"), bench::takeBack);
    return card.go(say("own.rest.go"), leave);
  }

  @Override
  public Mat mat() {
    return bench.mat(
        say("own.mat." + bench.side().text(), bench.board().widthMm(), bench.board().heightMm()),
        List.of(),
        List.of(),
        Set.of(),
        OwnMat.Answers.PARTS);
  }
}
