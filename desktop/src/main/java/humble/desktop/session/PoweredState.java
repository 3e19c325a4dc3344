package humble.desktop.session;

import humble.core.circuit.Feed;
import humble.core.kit.BoardState;
import humble.core.kit.PartKind;
import java.util.Comparator;
import java.util.Map;
import java.util.Optional;

/** The state in which a whole board is under power. */
public final class PoweredState {
  private PoweredState() {}

  /**
   * Gives the state in which the chips are in and something feeds the board, its outputs released.
   */
  public static Optional<BoardState> of(OpenBuild open) {
    return open.kit().states().stream()
        .filter(state -> state.absent().stream().allMatch(ref -> isCell(open, ref)))
        .filter(state -> Feed.of(open.built(), state).isPresent())
        .min(Comparator.comparing((BoardState state) -> !state.drive().isEmpty()))
        .map(state -> state.drive().isEmpty() ? state : state.withDrive(Map.of()));
  }

  private static boolean isCell(OpenBuild open, String ref) {
    return open.built()
        .part(ref)
        .filter(part -> part.line().kind() == PartKind.BATTERY)
        .isPresent();
  }
}
