package humble.core.circuit;

import humble.core.kit.BoardState;
import humble.core.kit.Model;
import humble.core.kit.Part;
import humble.core.kit.Parts;
import humble.core.kit.PinRef;
import humble.core.kit.Supply;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** What feeds a board in a state. */
public sealed interface Feed {
  /** A supply of the kit. */
  record BySupply(Supply supply) implements Feed {}

  /**
   * Nothing but the batteries on the board.
   *
   * @param batteries all of them
   * @param leading those whose plus feeds the board: no other stands on top of them
   * @param chain the first of these, and what it stands on, down to the one whose minus is ground
   */
  record ByBatteries(List<Part> batteries, List<Part> leading, List<Part> chain) implements Feed {
    public ByBatteries {
      batteries = List.copyOf(batteries);
      leading = List.copyOf(leading);
      chain = List.copyOf(chain);
    }

    private static ByBatteries of(Parts parts, List<Part> batteries) {
      List<Part> leading =
          batteries.stream()
              .filter(each -> batteries.stream().noneMatch(other -> standsOn(parts, other, each)))
              .toList();
      List<Part> tops = leading.isEmpty() ? batteries : leading;
      List<Part> chain = new ArrayList<>(List.of(tops.getFirst()));
      for (Optional<Part> next = below(parts, batteries, chain);
          next.isPresent();
          next = below(parts, batteries, chain)) {
        chain.add(next.get());
      }
      return new ByBatteries(batteries, tops, chain);
    }

    private static Optional<Part> below(Parts parts, List<Part> batteries, List<Part> chain) {
      return batteries.stream()
          .filter(other -> !chain.contains(other) && standsOn(parts, chain.getLast(), other))
          .findFirst();
    }

    private static boolean standsOn(Parts parts, Part above, Part below) {
      Optional<String> minus = parts.netOf(new PinRef(above.ref(), "2"));
      return above != below
          && minus.isPresent()
          && minus.equals(parts.netOf(new PinRef(below.ref(), "1")));
    }
  }

  /** Gives what feeds the board; empty where nothing does. */
  public static Optional<Feed> of(Parts parts, BoardState state) {
    String id = state.supply();
    Optional<Supply> supply = id == null ? Optional.empty() : parts.kit().supply(id);
    if (supply.isPresent()) {
      return Optional.of(new BySupply(supply.get()));
    }
    List<Part> batteries =
        parts.all().stream()
            .filter(part -> part.model() instanceof Model.Battery && parts.isOn(part.ref(), state))
            .toList();
    return batteries.isEmpty() ? Optional.empty() : Optional.of(ByBatteries.of(parts, batteries));
  }

  /** Gives the supply; empty where only batteries feed. */
  default Optional<Supply> limited() {
    return this instanceof BySupply by ? Optional.of(by.supply()) : Optional.empty();
  }

  /** Gives the volts that it has: those to set, or those of the batteries without load. */
  default double volts() {
    return switch (this) {
      case BySupply by -> by.supply().volts();
      case ByBatteries by ->
          by.chain().stream().mapToDouble(part -> ((Model.Battery) part.model()).vocV()).sum();
    };
  }

  /** Gives what it gives to a board, in milliamperes. */
  default double ma(Snapshot board) {
    return switch (this) {
      case BySupply by -> board.supplyA() * 1000;
      case ByBatteries by ->
          by.leading().stream().mapToDouble(part -> board.amps(part.ref()) * 1000).sum();
    };
  }

  /** Gives the pin or net of its plus side. */
  default String plus() {
    return switch (this) {
      case BySupply by -> by.supply().plus();
      case ByBatteries by -> by.chain().getFirst().ref() + ".1";
    };
  }

  /** Gives the pin or net of its minus side. */
  default String minus() {
    return switch (this) {
      case BySupply by -> by.supply().minus();
      case ByBatteries by -> by.chain().getLast().ref() + ".2";
    };
  }

  /** Gives the name that its current is asked by: the supply's, or the first battery's ref. */
  default String id() {
    return switch (this) {
      case BySupply by -> by.supply().id();
      case ByBatteries by -> by.chain().getFirst().ref();
    };
  }
}
