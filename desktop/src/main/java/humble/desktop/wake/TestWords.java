package humble.desktop.wake;

import humble.core.kit.Peripheral;
import humble.core.kit.Says;
import humble.desktop.hand.Seat;
import humble.desktop.stage.Card;
import java.util.List;
import java.util.stream.Collectors;

/**
 * What a test is called, what to do and what to see: the author's words, else those of its kind.
 */
record TestWords(Seat seat, Peripheral peripheral) {
  private String usual(String what) {
    boolean analog = what.equals("title") && peripheral instanceof Peripheral.Analog;
    return seat.say(
        "wake.kind."
            + peripheral.kind().text()
            + (analog ? "." + ((Peripheral.Analog) peripheral).as().text() : "")
            + "."
            + what);
  }

  private Says says() {
    return peripheral.says();
  }

  String title() {
    return says().title().isEmpty() ? usual("title") : says().title();
  }

  /** What is seen when it does what it should. */
  String expect() {
    return says().expect().isEmpty() ? usual("expect") : says().expect();
  }

  /** The words that people have for what it does otherwise, as codes. */
  List<String> odd() {
    return List.of(usual("odd").split(" "));
  }

  /** Puts on the card what is set and needed before, what to do, and what is seen then. */
  Card.Maker asked(Card.Maker card) {
    prepared(card);
    if (says().expect().isEmpty()) {
      card.how(usual("do"));
    }
    card.how(seat.say("wake.expect", expect()));
    return card;
  }

  /** Puts on the card what is set and needed before, and what odd things are normal. */
  Card.Maker prepared(Card.Maker card) {
    if (!says().needs().isEmpty()) {
      card.how(seat.say("wake.needs", String.join(", ", says().needs())));
    }
    if (says().powerCycle()) {
      card.how(seat.say("wake.power-cycle"));
    }
    if (!says().set().isEmpty()) {
      card.how(
          seat.say(
              "wake.set",
              says().set().entrySet().stream()
                  .map(each -> seat.say("wake.set.one", each.getKey(), each.getValue()))
                  .collect(Collectors.joining(", "))));
    }
    says().normal().forEach(odd -> card.how(seat.say("wake.normal", odd)));
    return card;
  }
}
