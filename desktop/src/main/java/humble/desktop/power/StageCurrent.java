package humble.desktop.power;

import humble.core.circuit.Feed;
import humble.core.kit.BoardState;
import humble.core.kit.Measured;
import humble.core.power.PoweredStage;
import humble.desktop.session.OpenBuild;
import java.util.Optional;

/** A stage without a gate: what the supply should show in a state. */
record StageCurrent(BoardState state, PoweredStage stage) {
  /** A supply's display shows a tenth of a milliampere or a few per cent; so much is let pass. */
  private static final double LEAST_SLACK_MA = 0.3;

  private static final double SLACK_PART = 0.05;

  /** Gives the first state that the board is in now and whose current has not been read. */
  static Optional<StageCurrent> next(OpenBuild open) {
    return open.kit().states().stream()
        .filter(state -> isNow(open, state))
        .filter(state -> !isReadAtGate(open, state))
        .filter(state ->
            Feed.of(open.built(), state)
                .filter(feed -> !(feed instanceof Feed.ByBatteries by) || by.leading().size() == 1)
                .filter(feed ->
                    open.build().observed(state.id()).stream()
                        .noneMatch(text -> text.startsWith("I(" + feed.id() + ")=")))
                .isPresent())
        .flatMap(state ->
            open.powered(state).found().map(stage -> new StageCurrent(state, stage)).stream())
        .findFirst();
  }

  /** A gate of current has asked for it already. */
  private static boolean isReadAtGate(OpenBuild open, BoardState state) {
    return open.kit().gates().stream()
        .anyMatch(gate ->
            gate.measure() == Measured.CURRENT
                && gate.state().equals(state.id())
                && open.build().passedGates().containsKey(gate.id()));
  }

  private static boolean isNow(OpenBuild open, BoardState state) {
    return open.parts().all().stream()
        .filter(part -> part.placed().isPresent() && !open.lacking().contains(part.ref()))
        .allMatch(part ->
            state.absent().contains(part.ref())
                ? !open.onBoard().contains(part.ref())
                : open.onBoard().contains(part.ref()) || open.leftOut().contains(part.ref()));
  }

  boolean reads(double ma) {
    double slack = Math.max(LEAST_SLACK_MA, SLACK_PART * stage.nominalMa());
    return ma >= stage.expectMa().low() - slack && ma <= stage.expectMa().high() + slack;
  }
}
