package humble.proofs.find;

import humble.core.circuit.Fault;
import humble.core.kit.BoardState;
import humble.core.kit.Model;
import humble.core.kit.Part;
import humble.core.kit.PartKind;
import humble.core.kit.Parts;
import humble.core.kit.PinRef;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.TreeMap;

/** What the chips of a simulated board do with their pins: written for it alone. */
record RealProgram(Parts parts, BoardState state, Optional<Fault> fault) {
  /** Gives the levels that a chip puts on its pins, by pin number. */
  Map<String, String> levels(String ref) {
    Map<String, String> levels = new TreeMap<>();
    Fault wrong = fault.orElse(null);
    boolean blank = wrong instanceof Fault.Blank f && f.ref().equals(ref);
    if (!blank && !clockStands(ref)) {
      state.drive().forEach((pin, level) -> put(levels, ref, pin, level));
    }
    if (wrong instanceof Fault.Stuck f && f.pin().ref().equals(ref)) {
      put(levels, ref, f.pin().toString(), f.high() ? "high" : "low");
    }
    return levels;
  }

  private void put(Map<String, String> levels, String ref, String pin, String level) {
    PinRef at = PinRef.parse(pin).flatMap(parts::canonical).orElseThrow();
    if (at.ref().equals(ref) && !level.equals("off")) {
      levels.put(at.pin(), level);
    }
  }

  /** Gives the chip that a crystal clocks; empty for one that is on no chip's clock. */
  Optional<Part> clocked(String crystal) {
    return parts.all().stream()
        .filter(chip -> chip.model() instanceof Model.Load load && load.starts().clocked())
        .filter(chip -> pins(chip).allMatch(pin -> shares(pin, crystal)))
        .findFirst();
  }

  private static java.util.stream.Stream<PinRef> pins(Part chip) {
    List<String> clock = ((Model.Load) chip.model()).starts().clockPins();
    return clock.stream().map(pin -> new PinRef(chip.ref(), pin));
  }

  private boolean shares(PinRef pin, String ref) {
    String net = parts.netOf(pin).orElse("");
    return parts.kit().nets().getOrDefault(net, List.of()).stream()
        .anyMatch(each -> each.ref().equals(ref));
  }

  /** Tells whether what is wrong lies on the way of a chip's clock. */
  boolean clockStands(String chip) {
    Fault wrong = fault.orElse(null);
    boolean clocked = parts.get(chip).model() instanceof Model.Load load && load.starts().clocked();
    if (wrong == null || !clocked) {
      return false;
    }
    return pins(parts.get(chip))
        .anyMatch(pin -> wrong.refs().stream().anyMatch(ref -> cuts(wrong, ref, chip, pin)));
  }

  private boolean cuts(Fault wrong, String ref, String chip, PinRef pin) {
    String net = parts.netOf(pin).orElse("");
    boolean crystal = parts.get(ref).line().kind() == PartKind.CRYSTAL && shares(pin, ref);
    if (wrong instanceof Fault.OpenJoint f) {
      return (crystal || ref.equals(chip)) && on(f.pin(), net);
    }
    if (wrong instanceof Fault.Bridge f) {
      return on(f.a(), net) || on(f.b(), net);
    }
    boolean none = wrong instanceof Fault.Missing || wrong instanceof Fault.Dead;
    return crystal && none || wrong instanceof Fault.Reversed && ref.equals(chip);
  }

  private boolean on(PinRef pin, String net) {
    return Objects.equals(parts.netOf(pin).orElse(null), net);
  }
}
