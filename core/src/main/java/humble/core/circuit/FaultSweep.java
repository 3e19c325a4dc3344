package humble.core.circuit;

import humble.core.kit.Model;
import humble.core.kit.Part;
import humble.core.kit.PartKind;
import humble.core.kit.Parts;
import humble.core.kit.PinRef;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.BooleanSupplier;
import java.util.stream.Stream;

/**
 * The board with each of many single faults, solved on all processors. Faults that are the same
 * edit of the circuit are solved once: two bridges between the same nets, a dead part and a missing
 * one.
 */
public final class FaultSweep {
  private final Parts parts;
  private final StateSolver solver;
  private final Running running;
  private final Set<String> gone;
  private final Map<String, Optional<Snapshot>> solved = new HashMap<>();

  /** Makes a sweep over one board in one state. */
  public FaultSweep(Parts parts, StateSolver solver) {
    this.parts = parts;
    this.solver = solver;
    this.gone = parts.gone(solver.state());
    this.running = new Running(parts, solver.state());
  }

  /**
   * Solves all of {@code faults}.
   *
   * @return the board with each fault, in the order given; empty where no operating point was found
   * @throws Cancelled when {@code cancelled} says so
   */
  public Map<Fault, Optional<Snapshot>> of(List<Fault> faults, BooleanSupplier cancelled) {
    Map<String, Fault> different = new LinkedHashMap<>();
    faults.forEach(fault -> different.putIfAbsent(edit(fault), fault));
    List<Map.Entry<String, Fault>> open =
        different.entrySet().stream().filter(entry -> !solved.containsKey(entry.getKey())).toList();
    List<Optional<Snapshot>> points =
        open.parallelStream().map(entry -> point(entry, cancelled)).toList();
    for (int i = 0; i < points.size(); i++) {
      solved.put(open.get(i).getKey(), points.get(i));
    }
    Map<Fault, Optional<Snapshot>> all = new LinkedHashMap<>();
    faults.forEach(fault -> all.put(fault, solved.getOrDefault(edit(fault), Optional.empty())));
    return all;
  }

  private Optional<Snapshot> point(Map.Entry<String, Fault> entry, BooleanSupplier cancelled) {
    if (cancelled.getAsBoolean()) {
      throw new Cancelled();
    }
    return entry.getKey().isEmpty() ? solver.asDesigned() : solver.with(List.of(entry.getValue()));
  }

  /**
   * Gives what a fault changes in the circuit, the same text for the same change; empty for none.
   */
  public String edit(Fault fault) {
    String current = ofCurrent(fault);
    List<String> idle = running.stoppedBy(fault);
    return idle.isEmpty() ? current : (current + " idle " + String.join(" ", idle)).strip();
  }

  private String ofCurrent(Fault fault) {
    return switch (fault) {
      case Fault.OpenJoint open -> carries(open.pin()) ? "open " + open.pin() : "";
      case Fault.Bridge bridge -> {
        String a = copper(bridge.a());
        String b = copper(bridge.b());
        yield a.equals(b) ? "" : a.compareTo(b) < 0 ? "join " + a + ' ' + b : "join " + b + ' ' + a;
      }
      case Fault.Reversed turned ->
          inert(turned.ref()) && !leaksBackwards(turned.ref()) ? "" : fault.toString();
      case Fault.Cold cold -> carries(cold.pin()) ? fault.toString() : "";
      case Fault.Swapped swapped ->
          inert(swapped.a()) && inert(swapped.b()) ? "" : fault.toString();
      case Fault.WrongValue wrong -> "value " + wrong.ref() + ' ' + wrong.ohms();
      case Fault.Missing missing -> inert(missing.ref()) ? "" : "without " + missing.ref();
      case Fault.Dead dead -> inert(dead.ref()) ? "" : "without " + dead.ref();
      case Fault.Blank blank -> running.drives(blank.ref()) ? "idle " + blank.ref() : "";
      case Fault.Off off -> fault.toString();
      case Fault.Stuck stuck -> stands(stuck) ? "" : fault.toString();
    };
  }

  /** Tells whether an output stands in this state where it is stuck. */
  private boolean stands(Fault.Stuck stuck) {
    String level = stuck.high() ? Fault.HIGH : Fault.LOW;
    return gone.contains(stuck.pin().ref())
        || solver.state().drive().entrySet().stream()
            .anyMatch(each ->
                each.getValue().equals(level)
                    && PinRef.parse(each.getKey())
                        .flatMap(parts::canonical)
                        .equals(parts.canonical(stuck.pin())));
  }

  private String copper(PinRef pin) {
    return parts.netOf(pin).orElseGet(pin::toString);
  }

  /** A part that is nothing to a direct current: a capacitor, a crystal, a socket. */
  private boolean inert(String ref) {
    if (parts.kit().handwork().cable(ref).isPresent()) {
      return gone.contains(ref);
    }
    return parts.part(ref).map(Part::model).orElse(new Model.Open()) instanceof Model.Open
        || gone.contains(ref);
  }

  /** Tells whether a part lets a current through where it sits the wrong way round. */
  private boolean leaksBackwards(String ref) {
    return !gone.contains(ref)
        && parts
            .part(ref)
            .map(Part::line)
            .filter(line -> line.kind() == PartKind.CAPACITOR_POLARISED && line.isOriented())
            .isPresent();
  }

  /** Tells whether a lead carries current at all: a chip's inputs, as modelled, do not. */
  private boolean carries(PinRef pin) {
    boolean fed =
        solver.state().supply() != null
            && parts.kit().supply(solver.state().supply()).stream()
                .flatMap(supply -> Stream.of(supply.plus(), supply.minus()))
                .anyMatch(
                    feed -> PinRef.parse(feed).flatMap(parts::canonical).equals(Optional.of(pin)));
    boolean cabled =
        parts.kit().handwork().cableAt(pin.ref()).isPresent() && !gone.contains(pin.ref());
    if (cabled) {
      return true;
    }
    if (fed || inert(pin.ref())) {
      return fed;
    }
    return !(parts.get(pin.ref()).model() instanceof Model.Load load)
        || load.plus().equals(pin.pin())
        || load.minus().equals(pin.pin())
        || solver.state().drive().keySet().stream()
            .anyMatch(
                driven -> PinRef.parse(driven).flatMap(parts::canonical).equals(Optional.of(pin)));
  }
}
