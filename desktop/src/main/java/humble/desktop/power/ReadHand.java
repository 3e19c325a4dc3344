package humble.desktop.power;

import humble.core.units.QuantityText;
import humble.core.units.TypedReading;
import humble.desktop.hand.Hand;
import humble.desktop.session.OpenBuild;
import humble.desktop.stage.Card;
import java.util.List;
import java.util.Locale;
import java.util.OptionalDouble;

/** Something that is read off a meter or a supply and typed. */
abstract class ReadHand extends Hand {
  /** Two noughts stand for open: no meter shows them. */
  private static final String OPEN_TYPED = "00";

  protected final GateCards cards;
  protected final OpenBuild open;

  ReadHand(GateCards cards) {
    super(cards.seat());
    this.cards = cards;
    this.open = cards.open();
  }

  /** Gives what the meter is set to. */
  abstract TypedReading.Kind kind();

  /** Gives what may be read, in the base unit, the likeliest first. */
  abstract List<Double> expected();

  /** Gives what is typed, as it will be read: its prefix guessed from what is expected. */
  protected final TypedReading reading() {
    return new TypedReading(typed().text(), kind(), expected(), typed().moved());
  }

  /** Gives the value typed; empty while it cannot be read. */
  protected final OptionalDouble value() {
    return reading().value() instanceof QuantityText.Read read
        ? OptionalDouble.of(read.value())
        : OptionalDouble.empty();
  }

  /** Tells whether what is typed stands for open. */
  protected final boolean opens() {
    return kind() == TypedReading.Kind.OHMS && typed().text().equals(OPEN_TYPED);
  }

  /** Says why what is typed cannot be read; tells whether it can. */
  protected final boolean readable(Card.Maker card) {
    if (!typed().isEmpty() && reading().value() instanceof QuantityText.Unreadable bad) {
      card.verdict(false, bad.sentence());
    }
    return value().isPresent();
  }

  /** Gives a tenth of a milliampere, as a supply shows it. */
  static String tenth(double ma) {
    return String.format(Locale.ROOT, "%.1f", ma);
  }
}
