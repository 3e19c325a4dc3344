package humble.core.kit;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * What makes no sense electrically: a supply whose two nets are one copper, a supply that feeds
 * nothing, a chip without a model. The kit still plans and fits; only what is reckoned from the
 * circuit is in doubt.
 */
final class CircuitSense {
  private static final double SHORT_OHM = 0.1;

  private final Kit kit;
  private final Parts parts;
  private final List<Finding> findings = new ArrayList<>();

  private CircuitSense(Parts parts) {
    this.parts = parts;
    this.kit = parts.kit();
  }

  static List<Finding> of(Parts parts) {
    CircuitSense sense = new CircuitSense(parts);
    sense.supplies();
    sense.batteries();
    sense.models();
    return sense.findings;
  }

  private void supplies() {
    for (int i = 0; i < kit.supplies().size(); i++) {
      Supply supply = kit.supplies().get(i);
      String at = "/supplies/" + i;
      Optional<String> plus = parts.net(supply.plus());
      Optional<String> minus = parts.net(supply.minus());
      if (plus.isEmpty() || minus.isEmpty()) {
        continue;
      }
      joined(plus.get(), minus.get())
          .ifPresent(by -> warn(at, "The supply '" + supply.id() + "' is shorted: " + by));
      fed(at + "/plus", supply, plus.get());
      fed(at + "/minus", supply, minus.get());
    }
  }

  /** The pin that a supply is plugged into does not count: something else must hang on its net. */
  private void fed(String at, Supply supply, String net) {
    long others =
        kit.nets().getOrDefault(net, List.of()).stream()
            .filter(pin -> !pin.toString().equals(supply.plus()))
            .filter(pin -> !pin.toString().equals(supply.minus()))
            .count();
    boolean plugCarries =
        kit.nets().getOrDefault(net, List.of()).stream()
            .flatMap(pin -> parts.part(pin.ref()).stream())
            .anyMatch(part -> !(part.model() instanceof Model.Open));
    if (others == 0 && !plugCarries) {
      warn(
          at,
          "The supply '" + supply.id() + "' floats: nothing else hangs on its net " + net + ".");
    }
  }

  private void batteries() {
    for (int i = 0; i < kit.lines().size(); i++) {
      for (String ref : kit.lines().get(i).refs()) {
        Part part = parts.part(ref).orElse(null);
        if (part == null || !(part.model() instanceof Model.Battery)) {
          continue;
        }
        Optional<String> plus = parts.netOf(new PinRef(ref, "1"));
        Optional<String> minus = parts.netOf(new PinRef(ref, "2"));
        int line = i;
        if (plus.isPresent() && minus.isPresent()) {
          joined(plus.get(), minus.get())
              .ifPresent(by -> warn("/lines/" + line, "The battery " + ref + " is shorted: " + by));
        }
      }
    }
  }

  /** Tells what joins two nets whatever the state: the same net, or links of next to no ohms. */
  private Optional<String> joined(String plus, String minus) {
    if (plus.equals(minus)) {
      return Optional.of("plus and minus are both on net " + plus + ".");
    }
    Map<String, String> reached = new LinkedHashMap<>();
    reached.put(plus, "");
    Map<String, List<Part>> links = new HashMap<>();
    for (Part part : parts.all()) {
      if (closed(part.model())) {
        for (String pin : List.of("1", "2")) {
          parts
              .netOf(new PinRef(part.ref(), pin))
              .ifPresent(net -> links.computeIfAbsent(net, key -> new ArrayList<>()).add(part));
        }
      }
    }
    List<String> open = new ArrayList<>(List.of(plus));
    while (!open.isEmpty()) {
      String net = open.removeFirst();
      for (Part link : links.getOrDefault(net, List.of())) {
        for (String pin : List.of("1", "2")) {
          String other = parts.netOf(new PinRef(link.ref(), pin)).orElse(net);
          if (!reached.containsKey(other)) {
            String before = reached.getOrDefault(net, "");
            reached.put(other, before.isEmpty() ? link.ref() : before + ", " + link.ref());
            open.add(other);
          }
        }
      }
    }
    return Optional.ofNullable(reached.get(minus))
        .map(by -> "net " + plus + " is joined to net " + minus + " by " + by + ".");
  }

  private static boolean closed(Model model) {
    return switch (model) {
      case Model.Closed closed -> true;
      case Model.Resistor r -> r.ohms() < SHORT_OHM;
      case Model.Switch contacts -> contacts.closed();
      case Model.Junction junction -> false;
      case Model.Zener zener -> false;
      case Model.Bipolar transistor -> false;
      case Model.Mosfet transistor -> false;
      case Model.Regulator regulator -> false;
      case Model.Load load -> false;
      case Model.Battery battery -> false;
      case Model.Pot pot -> false;
      case Model.Open open -> false;
    };
  }

  private void models() {
    for (int i = 0; i < kit.lines().size(); i++) {
      Line line = kit.lines().get(i);
      boolean carries = line.kind().is(PartKind.Fact.NEEDS_MODEL);
      Optional<Part> wired =
          line.refs().stream()
              .flatMap(ref -> parts.part(ref).stream())
              .filter(part ->
                  part.pack().pins().stream()
                          .filter(
                              pin -> parts.netOf(new PinRef(part.ref(), pin.number())).isPresent())
                          .count()
                      >= 2)
              .findFirst();
      if (carries && line.model() == null && wired.isPresent()) {
        Part part = wired.get();
        String net =
            part.pack().pins().stream()
                .flatMap(pin -> parts.netOf(new PinRef(part.ref(), pin.number())).stream())
                .findFirst()
                .orElse("");
        findings.add(
            Finding.note(
                "/lines/" + i + "/model",
                part.ref()
                    + " has no electrical model: on net "
                    + net
                    + " and the others it counts as not there."));
      }
    }
  }

  private void warn(String at, String text) {
    findings.add(Finding.warning(at, text));
  }
}
