package humble.desktop.intake;

import humble.core.intake.Draft;
import humble.desktop.hand.Seat;
import humble.desktop.stage.Card;
import humble.desktop.stage.LineNames;
import humble.desktop.stage.Takes;
import java.util.Optional;

/** Takes the next line of the list, as it stands on the sheet. */
final class LineHand extends ListHand {
  private final Runnable byKeypad;
  private final Runnable openFile;
  private final Runnable review;

  LineHand(Seat seat, TypedList list, Runnable byKeypad, Runnable openFile, Runnable review) {
    super(seat, list, Optional.empty());
    this.byKeypad = byKeypad;
    this.openFile = openFile;
    this.review = review;
  }

  @Override
  public Card card() {
    int lines = list.draft().kit().lines().size();
    Card.Maker card = seat.card(say("intake.kicker", lines), say("intake.title"));
    if (typed().isEmpty()) {
      card.how(say("intake.how"));
      if (list.board().isEmpty()) {
        card.how(say("intake.how.more"));
      }
      list.board()
          .ifPresent(board ->
              card.how(
                  say(
                      "intake.board.read",
                      String.valueOf(board.folder().getFileName()),
                      board.files().byRole().size(),
                      list.draft().kit().nets().size())));
      trouble(card);
    } else {
      preview(card);
    }
    card.field(typed().text(), "", Takes.TEXT);
    problems(card);
    card.key('+', say("intake.by-keypad"), byKeypad);
    card.click(say("intake.key.paste"), say("intake.paste"), () -> seat.desk().paste());
    card.click(say("intake.key.open"), say("intake.open"), openFile);
    if (list.hasLines()) {
      card.key(Card.BACK, say("key.take-back"), list::takeBack);
    } else {
      card.silent(Card.BACK, list::takeBack);
    }
    if (!typed().isEmpty()) {
      return card.go(say("intake.add"), this::add);
    }
    if (list.isReading()) {
      return card.notYet(say("intake.reading"));
    }
    return lines == 0
        ? card.notYet(say("intake.nothing"))
        : card.go(say("intake.review", list.review().open().size()), review);
  }

  private void add() {
    if (list.reads(typed().text())) {
      list.add(typed().text());
      typed().clear();
    }
  }

  /** What the typed line would become. */
  private void preview(Card.Maker card) {
    Draft one = list.with(typed().text());
    if (one.kit().lines().isEmpty() && one.kit().loose().isEmpty()) {
      card.verdict(false, say("intake.no-part"));
      return;
    }
    one.kit()
        .lines()
        .forEach(line ->
            card.verdict(
                true,
                say(
                    "intake.reads",
                    line.supplied(),
                    LineNames.single(seat.words(), line),
                    String.join(", ", line.refs()))));
    one.kit()
        .loose()
        .forEach(
            item -> card.verdict(true, say("intake.reads-loose", item.supplied(), item.name())));
  }
}
