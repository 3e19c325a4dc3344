package humble.desktop.power;

import humble.bench.PracticeBench;
import humble.core.build.BuildEvent;
import humble.core.circuit.OhmBench;
import humble.core.kit.BoardState;
import humble.core.kit.Gate;
import humble.core.kit.Measured;
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
import java.util.OptionalDouble;

/** Reads a gate: what to set, where to probe, what to expect, and whether the reading is it. */
final class GateHand extends ReadHand {
  /** Below this part of what is expected nothing reaches the probes. */
  private static final double NOTHING_PART = 0.05;

  /** A shorter flash of the limit light is not noticed. */
  private static final double SEEN_S = 0.1;

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
    return switch (gate.measure()) {
      case VOLTAGE -> TypedReading.Kind.VOLTS;
      case CURRENT -> TypedReading.Kind.AMPS;
      case RESISTANCE, CONTINUITY -> TypedReading.Kind.OHMS;
    };
  }

  @Override
  List<Double> expected() {
    Band window = expected.window();
    return Double.isFinite(window.high()) ? List.of((window.low() + window.high()) / 2) : List.of();
  }

  @Override
  public Card card() {
    Card.Maker card = seat.card(cards.kicker(gate), cards.title(gate));
    // What is typed has to be judged in sight: how to set up was said before.
    if (typed().isEmpty()) {
      setUp(card);
    }
    if (!readsNothing()) {
      probes().ifPresent(card::how);
    }
    cards.caution(card, gate);
    card.field(typed().text(), opens() ? "" : reading().unit(), Takes.SIGNED);
    boolean readable = opens() || readable(card);
    if (readable) {
      verdict(card);
    }
    why(card);
    if (kind() == TypedReading.Kind.OHMS) {
      card.click("0 0", say("mend.reads-open"), () -> typed().type("00"));
    }
    if (expected.power().flatMap(power -> power.feed().limited()).isPresent()) {
      cards.otherSupply(card, gate);
    }
    cards.withKeys(card);
    cards.wayPast(card, gate);
    if (typed().isEmpty()) {
      return cards.empty(card, open.kit().state(gate.state()), this::practice);
    }
    return readable
        ? card.go(say(passes() ? "power.open" : "power.write-down"), this::write)
        : card.notYet(say("power.again"));
  }

  private void setUp(Card.Maker card) {
    BoardState state = open.kit().state(gate.state()).orElse(null);
    if (!gate.measure().isPowered()) {
      card.how(say("power.unpowered"));
    }
    if (state == null) {
      return;
    }
    expected
        .power()
        .ifPresent(power -> new SetUp(seat, open, state).say(card, power.feed(), power.limitMa()));
    if (expected.power().isEmpty() && gate.measure().isPowered()) {
      card.how(say("power.stated-only"));
    }
  }

  /** Says where the probes go; the picture shows how the part lies. */
  private Optional<String> probes() {
    if (gate.measure() == Measured.CURRENT) {
      return expected
          .power()
          .filter(power -> power.limitMa() == null)
          .map(power -> say("power.draw.meter"));
    }
    return Optional.of(say("power.probes", gate.at().getFirst(), gate.at().getLast()));
  }

  private void verdict(Card.Maker card) {
    Expectation.Powered power = expected.power().orElse(null);
    BoardState state = open.kit().state(gate.state()).orElse(null);
    if (power != null && state != null && readsNothing()) {
      card.verdict(false, say("power.zero"));
      new SetUp(seat, open, state).atNothing(card, power.feed());
    } else {
      card.verdict(passes(), say(verdict()));
    }
  }

  /** Tells whether nothing reaches the probes, where something should. */
  private boolean readsNothing() {
    double low = expected.window().low();
    return low > 0 && read().isPresent() && Math.abs(read().getAsDouble()) < NOTHING_PART * low;
  }

  private OptionalDouble read() {
    return opens() ? OptionalDouble.of(Double.POSITIVE_INFINITY) : value();
  }

  private void why(Card.Maker card) {
    card.why(expects());
    expected.power().ifPresent(power -> card.why(cards.current(power.currentMa(), unmodelled())));
    if (!practiceSupply.isEmpty()) {
      card.why(practiceSupply);
    }
    stage()
        .ifPresent(stage -> {
          if (stage.inrushS() >= SEEN_S) {
            card.why(
                Double.isFinite(stage.inrushS())
                    ? say("power.inrush", String.format(Locale.ROOT, "%.1f", stage.inrushS()))
                    : say("power.inrush.never"));
          }
          stage.heats().forEach(heat -> card.why(heat(heat)));
        });
  }

  private String expects() {
    if (gate.measure() == Measured.CONTINUITY) {
      return say(
          Double.isInfinite(expected.window().high()) ? "power.beep.none" : "power.beep.some");
    }
    if (Double.isInfinite(expected.window().high())) {
      return say(
          "power.window.least",
          Engineering.reading(expected.window().low(), gate.measure().unit()));
    }
    return say(
        gate.fixedWindow().isPresent() ? "power.window.stated" : "power.window",
        Engineering.reading(expected.window().low(), gate.measure().unit()),
        Engineering.reading(expected.window().high(), gate.measure().unit()));
  }

  private Optional<PoweredStage> stage() {
    return expected.power().isEmpty()
        ? Optional.empty()
        : open.kit().state(gate.state()).flatMap(state -> open.powered(state).found());
  }

  private List<String> unmodelled() {
    return stage().map(PoweredStage::unmodelled).orElse(List.of());
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
    if (opens()) {
      return passes() ? Verdict.INSIDE : Verdict.OUTSIDE;
    }
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
    // A meter shows as open whatever is above its range.
    return opens()
        ? expected.window().high() >= OhmBench.OPEN_OHM
        : value().isPresent() && expected.window().holds(value().getAsDouble());
  }

  private void write() {
    double value = read().orElseThrow();
    BuildEvent read =
        new BuildEvent.GateRead(
            gate.id(),
            value,
            gate.measure().unit(),
            judged().name().toLowerCase(Locale.ROOT),
            typed().isPractice());
    if (passes()) {
      open.act(read, new BuildEvent.GatePassed(gate.id(), value));
    } else {
      open.act(read);
    }
    typed().clear();
  }

  private void practice() {
    Double limit = expected.power().map(Expectation.Powered::limitMa).orElse(null);
    Optional<PracticeBench.Shown> shown = open.practice().read(gate, limit);
    shown.ifPresent(read -> {
      practiceSupply =
          gate.measure().isPowered()
              ? say(read.limited() ? "power.shows-limited" : "power.shows", tenth(read.supplyMa()))
              : "";
      typed().show(shown(read.reading()));
    });
  }

  private String shown(double reading) {
    return switch (gate.measure()) {
      case VOLTAGE -> String.format(Locale.ROOT, "%.2f", reading);
      case CURRENT -> String.format(Locale.ROOT, "%.2fm", reading * 1000);
      case RESISTANCE, CONTINUITY ->
          Double.isInfinite(reading) ? "00" : String.format(Locale.ROOT, "%.1f", reading);
    };
  }

  @Override
  public Mat mat() {
    return cards.locks().mat(read(), Optional.empty());
  }
}
