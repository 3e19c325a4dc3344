package humble.desktop.intake;

import humble.desktop.hand.Seat;
import humble.desktop.stage.Card;
import humble.desktop.stage.Standing;
import java.util.List;
import java.util.Optional;

/** Asks what a column, a file or a number without a unit is: nobody else can say. */
final class SourceHand extends ListHand {
  private static final int MOST_ROWS = 7;

  private final Asked asked;
  private final Runnable back;
  private int choice;

  /**
   * What is asked.
   *
   * @param title the question
   * @param how what is known, in lines
   * @param choices answers; the first is the one that changes nothing, or the likeliest
   */
  record Asked(String title, List<String> how, List<Choice> choices) {
    Asked {
      how = List.copyOf(how);
      choices = List.copyOf(choices);
    }
  }

  /** An answer, and what it does. */
  record Choice(String label, Runnable act) {}

  SourceHand(Seat seat, TypedList list, Asked asked, Runnable back) {
    super(seat, list, Optional.empty());
    this.asked = asked;
    this.back = back;
  }

  @Override
  public Card card() {
    List<Choice> choices = asked.choices();
    Card.Maker card = seat.card(say("intake.source.kicker"), asked.title());
    asked.how().forEach(card::how);
    int from = Math.max(0, Math.min(choice - MOST_ROWS / 2, choices.size() - MOST_ROWS));
    for (int i = from; i < Math.min(choices.size(), from + MOST_ROWS); i++) {
      int index = i;
      Standing standing = i == choice ? Standing.NOW : Standing.TO_DO;
      if (i < 9) {
        card.choice(
            i + 1,
            standing,
            say("fit.choice", i + 1, choices.get(i).label()),
            () -> choice = index);
      } else {
        card.row(standing, choices.get(i).label());
      }
    }
    card.key('+', say("intake.other"), () -> choice = (choice + 1) % choices.size());
    card.key(Card.BACK, say("intake.back"), back);
    return card.go(
        say("intake.source.take", choices.get(choice).label()),
        () -> choices.get(choice).act().run());
  }
}
