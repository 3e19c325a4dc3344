package humble.core.power;

import humble.core.circuit.Snapshot;
import humble.core.circuit.StateSolver;
import humble.core.kit.BoardState;
import humble.core.kit.Parts;
import humble.core.kit.Supply;
import humble.core.units.Band;
import humble.core.units.Spread;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.function.ToDoubleFunction;

/**
 * What supply, rails and gates of a board read in one state: the one reckoning of windows. A window
 * holds 95 boards in a hundred, by the tolerances of resistors and regulators carried to first
 * order through the operating point; where the supply has a range the board is solved at its ends
 * too, and the windows are joined.
 */
final class BoardWindows {
  private final List<Snapshot> boards;

  private BoardWindows(List<Snapshot> boards) {
    this.boards = boards;
  }

  /** Solves a board; empty when it has no operating point. */
  static Optional<BoardWindows> of(Parts parts, BoardState state, Supply supply) {
    return new StateSolver(parts, state)
        .asDesigned()
        .map(nominal -> {
          List<Snapshot> boards = new ArrayList<>(List.of(nominal));
          Band range = supply.rangeV();
          if (range != null) {
            at(parts, state, supply, range.low()).ifPresent(boards::add);
            at(parts, state, supply, range.high()).ifPresent(boards::add);
          }
          return new BoardWindows(boards);
        });
  }

  private static Optional<Snapshot> at(Parts parts, BoardState state, Supply supply, double volts) {
    Supply set = supply.with(volts, supply.limitMa());
    return new StateSolver(parts.with(KitEdits.withSupply(parts.kit(), set)), state).asDesigned();
  }

  /** Gives the board with every part and the supply at its nominal value. */
  Snapshot nominal() {
    return boards.getFirst();
  }

  /** Gives the volts at a net, in volts. */
  Band volts(String net) {
    return joined(board -> board.openVolts(net).orElse(0), board -> board.sigmaVolts(net));
  }

  /** Gives what a voltmeter reads from {@code red} to {@code black}, in volts. */
  Band volts(String red, String black) {
    return joined(
        board -> board.meterVolts(red, black).orElse(0), board -> board.sigmaVolts(red, black));
  }

  /** Gives what the supply shows, in milliamperes, never below 0. */
  Band currentMa() {
    Band all = joined(board -> board.supplyA() * 1000, board -> board.supplySigmaA() * 1000);
    return new Band(Math.max(0, all.low()), Math.max(0, all.high()));
  }

  private Band joined(ToDoubleFunction<Snapshot> value, ToDoubleFunction<Snapshot> sigma) {
    Band all = null;
    for (Snapshot board : boards) {
      Band each =
          Band.around(value.applyAsDouble(board), Spread.half95(sigma.applyAsDouble(board)));
      all = all == null ? each : all.union(each);
    }
    return Objects.requireNonNull(all);
  }
}
