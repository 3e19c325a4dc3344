package humble.desktop.power;

import humble.core.build.BuildEvent;
import humble.core.kit.BoardState;
import humble.core.kit.Gate;
import humble.core.power.Expectation;
import humble.core.power.PoweredStage;
import humble.desktop.hand.HandStage;
import humble.desktop.hand.StopHand;
import humble.desktop.hand.Turn;
import humble.desktop.session.Known;
import humble.desktop.session.OpenBuild;
import humble.desktop.session.Progress;
import humble.desktop.stage.Desk;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/** Gates: what to set, where to probe, what to expect, and whether the reading is it. */
public final class PowerStage extends HandStage {
  private final OpenBuild open;
  private final GateCards cards;
  private boolean skipCurrents;

  /** States in which it was gone on without a resistor in the lead. */
  private final Set<String> without = new HashSet<>();

  /** Makes the stage. */
  public PowerStage(OpenBuild open, Desk desk) {
    super(desk);
    this.open = open;
    this.cards = new GateCards(seat, open, new Locks(seat, open), this::layOver);
  }

  @Override
  protected Turn turn() {
    Gate gate = cards.locks().current().orElse(null);
    if (gate != null) {
      return gate(gate);
    }
    return Progress.nextCheck(open)
        .map(check -> new Turn(check, () -> new CheckHand(cards, check)))
        .orElseGet(this::afterGates);
  }

  private Turn afterGates() {
    return (skipCurrents ? Optional.<StageCurrent>empty() : StageCurrent.next(open))
        .map(draw -> new Turn(draw, () -> new CurrentHand(cards, draw, () -> skipCurrents = true)))
        .orElseGet(() -> new Turn("open", () -> new GatesOpenHand(cards)));
  }

  private record NotNow(String gate, NotNowHand.Why why) {}

  private record Ohms(String gate, OhmsAsked before) {}

  private record Series(String state, PoweredStage stage) {}

  private record Reading(String gate, Expectation expected) {}

  private Turn notNow(Gate gate, NotNowHand.Why why, Optional<String> failed) {
    return new Turn(new NotNow(gate.id(), why), () -> new NotNowHand(cards, gate, why, failed));
  }

  /** What comes before it is fitted, a stop is acknowledged, ohms are read; then the gate. */
  private Turn gate(Gate gate) {
    if (open.reckoned().isEmpty()) {
      return open.notPlanned().isEmpty()
          ? notNow(gate, NotNowHand.Why.RECKONING, Optional.empty())
          : notNow(gate, NotNowHand.Why.FAILED, Optional.of(open.notPlanned()));
    }
    boolean ready = cards.locks().ready(gate);
    return switch (open.expectation(gate, ready)) {
      case Known.Waiting<Expectation> waiting ->
          notNow(gate, NotNowHand.Why.RECKONING, Optional.empty());
      case Known.Failed<Expectation> failed ->
          notNow(gate, NotNowHand.Why.FAILED, Optional.of(failed.sentence()));
      case Known.Nothing<Expectation> nothing ->
          notNow(gate, NotNowHand.Why.NO_EXPECTATION, Optional.empty());
      case Known.Is<Expectation> expected ->
          ready
              ? ready(gate, expected.value())
              : notNow(gate, NotNowHand.Why.NOT_FITTED, Optional.empty());
    };
  }

  private Turn ready(Gate gate, Expectation expected) {
    return StopHand.before(
            List.of(gate.id()),
            seat,
            open,
            cards.kicker(gate),
            cards.title(gate),
            cards.locks()::mat)
        .or(() -> gate.measure().isPowered() ? beforePower(gate, expected) : Optional.empty())
        .orElseGet(() ->
            new Turn(new Reading(gate.id(), expected), () -> new GateHand(cards, gate, expected)));
  }

  /** What has to be known, said and read before power comes. */
  private Optional<Turn> beforePower(Gate gate, Expectation expected) {
    return stageOf(gate)
        .or(() -> fed(gate, expected))
        .or(() ->
            OhmsAsked.open(open, gate)
                .map(before ->
                    new Turn(new Ohms(gate.id(), before), () -> new OhmsHand(cards, gate, before))))
        .or(() -> series(gate, expected));
  }

  /** The bench is asked once what gives its power. */
  private Optional<Turn> fed(Gate gate, Expectation expected) {
    return expected
        .power()
        .flatMap(power -> power.feed().limited())
        .filter(supply -> open.build().fedBy().isEmpty())
        .map(supply -> new Turn("fed", () -> new FeedHand(cards, gate)));
  }

  /** Where nothing limits the current, a resistor in the plus lead does, once in every state. */
  private Optional<Turn> series(Gate gate, Expectation expected) {
    BoardState state = open.kit().state(gate.state()).orElse(null);
    Expectation.Powered power = expected.power().orElse(null);
    if (state == null || power == null) {
      return Optional.empty();
    }
    boolean limited =
        power.limitMa() != null && open.build().fedBy().filter("limited"::equals).isPresent();
    BuildEvent.SeriesRead read = open.build().seriesRead().get(state.id());
    return limited || read != null && read.goes() || without.contains(state.id())
        ? Optional.empty()
        : open.powered(state)
            .found()
            .map(stage ->
                new Turn(
                    new Series(state.id(), stage),
                    () ->
                        new SeriesHand(cards, gate, state, stage, () -> without.add(state.id()))));
  }

  /** What the supply should show in the gate's state has to be known before ohms are asked for. */
  private Optional<Turn> stageOf(Gate gate) {
    return open.kit()
        .state(gate.state())
        .flatMap(state ->
            switch (open.powered(state)) {
              case Known.Waiting<PoweredStage> waiting ->
                  Optional.of(notNow(gate, NotNowHand.Why.RECKONING, Optional.empty()));
              case Known.Failed<PoweredStage> failed ->
                  Optional.of(notNow(gate, NotNowHand.Why.FAILED, Optional.of(failed.sentence())));
              case Known.Nothing<PoweredStage> nothing -> Optional.empty();
              case Known.Is<PoweredStage> is -> Optional.empty();
            });
  }
}
