package humble.core.kit;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;

/** What the peripherals of a kit name that is not there, or that could not be tested so. */
final class WakeSense {
  private static final int MOST_ADDRESS_LINES = 32;

  private static final Set<String> FAULTS =
      Set.of(
          "open",
          "off",
          "cold",
          "short",
          "reversed",
          "swapped",
          "value",
          "missing",
          "dead",
          "blank",
          "stuck",
          "kit");

  private final Parts parts;
  private final List<Finding> findings = new ArrayList<>();
  private String at = "";

  private WakeSense(Parts parts) {
    this.parts = parts;
  }

  static List<Finding> of(Parts parts) {
    WakeSense sense = new WakeSense(parts);
    List<Peripheral> all = parts.kit().peripherals();
    Set<String> ids = new HashSet<>();
    for (int i = 0; i < all.size(); i++) {
      sense.at = "kit.json#/peripherals/" + i;
      if (!ids.add(all.get(i).id())) {
        sense.error("id", "There are two peripherals '" + all.get(i).id() + "'.");
      }
      sense.one(all.get(i));
      sense.says(all.get(i).says());
    }
    return sense.findings;
  }

  private void one(Peripheral peripheral) {
    switch (peripheral) {
      case Peripheral.Matrix m -> {
        pins("pins", m.lines());
        refs("refs", m.lights().stream().map(Peripheral.Light::ref).toList());
      }
      case Peripheral.Chain c -> refs("refs", c.refs());
      case Peripheral.Lines l -> {
        pins("on", l.on());
        if (!l.on().isEmpty() && l.on().size() != l.width()) {
          error("on", "There are " + l.on().size() + " lines for a width of " + l.width() + ".");
        }
      }
      case Peripheral.Memory m -> {
        pins("on", m.on());
        if (m.on().size() > MOST_ADDRESS_LINES) {
          error("on", "A memory has at most " + MOST_ADDRESS_LINES + " address lines here.");
        }
      }
      case Peripheral.Bus b -> bus(b);
      case Peripheral.Analog a -> pins("on", a.on());
      case Peripheral.Buttons b -> {
        refs("refs", b.refs());
        pins("rows", b.rows());
        pins("columns", b.columns());
      }
      case Peripheral.LightGate g -> refs("lamp", List.of(g.lamp()));
      case Peripheral.Driven d -> pins("on", List.of(d.on()));
      case Peripheral.Passive p -> p.through().forEach(pair -> pins("through", pair));
      case Peripheral.Tried t -> refs("refs", t.refs());
      case Peripheral.Display d -> {}
      case Peripheral.Tone t -> {}
      case Peripheral.Clock c -> {}
      case Peripheral.Radio r -> {}
      case Peripheral.Talk t -> {}
    }
  }

  private void bus(Peripheral.Bus bus) {
    pins("sda", List.of(bus.sda()));
    pins("scl", List.of(bus.scl()));
    refs("devices", bus.devices().stream().map(Peripheral.BusDevice::ref).toList());
  }

  /** What is set before has to be there, and what it means has to name what is there. */
  private void says(Says says) {
    for (Says.Otherwise other : says.otherwise()) {
      for (String fault : other.means()) {
        if (!isFault(fault)) {
          findings.add(
              Finding.warning(
                  at + "/otherwise",
                  "'" + fault + "' is no fault of this kit: it is shown as it is written."));
        }
      }
    }
    for (String ref : says.set().keySet()) {
      if (parts.part(ref).isEmpty()) {
        error("set", "There is no part '" + ref + "'.");
      }
    }
  }

  /** A fault as commands take it, with parts of this kit; or one that the kit itself knows. */
  private boolean isFault(String text) {
    int colon = text.indexOf(':');
    if (colon < 0 || !FAULTS.contains(text.substring(0, colon))) {
      return false;
    }
    String of = text.substring(colon + 1).replaceFirst("=.*", "");
    if (text.startsWith("kit:")) {
      return parts.kit().faults().stream().anyMatch(fault -> fault.id().equals(of));
    }
    return java.util.Arrays.stream(of.split("-"))
        .allMatch(each ->
            parts.part(each).isPresent()
                || PinRef.parse(each).flatMap(parts::canonical).isPresent()
                || parts.kit().handwork().cables().stream().anyMatch(c -> c.id().equals(each)));
  }

  private void refs(String key, List<String> refs) {
    for (String ref : refs) {
      if (!ref.isEmpty() && parts.part(ref).isEmpty()) {
        error(key, "There is no part '" + ref + "'.");
      }
    }
  }

  private void pins(String key, List<String> pins) {
    for (String pin : pins) {
      boolean known =
          pin.isEmpty()
              || parts.kit().nets().containsKey(pin)
              || PinRef.parse(pin).flatMap(parts::canonical).isPresent();
      if (!known) {
        error(key, "'" + pin + "' is no net and no pin of this kit.");
      }
    }
  }

  private void error(String key, String text) {
    findings.add(Finding.error(at + "/" + key, text));
  }
}
