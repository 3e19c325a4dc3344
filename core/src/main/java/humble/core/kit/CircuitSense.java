package humble.core.kit;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * What makes no sense electrically: a supply whose two nets are one copper, a supply that feeds
 * nothing, a chip without a model. The kit still plans and fits; only what is reckoned from the
 * circuit is in doubt.
 */
final class CircuitSense {
  private static final double SHORT_OHM = 0.1;

  /** A resistor that carries a supply has less than this. */
  private static final double FEED_OHM = 20;

  /** More than this part of what a regulator gives cannot be its own output. */
  private static final double ABOVE_OUTPUT = 1.1;

  private final Kit kit;
  private final Parts parts;
  private final List<Finding> findings = new ArrayList<>();

  private final Map<String, Double> sources = new HashMap<>();

  /** The nets that each feeding net reaches through what carries a supply. */
  private final Map<String, Set<String>> reached = new HashMap<>();

  private CircuitSense(Parts parts) {
    this.parts = parts;
    this.kit = parts.kit();
  }

  static List<Finding> of(Parts parts) {
    CircuitSense sense = new CircuitSense(parts);
    sense.supplies();
    sense.batteries();
    sense.models();
    sense.regulators();
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
      turned(at, supply, plus.get(), minus.get());
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

  /**
   * A supply whose plus is what chips and regulators take for ground, and whose minus is not, is
   * the wrong way round.
   */
  private void turned(String at, Supply supply, String plus, String minus) {
    int right = 0;
    List<String> wrong = new ArrayList<>();
    for (Part part : parts.all()) {
      String ground = ground(part.model()).orElse(null);
      String net = ground == null ? null : parts.netOf(new PinRef(part.ref(), ground)).orElse(null);
      if (minus.equals(net)) {
        right++;
      } else if (plus.equals(net)) {
        wrong.add(part.ref());
      }
    }
    if (right == 0 && !wrong.isEmpty()) {
      findings.add(
          Finding.error(
              "kit.json#" + at,
              "The supply '"
                  + supply.id()
                  + "' is the wrong way round: its plus is the ground of "
                  + String.join(", ", wrong)
                  + "."));
    }
  }

  private static Optional<String> ground(Model model) {
    return switch (model) {
      case Model.Regulator regulator -> Optional.of(regulator.gnd());
      case Model.Load load -> Optional.of(load.minus());
      case Model.Resistor r -> Optional.empty();
      case Model.Junction j -> Optional.empty();
      case Model.Zener z -> Optional.empty();
      case Model.Bipolar q -> Optional.empty();
      case Model.Mosfet m -> Optional.empty();
      case Model.Switch s -> Optional.empty();
      case Model.Battery b -> Optional.empty();
      case Model.Pot p -> Optional.empty();
      case Model.Closed c -> Optional.empty();
      case Model.Open o -> Optional.empty();
    };
  }

  /** A regulator that is fed at its output with more than it gives is the wrong way round. */
  private void regulators() {
    for (int i = 0; i < kit.lines().size(); i++) {
      for (String ref : kit.lines().get(i).refs()) {
        if (!(parts.part(ref).map(Part::model).orElse(null) instanceof Model.Regulator regulator)) {
          continue;
        }
        String in = parts.netOf(new PinRef(ref, regulator.in())).orElse("");
        String out = parts.netOf(new PinRef(ref, regulator.out())).orElse("");
        double fedOut = fedAt(out);
        if (fedOut > ABOVE_OUTPUT * regulator.voutV() && fedAt(in) == 0) {
          findings.add(
              Finding.error(
                  "kit.json#/lines/" + i + "/model",
                  ref
                      + " is the wrong way round: it is fed at its output, pin "
                      + regulator.out()
                      + ", and its input hangs on nothing that feeds."));
        }
      }
    }
  }

  /** Gives the volts of the source that reaches a net through switches, links and junctions. */
  private double fedAt(String net) {
    return sources().entrySet().stream()
        .filter(source -> reaches(source.getKey(), net))
        .mapToDouble(Map.Entry::getValue)
        .max()
        .orElse(0);
  }

  /** Gives the volts of supplies and batteries by the net of their plus. */
  private Map<String, Double> sources() {
    if (sources.isEmpty()) {
      for (Supply supply : kit.supplies()) {
        parts.net(supply.plus()).ifPresent(net -> sources.merge(net, supply.volts(), Math::max));
      }
      for (Part part : parts.all()) {
        if (part.model() instanceof Model.Battery cell) {
          parts
              .netOf(new PinRef(part.ref(), "1"))
              .ifPresent(net -> sources.merge(net, cell.vocV(), Math::max));
        }
      }
    }
    return sources;
  }

  private boolean reaches(String from, String to) {
    return reached.computeIfAbsent(from, this::reachedFrom).contains(to);
  }

  private Set<String> reachedFrom(String from) {
    Set<String> found = new HashSet<>(Set.of(from));
    List<String> open = new ArrayList<>(List.of(from));
    while (!open.isEmpty()) {
      for (PinRef pin : kit.nets().getOrDefault(open.removeFirst(), List.of())) {
        Part part = parts.part(pin.ref()).orElse(null);
        if (part != null && carriesSupply(part.model())) {
          part.pack().pins().stream()
              .flatMap(each -> parts.netOf(new PinRef(part.ref(), each.number())).stream())
              .filter(found::add)
              .forEach(open::add);
        }
      }
    }
    return found;
  }

  private static boolean carriesSupply(Model model) {
    return switch (model) {
      case Model.Closed c -> true;
      case Model.Switch s -> true;
      case Model.Junction j -> !j.led();
      case Model.Mosfet m -> true;
      case Model.Resistor r -> r.ohms() < FEED_OHM;
      case Model.Zener z -> false;
      case Model.Bipolar q -> false;
      case Model.Regulator r -> false;
      case Model.Load l -> false;
      case Model.Battery b -> false;
      case Model.Pot p -> false;
      case Model.Open o -> false;
    };
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
