package humble.core.craft;

import humble.core.kit.Cable;
import humble.core.kit.Kit;
import humble.core.kit.Model;
import humble.core.kit.Part;
import humble.core.kit.Parts;
import humble.core.kit.PinRef;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/** Which nets are rails, which is ground, and which soak heat. */
public final class Rails {
  /** From so many pads on, a net is taken to be a plane or as good as one. */
  private static final int WIDE_PADS = 12;

  private final Parts parts;
  private final Set<String> grounds = new LinkedHashSet<>();
  private final Set<String> rails = new LinkedHashSet<>();

  private Rails(Parts parts) {
    this.parts = parts;
  }

  /** Finds them from supplies, batteries, regulators and chips. */
  public static Rails of(Parts parts) {
    Rails rails = new Rails(parts);
    Kit kit = parts.kit();
    kit.supplies()
        .forEach(supply -> {
          parts.net(supply.minus()).ifPresent(rails.grounds::add);
          parts.net(supply.plus()).ifPresent(rails.rails::add);
        });
    for (Part part : parts.all()) {
      switch (part.model()) {
        case Model.Regulator regulator -> {
          rails.add(rails.rails, part, regulator.in());
          rails.add(rails.rails, part, regulator.out());
          rails.add(rails.grounds, part, regulator.gnd());
        }
        case Model.Load load -> {
          rails.add(rails.rails, part, load.plus());
          rails.add(rails.grounds, part, load.minus());
        }
        case Model.Battery battery -> {
          rails.add(rails.rails, part, "1");
          rails.add(rails.grounds, part, "2");
        }
        case Model.Resistor r -> {}
        case Model.Junction j -> {}
        case Model.Zener z -> {}
        case Model.Bipolar t -> {}
        case Model.Mosfet t -> {}
        case Model.Switch contacts -> {}
        case Model.Pot pot -> {}
        case Model.Closed closed -> {}
        case Model.Open open -> {}
      }
    }
    kit.handwork().cables().forEach(rails::through);
    if (kit.nets().containsKey("GND")) {
      rails.grounds.add("GND");
    }
    rails.rails.removeAll(rails.grounds);
    return rails;
  }

  /** What a cable brings to the other board is there what it was here. */
  private void through(Cable cable) {
    for (Cable.Conductor each : cable.conductors(false)) {
      Optional<String> a = parts.netOf(each.from());
      Optional<String> b = parts.netOf(each.to());
      if (a.isPresent() && b.isPresent()) {
        for (Set<String> kind : List.of(grounds, rails)) {
          if (kind.contains(a.get()) || kind.contains(b.get())) {
            kind.add(a.get());
            kind.add(b.get());
          }
        }
      }
    }
  }

  private void add(Set<String> to, Part part, String pin) {
    parts.netOf(new PinRef(part.ref(), pin)).ifPresent(to::add);
  }

  /** Gives the nets that feed, in the order found: supplies first. */
  public List<String> nets() {
    return List.copyOf(rails);
  }

  boolean isGround(String net) {
    return grounds.contains(net);
  }

  boolean isRail(String net) {
    return rails.contains(net);
  }

  /** Gives the net of a pad: a socket carries those of its chip. */
  Optional<String> netOf(PinRef pin) {
    String ref = parts.chipIn(pin.ref()).orElse(pin.ref());
    return parts.netOf(new PinRef(ref, pin.pin()));
  }

  /** Tells whether a pad hangs on so much copper that it takes longer to heat. */
  boolean soaksHeat(PinRef pin) {
    return netOf(pin)
        .filter(net -> grounds.contains(net) || rails.contains(net))
        .filter(net -> padsOn(net) >= WIDE_PADS)
        .isPresent();
  }

  private int padsOn(String net) {
    return parts.kit().nets().getOrDefault(net, List.of()).size();
  }
}
