package humble.desktop.intake;

import humble.core.intake.Review;
import humble.desktop.draw.Mat;
import humble.desktop.hand.Hand;
import humble.desktop.hand.Seat;
import humble.desktop.stage.Card;
import humble.desktop.stage.Standing;
import java.util.HashSet;
import java.util.Optional;
import java.util.Set;

/** A hand over the list: all show what it has become. */
abstract class ListHand extends Hand {
  private static final int MOST_ROWS = 5;

  protected final TypedList list;
  protected final Optional<Review> review;

  ListHand(Seat seat, TypedList list, Optional<Review> review) {
    super(seat);
    this.list = list;
    this.review = review;
  }

  /** Adds what was not understood. */
  protected final void problems(Card.Maker card) {
    list.problems().stream().limit(MOST_ROWS).forEach(text -> card.row(Standing.TO_DO, text));
  }

  /** Adds what could not be done last. */
  protected final void trouble(Card.Maker card) {
    if (!list.trouble().isEmpty()) {
      card.verdict(false, list.trouble());
    }
  }

  @Override
  public Mat mat() {
    Set<String> doubtful = new HashSet<>();
    Set<String> now = new HashSet<>();
    review.ifPresent(going -> {
      going.open().forEach(question -> doubtful.addAll(question.lines()));
      going.next().ifPresent(question -> now.addAll(question.lines()));
    });
    return new DraftMat(
        say(review.isEmpty() ? "intake.mat" : "intake.mat.review"),
        say("intake.mat.empty"),
        review.map(Review::draft).orElseGet(list::draft),
        now,
        doubtful,
        seat.words());
  }
}
