package humble.desktop.power;

import humble.core.kit.BoardState;
import humble.core.kit.Caution;
import humble.core.kit.Gate;
import humble.core.kit.PinRef;
import humble.core.mend.Measure;
import humble.core.mend.Observation;
import humble.core.units.Band;
import humble.core.units.Engineering;
import humble.desktop.hand.Hand;
import humble.desktop.hand.Seat;
import humble.desktop.session.OpenBuild;
import humble.desktop.stage.Card;
import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;

/** What the hands of Power share: the seat, the build, the locks that they show, and their keys. */
record GateCards(Seat seat, OpenBuild open, Locks locks, Consumer<Hand> layOver) {
  /** Gives which gate it is of how many. */
  String kicker(Gate gate) {
    int at = locks.gates().indexOf(gate);
    return at < 0
        ? seat.say("power.kicker.again")
        : seat.say("power.kicker", at + 1, open.kit().gates().size());
  }

  /** Gives what is measured at a gate. */
  String title(Gate gate) {
    return switch (gate.measure()) {
      case CURRENT -> seat.say("power.title.current");
      case RESISTANCE -> seat.say("power.title.ohms", probes(gate));
      case CONTINUITY -> seat.say("power.title.beep", probes(gate));
      case VOLTAGE -> seat.say("power.title", probes(gate));
    };
  }

  private String probes(Gate gate) {
    List<String> parts =
        gate.at().stream().flatMap(at -> PinRef.parse(at).map(PinRef::ref).stream()).toList();
    boolean onePart = parts.size() == gate.at().size() && parts.stream().distinct().count() == 1;
    return gate.at().stream()
        .map(at ->
            onePart ? PinRef.parse(at).map(pin -> seat.say("power.pin", pin.pin())).orElse(at) : at)
        .reduce((a, b) -> seat.say("power.and", a, b))
        .orElse("");
  }

  /** Adds what is to be minded at a gate: the kit's caution there and the gate's own. */
  void caution(Card.Maker card, Gate gate) {
    open.kit().cautions().stream()
        .filter(c -> c.at().equals(gate.id()))
        .forEach(c -> card.caution(c.level() != Caution.Level.CARE, c.text()));
    if (!gate.caution().isEmpty()) {
      card.caution(true, gate.caution());
    }
  }

  /** Gives a reading at a gate with its unit. */
  String reading(Gate gate, double value) {
    return Double.isInfinite(value)
        ? seat.say("power.ohms.open")
        : Engineering.reading(value, gate.measure().unit());
  }

  /** Adds the keys that every gate has. */
  Card.Maker withKeys(Card.Maker card) {
    card.key(Card.BACK, seat.say("key.take-back"), () -> seat.desk().back());
    return card.key('/', seat.say("key.wrong"), () -> seat.desk().wrong());
  }

  /** Says what the supply should show, in milliamperes, and what is not in it. */
  String current(Band ma, List<String> unmodelled) {
    String low = ReadHand.tenth(ma.low());
    String high = ReadHand.tenth(ma.high());
    if (!unmodelled.isEmpty()) {
      return seat.say("power.current-unknown", high, String.join(", ", unmodelled));
    }
    return low.equals(high)
        ? seat.say("power.current-about", low)
        : seat.say("power.current", low, high);
  }

  /** Adds the key by which the bench says that it has another supply now. */
  void otherSupply(Card.Maker card, Gate gate) {
    if (open.build().fedBy().isPresent()) {
      card.key('S', seat.say("power.fed.key"), () -> layOver.accept(new FeedHand(this, gate)));
    }
  }

  /** Adds the key past a gate, which is that for the next prefix while something is typed. */
  void wayPast(Card.Maker card, Gate gate) {
    if (seat.typed().isEmpty()) {
      card.key(
          '+',
          seat.say("power.override"),
          () -> layOver.accept(new OverrideHand(this, gate.id(), gate.title())));
    } else if (!seat.typed().isEmpty()) {
      card.key('+', seat.say("sort.prefix"), seat.typed()::nextPrefix);
    }
  }

  /** Ends a card on which nothing is typed: the practice bench measures, where it has a board. */
  Card empty(Card.Maker card, Optional<BoardState> state, Runnable practice) {
    return state.flatMap(open::practised).isPresent()
        ? card.go(seat.say("power.practice"), practice)
        : card.notYet(seat.say("power.type"));
  }

  /** Gives what the practice bench shows; nothing while it is off or has no operating point. */
  Optional<Observation> practised(BoardState state, Measure measure) {
    return open.practised(state).map(board -> board.answer(measure));
  }
}
