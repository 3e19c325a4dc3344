package humble.bench;

import humble.bench.panel.Wires;
import humble.core.circuit.DcResult;
import humble.core.kit.BoardState;
import humble.core.kit.Cable;
import humble.core.kit.Model;
import humble.core.kit.Panel;
import humble.core.kit.Part;
import humble.core.kit.Parts;
import humble.core.kit.PinRef;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.Predicate;
import org.jspecify.annotations.Nullable;

/**
 * What the lines of a front panel carry on a simulated board: every byte is put on the circuit with
 * its faults, and the levels are read at the legs where it should arrive.
 *
 * <p>Lines that do not touch are asked once each: the circuit is solved for every byte with one bit
 * set and with one cleared, and from then on for what only bits that showed themselves bound make
 * together.
 *
 * <p>Which leg of a buffer or of a latch belongs to which line is found by following the nets, over
 * resistors and cables, never over a supply.
 */
public final class SimulatedPanel implements Wires {
  /** From which share of the supply an input takes a level for high: they lie about there. */
  private static final double HIGH_FROM = 0.4;

  private final Parts parts;
  private final SimulatedWake wake;
  private final Panel panel;
  private final BoardState powered;
  private final List<Bit> bits;
  private final Map<Way, WayTable> known = new ConcurrentHashMap<>();

  /** One line of the data: its legs on the way. */
  private record Bit(
      String key,
      PinRef switchIn,
      PinRef switchOut,
      boolean closedIsHigh,
      PinRef memory,
      PinRef processor,
      PinRef lightIn,
      PinRef lightOut,
      String light) {}

  private final List<Bit> addressBits;

  private SimulatedPanel(Parts parts, SimulatedWake wake, Panel panel, BoardState powered) {
    this.parts = parts;
    this.wake = wake;
    this.panel = panel;
    this.powered = powered;
    this.bits = bits(panel.dataLines(), panel.data(), true);
    this.addressBits = bits(panel.addressLines(), panel.address(), false);
  }

  /** Makes one; empty where the nets do not say which leg is which. */
  static Optional<SimulatedPanel> of(
      Parts parts, SimulatedWake wake, Panel panel, BoardState powered) {
    SimulatedPanel made = new SimulatedPanel(parts, wake, panel, powered);
    return made.bits.size() == Panel.BITS && made.addressBits.size() == Panel.BITS
        ? Optional.of(made)
        : Optional.empty();
  }

  private List<Bit> bits(List<String> lines, List<String> lights, boolean switches) {
    List<Bit> found = new ArrayList<>();
    for (int k = 0; k < Math.min(Panel.BITS, Math.min(lines.size(), lights.size())); k++) {
      bit(lines.get(k), lights.get(k), switches ? k : -1).ifPresent(found::add);
    }
    return found;
  }

  private Optional<Bit> bit(String line, String light, int number) {
    Optional<PinRef> memory = on(line, panel.memory());
    Optional<PinRef> processor = on(line, panel.processor());
    Optional<PinRef> lightOut =
        pinsOf(light).stream().flatMap(net -> reached(net, this::isOutput).stream()).findFirst();
    Optional<PinRef> lightIn =
        lightOut.flatMap(out -> reached(line, pin -> pin.ref().equals(out.ref()) && isInput(pin)));
    if (memory.isEmpty() || processor.isEmpty() || lightIn.isEmpty()) {
      return Optional.empty();
    }
    PinRef none = memory.get();
    if (number < 0) {
      return Optional.of(
          new Bit(
              "", none, none, true, none, processor.get(), lightIn.get(), lightOut.get(), light));
    }
    if (number >= panel.switches().size()) {
      return Optional.empty();
    }
    String key = panel.switches().get(number);
    Optional<PinRef> in =
        pinsOf(key).stream().flatMap(net -> reached(net, this::isInput).stream()).findFirst();
    Optional<PinRef> out =
        in.flatMap(pin -> reached(line, each -> each.ref().equals(pin.ref()) && isOutput(each)));
    return in.isPresent() && out.isPresent()
        ? closedIsHigh(key, in.get())
            .map(high ->
                new Bit(
                    key,
                    in.get(),
                    out.get(),
                    high,
                    none,
                    processor.get(),
                    lightIn.get(),
                    lightOut.get(),
                    light))
        : Optional.empty();
  }

  /** Which way round a switch is read is asked of a board with nothing wrong. */
  private Optional<Boolean> closedIsHigh(String key, PinRef in) {
    SimulatedWake sound = SimulatedWake.healthy(parts);
    Optional<Boolean> open = sound.solved(powered).map(result -> isHigh(result, in));
    Optional<Boolean> closed =
        sound.solved(closing(List.of(key), Map.of())).map(result -> isHigh(result, in));
    return open.equals(closed) ? Optional.empty() : closed;
  }

  private Optional<PinRef> on(String line, String ref) {
    return parts.net(line).stream()
        .flatMap(net -> parts.kit().nets().getOrDefault(net, List.of()).stream())
        .filter(pin -> pin.ref().equals(ref))
        .findFirst();
  }

  private List<String> pinsOf(String ref) {
    List<String> nets = new ArrayList<>();
    parts
        .kit()
        .nets()
        .forEach((net, pins) -> {
          if (pins.stream().anyMatch(pin -> pin.ref().equals(ref)) && !isSupply(net)) {
            nets.add(net);
          }
        });
    return nets;
  }

  private Optional<Model.Load> load(PinRef pin) {
    return parts.part(pin.ref()).map(Part::model).orElse(null) instanceof Model.Load load
        ? Optional.of(load)
        : Optional.empty();
  }

  private boolean isOutput(PinRef pin) {
    return load(pin).filter(load -> load.outputsRonOhm().containsKey(pin.pin())).isPresent();
  }

  private boolean isSupplied(PinRef pin) {
    return load(pin)
        .filter(load -> pin.pin().equals(load.plus()) || pin.pin().equals(load.minus()))
        .isPresent();
  }

  private boolean isInput(PinRef pin) {
    return load(pin).isPresent() && !isOutput(pin) && !isSupplied(pin);
  }

  private boolean isSupply(String net) {
    return parts.kit().nets().getOrDefault(net, List.of()).stream().anyMatch(this::isSupplied);
  }

  /** Finds the nearest such leg from a net on, over resistors and cables. */
  private Optional<PinRef> reached(String from, Predicate<PinRef> wanted) {
    Deque<String> open = new ArrayDeque<>(parts.net(from).stream().toList());
    Set<String> seen = new HashSet<>(open);
    while (!open.isEmpty()) {
      List<PinRef> pins = parts.kit().nets().getOrDefault(open.poll(), List.of());
      Optional<PinRef> found = pins.stream().filter(wanted).findFirst();
      if (found.isPresent()) {
        return found;
      }
      pins.forEach(pin ->
          beyond(pin).stream()
              .flatMap(other -> parts.netOf(other).stream())
              .filter(net -> !isSupply(net) && seen.add(net))
              .forEach(open::add));
    }
    return Optional.empty();
  }

  private List<PinRef> beyond(PinRef pin) {
    List<PinRef> all = new ArrayList<>();
    if (parts.part(pin.ref()).map(Part::model).orElse(null) instanceof Model.Resistor) {
      all.add(new PinRef(pin.ref(), pin.pin().equals("1") ? "2" : "1"));
    }
    for (Cable cable : parts.kit().handwork().cables()) {
      for (Cable.Conductor each : cable.conductors(false)) {
        if (each.from().equals(pin)) {
          all.add(each.to());
        } else if (each.to().equals(pin)) {
          all.add(each.from());
        }
      }
    }
    return all;
  }

  @Override
  public int carried(Way way, int value) {
    return known
        .computeIfAbsent(way, each -> new WayTable(word -> worked(each, word)))
        .of(value & 0xff);
  }

  private int worked(Way way, int value) {
    return switch (way) {
      case SWITCHES_TO_MEMORY -> switched(value, Bit::memory);
      case SWITCHES_TO_PROCESSOR -> switched(value, Bit::processor);
      case MEMORY_TO_PROCESSOR -> levels(bits, value, Bit::memory, Bit::processor);
      case PROCESSOR_TO_MEMORY -> levels(bits, value, Bit::processor, Bit::memory);
      case MEMORY_TO_LIGHTS -> lit(bits, levels(bits, value, Bit::memory, Bit::lightIn));
      case PROCESSOR_TO_LIGHTS -> lit(bits, levels(bits, value, Bit::processor, Bit::lightIn));
      case ADDRESS_TO_MEMORY -> levels(addressBits, value, Bit::processor, Bit::memory);
      case ADDRESS_TO_LIGHTS ->
          lit(addressBits, levels(addressBits, value, Bit::processor, Bit::lightIn));
    };
  }

  private interface Leg {
    PinRef of(Bit bit);
  }

  private int switched(int value, Leg at) {
    List<String> closed = new ArrayList<>();
    for (int k = 0; k < bits.size(); k++) {
      if ((value >> k & 1) == 1) {
        closed.add(bits.get(k).key());
      }
    }
    DcResult result = wake.solved(closing(closed, Map.of())).orElse(null);
    int seen = 0;
    for (int k = 0; k < bits.size() && result != null; k++) {
      seen |= isHigh(result, bits.get(k).switchIn()) == bits.get(k).closedIsHigh() ? 1 << k : 0;
    }
    return levels(bits, seen, Bit::switchOut, at);
  }

  private int levels(List<Bit> of, int value, Leg from, Leg to) {
    DcResult result = driven(of, value, from);
    int seen = 0;
    for (int k = 0; k < of.size() && result != null; k++) {
      seen |= isHigh(result, to.of(of.get(k))) ? 1 << k : 0;
    }
    return seen;
  }

  private int lit(List<Bit> of, int value) {
    DcResult result = driven(of, value, Bit::lightOut);
    int seen = 0;
    for (int k = 0; k < of.size() && result != null; k++) {
      DcResult.PartCurrent light = result.parts().get(of.get(k).light());
      seen |= light != null && Boolean.TRUE.equals(light.lit()) ? 1 << k : 0;
    }
    return seen;
  }

  private @Nullable DcResult driven(List<Bit> of, int value, Leg from) {
    Map<String, String> drive = new HashMap<>();
    for (int k = 0; k < of.size(); k++) {
      drive.put(from.of(of.get(k)).toString(), (value >> k & 1) == 1 ? "high" : "low");
    }
    return wake.solved(closing(List.of(), drive)).orElse(null);
  }

  private BoardState closing(List<String> keys, Map<String, String> drive) {
    List<String> closed = new ArrayList<>(powered.closed());
    closed.addAll(keys);
    return new BoardState(
        powered.id(),
        powered.title(),
        powered.supply(),
        powered.absent(),
        closed,
        drive,
        powered.set(),
        powered.choose(),
        powered.sources());
  }

  private boolean isHigh(DcResult result, PinRef pin) {
    double rail =
        load(pin)
            .map(load ->
                wake.volts(result, pin.ref() + "." + load.plus())
                    - wake.volts(result, pin.ref() + "." + load.minus()))
            .orElse(0.0);
    return rail > 1 && wake.volts(result, pin.toString()) > HIGH_FROM * rail;
  }

  /** Gives what a key does when it is pressed: what is left of it where a switch does not make. */
  public Optional<Panel.Key> pressed(Panel.Key key) {
    if (panel.pressed(key).isEmpty()) {
      return panel.keys().containsKey(key) ? Optional.of(key) : Optional.empty();
    }
    Set<String> made = new HashSet<>();
    for (String each : panel.pressed(key)) {
      if (wake.answersAlone(each, powered)) {
        made.add(each);
      }
    }
    return made.size() == panel.pressed(key).size()
        ? Optional.of(key)
        : panel.keys().entrySet().stream()
            .filter(entry -> !made.isEmpty() && made.equals(Set.copyOf(entry.getValue())))
            .map(Map.Entry::getKey)
            .findFirst();
  }
}
