package humble.desktop.stage;

import humble.core.circuit.Fault;
import humble.core.kit.PartKind;
import humble.core.kit.Parts;
import humble.core.kit.PinRef;
import humble.core.mend.Suspect;
import humble.core.mend.TwoFaults;
import humble.core.words.Words;

/** What faults are called in the window. */
public final class FaultWords {
  private FaultWords() {}

  /** Gives a short phrase: {@code D1 cathode: joint open}. */
  public static String say(Words words, Parts parts, Fault fault) {
    return switch (fault) {
      case Fault.OpenJoint f -> words.say("fault.open", f.pin().ref(), pin(parts, f.pin()));
      case Fault.Cold f -> words.say("fault.cold", f.pin().ref(), pin(parts, f.pin()));
      case Fault.Bridge f ->
          f.a().ref().equals(f.b().ref())
              ? parts.part(f.a().ref()).map(p -> p.pack().pins().size() == 2).orElse(false)
                  ? words.say("fault.bridge", f.a().ref())
                  : words.say("fault.bridge-pins", f.a().ref(), f.a().pin(), f.b().pin())
              : words.say("fault.bridge-parts", f.a(), f.b());
      case Fault.Reversed f ->
          words.say(isCable(parts, f.ref()) ? "fault.cable.turned" : "fault.reversed", f.ref());
      case Fault.Swapped f -> words.say("fault.swapped", f.a(), f.b());
      case Fault.WrongValue f -> words.say("fault.value-is", f.ref(), f.text());
      case Fault.Missing f ->
          words.say(isCable(parts, f.ref()) ? "fault.cable.off" : "fault.missing", f.ref());
      case Fault.Dead f -> words.say("fault.dead", f.ref());
      case Fault.Blank f -> words.say("fault.blank", f.ref());
      case Fault.Off f ->
          f.isSupply()
              ? words.say("fault.off-supply")
              : words.say(isKey(parts, f.what()) ? "fault.off-key" : "fault.off-switch", f.what());
      case Fault.Stuck f ->
          words.say(
              f.high() ? "fault.stuck.high" : "fault.stuck.low",
              f.pin().ref(),
              pin(parts, f.pin()));
    };
  }

  /** Gives the phrase of a suspect: the kit's own title where it is the kit's own. */
  public static String say(Words words, Parts parts, Suspect suspect) {
    return suspect
        .fault()
        .map(fault -> say(words, parts, fault))
        .or(() -> suspect.kitFault().map(f -> f.title()))
        .orElseGet(() -> words.say("fault.nothing"));
  }

  /** Gives the phrase of a fault, or of two at once, written as in commands. */
  public static String say(Words words, Parts parts, String name) {
    int plus = name.indexOf(TwoFaults.SEPARATOR);
    if (plus > 0) {
      return words.say(
          "fault.both",
          say(words, parts, name.substring(0, plus)),
          say(words, parts, name.substring(plus + TwoFaults.SEPARATOR.length())));
    }
    if (name.equals(Suspect.NO_FAULT)) {
      return words.say("fault.nothing");
    }
    return Fault.parse(name)
        .map(fault -> say(words, parts, fault))
        .orElseGet(() ->
            parts.kit().faults().stream()
                .filter(f -> name.equals("kit:" + f.id()))
                .map(f -> f.title())
                .findFirst()
                .orElse(name));
  }

  /** A key is held down, a switch is switched on. */
  private static boolean isKey(Parts parts, String ref) {
    return parts.part(ref).filter(part -> part.line().kind() == PartKind.BUTTON).isPresent();
  }

  private static boolean isCable(Parts parts, String ref) {
    return parts.kit().handwork().cable(ref).isPresent();
  }

  private static String pin(Parts parts, PinRef pin) {
    return parts.part(pin.ref()).map(p -> p.pinName(pin.pin())).orElse(pin.pin());
  }
}
