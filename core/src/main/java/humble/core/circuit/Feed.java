package humble.core.circuit;

import humble.core.kit.BoardState;
import humble.core.kit.Model;
import humble.core.kit.Part;
import humble.core.kit.Parts;
import humble.core.kit.Supply;
import java.util.List;
import java.util.Optional;

/** What feeds a board in a state. */
public sealed interface Feed {
  /** A supply of the kit. */
  record BySupply(Supply supply) implements Feed {}

  /** Nothing but the batteries on the board. */
  record ByBatteries(List<Part> batteries) implements Feed {
    public ByBatteries {
      batteries = List.copyOf(batteries);
    }
  }

  /** Gives what feeds the board; empty where nothing does. */
  static Optional<Feed> of(Parts parts, BoardState state) {
    String id = state.supply();
    Optional<Supply> supply = id == null ? Optional.empty() : parts.kit().supply(id);
    if (supply.isPresent()) {
      return Optional.of(new BySupply(supply.get()));
    }
    List<Part> batteries =
        parts.all().stream()
            .filter(part -> part.model() instanceof Model.Battery && parts.isOn(part.ref(), state))
            .toList();
    return batteries.isEmpty() ? Optional.empty() : Optional.of(new ByBatteries(batteries));
  }

  /** Gives the supply; empty where only batteries feed. */
  default Optional<Supply> limited() {
    return this instanceof BySupply by ? Optional.of(by.supply()) : Optional.empty();
  }

  /** Gives the volts that it has: those to set, or those of the first battery without load. */
  default double volts() {
    return switch (this) {
      case BySupply by -> by.supply().volts();
      case ByBatteries by -> ((Model.Battery) by.batteries().getFirst().model()).vocV();
    };
  }

  /** Gives what it gives to a board, in milliamperes. */
  default double ma(Snapshot board) {
    return switch (this) {
      case BySupply by -> board.supplyA() * 1000;
      case ByBatteries by ->
          by.batteries().stream().mapToDouble(part -> board.amps(part.ref()) * 1000).sum();
    };
  }

  /** Gives the pin or net of its plus side. */
  default String plus() {
    return switch (this) {
      case BySupply by -> by.supply().plus();
      case ByBatteries by -> by.batteries().getFirst().ref() + ".1";
    };
  }

  /** Gives the pin or net of its minus side. */
  default String minus() {
    return switch (this) {
      case BySupply by -> by.supply().minus();
      case ByBatteries by -> by.batteries().getFirst().ref() + ".2";
    };
  }

  /** Gives the name that its current is asked by: the supply's, or the first battery's ref. */
  default String id() {
    return switch (this) {
      case BySupply by -> by.supply().id();
      case ByBatteries by -> by.batteries().getFirst().ref();
    };
  }
}
