package humble.core.own;

import humble.core.kit.Kit;
import humble.core.kit.Model;
import humble.core.kit.Part;
import humble.core.kit.PartKind;
import humble.core.kit.Parts;
import humble.core.kit.PinRef;
import humble.core.kit.Supply;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * The questions that lead from a board without nets to its first gate: where the supply comes in,
 * how many volts, what switches it, what makes a rail of it, and at which pins each chip takes it.
 * Each is asked only where the kit does not say it, and no more than once.
 */
public final class Skeleton {
  /** Ids of questions that are asked of the board as a whole. */
  public static final String IN = "supply:in";

  public static final String VOLTS = "supply:volts";
  public static final String PLUG = "supply:plug";
  public static final String SWITCH = "supply:switch";
  public static final String GROUND = "ground";
  private static final String MAKES = "makes:";
  private static final String CHIP = "chip:";
  private static final String RAIL = "rail:";

  private static final String PLUS_NET = "VIN";
  private static final String MINUS_NET = "GND";
  private static final String SWITCHED_NET = "VSW";
  private static final String SUPPLY = "in";

  /** Set where nobody said what the supply may give, in milliamperes; it is marked as a guess. */
  private static final double USUAL_LIMIT_MA = 500;

  /** Taken for a chip of which nobody said what it draws, in milliamperes; marked as a guess. */
  private static final double USUAL_CHIP_MA = 20;

  private static final double USUAL_CHIP_MIN_V = 2.7;

  private final Kit kit;
  private final Parts parts;
  private final Set<String> answered;

  /**
   * Makes the questions of a kit.
   *
   * @param answered ids of the questions that were answered
   */
  public Skeleton(Kit kit, Set<String> answered) {
    this(Parts.of(kit), answered);
  }

  /**
   * Makes the questions of a kit whose parts are at hand.
   *
   * @param answered ids of the questions that were answered
   */
  public Skeleton(Parts parts, Set<String> answered) {
    this.kit = parts.kit();
    this.parts = parts;
    this.answered = answered;
  }

  /** What is asked for. */
  public enum What {
    /** The pad at which the plus of the supply comes in, then the one for minus. */
    IN,
    /** The volts of the supply. */
    VOLTS,
    /** How the plug is wired. */
    PLUG,
    /** The switch that turns the board on, if one does. */
    SWITCH,
    /** Further pads that are ground. */
    GROUND,
    /** Where a regulator takes in and where it gives out. */
    MAKES,
    /** The two supply pins of a chip. */
    CHIP,
    /** The rail that a chip is fed from, where there are several. */
    RAIL
  }

  /**
   * One question.
   *
   * @param id which question, as the journal names it
   * @param what what is asked for
   * @param ref part that it is about; empty where it is about the board
   * @param known pins that are already known of the part, in the order in which they are asked for
   */
  public record Ask(String id, What what, String ref, List<String> known) {
    public Ask {
      known = List.copyOf(known);
    }
  }

  /** Gives the questions that can be asked now, in their order: those of parts that have places. */
  public List<Ask> open() {
    return all().stream()
        .filter(ask -> ask.ref().isEmpty() || parts.get(ask.ref()).placed().isPresent())
        .filter(ask -> ask.what() != What.SWITCH || !switches().isEmpty())
        .filter(ask -> ask.what() != What.GROUND || answered.contains(VOLTS))
        .toList();
  }

  /** Gives all questions that are open, those of parts without places included. */
  List<Ask> all() {
    List<Ask> asks = new ArrayList<>();
    boolean cells = isFedByCells();
    if (kit.supplies().isEmpty() && !cells) {
      ask(asks, IN, What.IN, "");
      ask(asks, VOLTS, What.VOLTS, "");
    }
    inlet()
        .filter(part -> part.pack().id().startsWith("jack") && polarity().isEmpty())
        .ifPresent(part -> ask(asks, PLUG, What.PLUG, part.ref()));
    if (parts.all().stream().anyMatch(this::isSwitch)) {
      ask(asks, SWITCH, What.SWITCH, "");
    }
    for (Part part : regulators()) {
      ask(asks, MAKES + part.ref(), What.MAKES, part.ref());
    }
    for (Part part : chips()) {
      ask(asks, CHIP + part.ref(), What.CHIP, part.ref());
    }
    for (Part part : unfed()) {
      ask(asks, RAIL + part.ref(), What.RAIL, part.ref());
    }
    if (!isTraced()) {
      ask(asks, GROUND, What.GROUND, "");
    }
    return asks;
  }

  private void ask(List<Ask> asks, String id, What what, String ref) {
    if (!answered.contains(id)) {
      asks.add(new Ask(id, what, ref, ref.isEmpty() ? List.of() : known(what, ref)));
    }
  }

  private List<String> known(What what, String ref) {
    Model model = parts.get(ref).model();
    return switch (what) {
      case MAKES ->
          model instanceof Model.Regulator r ? List.of(r.in(), r.out(), r.gnd()) : List.of();
      case CHIP, RAIL ->
          model instanceof Model.Load load ? List.of(load.plus(), load.minus()) : List.of();
      case IN, VOLTS, PLUG, SWITCH, GROUND -> List.of();
    };
  }

  private boolean isFedByCells() {
    return parts.all().stream()
        .anyMatch(part ->
            part.model() instanceof Model.Battery
                && parts.netOf(new PinRef(part.ref(), "1")).isPresent());
  }

  private Optional<Part> inlet() {
    return kit.supplies().stream()
        .flatMap(supply -> kit.nets().getOrDefault(supply.plus(), List.of()).stream())
        .flatMap(pin -> parts.part(pin.ref()).stream())
        .filter(part -> part.line().kind() == PartKind.CONNECTOR)
        .findFirst();
  }

  private String polarity() {
    return kit.supplies().isEmpty() ? "" : kit.supplies().getFirst().polarity();
  }

  /** Switches of which no net is known. */
  public List<Part> switches() {
    return parts.all().stream()
        .filter(part -> isSwitch(part) && part.placed().isPresent())
        .toList();
  }

  private boolean isSwitch(Part part) {
    return part.line().kind() == PartKind.SWITCH
        && part.pack().pins().stream().noneMatch(pin -> isJoined(part, pin.number()));
  }

  private boolean isJoined(Part part, String pin) {
    return parts.netOf(new PinRef(part.ref(), pin)).isPresent();
  }

  private List<Part> regulators() {
    return parts.all().stream()
        .filter(part -> part.line().kind() == PartKind.REGULATOR && part.placed().isPresent())
        .filter(part ->
            !(part.model() instanceof Model.Regulator r)
                || !isJoined(part, r.in())
                || !isJoined(part, r.out()))
        .toList();
  }

  private List<Part> chips() {
    return parts.all().stream()
        .filter(part -> part.line().kind() == PartKind.IC)
        .filter(part -> !(part.model() instanceof Model.Load load) || !isJoined(part, load.minus()))
        .toList();
  }

  /** Chips whose ground is known but not their rail: there was more than one to choose from. */
  private List<Part> unfed() {
    return parts.all().stream()
        .filter(part ->
            part.line().kind() == PartKind.IC
                && part.model() instanceof Model.Load load
                && isJoined(part, load.minus())
                && !isJoined(part, load.plus()))
        .toList();
  }

  /** Tells whether the nets were traced already: most pins belong to one. */
  private boolean isTraced() {
    long pins = parts.all().stream().mapToLong(part -> part.pack().pins().size()).sum();
    long joined = kit.nets().values().stream().mapToLong(List::size).sum();
    return joined * 2 > pins;
  }

  /** Gives the nets that may feed a chip: what regulators make, else what comes in. */
  public List<String> rails() {
    Set<String> rails = new LinkedHashSet<>();
    for (Part part : parts.all()) {
      if (part.model() instanceof Model.Regulator r) {
        parts.netOf(new PinRef(part.ref(), r.out())).ifPresent(rails::add);
      }
    }
    fed().ifPresent(rails::add);
    return List.copyOf(rails);
  }

  /** The net behind the switch where there is one, else that of the supply. */
  private Optional<String> fed() {
    return kit.nets().containsKey(SWITCHED_NET)
        ? Optional.of(SWITCHED_NET)
        : kit.supplies().stream()
            .findFirst()
            .flatMap(supply -> parts.net(supply.plus()))
            .or(() -> kit.nets().containsKey(PLUS_NET) ? Optional.of(PLUS_NET) : Optional.empty());
  }

  private String ground() {
    return kit.supplies().stream()
        .findFirst()
        .flatMap(supply -> parts.net(supply.minus()))
        .orElse(MINUS_NET);
  }

  /** Gives the pin that is minus where a part has only two: the other one. */
  public Optional<PinRef> otherPin(PinRef plus) {
    return parts
        .part(plus.ref())
        .filter(part -> part.pack().pins().size() == 2)
        .flatMap(part ->
            part.pack().pins().stream().filter(pin -> !pin.number().equals(plus.pin())).findFirst())
        .map(pin -> new PinRef(plus.ref(), pin.number()));
  }

  /** What follows when the supply comes in at two pads. */
  public Follows comesIn(PinRef plus, PinRef minus) {
    NetsByHand nets = new NetsByHand(kit);
    nets.join(nets.netOf(plus).orElseGet(() -> nets.free(PLUS_NET)), plus);
    nets.join(nets.netOf(minus).orElseGet(() -> nets.free(MINUS_NET)), minus);
    return new Follows(nets.edits(), List.of());
  }

  /**
   * What follows when the volts of the supply are said.
   *
   * @param plus the pad at which it comes in, as it was answered
   * @param minus its other pad
   */
  public Follows volts(double volts, PinRef plus, PinRef minus) {
    String plusNet = parts.netOf(plus).orElse(plus.toString());
    String minusNet = parts.netOf(minus).orElse(minus.toString());
    return new Follows(
        List.of(
            new Edit.PutSupply(
                new Supply(SUPPLY, volts, USUAL_LIMIT_MA, plusNet, minusNet, null, ""))),
        List.of("limit:" + SUPPLY));
  }

  /** What follows when the wiring of the plug is said. */
  public Follows plug(String polarity) {
    return kit.supplies().isEmpty()
        ? Follows.nothing()
        : new Follows(
            List.of(new Edit.PutSupply(kit.supplies().getFirst().wired(polarity))), List.of());
  }

  /** What follows when a switch turns the board on: the supply on one side, the rest behind it. */
  public Follows switchedBy(String ref) {
    Part part = parts.get(ref);
    List<List<String>> poles =
        part.model() instanceof Model.Switch contacts ? contacts.poles() : List.of();
    String supply = fed().orElse(PLUS_NET);
    if (poles.isEmpty() || poles.getFirst().size() < 2) {
      return Follows.nothing();
    }
    NetsByHand nets = new NetsByHand(kit);
    nets.join(supply, new PinRef(ref, poles.getFirst().get(0)));
    nets.join(nets.free(SWITCHED_NET), new PinRef(ref, poles.getFirst().get(1)));
    return new Follows(nets.edits(), List.of("net:" + ref));
  }

  /** What follows when further pads are ground. */
  public Follows grounded(List<PinRef> pads) {
    NetsByHand nets = new NetsByHand(kit);
    pads.forEach(pad -> nets.join(ground(), pad));
    return new Follows(nets.edits(), List.of());
  }

  /**
   * What follows when the legs of a regulator are known.
   *
   * @param in its input leg
   * @param out its output leg
   * @param volts what it makes, in volts
   */
  public Follows makes(String ref, String in, String out, double volts) {
    Part part = parts.get(ref);
    List<Edit> edits = new ArrayList<>();
    List<String> guessed = new ArrayList<>();
    String gnd =
        part.pack().pins().stream()
            .map(pin -> pin.number())
            .filter(pin -> !pin.equals(in) && !pin.equals(out))
            .findFirst()
            .orElse(out);
    boolean asModel =
        part.model() instanceof Model.Regulator r
            && r.in().equals(in)
            && r.out().equals(out)
            && r.voutV() == volts;
    if (!asModel) {
      edits.add(
          new Edit.ActsAs(
              part.line().id(), new Model.Regulator(volts, 2, 100, 5, 100, in, gnd, out)));
      guessed.add("model:" + ref);
    }
    NetsByHand nets = new NetsByHand(kit);
    fed().ifPresent(net -> nets.join(net, new PinRef(ref, in)));
    PinRef output = new PinRef(ref, out);
    nets.join(nets.netOf(output).orElseGet(() -> nets.free(railName(volts))), output);
    if (!gnd.equals(out)) {
      nets.join(ground(), new PinRef(ref, gnd));
    }
    edits.addAll(nets.edits());
    return new Follows(edits, guessed);
  }

  /** Gives the name that a rail of so many volts usually has: {@code 5V}, {@code 3V3}. */
  static String railName(double volts) {
    String text = String.format(Locale.ROOT, "%.1f", volts);
    return text.endsWith(".0") ? text.replace(".0", "V") : text.replace('.', 'V');
  }

  /** What follows when the supply pins of a chip are known; its rail too, where there is one. */
  public Follows takesAt(String ref, String plus, String minus) {
    Part part = parts.get(ref);
    List<Edit> edits = new ArrayList<>();
    List<String> guessed = new ArrayList<>();
    if (!(part.model() instanceof Model.Load load)
        || !load.plus().equals(plus)
        || !load.minus().equals(minus)) {
      edits.add(
          new Edit.ActsAs(
              part.line().id(),
              new Model.Load(plus, minus, USUAL_CHIP_MA, USUAL_CHIP_MIN_V, Map.of())));
      guessed.add("model:" + ref);
    }
    NetsByHand nets = new NetsByHand(kit);
    nets.join(ground(), new PinRef(ref, minus));
    List<String> rails = rails();
    if (rails.size() == 1) {
      nets.join(rails.getFirst(), new PinRef(ref, plus));
    }
    edits.addAll(nets.edits());
    return new Follows(edits, guessed);
  }

  /** What follows when a chip is fed from a rail. */
  public Follows fedFrom(String ref, String rail) {
    if (!(parts.get(ref).model() instanceof Model.Load load)) {
      return Follows.nothing();
    }
    NetsByHand nets = new NetsByHand(kit);
    nets.join(rail, new PinRef(ref, load.plus()));
    return new Follows(nets.edits(), List.of());
  }
}
