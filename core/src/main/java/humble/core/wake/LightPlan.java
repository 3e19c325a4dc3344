package humble.core.wake;

import humble.core.kit.BoardState;
import humble.core.kit.Kit;
import humble.core.kit.Model;
import humble.core.kit.Part;
import humble.core.kit.PartKind;
import humble.core.kit.Parts;
import humble.core.kit.Peripheral;
import humble.core.kit.PinRef;
import humble.core.kit.RefOrder;
import humble.core.kit.Supply;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.SequencedMap;
import org.jspecify.annotations.Nullable;

/**
 * The lights of a matrix from four answers: which chip drives them, by which pins, how they are
 * wired, and how many they are. What the board already says of a light goes before the order of the
 * pins; a light whose nets lead to no pin of the driver is told.
 *
 * @param lights the lights by their number, the first is 1
 * @param nets pins to add to nets, by net
 * @param states one state a light, in which it alone is driven
 * @param notes what the board says otherwise than the order of the pins
 * @param problems why there is no matrix; with any of them nothing else is to be used
 */
public record LightPlan(
    List<Peripheral.Light> lights,
    SequencedMap<String, List<PinRef>> nets,
    List<BoardState> states,
    List<String> notes,
    List<String> problems) {
  private static final int MOST_LIGHTS = 1024;

  public LightPlan {
    lights = List.copyOf(lights);
    nets = new LinkedHashMap<>(nets);
    states = List.copyOf(states);
    notes = List.copyOf(notes);
    problems = List.copyOf(problems);
  }

  /** In which order lights between pairs of pins are numbered. */
  public enum Order {
    /** All whose anode is at the first pin, then those at the second. */
    ANODES,
    /** Both ways round between the first two pins, then the first and the third. */
    PAIRS;

    /** Gives the one of that name. */
    public static Optional<Order> named(String name) {
      for (Order order : values()) {
        if (order.text().equals(name)) {
          return Optional.of(order);
        }
      }
      return Optional.empty();
    }

    /** Gives the name used in commands. */
    public String text() {
      return name().toLowerCase(Locale.ROOT);
    }
  }

  /**
   * The four answers.
   *
   * @param driver chip that drives the lights
   * @param pins its pins in order; rows first where there are rows
   * @param rows how many of the pins are rows, at the anodes; 0 where lights stand between every
   *     two pins
   * @param count how many lights there are
   * @param order how they are numbered, where there are no rows
   */
  public record Answers(String driver, List<String> pins, int rows, int count, Order order) {
    public Answers {
      pins = List.copyOf(pins);
    }

    /** Gives how many lights so many pins can tell apart. */
    public int most() {
      int n = pins.size();
      return rows > 0 ? rows * (n - rows) : n * (n - 1);
    }
  }

  /** A pin of the driver at the anode, and one at the cathode. */
  private record Pair(String anode, String cathode) {}

  /** Makes the lights. */
  public static LightPlan of(Parts parts, Answers answers) {
    List<String> problems = new ArrayList<>();
    Part driver = parts.part(answers.driver()).orElse(null);
    List<String> leds = leds(parts);
    if (driver == null) {
      problems.add("The kit has no part '" + answers.driver() + "'.");
    } else {
      pins(driver, answers, problems);
    }
    if (answers.count() < 1 || answers.count() > Math.min(MOST_LIGHTS, answers.most())) {
      problems.add(
          answers.pins().size()
              + " pins tell at most "
              + Math.max(0, answers.most())
              + " lights apart, not "
              + answers.count()
              + ".");
    }
    if (leds.size() < answers.count()) {
      problems.add(
          "The kit has " + leds.size() + " lights with places, not " + answers.count() + ".");
    }
    if (!problems.isEmpty()) {
      return new LightPlan(List.of(), new LinkedHashMap<>(), List.of(), List.of(), problems);
    }
    return made(parts, answers, leds);
  }

  private static List<String> leds(Parts parts) {
    return parts.all().stream()
        .filter(part -> part.line().kind() == PartKind.LED)
        .map(Part::ref)
        .sorted(RefOrder.NATURAL)
        .toList();
  }

  private static void pins(Part driver, Answers answers, List<String> problems) {
    for (String pin : answers.pins()) {
      if (driver.pack().pin(pin).isEmpty()) {
        problems.add(driver.ref() + " has no pin '" + pin + "'.");
      }
    }
    if (answers.pins().stream().distinct().count() < answers.pins().size()) {
      problems.add("A pin is named twice.");
    }
    if (answers.rows() < 0 || answers.rows() >= answers.pins().size() && answers.rows() > 0) {
      problems.add("Of the pins some are rows and some are columns.");
    }
    if (!(driver.model() instanceof Model.Load load)) {
      problems.add(
          "Nobody says where "
              + driver.ref()
              + " is fed: it drives nothing before its model is a load.");
    } else if (answers.pins().contains(load.plus()) || answers.pins().contains(load.minus())) {
      problems.add("A pin that feeds " + driver.ref() + " drives no light.");
    }
  }

  private static List<Pair> pairs(Answers answers) {
    List<Pair> pairs = new ArrayList<>();
    List<String> pins = answers.pins();
    if (answers.rows() > 0) {
      for (String row : pins.subList(0, answers.rows())) {
        for (String column : pins.subList(answers.rows(), pins.size())) {
          pairs.add(new Pair(row, column));
        }
      }
      return pairs;
    }
    for (int i = 0; i < pins.size(); i++) {
      switch (answers.order()) {
        case ANODES -> {
          for (String other : pins) {
            if (!other.equals(pins.get(i))) {
              pairs.add(new Pair(pins.get(i), other));
            }
          }
        }
        case PAIRS -> {
          for (int k = 0; k < i; k++) {
            pairs.add(new Pair(pins.get(k), pins.get(i)));
            pairs.add(new Pair(pins.get(i), pins.get(k)));
          }
        }
      }
    }
    return pairs;
  }

  private static LightPlan made(Parts parts, Answers answers, List<String> leds) {
    Map<String, String> netOf = new HashMap<>();
    for (String pin : answers.pins()) {
      netOf.put(pin, net(parts, answers.driver(), pin));
    }
    Map<String, String> pinOf = reach(parts, answers, netOf);
    List<Peripheral.Light> lights = new ArrayList<>();
    SequencedMap<String, List<PinRef>> nets = new LinkedHashMap<>();
    List<String> notes = new ArrayList<>();
    List<String> problems = new ArrayList<>();
    List<Pair> pairs = pairs(answers);
    for (int i = 0; i < answers.count(); i++) {
      String ref = leds.get(i);
      Pair pair = pairs.get(i);
      String anode = parts.netOf(new PinRef(ref, "2")).orElse("");
      String cathode = parts.netOf(new PinRef(ref, "1")).orElse("");
      if (!anode.isEmpty() && !cathode.isEmpty()) {
        pair = onBoard(ref, new Pair(anode, cathode), pair, pinOf, notes, problems);
      } else if (anode.isEmpty() && cathode.isEmpty()) {
        join(answers.driver(), netOf, pair.anode(), new PinRef(ref, "2"), parts, nets);
        join(answers.driver(), netOf, pair.cathode(), new PinRef(ref, "1"), parts, nets);
      } else {
        problems.add(ref + " is joined by one lead alone.");
      }
      lights.add(
          new Peripheral.Light(
              answers.driver() + "." + pair.anode(), answers.driver() + "." + pair.cathode(), ref));
    }
    if (lights.stream().map(l -> l.anodePin() + l.cathodePin()).distinct().count()
        < lights.size()) {
      problems.add("Two lights stand between the same pins, the same way round.");
    }
    return problems.isEmpty()
        ? new LightPlan(lights, nets, states(parts.kit(), lights), notes, List.of())
        : new LightPlan(List.of(), new LinkedHashMap<>(), List.of(), notes, problems);
  }

  private static String net(Parts parts, String driver, String pin) {
    Optional<String> known = parts.netOf(new PinRef(driver, pin));
    if (known.isPresent()) {
      return known.get();
    }
    String name = "L" + pin;
    int n = 2;
    while (parts.kit().nets().containsKey(name)) {
      name = "L" + pin + "-" + n++;
    }
    return name;
  }

  /** Pins of the driver by the nets that they reach, themselves or through one resistor. */
  private static Map<String, String> reach(
      Parts parts, Answers answers, Map<String, String> netOf) {
    Map<String, String> pinOf = new HashMap<>();
    answers.pins().forEach(pin -> pinOf.put(netOf.getOrDefault(pin, ""), pin));
    Map<String, String> behind = new HashMap<>();
    for (Part part : parts.all()) {
      if (part.line().kind() == PartKind.RESISTOR) {
        String one = parts.netOf(new PinRef(part.ref(), "1")).orElse("");
        String other = parts.netOf(new PinRef(part.ref(), "2")).orElse("");
        far(pinOf, behind, one, other);
        far(pinOf, behind, other, one);
      }
    }
    behind.forEach(pinOf::putIfAbsent);
    return pinOf;
  }

  private static void far(
      Map<String, String> pinOf, Map<String, String> behind, String near, String net) {
    String pin = pinOf.get(near);
    if (pin != null && !net.isEmpty() && !pinOf.containsKey(net)) {
      behind.put(net, pin);
    }
  }

  private static Pair onBoard(
      String ref,
      Pair nets,
      Pair expected,
      Map<String, String> pinOf,
      List<String> notes,
      List<String> problems) {
    String anode = pinOf.get(nets.anode());
    String cathode = pinOf.get(nets.cathode());
    if (anode == null || cathode == null) {
      problems.add(
          ref
              + " stands between "
              + nets.anode()
              + " and "
              + nets.cathode()
              + ": no two of these pins reach both.");
      return expected;
    }
    Pair found = new Pair(anode, cathode);
    if (!found.equals(expected)) {
      notes.add(
          "The board has "
              + ref
              + " from pin "
              + anode
              + " to pin "
              + cathode
              + "; by the order of the pins it were from "
              + expected.anode()
              + " to "
              + expected.cathode()
              + ".");
    }
    return found;
  }

  private static void join(
      String driver,
      Map<String, String> netOf,
      String pin,
      PinRef lead,
      Parts parts,
      SequencedMap<String, List<PinRef>> nets) {
    String net = netOf.getOrDefault(pin, "L" + pin);
    List<PinRef> pins = nets.computeIfAbsent(net, key -> new ArrayList<>());
    PinRef own = new PinRef(driver, pin);
    if (parts.netOf(own).isEmpty() && !pins.contains(own)) {
      pins.add(own);
    }
    pins.add(lead);
  }

  private static List<BoardState> states(Kit kit, List<Peripheral.Light> lights) {
    @Nullable String supply = kit.supplies().stream().map(Supply::id).findFirst().orElse(null);
    List<BoardState> states = new ArrayList<>();
    for (int i = 0; i < lights.size(); i++) {
      Peripheral.Light light = lights.get(i);
      states.add(
          new BoardState(
              "light-" + (i + 1),
              "light " + (i + 1) + " on",
              supply,
              List.of(),
              List.of(),
              Map.of(light.anodePin(), "high", light.cathodePin(), "low"),
              Map.of(),
              Map.of(),
              Map.of(),
              null));
    }
    return states;
  }
}
