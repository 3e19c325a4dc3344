package humble.desktop.own;

import humble.core.own.Contradicted;
import humble.core.own.Stone;
import humble.core.own.ToPlace;
import humble.core.words.Phrase;
import humble.desktop.draw.Mat;
import humble.desktop.hand.Hand;
import humble.desktop.stage.Card;
import humble.desktop.stage.Standing;
import java.util.List;
import java.util.Set;

/** Nothing is asked for at the moment: what the kit can do, and what would make it do more. */
final class RestHand extends Hand {
  private static final int MOST_SHOWN = 3;

  private final OwnBench bench;
  private final MoreHand.Ways ways;
  private final Runnable more;

  RestHand(OwnBench bench, MoreHand.Ways ways, Runnable more) {
    super(bench.seat());
    this.bench = bench;
    this.ways = ways;
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
    stones.stream()
        .filter(stone -> stone.needed() > 0 && !stone.isReached())
        .forEach(stone ->
            card.row(
                stone.known() > 0 ? Standing.NOW : Standing.TO_DO,
                say(
                    "own.rest.away",
                    say("own.stone." + stone.name().name().toLowerCase(java.util.Locale.ROOT)),
                    stone.away().size())));
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
      card.row(Standing.GUESSED, say("own.rest.guessed", bench.guessed().size()));
    }
    card.choice(1, Standing.TO_DO, say("own.choice", 1, say("own.more.join")), ways::join);
    card.choice(2, Standing.TO_DO, say("own.choice", 2, say("own.more.buzz")), ways::buzz);
    if (!bench.guessed().isEmpty()) {
      card.choice(3, Standing.TO_DO, say("own.choice", 3, say("own.more.look")), ways::look);
    }
    card.choice(4, Standing.TO_DO, say("own.choice", 4, say("own.more.keep")), ways::keep);
    card.choice(5, Standing.TO_DO, say("own.choice", 5, say("own.more.change")), ways::change);
    card.choice(6, Standing.TO_DO, say("own.choice", 6, say("own.more.lines")), ways::lines);
    PartHand.first(bench)
        .ifPresent(ref ->
            card.choice(
                7,
                Standing.TO_DO,
                say("own.choice", 7, say("own.more.part")),
                () -> ways.part(ref)));
    List<Phrase> against = Contradicted.of(bench.kit(), bench.open().build());
    against.stream()
        .limit(MOST_SHOWN)
        .forEach(phrase -> card.row(Standing.DEVIATED, seat.say(phrase)));
    if (against.size() > MOST_SHOWN) {
      card.row(Standing.DEVIATED, say("own.lines.more", against.size() - MOST_SHOWN));
    }
    card.key('+', say("own.rest.again"), bench::askAgain);
    card.key('.', say("own.more"), more);
    card.key(Card.BACK, say("key.take-back"), bench::takeBack);
    return card.go(say("own.rest.go"), ways::leave);
  }

  @Override
  public void pick(String spot) {
    PartHand.refOf(spot).ifPresent(ways::part);
  }

  @Override
  public Mat mat() {
    return bench.mat(bench.looked(), List.of(), List.of(), Set.of(), OwnMat.Answers.PARTS);
  }
}
