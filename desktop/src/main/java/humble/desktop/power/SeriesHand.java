package humble.desktop.power;

import humble.core.build.BuildEvent;
import humble.core.kit.BoardState;
import humble.core.kit.Gate;
import humble.core.power.PoweredStage;
import humble.core.power.SeriesResistor;
import humble.core.units.Engineering;
import humble.core.units.TypedReading;
import humble.desktop.draw.Mat;
import humble.desktop.stage.Card;
import humble.desktop.stage.Takes;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

/**
 * First power where nothing limits the current: a resistor in the plus lead, and the volts across
 * it say whether to go on.
 */
final class SeriesHand extends ReadHand {
  /** A meter's last digit in this range, in volts. */
  private static final double DIGIT_V = 0.01;

  private final Gate gate;
  private final BoardState state;
  private final PoweredStage stage;
  private final SeriesResistor series;
  private final Runnable without;

  /** Makes it; {@code without} runs when it is gone on without the resistor. */
  SeriesHand(GateCards cards, Gate gate, BoardState state, PoweredStage stage, Runnable without) {
    super(cards);
    this.gate = gate;
    this.state = state;
    this.stage = stage;
    this.series = stage.series();
    this.without = without;
  }

  @Override
  TypedReading.Kind kind() {
    return TypedReading.Kind.VOLTS;
  }

  @Override
  List<Double> expected() {
    return List.of(Math.max(series.goVolts(), DIGIT_V), stage.feed().volts());
  }

  private boolean goes(double volts) {
    return volts <= series.goVolts() + DIGIT_V;
  }

  @Override
  public Card card() {
    String ohms = Engineering.nominal(series.ohms(), "Ω");
    Card.Maker card = seat.card(cards.kicker(gate), say("power.series.title", ohms));
    card.how(
        say(
            "power.series.how",
            String.format(Locale.ROOT, "%.2f", series.watts()),
            Engineering.nominal(stage.feed().volts(), "V")));
    card.how(
        stage.unmodelled().isEmpty()
            ? say("power.series.go-stop", volts(series.goVolts()), volts(series.stopVolts()))
            : say(
                "power.series.unknown",
                String.join(", ", stage.unmodelled()),
                volts(series.stopVolts())));
    new SetUp(seat, open, state).board().ifPresent(card::how);
    cards.caution(card, gate);
    card.field(typed().text(), reading().unit(), Takes.SIGNED);
    boolean readable = readable(card);
    if (readable) {
      double read = value().getAsDouble();
      card.verdict(
          goes(read),
          say(
              goes(read)
                  ? "power.series.good"
                  : read > series.stopVolts() ? "power.series.stop" : "power.series.more"));
    }
    card.why(say("power.series.why", ohms));
    if (typed().isEmpty()) {
      card.key('+', say("power.series.without"), without);
    } else {
      card.key('+', say("sort.prefix"), typed()::nextPrefix);
    }
    cards.otherSupply(card, gate);
    cards.withKeys(card);
    if (typed().isEmpty()) {
      return cards.empty(card, Optional.of(state), this::practice);
    }
    return readable
        ? card.go(
            say(goes(value().getAsDouble()) ? "power.series.out" : "power.write-down"), this::write)
        : card.notYet(say("power.again"));
  }

  private static String volts(double volts) {
    return Engineering.reading(Math.max(volts, DIGIT_V), "V");
  }

  private void write() {
    double volts = value().orElseThrow();
    boolean goes = goes(volts);
    open.act(new BuildEvent.SeriesRead(state.id(), volts, goes, typed().isPractice()));
    typed().clear();
    if (!goes) {
      seat.desk().wrong();
    }
  }

  private void practice() {
    open.practised(state).stream()
        .flatMapToDouble(board -> board.seriesVolts(series.ohms()).stream())
        .forEach(volts -> typed().show(String.format(Locale.ROOT, "%.2f", volts)));
  }

  @Override
  public Mat mat() {
    return cards
        .locks()
        .beside(
            new LockMat.Beside.Rule(
                say("power.series.mat"),
                "V",
                0,
                Math.max(series.goVolts(), DIGIT_V),
                stage.feed().volts(),
                value()));
  }
}
