package humble.desktop.mend;

import humble.core.mend.Measure;
import humble.core.units.QuantityText;
import humble.core.units.TypedReading;
import humble.desktop.stage.Card;
import humble.desktop.stage.Takes;
import java.util.List;

/** Asks for volts, ohms or a current, and takes the reading. */
final class MeasureHand extends AskHand<Measure> {
  /** Two noughts stand for open: no meter shows them. */
  private static final String OPEN_TYPED = "00";

  private final TypedReading.Kind kind;

  MeasureHand(Of of, Search now, Measure measure, TypedReading.Kind kind) {
    super(of, now, measure);
    this.kind = kind;
  }

  /** What is typed, as it will be read: its prefix guessed from what the suspects predict. */
  private TypedReading reading() {
    List<Double> expected =
        now.next()
            .filter(next -> next.measure().equals(measure))
            .map(next -> List.copyOf(next.predict().values()))
            .orElse(List.of());
    return new TypedReading(typed().text(), kind, expected, typed().moved());
  }

  private boolean opens() {
    return kind == TypedReading.Kind.OHMS && typed().text().equals(OPEN_TYPED);
  }

  @Override
  public Card card() {
    Card.Maker card = begun();
    TypedReading reading = reading();
    card.field(
        typed().text(),
        opens() ? "" : reading.unit(),
        measure instanceof Measure.Volts ? Takes.SIGNED : Takes.DIGITS);
    if (reading.value() instanceof QuantityText.Unreadable bad && !typed().isEmpty()) {
      card.verdict(false, bad.sentence());
    }
    soFar(card, "⌫");
    if (kind == TypedReading.Kind.OHMS) {
      card.click("0 0", say("mend.reads-open"), () -> observed(measure + "=open"));
    }
    leaving(card);
    if (typed().isEmpty()) {
      return mending.practised().isPresent()
          ? card.go(say("mend.practice"), this::practised)
          : card.notYet(say("mend.type"));
    }
    if (opens()) {
      return card.go(say("mend.reads-open"), () -> observed(measure + "=open"));
    }
    // The number alone: its prefix stands with the unit.
    String digits = typed().text().replaceFirst("[a-zA-Zµ]+$", "");
    return card.go(say("mend.reads", digits, reading.unit()), this::write);
  }

  private void write() {
    if (reading().value() instanceof QuantityText.Read) {
      observed(measure + "=" + reading().text());
    }
  }
}
