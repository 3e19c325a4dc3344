package humble.desktop.own;

import humble.desktop.draw.Mat;
import humble.desktop.hand.Hand;
import humble.desktop.stage.Card;
import humble.desktop.stage.Standing;
import java.util.List;
import java.util.Set;

/** What else can be done with the board that is told. */
final class MoreHand extends Hand {
  private final OwnBench bench;
  private final Ways ways;
  private boolean over;

  MoreHand(OwnBench bench, Ways ways) {
    super(bench.seat());
    this.bench = bench;
    this.ways = ways;
  }

  /** Where it leads. */
  interface Ways {
    /** Follows tracks. */
    void join();

    /** Buzzes pairs. */
    void buzz();

    /** Looks at what was guessed. */
    void look();

    /** Changes anything. */
    void change();

    /** Changes one part. */
    void part(String ref);

    /** Adds lines to the list. */
    void lines();

    /** Takes a photo of the board. */
    void photo();

    /** Holds the photo of the board with its parts against what should be there. */
    void against();

    /** Saves the kit. */
    void keep();

    /** Goes to the bench. */
    void leave();
  }

  @Override
  public boolean over() {
    return over;
  }

  @Override
  public Card card() {
    Card.Maker card = seat.card(say("own.more.kicker"), say("own.more.title"));
    boolean board = !bench.kit().boards().isEmpty();
    int number = 0;
    if (board) {
      choice(card, ++number, "turn", bench::turn);
      choice(card, ++number, "flip", bench::flip);
    }
    if (bench.kit().boards().size() > 1) {
      card.key(
          '+',
          say("own.more.board"),
          () -> {
            over = true;
            bench.otherBoard();
          });
    }
    if (!bench.kit().places().isEmpty()) {
      choice(card, ++number, "join", ways::join);
      choice(card, ++number, "buzz", ways::buzz);
    }
    if (!bench.guessed().isEmpty()) {
      choice(card, ++number, "look", ways::look);
    }
    choice(card, ++number, "lines", ways::lines);
    choice(card, ++number, "change", ways::change);
    choice(card, ++number, "keep", ways::keep);
    choice(card, ++number, "again", bench::askAgain);
    choice(card, 0, "leave", ways::leave);
    if (bench.isFittedSeen()) {
      card.key(
          '/',
          say("own.more.against"),
          () -> {
            over = true;
            ways.against();
          });
    }
    card.key(
        '*',
        say("own.more.photo"),
        () -> {
          over = true;
          ways.photo();
        });
    card.silent(Card.BACK, () -> over = true);
    card.silent('.', () -> over = true);
    return card.go(say("own.more.go"), () -> over = true);
  }

  private void choice(Card.Maker card, int number, String what, Runnable act) {
    card.choice(
        number,
        Standing.TO_DO,
        say("own.choice", number, say("own.more." + what)),
        () -> {
          over = true;
          act.run();
        });
  }

  @Override
  public Mat mat() {
    return bench.kit().boards().isEmpty()
        ? new BoardHand(bench, () -> {}, () -> {}).mat()
        : bench.mat(bench.looked(), List.of(), List.of(), Set.of(), OwnMat.Answers.NOTHING);
  }
}
