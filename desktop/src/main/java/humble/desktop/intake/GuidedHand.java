package humble.desktop.intake;

import humble.core.kit.PartKind;
import humble.core.units.Quantity;
import humble.core.units.QuantityText;
import humble.desktop.hand.Seat;
import humble.desktop.stage.Card;
import humble.desktop.stage.Standing;
import java.util.Locale;
import java.util.Optional;

/** Takes a line with the keypad alone, question by question. */
final class GuidedHand extends ListHand {
  private static final int MOST_CANDIDATES = 6;

  private final Guided line = new Guided();
  private boolean over;

  GuidedHand(Seat seat, TypedList list) {
    super(seat, list, Optional.empty());
  }

  @Override
  public boolean over() {
    return over;
  }

  private void leave() {
    over = true;
  }

  @Override
  public Card card() {
    Card.Maker card =
        seat.card(
            say("intake.kicker", list.draft().kit().lines().size()),
            say("intake.ask." + line.ask().name().toLowerCase(Locale.ROOT)));
    card.key(Card.ESC, say("intake.leave"), this::leave);
    card.silent(Card.BACK, this::leave);
    return switch (line.ask()) {
      case PIECES -> pieces(card);
      case KIND -> kind(card);
      case VALUE -> value(card);
      case NUMBER -> number(card);
    };
  }

  private Card pieces(Card.Maker card) {
    card.field(typed().text(), say("intake.pieces"));
    return whole() ? card.go(say("intake.next"), this::answer) : card.notYet(say("intake.digits"));
  }

  private Card kind(Card.Maker card) {
    int at = Guided.CHOICES.indexOf(line.choice());
    for (int i = at; i < Math.min(at + MOST_CANDIDATES, Guided.CHOICES.size()); i++) {
      card.row(i == at ? Standing.NOW : Standing.TO_DO, name(Guided.CHOICES.get(i).kind()));
    }
    card.key('+', say("intake.next-kind"), line::plus);
    return card.go(say("intake.take", name(line.choice().kind())), this::answer);
  }

  private String name(PartKind kind) {
    return say("kind." + kind.text());
  }

  private Card value(Card.Maker card) {
    card.field(typed().text(), say("intake.unit", line.prefix(), line.choice().kind().unit()));
    card.key('+', say("sort.prefix"), line::plus);
    return Quantity.parse(typed().text()) instanceof QuantityText.Read
        ? card.go(say("intake.next"), this::answer)
        : card.notYet(say("intake.digits"));
  }

  private Card number(Card.Maker card) {
    int from = typed().isEmpty() || !whole() ? free() : Integer.parseInt(typed().text());
    String letters = line.choice().letters();
    card.field(typed().text(), letters);
    card.how(
        line.pieces() > 1
            ? say("intake.from-to", letters + from, letters + (from + line.pieces() - 1))
            : say("intake.from", letters + from));
    return whole() ? card.go(say("intake.add"), this::answer) : card.notYet(say("intake.digits"));
  }

  private boolean whole() {
    String text = typed().text();
    return text.isEmpty() || (text.matches("[0-9]{1,3}") && Integer.parseInt(text) > 0);
  }

  /** The first number after the highest in use for these letters. */
  private int free() {
    String letters = line.choice().letters();
    return list.draft().kit().lines().stream()
            .flatMap(each -> each.refs().stream())
            .filter(ref -> ref.matches(letters + "[0-9]{1,5}"))
            .mapToInt(ref -> Integer.parseInt(ref.substring(letters.length())))
            .max()
            .orElse(0)
        + 1;
  }

  private void answer() {
    String done = line.answer(typed().text(), free());
    typed().clear();
    if (done != null) {
      over = true;
      list.add(done);
    }
  }
}
