package humble.desktop.mend;

import humble.core.circuit.Fault;
import humble.core.kit.PartKind;
import humble.core.kit.Parts;
import humble.core.kit.PinRef;
import humble.core.words.Words;
import humble.desktop.stage.LineNames;
import java.util.List;

/** How a fault is mended, in lines: take off, clear the holes, refit, which way round. */
record RepairWords(Parts parts, Words words) {
  List<String> of(Fault fault) {
    if (parts.kit().handwork().cable(fault.refs().getFirst()).isPresent()) {
      return List.of(words.say("mend.repair.cable", fault.refs().getFirst()));
    }
    return switch (fault) {
      case Fault.OpenJoint f -> List.of(words.say("mend.repair.joint", pin(f.pin())));
      case Fault.Cold f -> List.of(words.say("mend.repair.joint", pin(f.pin())));
      case Fault.Bridge f -> List.of(words.say("mend.repair.bridge", pin(f.a()), pin(f.b())));
      case Fault.Reversed f ->
          isSocketed(f.ref())
              ? List.of(words.say("mend.repair.turn-chip", f.ref()))
              : parts.get(f.ref()).line().way() == PartKind.Way.PLUS_FIRST
                  ? List.of(off(f.ref()), words.say("mend.repair.new-turned", f.ref()))
                  : List.of(off(f.ref()), words.say("mend.repair.turn", f.ref()));
      case Fault.Swapped f ->
          List.of(off(f.a()), off(f.b()), words.say("mend.repair.swap", f.a(), f.b()));
      case Fault.WrongValue f ->
          List.of(
              off(f.ref()),
              words.say(
                  "mend.repair.value",
                  LineNames.single(words, parts.get(f.ref()).line()),
                  f.ref()));
      case Fault.Missing f -> List.of(words.say("mend.repair.fit", f.ref()));
      case Fault.Dead f ->
          isSocketed(f.ref())
              ? List.of(words.say("mend.repair.new-chip", f.ref()))
              : List.of(off(f.ref()), words.say("mend.repair.new", f.ref()));
      case Fault.Blank f -> List.of(words.say("mend.repair.blank", f.ref()));
      case Fault.Off f ->
          List.of(
              f.isSupply()
                  ? words.say("mend.repair.off-supply")
                  : words.say("mend.repair.off-switch", f.what()));
      case Fault.Stuck f ->
          isSocketed(f.pin().ref())
              ? List.of(words.say("mend.repair.new-chip", f.pin().ref()))
              : List.of(off(f.pin().ref()), words.say("mend.repair.new", f.pin().ref()));
    };
  }

  private String off(String ref) {
    return words.say("mend.repair.off", ref);
  }

  private boolean isSocketed(String ref) {
    return parts.socketOf(ref).isPresent();
  }

  private String pin(PinRef pin) {
    return words.say("mend.repair.pin", pin.ref(), pin.pin());
  }
}
