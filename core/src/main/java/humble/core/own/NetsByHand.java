package humble.core.own;

import humble.core.kit.Kit;
import humble.core.kit.PinRef;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.SequencedMap;
import java.util.SequencedSet;

/** The nets of a kit while pads are joined one after the other. */
final class NetsByHand {
  private final Kit kit;
  private final SequencedMap<String, SequencedSet<PinRef>> nets = new LinkedHashMap<>();

  NetsByHand(Kit kit) {
    this.kit = kit;
    kit.nets().forEach((net, pins) -> nets.put(net, new LinkedHashSet<>(pins)));
  }

  /** Gives the net that a pin belongs to so far. */
  Optional<String> netOf(PinRef pin) {
    return nets.entrySet().stream()
        .filter(entry -> entry.getValue().contains(pin))
        .map(entry -> entry.getKey())
        .findFirst();
  }

  /** Gives a name that no net has, beginning with the one wished for. */
  String free(String wished) {
    String name = wished;
    for (int i = 2; nets.containsKey(name); i++) {
      name = wished + "_" + i;
    }
    return name;
  }

  /**
   * Joins a pin to a net, which is made where it is not there; what the pin was joined with comes
   * along.
   */
  void join(String net, PinRef pin) {
    Optional<String> was = netOf(pin);
    if (was.isPresent() && !was.get().equals(net)) {
      SequencedSet<PinRef> others = nets.remove(was.get());
      if (others != null) {
        nets.computeIfAbsent(net, key -> new LinkedHashSet<>()).addAll(others);
      }
    } else {
      nets.computeIfAbsent(net, key -> new LinkedHashSet<>()).add(pin);
    }
  }

  /** Takes a pin out of its net; a net of which nothing is left goes. */
  void part(PinRef pin) {
    netOf(pin)
        .ifPresent(net -> {
          SequencedSet<PinRef> pins = nets.get(net);
          if (pins != null) {
            pins.remove(pin);
            if (pins.isEmpty()) {
              nets.remove(net);
            }
          }
        });
  }

  /** Gives what differs from the kit. */
  List<Edit> edits() {
    List<Edit> edits = new ArrayList<>();
    kit.nets().keySet().stream()
        .filter(net -> !nets.containsKey(net))
        .forEach(net -> edits.add(new Edit.DropNet(net)));
    nets.forEach((net, pins) -> {
      List<PinRef> now = List.copyOf(pins);
      if (!now.equals(kit.nets().get(net))) {
        edits.add(new Edit.PutNet(net, now));
      }
    });
    return edits;
  }
}
