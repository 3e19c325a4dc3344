package humble.desktop.mend;

import humble.core.kit.BoardState;
import humble.core.kit.Parts;
import humble.core.kit.PinRef;
import humble.core.mend.Measure;
import humble.core.mend.Sight;
import humble.core.words.Words;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/** What is said of a measurement in a state, and where its probes go. */
record ProbeWords(Words words, Parts parts, BoardState state) {
  /** Gives the thing to do. */
  String title(Measure measure) {
    return switch (measure) {
      case Measure.Volts m -> words.say("mend.title.volts", place(m.point()));
      case Measure.Across m -> words.say("mend.title.across", m.red(), m.black());
      case Measure.Amps m -> words.say("mend.title.amps");
      case Measure.Ohms m -> words.say("mend.title.ohms", m.red(), m.black());
      case Measure.Look m ->
          words.say(isClock(m) ? "mend.title.clock" : "mend.title.look", m.ref());
    };
  }

  /** A net is called by its name; a lead by its part and what the lead is. */
  private String place(String point) {
    if (parts.kit().nets().containsKey(point)) {
      return point;
    }
    return PinRef.parse(point)
        .flatMap(pin ->
            parts
                .part(pin.ref())
                .map(part -> words.say("mend.lead", pin.ref(), part.pinName(pin.pin()))))
        .orElse(point);
  }

  /** Gives how to do it. */
  String how(Measure measure) {
    return switch (measure) {
      case Measure.Volts m ->
          parts.kit().nets().containsKey(m.point())
              ? words.say("mend.how.net", pad(m.point()).map(PinRef::toString).orElse(""), ground())
              : words.say("mend.how.lead", ground());
      case Measure.Across m -> words.say("mend.how.across");
      case Measure.Amps m -> words.say("mend.how.amps");
      case Measure.Ohms m ->
          words.say(
              "mend.how.ohms",
              pad(m.red()).map(PinRef::toString).orElse(""),
              pad(m.black()).map(PinRef::toString).orElse(""));
      case Measure.Look m ->
          isClock(m) ? words.say("mend.how.clock", ground(), m.ref()) : words.say("mend.how.look");
    };
  }

  /** Tells whether what is looked at runs or stands, rather than shines. */
  boolean isClock(Measure.Look look) {
    return parts.part(look.ref()).filter(Sight.RUNNING::mayBeOf).isPresent();
  }

  private String ground() {
    return groundPad().map(PinRef::toString).orElse("GND");
  }

  private Optional<PinRef> groundPad() {
    String supply = state.supply();
    return supply == null
        ? pad("GND")
        : parts.kit().supply(supply).flatMap(s -> parts.net(s.minus())).flatMap(this::pad);
  }

  /** Where a probe finds a net: at the first of its pins that is on the board. */
  private Optional<PinRef> pad(String net) {
    List<PinRef> pins = parts.net(net).map(name -> parts.kit().nets().get(name)).orElse(List.of());
    return pins.stream()
        .flatMap(pin -> parts.canonical(pin).stream())
        .filter(pin -> parts.padAt(pin).isPresent())
        .filter(pin -> parts.isOn(pin.ref(), state))
        .findFirst();
  }

  /** Where a probe goes. */
  record Probed(PinRef pin, boolean red) {}

  /** Gives the pads that a measurement touches, red first. */
  List<Probed> on(@Nullable Measure measure) {
    List<Probed> probed = new ArrayList<>();
    switch (measure) {
      case Measure.Volts m -> {
        point(m.point()).ifPresent(pin -> probed.add(new Probed(pin, true)));
        groundPad().ifPresent(pin -> probed.add(new Probed(pin, false)));
      }
      case Measure.Across m -> {
        point(m.red()).ifPresent(pin -> probed.add(new Probed(pin, true)));
        point(m.black()).ifPresent(pin -> probed.add(new Probed(pin, false)));
      }
      case Measure.Ohms m -> {
        point(m.red()).ifPresent(pin -> probed.add(new Probed(pin, true)));
        point(m.black()).ifPresent(pin -> probed.add(new Probed(pin, false)));
      }
      case Measure.Look m ->
          parts
              .part(m.ref())
              .ifPresent(part ->
                  probed.add(
                      new Probed(
                          new PinRef(m.ref(), part.pack().pins().getFirst().number()), true)));
      case Measure.Amps m -> {}
      case null -> {}
    }
    return probed;
  }

  private Optional<PinRef> point(String text) {
    return parts.kit().nets().containsKey(text) ? pad(text) : PinRef.parse(text);
  }
}
