package humble.core.power;

import humble.core.circuit.Fault;
import humble.core.circuit.Feed;
import humble.core.circuit.Snapshot;
import humble.core.circuit.StateSolver;
import humble.core.kit.BoardState;
import humble.core.kit.Model;
import humble.core.kit.Part;
import humble.core.kit.Parts;
import humble.core.kit.Supply;
import java.util.List;
import java.util.OptionalDouble;

/** The volts across a resistor that stands in the plus lead of a board. */
public final class SeriesDrop {
  /** So many halvings bring the volts to a microvolt. */
  private static final int HALVINGS = 24;

  /** A supply that only the resistor limits, in milliamperes. */
  private static final double UNLIMITED_MA = 1e5;

  private final Parts parts;
  private final BoardState state;
  private final List<Fault> faults;

  /** Makes it for a board in a state, with what is wrong with it. */
  public SeriesDrop(Parts parts, BoardState state, List<Fault> faults) {
    this.parts = parts;
    this.state = state;
    this.faults = List.copyOf(faults);
  }

  /** Gives the volts; empty when nothing feeds the board or it has no operating point. */
  public OptionalDouble volts(double ohms) {
    Feed feed = Feed.of(parts, state).orElse(null);
    return switch (feed) {
      case Feed.BySupply by -> behindSupply(by.supply(), ohms);
      case Feed.ByBatteries by -> behindBatteries(by, ohms);
      case null -> OptionalDouble.empty();
    };
  }

  /** What the board is left with is where its current drops the rest across the resistor. */
  private OptionalDouble behindSupply(Supply supply, double ohms) {
    double low = 0;
    double high = supply.volts();
    for (int i = 0; i < HALVINGS; i++) {
      double left = (low + high) / 2;
      Parts set = parts.with(KitEdits.withSupply(parts.kit(), supply.with(left, UNLIMITED_MA)));
      Snapshot board = new StateSolver(set, state).with(faults).orElse(null);
      if (board == null) {
        return OptionalDouble.empty();
      }
      if (board.supplyA() * ohms > supply.volts() - left) {
        high = left;
      } else {
        low = left;
      }
    }
    return OptionalDouble.of(supply.volts() - (low + high) / 2);
  }

  /** In the lead of a battery it is so much more inner resistance. */
  private OptionalDouble behindBatteries(Feed.ByBatteries by, double ohms) {
    Part first = by.chain().getFirst();
    Model.Battery cell = (Model.Battery) first.model();
    Parts more = parts.with(KitEdits.withModel(parts.kit(), first.ref(), cell.behind(ohms)));
    return new StateSolver(more, state)
        .with(faults)
        .map(board -> OptionalDouble.of(board.amps(first.ref()) * ohms))
        .orElse(OptionalDouble.empty());
  }
}
