package humble.desktop.power;

import humble.bench.PracticeBench;
import humble.core.build.BuildEvent;
import humble.core.kit.Caution;
import humble.core.kit.Gate;
import humble.core.kit.PinRef;
import humble.core.power.Expectation;
import humble.core.stock.Meter;
import humble.core.stock.Verdict;
import humble.core.units.Band;
import humble.core.units.Engineering;
import humble.core.units.Quantity;
import humble.core.units.QuantityText;
import humble.core.words.Words;
import humble.desktop.draw.Mat;
import humble.desktop.session.OpenBuild;
import humble.desktop.session.Progress;
import humble.desktop.stage.Card;
import humble.desktop.stage.Desk;
import humble.desktop.stage.Stage;
import humble.desktop.stage.StageId;
import humble.desktop.stage.Standing;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;

/** Gates: what to set, where to probe, what to expect, and whether the reading is it. */
public final class PowerStage implements Stage {
  private final OpenBuild open;
  private final Desk desk;
  private final Words words;
  private String typed = "";
  private boolean fromPractice;
  private String practiceSupply = "";

  /** Makes the stage. */
  public PowerStage(OpenBuild open, Desk desk) {
    this.open = open;
    this.desk = desk;
    this.words = desk.words();
  }

  private Optional<Gate> current() {
    return open.kit().gates().stream()
        .filter(gate -> !open.build().gateOpen(gate.id()))
        .findFirst();
  }

  private Optional<Expectation> expectation(Gate gate) {
    return open.reckoned().map(r -> r.expectations().get(gate.id()));
  }

  private boolean ready(Gate gate) {
    return Progress.waitsForGate(open) || open.build().gateReadings().containsKey(gate.id());
  }

  @Override
  public Card card() {
    Gate gate = current().orElse(null);
    if (gate == null) {
      Card.Maker card = new Card.Maker(words.say("power.kicker.done"), words.say("power.done"));
      open.kit()
          .gates()
          .forEach(each ->
              card.row(
                  Standing.DONE,
                  words.say(
                      "power.row",
                      each.title(),
                      Engineering.reading(
                          open.build().passedGates().getOrDefault(each.id(), 0.0), "V"))));
      takeBack(card);
      return card.go(words.say("power.on"));
    }
    int number = open.kit().gates().indexOf(gate) + 1;
    Card.Maker card =
        new Card.Maker(
            words.say("power.kicker", number, open.kit().gates().size()),
            words.say("power.title", probes(gate)));
    Expectation expected = expectation(gate).orElse(null);
    if (expected == null) {
      boolean waiting = open.reckoned().isEmpty();
      return card.how(words.say(waiting ? "plan.planning" : "power.no-expectation"))
          .notYet(words.say(waiting ? "plan.wait" : "power.cannot"));
    }
    if (!ready(gate)) {
      card.how(words.say("power.first"));
      takeBack(card);
      return card.go(words.say("power.back"));
    }
    Caution stop = open.stopBefore(List.of(gate.id())).orElse(null);
    if (stop != null) {
      card.how(words.say("caution.stop.how")).caution(true, stop.text());
      takeBack(card);
      return card.go(words.say("caution.stop.go"));
    }
    card.how(
        words.say(
            "power.supply",
            Engineering.nominal(expected.supplyVolts(), "V"),
            Math.round(expected.limitMa())));
    card.how(words.say("power.probes", gate.at().getFirst(), gate.at().getLast()));
    caution(card, gate);
    card.field(typed, "V");
    boolean readable = verdict(card, expected);
    card.why(
        words.say(
            "power.window",
            Engineering.reading(expected.window().low(), "V"),
            Engineering.reading(expected.window().high(), "V")));
    String least = tenth(expected.currentMa().low());
    String most = tenth(expected.currentMa().high());
    card.why(
        least.equals(most)
            ? words.say("power.current-about", least)
            : words.say("power.current", least, most));
    if (!practiceSupply.isEmpty()) {
      card.why(practiceSupply);
    }
    takeBack(card);
    if (typed.isEmpty()) {
      return open.practiceOn()
          ? card.go(words.say("power.practice"))
          : card.notYet(words.say("power.type"));
    }
    boolean inside = passes(expected);
    return !readable
        ? card.notYet(words.say("power.again"))
        : card.go(words.say(inside ? "power.open" : "power.write-down"));
  }

  private static String tenth(double ma) {
    return String.format(Locale.ROOT, "%.1f", ma);
  }

  private String probes(Gate gate) {
    return gate.at().stream()
        .map(at -> PinRef.parse(at).map(pin -> words.say("power.pin", pin.pin())).orElse(at))
        .reduce((a, b) -> words.say("power.and", a, b))
        .orElse("");
  }

  private void caution(Card.Maker card, Gate gate) {
    open.kit().cautions().stream()
        .filter(c -> c.at().equals(gate.id()))
        .findFirst()
        .ifPresentOrElse(
            c -> card.caution(c.level() != Caution.Level.CARE, c.text() + " " + gate.caution()),
            () -> {
              if (!gate.caution().isEmpty()) {
                card.caution(true, gate.caution());
              }
            });
  }

  private void takeBack(Card.Maker card) {
    card.hint(
        "−",
        words.say("key.take-back"),
        () -> {
          open.takeBack();
          desk.go(StageId.POWER);
        });
    card.hint("/", words.say("key.wrong"), () -> desk.wrong());
  }

  private OptionalDouble value() {
    return Quantity.parse(typed) instanceof QuantityText.Read read
        ? OptionalDouble.of(read.value())
        : OptionalDouble.empty();
  }

  private Verdict judge(Expectation expected) {
    Band interval =
        Quantity.parse(typed) instanceof QuantityText.Read read
            ? Meter.USUAL.interval(read.value(), read.resolution())
            : new Band(Double.NEGATIVE_INFINITY, Double.POSITIVE_INFINITY);
    return Verdict.of(interval, expected.window());
  }

  private boolean verdict(Card.Maker card, Expectation expected) {
    if (typed.isEmpty()) {
      return false;
    }
    if (Quantity.parse(typed) instanceof QuantityText.Unreadable bad) {
      card.verdict(false, bad.sentence());
      return false;
    }
    String key =
        switch (judge(expected)) {
          case INSIDE -> "power.inside";
          case EDGE -> "power.edge";
          case OUTSIDE -> "power.outside";
        };
    boolean asFarAsTheMeterTells = judge(expected) == Verdict.EDGE && passes(expected);
    card.verdict(passes(expected), words.say(asFarAsTheMeterTells ? "power.near" : key));
    return true;
  }

  /**
   * A gate opens for a reading in the window, even where the meter's own error reaches over its
   * end.
   */
  private boolean passes(Expectation expected) {
    return value().isPresent() && expected.window().holds(value().getAsDouble());
  }

  @Override
  public void typing(String text) {
    if (!text.equals(typed)) {
      fromPractice = false;
    }
    typed = text;
  }

  @Override
  public boolean takesSign() {
    return true;
  }

  @Override
  public void enter(String text) {
    Gate gate = current().orElse(null);
    if (gate == null) {
      StageId next = Progress.current(open);
      desk.go(next == StageId.POWER ? StageId.FIT : next);
      return;
    }
    Expectation expected = expectation(gate).orElse(null);
    if (expected == null || !ready(gate)) {
      desk.go(StageId.FIT);
      return;
    }
    Caution stop = open.stopBefore(List.of(gate.id())).orElse(null);
    if (stop != null) {
      open.act(new BuildEvent.Acknowledged(stop.at()));
      return;
    }
    if (text.isEmpty()) {
      practice(gate, expected);
      return;
    }
    value()
        .ifPresent(volts -> {
          Verdict verdict = judge(expected);
          open.act(
              new BuildEvent.GateRead(
                  gate.id(), volts, verdict.name().toLowerCase(Locale.ROOT), fromPractice));
          if (passes(expected)) {
            open.act(new BuildEvent.GatePassed(gate.id(), volts));
          }
          desk.type("");
        });
  }

  private void practice(Gate gate, Expectation expected) {
    if (open.practiceOn()) {
      open.practice().read(gate, expected.limitMa()).ifPresent(shown -> show(shown));
    }
  }

  private void show(PracticeBench.Shown shown) {
    String text = String.format(Locale.ROOT, "%.2f", shown.reading());
    practiceSupply =
        words.say(shown.limited() ? "power.shows-limited" : "power.shows", tenth(shown.supplyMa()));
    typed = text;
    fromPractice = true;
    desk.type(text);
  }

  @Override
  public Mat mat() {
    List<LockMat.Lock> locks = new ArrayList<>();
    String now = current().map(Gate::id).orElse("");
    for (Gate gate : open.kit().gates()) {
      boolean passed = open.build().passedGates().containsKey(gate.id());
      BuildEvent.GateRead read = open.build().gateReadings().get(gate.id());
      OptionalDouble needle =
          gate.id().equals(now) && value().isPresent()
              ? value()
              : read == null ? OptionalDouble.empty() : OptionalDouble.of(read.value());
      String state = open.kit().state(gate.state()).map(s -> s.title()).orElse(gate.state());
      locks.add(
          new LockMat.Lock(gate, state, passed, gate.id().equals(now), expectation(gate), needle));
    }
    return new LockMat(words.say("power.mat"), locks, open.parts(), words);
  }
}
