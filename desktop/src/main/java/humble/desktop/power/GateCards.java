package humble.desktop.power;

import humble.core.kit.BoardState;
import humble.core.kit.Caution;
import humble.core.kit.Gate;
import humble.core.kit.PinRef;
import humble.core.mend.Measure;
import humble.core.mend.Observation;
import humble.desktop.hand.Hand;
import humble.desktop.hand.Seat;
import humble.desktop.session.OpenBuild;
import humble.desktop.stage.Card;
import java.util.Optional;
import java.util.function.Consumer;

/** What the hands of Power share: the seat, the build, the locks that they show, and their keys. */
record GateCards(Seat seat, OpenBuild open, Locks locks, Consumer<Hand> layOver) {
  /** Gives which gate it is of how many. */
  String kicker(Gate gate) {
    return seat.say(
        "power.kicker", open.kit().gates().indexOf(gate) + 1, open.kit().gates().size());
  }

  /** Gives what is measured at a gate. */
  String title(Gate gate) {
    String probes =
        gate.at().stream()
            .map(at -> PinRef.parse(at).map(pin -> seat.say("power.pin", pin.pin())).orElse(at))
            .reduce((a, b) -> seat.say("power.and", a, b))
            .orElse("");
    return seat.say("power.title", probes);
  }

  /** Adds what is to be minded at a gate: the kit's caution there and the gate's own. */
  void caution(Card.Maker card, Gate gate) {
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

  /** Adds the keys that every gate has. */
  Card.Maker withKeys(Card.Maker card) {
    card.key(Card.BACK, seat.say("key.take-back"), () -> seat.desk().back());
    return card.key('/', seat.say("key.wrong"), () -> seat.desk().wrong());
  }

  /** Adds the key past a gate, which is that for the next prefix while something is typed. */
  void wayPast(Card.Maker card, Gate gate) {
    if (seat.typed().isEmpty() && locks.ready(gate)) {
      card.key('+', seat.say("power.override"), () -> layOver.accept(new OverrideHand(this, gate)));
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
