package humble.desktop.power;

import humble.core.kit.Gate;
import humble.core.power.Expectation;
import humble.core.power.PoweredStage;
import humble.desktop.hand.HandStage;
import humble.desktop.hand.StopHand;
import humble.desktop.hand.Turn;
import humble.desktop.session.Known;
import humble.desktop.session.OpenBuild;
import humble.desktop.stage.Desk;
import java.util.List;
import java.util.Optional;

/** Gates: what to set, where to probe, what to expect, and whether the reading is it. */
public final class PowerStage extends HandStage {
  private final OpenBuild open;
  private final GateCards cards;
  private boolean skipCurrents;

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
    return (skipCurrents ? Optional.<StageCurrent>empty() : StageCurrent.next(open))
        .map(draw -> new Turn(draw, () -> new CurrentHand(cards, draw, () -> skipCurrents = true)))
        .orElseGet(() -> new Turn("open", () -> new GatesOpenHand(cards)));
  }

  private record NotNow(String gate, NotNowHand.Why why) {}

  private record Ohms(String gate, OhmsBefore before) {}

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
        .or(() -> stageOf(gate))
        .or(() ->
            OhmsBefore.open(open, gate)
                .map(before ->
                    new Turn(new Ohms(gate.id(), before), () -> new OhmsHand(cards, gate, before))))
        .orElseGet(() ->
            new Turn(new Reading(gate.id(), expected), () -> new GateHand(cards, gate, expected)));
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
