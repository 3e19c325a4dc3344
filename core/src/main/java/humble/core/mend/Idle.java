package humble.core.mend;

import humble.core.circuit.Fault;
import humble.core.kit.Model;
import humble.core.kit.Part;
import humble.core.kit.Parts;
import humble.core.kit.PinRef;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Set;

/**
 * What it says of a suspect that a key, a switch, a knob or a sensor does nothing: much where its
 * own joints or its own nets are touched, little else.
 */
final class Idle {
  /** How often something does nothing where nothing is known of why. */
  static final double FOR_ANY_REASON = 0.1;

  private static final double AT_IT = 0.9;
  private static final double BESIDE_IT = 0.4;
  private static final double NO_PROGRAM = 0.7;
  private static final double UNRELATED = 0.008;
  private static final double APART_SIGMAS = 3;

  private final Predictions predictions;
  private final Likelihood likelihood;
  private final Parts parts;
  private final Set<String> rails = new HashSet<>();

  Idle(Predictions predictions, Likelihood likelihood) {
    this.predictions = predictions;
    this.likelihood = likelihood;
    this.parts = predictions.parts();
    parts
        .kit()
        .supplies()
        .forEach(supply -> {
          parts.net(supply.plus()).ifPresent(rails::add);
          parts.net(supply.minus()).ifPresent(rails::add);
        });
    for (Part part : parts.all()) {
      feeding(part).forEach(pin -> parts.netOf(new PinRef(part.ref(), pin)).ifPresent(rails::add));
    }
  }

  private static List<String> feeding(Part part) {
    return switch (part.model()) {
      case Model.Load m -> List.of(m.plus(), m.minus());
      case Model.Regulator m -> List.of(m.in(), m.gnd(), m.out());
      case Model.Battery m -> List.of("1", "2");
      case Model.Resistor m -> List.of();
      case Model.Junction m -> List.of();
      case Model.Zener m -> List.of();
      case Model.Bipolar m -> List.of();
      case Model.Mosfet m -> List.of();
      case Model.Switch m -> List.of();
      case Model.Pot m -> List.of();
      case Model.Closed m -> List.of();
      case Model.Open m -> List.of();
    };
  }

  double chance(int s, String ref) {
    Fault fault = predictions.suspect(s).flatMap(Suspect::fault).orElse(null);
    if (fault == null) {
      return UNRELATED;
    }
    Set<String> own = signals(ref);
    boolean cut = fault instanceof Fault.OpenJoint open && isHeard(open.pin(), own);
    if (cut || fault.refs().contains(ref) || own.stream().anyMatch(net -> moved(s, net))) {
      return AT_IT;
    }
    if (isWithoutProgram(fault, own)) {
      return NO_PROGRAM;
    }
    return isBeside(fault, own) ? BESIDE_IT : UNRELATED;
  }

  /** The nets of a part that are no rails. */
  private Set<String> signals(String ref) {
    Set<String> nets = new HashSet<>();
    parts
        .part(ref)
        .ifPresent(part ->
            part.pack().pins().stream()
                .flatMap(pin -> parts.netOf(new PinRef(ref, pin.number())).stream())
                .filter(net -> !rails.contains(net))
                .forEach(nets::add));
    return nets;
  }

  private boolean moved(int s, String net) {
    OptionalInt at = predictions.number(net);
    return predictions.letGo(s, net)
        || at.isPresent()
            && predictions.solved(s)
            && predictions.solved(Predictions.DESIGNED)
            && likelihood.apart(
                predictions.volts(s, at.getAsInt()),
                predictions.volts(Predictions.DESIGNED, at.getAsInt()),
                predictions.sigma(s, at.getAsInt()),
                predictions.sigma(Predictions.DESIGNED, at.getAsInt()),
                APART_SIGMAS);
  }

  /** A chip that runs no program answers to nothing, whether it is blank or its clock stands. */
  private boolean isWithoutProgram(Fault fault, Set<String> nets) {
    Set<String> chips = new HashSet<>(predictions.running().stillWith(fault));
    if (fault instanceof Fault.Blank blank) {
      chips.add(blank.ref());
    }
    return chips.stream().anyMatch(chip -> signals(chip).stream().anyMatch(nets::contains));
  }

  private boolean isBeside(Fault fault, Set<String> nets) {
    return switch (fault) {
      case Fault.OpenJoint f -> touches(f.pin(), nets);
      case Fault.Cold f -> touches(f.pin(), nets);
      case Fault.Stuck f -> touches(f.pin(), nets);
      case Fault.Off f -> isOn(f.what(), nets);
      case Fault.Bridge f -> touches(f.a(), nets) || touches(f.b(), nets);
      case Fault.Reversed f -> isOn(f.ref(), nets);
      case Fault.Swapped f -> isOn(f.a(), nets) || isOn(f.b(), nets);
      case Fault.WrongValue f -> isOn(f.ref(), nets);
      case Fault.Missing f -> isOn(f.ref(), nets);
      case Fault.Dead f -> isOn(f.ref(), nets);
      case Fault.Blank f -> isOn(f.ref(), nets);
    };
  }

  /** Tells whether a pin is where a chip hears of one of {@code nets}. */
  private boolean isHeard(PinRef pin, Set<String> nets) {
    return touches(pin, nets)
        && parts.part(pin.ref()).filter(part -> part.model() instanceof Model.Load).isPresent();
  }

  private boolean touches(PinRef pin, Set<String> nets) {
    Optional<String> net = parts.netOf(pin);
    return net.isPresent() && nets.contains(net.get());
  }

  private boolean isOn(String ref, Set<String> nets) {
    return signals(ref).stream().anyMatch(nets::contains);
  }
}
