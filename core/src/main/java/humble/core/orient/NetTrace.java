package humble.core.orient;

import humble.core.kit.Kit;
import humble.core.kit.Line;
import humble.core.kit.Model;
import humble.core.kit.Part;
import humble.core.kit.PartKind;
import humble.core.kit.Parts;
import humble.core.kit.PinRef;
import humble.core.kit.PointMm;
import humble.core.words.Phrase;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;

/**
 * Everything a pad is joined to, and what each is for.
 *
 * @param net name of the net
 * @param joined pins on it, those of the part in hand first, then in the order of the kit
 */
public record NetTrace(String net, List<Joined> joined) {
  public NetTrace {
    joined = List.copyOf(joined);
  }

  /** One pin of the net and its part in the circuit. */
  public record Joined(PinRef pin, Phrase what) {}

  /** Gives the net of a pin; a pad of a socket is on the net of its chip's pin. */
  public static Optional<NetTrace> of(Parts parts, PinRef pin) {
    String ref = parts.chipIn(pin.ref()).orElse(pin.ref());
    return parts.netOf(new PinRef(ref, pin.pin())).map(net -> trace(parts, net, ref));
  }

  private static NetTrace trace(Parts parts, String net, String first) {
    List<Joined> joined = new ArrayList<>();
    for (PinRef pin : parts.kit().nets().getOrDefault(net, List.of())) {
      parts
          .canonical(pin)
          .ifPresent(p -> joined.add(new Joined(p, what(parts.get(p.ref()), p.pin()))));
    }
    joined.sort(Comparator.comparing(j -> !j.pin().ref().equals(first)));
    return new NetTrace(net, joined);
  }

  /** What a pin does: from its part's model where that says it, else what it is called. */
  private static Phrase what(Part part, String pin) {
    String ref = part.ref();
    return switch (part.model()) {
      case Model.Load load ->
          pin.equals(load.plus())
              ? Phrase.of("net.supply-plus", ref, pin)
              : pin.equals(load.minus())
                  ? Phrase.of("net.supply-minus", ref, pin)
                  : load.outputsRonOhm().containsKey(pin)
                      ? Phrase.of("net.output", ref, pin)
                      : Phrase.of("net.pin", ref, pin);
      case Model.Regulator regulator ->
          pin.equals(regulator.in())
              ? Phrase.of("net.regulator-in", ref, pin)
              : pin.equals(regulator.out())
                  ? Phrase.of("net.regulator-out", ref, pin)
                  : Phrase.of("net.regulator-gnd", ref, pin);
      case Model.Bipolar bipolar ->
          Phrase.of(
              pin.equals(bipolar.b())
                  ? "net.base"
                  : pin.equals(bipolar.c()) ? "net.collector" : "net.emitter",
              ref,
              pin);
      case Model.Resistor m -> byKind(part, ref, pin);
      case Model.Junction m -> byKind(part, ref, pin);
      case Model.Zener m -> byKind(part, ref, pin);
      case Model.Mosfet m -> byKind(part, ref, pin);
      case Model.Switch m -> byKind(part, ref, pin);
      case Model.Battery m -> byKind(part, ref, pin);
      case Model.Pot m -> byKind(part, ref, pin);
      case Model.Closed m -> byKind(part, ref, pin);
      case Model.Open m -> byKind(part, ref, pin);
    };
  }

  private static Phrase byKind(Part part, String ref, String pin) {
    return switch (part.line().way()) {
      case CATHODE_FIRST -> Phrase.of(pin.equals("1") ? "net.cathode" : "net.anode", ref);
      case PLUS_FIRST -> Phrase.of(pin.equals("1") ? "net.plus" : "net.minus", ref);
      case EITHER, THREE_LEGS, PIN_1 -> Phrase.of("net.pin", ref, pin);
    };
  }

  /** A capacitor as near as this to a chip's supply pin serves it: two centimetres of copper. */
  private static final double CLOSE_MM = 20;

  /**
   * Where a part that has no place printed for it may belong, from the circuit.
   *
   * @param chip chip it would serve
   * @param from one pin
   * @param to the other pin
   * @param because the reason
   */
  public record Proposal(String chip, PinRef from, PinRef to, Phrase because) {}

  /**
   * Gives one place for a part without any: a small capacitor goes across the supply pins of the
   * chip that is farthest from one; empty when every chip has one within 20 mm, and the part is a
   * spare.
   */
  public static Optional<Proposal> home(Parts parts, Line line) {
    if (line.kind() != PartKind.CAPACITOR) {
      return Optional.empty();
    }
    return parts.all().stream()
        .flatMap(chip ->
            chip.model() instanceof Model.Load load
                ? Optional.of(
                    new Proposal(
                        chip.ref(),
                        new PinRef(chip.ref(), load.plus()),
                        new PinRef(chip.ref(), load.minus()),
                        Phrase.of("net.home", chip.ref(), load.plus(), load.minus())))
                    .stream()
                : java.util.stream.Stream.empty())
        .filter(proposal -> nearestCapacitorMm(parts, proposal) > CLOSE_MM)
        .max(Comparator.comparingDouble(proposal -> nearestCapacitorMm(parts, proposal)));
  }

  /** How far the nearest capacitor across the same two nets stands from the chip's plus pin. */
  private static double nearestCapacitorMm(Parts parts, Proposal proposal) {
    Kit kit = parts.kit();
    Optional<String> plus = parts.netOf(proposal.from());
    Optional<String> minus = parts.netOf(proposal.to());
    PointMm at = parts.padAt(proposal.from()).orElse(new PointMm(0, 0));
    return kit.lines().stream()
        .filter(line -> line.kind() == PartKind.CAPACITOR)
        .flatMap(line -> line.refs().stream())
        .filter(ref ->
            parts.netOf(new PinRef(ref, "1")).equals(plus)
                    && parts.netOf(new PinRef(ref, "2")).equals(minus)
                || parts.netOf(new PinRef(ref, "1")).equals(minus)
                    && parts.netOf(new PinRef(ref, "2")).equals(plus))
        .flatMap(ref -> parts.padAt(new PinRef(ref, "1")).stream())
        .mapToDouble(pad -> pad.distanceMm(at))
        .min()
        .orElse(Double.MAX_VALUE);
  }
}
