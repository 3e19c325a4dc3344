package humble.desktop.power;

import humble.bench.PracticeBench;
import humble.bench.SimulatedBoard;
import humble.core.build.BuildEvent;
import humble.core.kit.BoardState;
import humble.core.kit.Caution;
import humble.core.kit.Gate;
import humble.core.kit.PinRef;
import humble.core.mend.Measure;
import humble.core.mend.Observation;
import humble.core.power.Expectation;
import humble.core.stock.Meter;
import humble.core.stock.Verdict;
import humble.core.units.Band;
import humble.core.units.Engineering;
import humble.core.units.QuantityText;
import humble.core.units.TypedReading;
import humble.core.words.Words;
import humble.desktop.draw.Mat;
import humble.desktop.mend.ObservationText;
import humble.desktop.session.OpenBuild;
import humble.desktop.session.Progress;
import humble.desktop.stage.Card;
import humble.desktop.stage.Desk;
import humble.desktop.stage.FaultWords;
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
  private static final int REASONS = 3;

  /** Two noughts stand for open: no meter shows them. */
  private static final String OPEN_TYPED = "00";

  private final OpenBuild open;
  private final Desk desk;
  private final Words words;
  private String typed = "";
  private boolean fromPractice;
  private String practiceSupply = "";
  private boolean overriding;
  private int moved;
  private boolean skipCurrents;

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
      StageCurrent draw = draw().orElse(null);
      return draw == null ? doneCard() : drawCard(draw);
    }
    if (overriding) {
      return overrideCard(gate);
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
    if (state(gate).filter(state -> !reckoned(state)).isPresent()) {
      takeBack(card);
      return card.how(words.say("plan.planning")).notYet(words.say("plan.wait"));
    }
    OhmsBefore before = OhmsBefore.open(open, gate).orElse(null);
    if (before != null) {
      return ohmsCard(gate, before);
    }
    card.how(
        words.say(
            "power.supply",
            Engineering.nominal(expected.supplyVolts(), "V"),
            Math.round(expected.limitMa())));
    card.how(words.say("power.probes", gate.at().getFirst(), gate.at().getLast()));
    caution(card, gate);
    card.field(typed, reading().unit());
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
    heat(card, gate);
    takeBack(card);
    override(card);
    if (typed.isEmpty()) {
      return empty(card, state(gate));
    }
    boolean inside = passes(expected);
    return !readable
        ? card.notYet(words.say("power.again"))
        : card.go(words.say(inside ? "power.open" : "power.write-down"));
  }

  private boolean reckoned(BoardState state) {
    open.powered(state);
    return open.poweredReckoned(state);
  }

  private Card doneCard() {
    Card.Maker card = new Card.Maker(words.say("power.kicker.done"), words.say("power.done"));
    for (Gate each : open.kit().gates()) {
      String reason = open.build().overriddenGates().get(each.id());
      boolean passed = open.build().passedGates().containsKey(each.id());
      card.row(
          passed ? Standing.DONE : Standing.DEVIATED,
          passed || reason == null
              ? words.say(
                  "power.row",
                  each.title(),
                  Engineering.reading(open.build().passedGates().getOrDefault(each.id(), 0.0), "V"))
              : words.say("power.row.overridden", each.title(), reason));
    }
    takeBack(card);
    return card.go(words.say("power.on"));
  }

  /**
   * The heat of the regulators stands with the reasons: it says what may get warm and still be
   * right.
   */
  private void heat(Card.Maker card, Gate gate) {
    state(gate)
        .flatMap(open::powered)
        .ifPresent(stage ->
            stage
                .heats()
                .forEach(heat ->
                    card.why(
                        words.say(
                            heat.inDropout() ? "power.heat.dropout" : "power.heat",
                            heat.ref(),
                            Engineering.reading(heat.watts(), "W"),
                            Math.round(heat.junctionAt25C()),
                            Math.round(heat.junctionAt40C())))));
  }

  private Optional<BoardState> state(Gate gate) {
    return open.kit().state(gate.state());
  }

  private void override(Card.Maker card) {
    card.hint(
        "+",
        words.say(
            overriding
                ? "power.override.back"
                : typed.isEmpty() ? "power.override" : "sort.prefix"),
        () -> {
          plus();
          desk.refresh();
        });
  }

  @Override
  public void plus() {
    if (!typed.isEmpty() && !overriding) {
      moved++;
      return;
    }
    if (current().isPresent()) {
      overriding = !overriding && current().filter(this::ready).isPresent();
    } else {
      skipCurrents = true;
    }
    desk.type("");
  }

  private Card overrideCard(Gate gate) {
    Card.Maker card =
        new Card.Maker(
                words.say("power.override.kicker"), words.say("power.override.title", gate.title()))
            .how(words.say("power.override.how"))
            .field(typed, "");
    for (int i = 1; i <= REASONS; i++) {
      card.row(Standing.TO_DO, words.say("power.override.row", i, words.say("power.reason." + i)));
    }
    card.caution(true, words.say("power.override.caution"));
    override(card);
    return reason().isEmpty()
        ? card.notYet(words.say("power.override.type"))
        : card.go(words.say("power.override.go"));
  }

  /** A digit stands for one of the usual reasons; anything longer is a reason of its own. */
  private String reason() {
    String text = typed.strip();
    if (text.length() == 1 && Character.isDigit(text.charAt(0))) {
      int number = text.charAt(0) - '0';
      return number >= 1 && number <= REASONS ? words.say("power.reason." + number) : "";
    }
    return text.length() < 3 ? "" : text;
  }

  private void overridden(Gate gate, String text) {
    typed = text;
    if (!reason().isEmpty()) {
      open.act(new BuildEvent.GateOverridden(gate.id(), reason()));
      overriding = false;
      desk.type("");
    }
  }

  @Override
  public boolean takesText() {
    return overriding;
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

  private Card ohmsCard(Gate gate, OhmsBefore before) {
    int number = open.kit().gates().indexOf(gate) + 1;
    Card.Maker card =
        new Card.Maker(
            words.say("power.kicker", number, open.kit().gates().size()),
            words.say("power.ohms.title", before.plus(), before.minus()));
    card.how(words.say("power.ohms.how"));
    card.how(
        words.say(
            "power.ohms.expect",
            before.expected().isPresent()
                ? Engineering.reading(before.expected().getAsDouble(), "Ω")
                : words.say("power.ohms.open"),
            Engineering.reading(before.least(), "Ω")));
    caution(card, gate);
    boolean opens = typed.equals(OPEN_TYPED);
    card.field(typed, opens ? "" : reading().unit());
    boolean readable = opens || reading().value() instanceof QuantityText.Read;
    if (opens) {
      card.verdict(true, words.say("power.ohms.open"));
    } else if (!typed.isEmpty()) {
      boolean low = value().isPresent() && value().getAsDouble() < before.least();
      if (reading().value() instanceof QuantityText.Unreadable bad) {
        card.verdict(false, bad.sentence());
      } else {
        card.verdict(!low, words.say(low ? "power.ohms.low" : "power.inside"));
      }
    }
    card.hint(
        "0 0",
        words.say("mend.reads-open"),
        () -> {
          open.act(new BuildEvent.Observed(before.state().id(), before.measure() + "=open", false));
          desk.type("");
        });
    takeBack(card);
    override(card);
    if (typed.isEmpty()) {
      return empty(card, Optional.of(before.state()));
    }
    boolean low = !opens && value().orElse(0) < before.least();
    return readable
        ? card.go(words.say(low ? "power.ohms.mend" : "power.ohms.go"))
        : card.notYet(words.say("power.again"));
  }

  /** Less than a tenth of what is expected: the reading is kept, and what bridges is looked for. */
  private void read(OhmsBefore before, String text) {
    boolean practice = text.isEmpty() && open.practiceOn();
    String value = text.equals(OPEN_TYPED) ? "open" : reading().text();
    if (!practice && !value.equals("open") && value().isEmpty()) {
      return;
    }
    Optional<String> what =
        practice
            ? shown(before.state(), before.measure()).map(ObservationText::of)
            : Optional.of(before.measure() + "=" + value);
    if (what.isEmpty()) {
      return;
    }
    open.act(new BuildEvent.Observed(before.state().id(), what.get(), practice));
    desk.type("");
    if (!before.read(open)) {
      desk.wrong();
    }
  }

  private Optional<StageCurrent> draw() {
    return skipCurrents ? Optional.empty() : StageCurrent.next(open);
  }

  private Card drawCard(StageCurrent draw) {
    Card.Maker card =
        new Card.Maker(
            words.say("power.draw.kicker", draw.state().title()), words.say("power.draw.title"));
    card.how(
        words.say(
            "power.supply",
            Engineering.nominal(draw.stage().supplyVolts(), "V"),
            Math.round(draw.stage().limitMa())));
    String low = tenth(draw.stage().expectMa().low());
    String high = tenth(draw.stage().expectMa().high());
    card.how(
        low.equals(high)
            ? words.say("power.current-about", low)
            : words.say("power.current", low, high));
    card.field(typed, reading().unit());
    draw.stage()
        .scans()
        .forEach(scan ->
            card.why(
                words.say("power.scan", scan.id(), tenth(scan.meanMa()), tenth(scan.mostMa()))));
    draw.stage()
        .hints()
        .forEach(hint ->
            card.why(
                words.say(
                    "power.sign." + hint.sign().name().toLowerCase(Locale.ROOT),
                    String.join(
                        "; ",
                        hint.faults().stream()
                            .map(fault -> FaultWords.say(words, open.fittedParts(), fault))
                            .toList()))));
    if (!typed.isEmpty() && value().isPresent()) {
      boolean inside = draw.reads(value().getAsDouble() * 1000);
      card.verdict(inside, words.say(inside ? "power.inside" : "power.draw.outside"));
    }
    card.hint(
        "+",
        words.say(typed.isEmpty() ? "power.draw.skip" : "sort.prefix"),
        () -> {
          plus();
          desk.refresh();
        });
    takeBack(card);
    if (typed.isEmpty()) {
      return empty(card, Optional.of(draw.state()));
    }
    return value().isPresent()
        ? card.go(words.say("power.draw.go"))
        : card.notYet(words.say("power.again"));
  }

  private void read(StageCurrent draw, String text) {
    Measure.Amps measure = new Measure.Amps(String.valueOf(draw.state().supply()));
    double ma;
    if (text.isEmpty()) {
      Observation shown = shown(draw.state(), measure).orElse(null);
      if (shown == null) {
        return;
      }
      ma = shown instanceof Observation.Reading reading ? reading.value() * 1000 : 0;
      open.act(new BuildEvent.Observed(draw.state().id(), ObservationText.of(shown), true));
    } else if (value().isPresent()) {
      ma = value().getAsDouble() * 1000;
      open.act(new BuildEvent.Observed(draw.state().id(), measure + "=" + reading().text(), false));
    } else {
      return;
    }
    desk.type("");
    if (!draw.reads(ma)) {
      desk.wrong();
    }
  }

  /** What the practice bench shows; nothing while it is off or has no operating point. */
  private Optional<Observation> shown(BoardState state, Measure measure) {
    return practised(state).map(board -> board.answer(measure));
  }

  private Optional<SimulatedBoard> practised(BoardState state) {
    return open.practiceOn() ? open.practice().board(state) : Optional.empty();
  }

  /** What Enter does with nothing typed: the practice bench measures, where it has a board. */
  private Card empty(Card.Maker card, Optional<BoardState> state) {
    return state.flatMap(this::practised).isPresent()
        ? card.go(words.say("power.practice"))
        : card.notYet(words.say("power.type"));
  }

  /** What is typed, as it will be read: its prefix guessed from what is expected now. */
  private TypedReading reading() {
    Gate gate = current().orElse(null);
    if (gate == null) {
      List<Double> expected =
          draw()
              .map(draw ->
                  List.of(
                      (draw.stage().expectMa().low() + draw.stage().expectMa().high()) / 2000,
                      draw.stage().limitMa() / 1000))
              .orElse(List.of());
      return new TypedReading(typed, TypedReading.Kind.AMPS, expected, moved);
    }
    OhmsBefore before = OhmsBefore.open(open, gate).orElse(null);
    if (before != null) {
      List<Double> expected =
          before.expected().isPresent() ? List.of(before.expected().getAsDouble()) : List.of();
      return new TypedReading(typed, TypedReading.Kind.OHMS, expected, moved);
    }
    List<Double> expected =
        expectation(gate)
            .map(expect -> List.of((expect.window().low() + expect.window().high()) / 2))
            .orElse(List.of());
    return new TypedReading(typed, TypedReading.Kind.VOLTS, expected, moved);
  }

  private OptionalDouble value() {
    return reading().value() instanceof QuantityText.Read read
        ? OptionalDouble.of(read.value())
        : OptionalDouble.empty();
  }

  private Verdict judge(Expectation expected) {
    Band interval =
        reading().value() instanceof QuantityText.Read read
            ? Meter.USUAL.interval(read.value(), read.resolution())
            : new Band(Double.NEGATIVE_INFINITY, Double.POSITIVE_INFINITY);
    return Verdict.of(interval, expected.window());
  }

  private boolean verdict(Card.Maker card, Expectation expected) {
    if (typed.isEmpty()) {
      return false;
    }
    if (reading().value() instanceof QuantityText.Unreadable bad) {
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
    moved = text.isEmpty() ? 0 : moved;
  }

  @Override
  public boolean takesSign() {
    return true;
  }

  @Override
  public void enter(String text) {
    Gate gate = current().orElse(null);
    if (gate == null) {
      StageCurrent draw = draw().orElse(null);
      if (draw != null) {
        read(draw, text);
        return;
      }
      StageId next = Progress.current(open);
      desk.go(next == StageId.POWER ? StageId.FIT : next);
      return;
    }
    if (overriding) {
      overridden(gate, text);
      return;
    }
    Expectation expected = expectation(gate).orElse(null);
    if (expected == null || !ready(gate)) {
      desk.go(StageId.FIT);
      return;
    }
    if (state(gate).filter(state -> !reckoned(state)).isPresent()) {
      return;
    }
    Caution stop = open.stopBefore(List.of(gate.id())).orElse(null);
    if (stop != null) {
      open.act(new BuildEvent.Acknowledged(stop.at()));
      return;
    }
    OhmsBefore before = OhmsBefore.open(open, gate).orElse(null);
    if (before != null) {
      read(before, text);
      return;
    }
    if (text.isEmpty()) {
      practice(gate, expected);
      return;
    }
    value()
        .ifPresent(volts -> {
          Verdict verdict = judge(expected);
          BuildEvent read =
              new BuildEvent.GateRead(
                  gate.id(), volts, verdict.name().toLowerCase(Locale.ROOT), fromPractice);
          if (passes(expected)) {
            open.act(read, new BuildEvent.GatePassed(gate.id(), volts));
          } else {
            open.act(read);
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
          gate.id().equals(now)
                  && value().isPresent()
                  && !overriding
                  && OhmsBefore.open(open, gate).isEmpty()
              ? value()
              : read == null ? OptionalDouble.empty() : OptionalDouble.of(read.value());
      String state = open.kit().state(gate.state()).map(s -> s.title()).orElse(gate.state());
      locks.add(
          new LockMat.Lock(
              gate,
              state,
              open.build().gateOpen(gate.id()),
              !passed && open.build().gateOpen(gate.id()),
              gate.id().equals(now),
              expectation(gate),
              needle));
    }
    Optional<LockMat.Current> current =
        now.isEmpty()
            ? draw()
                .map(draw ->
                    new LockMat.Current(
                        draw.stage().expectMa().low(),
                        draw.stage().expectMa().high(),
                        draw.stage().limitMa(),
                        value().isPresent()
                            ? OptionalDouble.of(value().getAsDouble() * 1000)
                            : OptionalDouble.empty()))
            : Optional.empty();
    return new LockMat(words.say("power.mat"), locks, current, open.parts(), words);
  }
}
