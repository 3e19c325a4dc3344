package humble.desktop.power;

import humble.bench.PracticeBench;
import humble.core.build.BuildEvent;
import humble.core.kit.Gate;
import humble.core.power.Expectation;
import humble.core.power.PoweredStage;
import humble.core.stock.Meter;
import humble.core.stock.Verdict;
import humble.core.units.Band;
import humble.core.units.Engineering;
import humble.core.units.QuantityText;
import humble.core.units.TypedReading;
import humble.desktop.draw.Mat;
import humble.desktop.stage.Card;
import humble.desktop.stage.Takes;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

/** Reads a gate: what to set, where to probe, what to expect, and whether the reading is it. */
final class GateHand extends ReadHand {
  private final Gate gate;
  private final Expectation expected;
  private String practiceSupply = "";

  GateHand(GateCards cards, Gate gate, Expectation expected) {
    super(cards);
    this.gate = gate;
    this.expected = expected;
  }

  @Override
  TypedReading.Kind kind() {
    return TypedReading.Kind.VOLTS;
  }

  @Override
  List<Double> expected() {
    return List.of((expected.window().low() + expected.window().high()) / 2);
  }

  @Override
  public Card card() {
    Card.Maker card = seat.card(cards.kicker(gate), cards.title(gate));
    card.how(
        say(
            "power.supply",
            Engineering.nominal(expected.supplyVolts(), "V"),
            Math.round(expected.limitMa())));
    card.how(say("power.probes", gate.at().getFirst(), gate.at().getLast()));
    cards.caution(card, gate);
    card.field(typed().text(), reading().unit(), Takes.SIGNED);
    boolean readable = readable(card);
    if (readable) {
      card.verdict(passes(), say(verdict()));
    }
    why(card);
    cards.withKeys(card);
    cards.wayPast(card, gate);
    if (typed().isEmpty()) {
      return cards.empty(card, open.kit().state(gate.state()), this::practice);
    }
    return readable
        ? card.go(say(passes() ? "power.open" : "power.write-down"), this::write)
        : card.notYet(say("power.again"));
  }

  private void why(Card.Maker card) {
    card.why(
        say(
            "power.window",
            Engineering.reading(expected.window().low(), "V"),
            Engineering.reading(expected.window().high(), "V")));
    String least = tenth(expected.currentMa().low());
    String most = tenth(expected.currentMa().high());
    card.why(
        least.equals(most) ? say("power.current-about", least) : say("power.current", least, most));
    if (!practiceSupply.isEmpty()) {
      card.why(practiceSupply);
    }
    open.kit()
        .state(gate.state())
        .flatMap(state -> open.powered(state).found())
        .ifPresent(stage -> stage.heats().forEach(heat -> card.why(heat(heat))));
  }

  /** What may get warm and still be right. */
  private String heat(PoweredStage.Heat heat) {
    return say(
        heat.inDropout() ? "power.heat.dropout" : "power.heat",
        heat.ref(),
        Engineering.reading(heat.watts(), "W"),
        Math.round(heat.junctionAt25C()),
        Math.round(heat.junctionAt40C()));
  }

  private Verdict judged() {
    Band interval =
        reading().value() instanceof QuantityText.Read read
            ? Meter.USUAL.interval(read.value(), read.resolution())
            : new Band(Double.NEGATIVE_INFINITY, Double.POSITIVE_INFINITY);
    return Verdict.of(interval, expected.window());
  }

  private String verdict() {
    return switch (judged()) {
      case INSIDE -> "power.inside";
      case EDGE -> passes() ? "power.near" : "power.edge";
      case OUTSIDE -> "power.outside";
    };
  }

  /**
   * A gate opens for a reading in the window, even where the meter's own error reaches over its
   * end.
   */
  private boolean passes() {
    return value().isPresent() && expected.window().holds(value().getAsDouble());
  }

  private void write() {
    double volts = value().orElseThrow();
    BuildEvent read =
        new BuildEvent.GateRead(
            gate.id(), volts, judged().name().toLowerCase(Locale.ROOT), typed().isPractice());
    if (passes()) {
      open.act(read, new BuildEvent.GatePassed(gate.id(), volts));
    } else {
      open.act(read);
    }
    typed().clear();
  }

  private void practice() {
    Optional<PracticeBench.Shown> shown = open.practice().read(gate, expected.limitMa());
    shown.ifPresent(read -> {
      practiceSupply =
          say(read.limited() ? "power.shows-limited" : "power.shows", tenth(read.supplyMa()));
      typed().show(String.format(Locale.ROOT, "%.2f", read.reading()));
    });
  }

  @Override
  public Mat mat() {
    return cards.locks().mat(value(), Optional.empty());
  }
}
