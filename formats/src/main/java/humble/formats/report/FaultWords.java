package humble.formats.report;

import humble.core.circuit.Fault;
import humble.core.words.Words;
import java.util.Optional;

/** Says what was wrong in plain words. */
final class FaultWords {
  private FaultWords() {}

  /** Says a fault; what cannot be read as one is told as it is written. */
  static String say(Words words, String written) {
    Optional<Fault> fault = Fault.parse(written);
    return fault.isEmpty() ? words.say("fault.other", written) : say(words, fault.get());
  }

  private static String say(Words words, Fault fault) {
    return switch (fault) {
      case Fault.OpenJoint f -> words.say("fault.open", f.pin().ref(), f.pin().pin());
      case Fault.Bridge f -> words.say("fault.bridge", f.a().toString(), f.b().toString());
      case Fault.Reversed f -> words.say("fault.reversed", f.ref());
      case Fault.Swapped f -> words.say("fault.swapped", f.a(), f.b());
      case Fault.WrongValue f -> words.say("fault.value", f.ref(), f.text());
      case Fault.Missing f -> words.say("fault.missing", f.ref());
      case Fault.Dead f -> words.say("fault.dead", f.ref());
      case Fault.Cold f -> words.say("fault.cold", f.pin().ref(), f.pin().pin());
      case Fault.Blank f -> words.say("fault.blank", f.ref());
      case Fault.Stuck f ->
          words.say(f.high() ? "fault.stuck.high" : "fault.stuck.low", f.pin().toString());
      case Fault.Off f -> words.say("fault.off", f.what());
    };
  }
}
