package humble.desktop.power;

import humble.core.build.BuildEvent;
import humble.core.mend.Measure;
import humble.core.mend.Observation;
import humble.core.power.PoweredStage;
import humble.core.units.TypedReading;
import humble.desktop.draw.Mat;
import humble.desktop.mend.ObservationText;
import humble.desktop.stage.Card;
import humble.desktop.stage.FaultWords;
import humble.desktop.stage.Takes;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;

/** Reads what the supply shows in a stage that has no gate. */
final class CurrentHand extends ReadHand {
  private final StageCurrent draw;
  private final PoweredStage stage;
  private final Runnable skip;

  /** Makes it; {@code skip} runs when no current is to be read now. */
  CurrentHand(GateCards cards, StageCurrent draw, Runnable skip) {
    super(cards);
    this.draw = draw;
    this.stage = draw.stage();
    this.skip = skip;
  }

  @Override
  TypedReading.Kind kind() {
    return TypedReading.Kind.AMPS;
  }

  @Override
  List<Double> expected() {
    double middle = (stage.expectMa().low() + stage.expectMa().high()) / 2000;
    Double limit = stage.limitMa();
    return limit == null ? List.of(middle) : List.of(middle, limit / 1000);
  }

  private Measure.Amps measure() {
    return new Measure.Amps(stage.feed().id());
  }

  @Override
  public Card card() {
    Card.Maker card =
        seat.card(say("power.draw.kicker", draw.state().title()), say("power.draw.title"));
    SetUp setUp = new SetUp(seat, open, draw.state());
    setUp.say(card, stage.feed(), stage.limitMa());
    if (stage.limitMa() == null || setUp.isPlain()) {
      card.how(say("power.draw.meter"));
    }
    card.how(cards.current(stage.expectMa(), stage.unmodelled()));
    card.field(typed().text(), reading().unit(), Takes.SIGNED);
    why(card);
    boolean readable = readable(card);
    if (readable) {
      boolean inside = draw.reads(value().getAsDouble() * 1000);
      card.verdict(inside, say(inside ? "power.inside" : "power.draw.outside"));
    }
    if (typed().isEmpty()) {
      card.key('+', say("power.draw.skip"), skip);
    } else {
      card.key('+', say("sort.prefix"), typed()::nextPrefix);
    }
    cards.withKeys(card);
    if (typed().isEmpty()) {
      return cards.empty(
          card,
          Optional.of(draw.state()),
          () -> cards.practised(draw.state(), measure()).ifPresent(this::practised));
    }
    return readable ? card.go(say("power.draw.go"), this::write) : card.notYet(say("power.again"));
  }

  private void why(Card.Maker card) {
    stage
        .scans()
        .forEach(scan ->
            card.why(say("power.scan", scan.id(), tenth(scan.meanMa()), tenth(scan.mostMa()))));
    stage
        .hints()
        .forEach(hint ->
            card.why(
                say(
                    "power.sign." + hint.sign().name().toLowerCase(Locale.ROOT),
                    String.join(
                        "; ",
                        hint.faults().stream()
                            .map(fault -> FaultWords.say(seat.words(), open.built(), fault))
                            .toList()))));
  }

  /** The end of the scale: the limit, where there is one. */
  private double most() {
    Double limit = stage.limitMa();
    return limit == null ? 2 * stage.expectMa().high() : limit;
  }

  private void write() {
    double ma = value().orElseThrow() * 1000;
    observed(measure() + "=" + reading().text(), false, ma);
  }

  private void practised(Observation seen) {
    double ma = seen instanceof Observation.Reading reading ? reading.value() * 1000 : 0;
    observed(ObservationText.of(seen), true, ma);
  }

  private void observed(String what, boolean practice, double ma) {
    open.act(new BuildEvent.Observed(draw.state().id(), what, practice));
    typed().clear();
    if (!draw.reads(ma)) {
      seat.desk().wrong();
    }
  }

  @Override
  public Mat mat() {
    OptionalDouble ma =
        value().isPresent()
            ? OptionalDouble.of(value().getAsDouble() * 1000)
            : OptionalDouble.empty();
    return cards
        .locks()
        .mat(
            OptionalDouble.empty(),
            Optional.of(
                new LockMat.Beside.Rule(
                    say("power.window-current"),
                    "mA",
                    stage.expectMa().low(),
                    stage.expectMa().high(),
                    most(),
                    ma)));
  }
}
