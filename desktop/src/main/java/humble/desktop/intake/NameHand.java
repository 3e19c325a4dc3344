package humble.desktop.intake;

import humble.core.intake.Review;
import humble.desktop.hand.Seat;
import humble.desktop.session.Session;
import humble.desktop.stage.Card;
import humble.desktop.stage.StageId;
import humble.desktop.stage.Takes;
import java.io.IOException;
import java.nio.file.Path;
import java.util.Optional;

/** Asks what the kit is called, and keeps it. */
final class NameHand extends ListHand {
  private final Session session;
  private final Runnable back;

  NameHand(Seat seat, TypedList list, Review review, Session session, Runnable back) {
    super(seat, list, Optional.of(review));
    this.session = session;
    this.back = back;
  }

  @Override
  public Card card() {
    Card.Maker card = seat.card(say("intake.name.kicker"), say("intake.name.title"));
    int lines = review.map(r -> r.draft().kit().lines().size()).orElse(0);
    card.how(say("intake.name.how", lines));
    card.field(typed().isEmpty() ? list.name() : typed().text(), "", Takes.TEXT);
    trouble(card);
    problems(card);
    card.key(Card.BACK, say("intake.back"), back);
    return card.go(say("intake.keep"), this::keep);
  }

  private void keep() {
    String text = typed().text();
    String name = text.isBlank() ? list.name() : text.strip();
    try {
      Path at = session.keep(list.kit(name, review), list.boardFiles());
      list.keptAsKit();
      session.layKit(at);
      seat.desk().go(StageId.UNPACK);
    } catch (IOException e) {
      list.trouble(String.valueOf(e.getMessage()));
    }
  }
}
