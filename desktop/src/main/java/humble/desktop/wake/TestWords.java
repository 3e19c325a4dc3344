package humble.desktop.wake;

import humble.core.kit.Peripheral;
import humble.core.kit.Says;
import humble.core.wake.Rates;
import humble.desktop.hand.Seat;
import humble.desktop.stage.Card;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;

/**
 * What a test is called, what to do and what to see: the author's words, else those of its kind.
 */
record TestWords(Seat seat, Peripheral peripheral) {
  /** How often a bit is looked at by usual serial hardware. */
  private static final int SAMPLES = 16;

  private static final double TONE_CLOCK_HZ = 1e6;

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

  /** What follows from the kit's own figures. */
  private Optional<String> reckoned() {
    if (peripheral instanceof Peripheral.Talk talk && talk.clockHz() != null && talk.baud() > 0) {
      Rates.Serial made = Rates.serial(talk.clockHz(), talk.baud(), SAMPLES);
      return Optional.of(
          seat.say(
              made.agreesWith(0) ? "wake.serial.rate" : "wake.serial.off",
              Math.round(made.baud()),
              made.divider(),
              made.offPct()));
    }
    if (peripheral instanceof Peripheral.Radio radio && radio.hz() > 0) {
      return Optional.of(
          seat.say(
              "wake.radio.wave",
              Math.round(Rates.quarterWaveMm(radio.hz(), radio.velocityFactor()))));
    }
    if (peripheral instanceof Peripheral.Tone tone && tone.hz() > 0) {
      long divider = Rates.toneDivider(TONE_CLOCK_HZ, tone.hz());
      return Optional.of(
          seat.say(
              "wake.tone.divider",
              divider,
              Rates.cents(Rates.toneHz(TONE_CLOCK_HZ, divider), tone.hz())));
    }
    return Optional.empty();
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
    reckoned().ifPresent(card::why);
    return card;
  }
}
