package humble.core.circuit;

import humble.core.kit.BoardState;
import humble.core.kit.Cable;
import humble.core.kit.Kit;
import humble.core.kit.Model;
import humble.core.kit.PackagePin;
import humble.core.kit.Part;
import humble.core.kit.PartKind;
import humble.core.kit.Parts;
import humble.core.kit.PinRef;
import humble.core.kit.RefOrder;
import humble.core.kit.Supply;
import humble.core.units.Band;
import humble.core.units.Spread;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.SequencedMap;
import java.util.Set;
import java.util.TreeMap;

/** Turns a kit in one state, with faults, into devices between nodes. */
final class CircuitBuilder {
  /** A supply is set to its volts within this part of them. */
  private static final double SET_PART = 0.01;

  /** Light decides what a light-dependent resistor has, and makers sort them by thirds. */
  private static final Double LDR_PCT = 30.0;

  private final Parts parts;
  private final Kit kit;
  private final BoardState state;
  private final List<Device> devices = new ArrayList<>();
  private final SequencedMap<String, List<Device>> reported = new LinkedHashMap<>();
  private final Set<String> shining = new HashSet<>();
  private final SequencedMap<String, SeriesRegulator> regulators = new LinkedHashMap<>();
  private final SequencedMap<String, Integer> nodeOfNet = new LinkedHashMap<>();
  private final Map<String, Integer> nodeOfPin = new HashMap<>();
  private final Set<PinRef> lifted = new LinkedHashSet<>();
  private final Set<String> gone = new HashSet<>();
  private final Set<String> reversed = new HashSet<>();
  private final Set<String> opened = new HashSet<>();
  private final Map<String, Model> models = new HashMap<>();
  private final Map<String, List<Device>> byPart = new HashMap<>();
  private final List<Drawn> drawn = new ArrayList<>();
  private final List<Drawn> feeds = new ArrayList<>();
  private final Map<String, Map<String, String>> driven = new HashMap<>();
  private int nodes;

  CircuitBuilder(Parts parts, BoardState state, List<Fault> faults) {
    this.parts = parts;
    this.kit = parts.kit();
    this.state = state;
    gone.addAll(parts.gone(state));
    String ground = ground();
    state.drive().forEach(this::drive);
    parts.all().forEach(part -> models.put(part.ref(), part.model()));
    faults.forEach(this::edit);
    Running running = new Running(parts, state);
    faults.forEach(fault -> running.stoppedBy(fault).forEach(driven::remove));
    number(ground);
    // A lifted lead is copper of its own, even where its part puts nothing on it.
    lifted.forEach(pin -> ownNode(pin.toString()));
    faults.forEach(this::bridge);
  }

  private void drive(String text, String level) {
    PinRef pin = PinRef.parse(text).flatMap(parts::canonical).orElse(null);
    if (pin != null && !level.equals("off")) {
      driven.computeIfAbsent(pin.ref(), key -> new TreeMap<>()).put(pin.pin(), level);
    }
  }

  private void edit(Fault fault) {
    switch (fault) {
      case Fault.OpenJoint open -> lifted.add(known(open.pin()));
      case Fault.Bridge bridge -> {
        known(bridge.a());
        known(bridge.b());
      }
      case Fault.Reversed turned -> reversed.add(known(turned.ref()));
      case Fault.Swapped swapped -> {
        Model a = models.get(known(swapped.a()));
        Model b = models.get(known(swapped.b()));
        if (a != null && b != null) {
          models.put(swapped.a(), b);
          models.put(swapped.b(), a);
        }
      }
      case Fault.WrongValue wrong ->
          models.put(known(wrong.ref()), new Model.Resistor(wrong.ohms()));
      case Fault.Missing missing -> gone.add(known(missing.ref()));
      case Fault.Dead dead -> {
        gone.add(known(dead.ref()));
        parts.part(dead.ref()).ifPresent(this::dead);
      }
      case Fault.Cold cold -> lifted.add(known(cold.pin()));
      case Fault.Off off -> opened.add(off.isSupply() ? off.what() : known(off.what()));
      case Fault.Blank blank -> driven.remove(known(blank.ref()));
      case Fault.Stuck stuck -> {
        PinRef pin = known(stuck.pin());
        driven
            .computeIfAbsent(pin.ref(), key -> new TreeMap<>())
            .put(pin.pin(), stuck.high() ? Fault.HIGH : Fault.LOW);
      }
    }
  }

  /** It is on the board, takes nothing and does not shine. */
  private void dead(Part part) {
    if (parts.isOn(part.ref(), state)) {
      switch (part.model()) {
        case Model.Resistor m -> reported.put(part.ref(), List.of());
        case Model.Closed m -> reported.put(part.ref(), List.of());
        case Model.Zener m -> reported.put(part.ref(), List.of());
        case Model.Battery m -> reported.put(part.ref(), List.of());
        case Model.Pot m -> reported.put(part.ref(), List.of());
        case Model.Junction m -> {
          reported.put(part.ref(), List.of());
          if (m.led()) {
            shining.add(part.ref());
          }
        }
        case Model.Switch m -> {}
        case Model.Bipolar m -> {}
        case Model.Mosfet m -> {}
        case Model.Regulator m -> {}
        case Model.Load m -> {}
        case Model.Open m -> {}
      }
    }
  }

  private String known(String ref) {
    if (parts.part(ref).isEmpty() && kit.handwork().cable(ref).isEmpty()) {
      throw new CircuitInput("The kit has no part " + ref + ".");
    }
    return ref;
  }

  private PinRef known(PinRef pin) {
    return parts
        .canonical(pin)
        .orElseThrow(() -> new CircuitInput("The kit has no pin " + pin + "."));
  }

  /**
   * The net of the supply's minus; else of the minus of the first battery in natural order; else
   * GND.
   */
  private String ground() {
    Optional<String> minus = supply().flatMap(supply -> parts.net(supply.minus()));
    if (minus.isPresent()) {
      return minus.get();
    }
    return parts.all().stream()
        .filter(part -> part.model() instanceof Model.Battery && !gone.contains(part.ref()))
        .map(Part::ref)
        .sorted(RefOrder.NATURAL)
        .findFirst()
        .flatMap(ref -> parts.netOf(new PinRef(ref, "2")))
        .orElse("GND");
  }

  private Optional<Supply> supply() {
    String id = state.supply();
    return id == null ? Optional.empty() : kit.supply(id);
  }

  private void number(String ground) {
    for (String net : kit.nets().keySet()) {
      nodeOfNet.put(net, net.equals(ground) ? -1 : nodes++);
    }
  }

  private void bridge(Fault fault) {
    if (fault instanceof Fault.Bridge(PinRef a, PinRef b)) {
      devices.add(new Resistance(padNode(known(a)), padNode(known(b)), Physics.CLOSED_OHM));
    }
    if (fault instanceof Fault.Cold(PinRef pin, double ohms)) {
      PinRef at = known(pin);
      devices.add(new Resistance(ownNode(at.toString()), padNode(at), ohms));
    }
  }

  private int padNode(PinRef pin) {
    return parts
        .netOf(pin)
        .map(net -> nodeOfNet.getOrDefault(net, -1))
        .orElseGet(() -> ownNode(pin.toString()));
  }

  /**
   * Gives the node that the lead {@code pin} of a part touches, after turning the part and lifting
   * joints.
   */
  private int node(Part part, String pin) {
    PinRef pad = new PinRef(part.ref(), reversed.contains(part.ref()) ? opposite(part, pin) : pin);
    if (lifted.contains(pad)) {
      return ownNode(pad.toString());
    }
    return padNode(pad);
  }

  private int ownNode(String name) {
    return nodeOfPin.computeIfAbsent(name, key -> nodes++);
  }

  /** Two leads change places, three legs 1 and 3, dual in-line k and k + n/2. */
  private static String opposite(Part part, String pin) {
    List<PackagePin> pins = part.pack().pins();
    int count = pins.size();
    int index = pins.indexOf(part.pack().pin(pin).orElseThrow());
    boolean dual = part.pack().isDualInLine() || count == 4;
    int other = dual ? (index + count / 2) % count : count - 1 - index;
    return pins.get(other).number();
  }

  Circuit build() {
    for (Part part : parts.all()) {
      if (!gone.contains(part.ref())) {
        int before = devices.size();
        add(part, models.getOrDefault(part.ref(), new Model.Open()));
        if (devices.size() > before) {
          byPart.put(part.ref(), List.copyOf(devices.subList(before, devices.size())));
        }
      }
    }
    kit.handwork().cables().forEach(this::cable);
    Optional<BenchSupply> supply = supply().map(this::connect);
    supply.ifPresent(devices::add);
    supply.ifPresent(
        device -> supply().ifPresent(of -> feeds.add(new Drawn.OfSupply(device, sigmaV(of)))));
    state
        .sources()
        .forEach(
            (net, volts) -> devices.add(new HeldNode(netNode(net), -1, volts, Physics.CLOSED_OHM)));
    return new Circuit(
        nodes,
        nodeOfNet,
        nodeOfPin,
        devices,
        reported,
        shining,
        supply,
        regulators,
        byPart,
        drawn,
        feeds);
  }

  /** One σ of a supply that stands anywhere in its range; as set, within one in a hundred. */
  private static double sigmaV(Supply supply) {
    Band range = supply.rangeV();
    return range == null
        ? Spread.sigmaOfHalf95(SET_PART * supply.volts())
        : evenly(range, supply.volts());
  }

  private static double evenly(Band range, double about) {
    return Math.max(range.high() - about, about - range.low()) / Math.sqrt(3);
  }

  /** A cable joins what is on the board at both its ends. */
  private void cable(Cable cable) {
    Part a = parts.part(cable.a()).orElse(null);
    Part b = parts.part(cable.b()).orElse(null);
    if (a == null || b == null || isGone(cable.id()) || isGone(a.ref()) || isGone(b.ref())) {
      return;
    }
    List<Device> conductors = new ArrayList<>();
    for (Cable.Conductor each : cable.conductors(reversed.contains(cable.id()))) {
      conductors.add(
          new Resistance(
              node(a, each.from().pin()), node(b, each.to().pin()), Cable.CONDUCTOR_OHM));
    }
    devices.addAll(conductors);
    byPart.put(cable.id(), List.copyOf(conductors));
  }

  private boolean isGone(String ref) {
    return gone.contains(ref);
  }

  private BenchSupply connect(Supply supply) {
    // With its minus off the board no current can come back: it shows its volts and feeds nothing.
    boolean noReturn =
        opened.contains(Fault.Off.SUPPLY) || feed(supply.minus()) != netNode(supply.minus());
    return new BenchSupply(
        noReturn ? ownNode("supply") : feed(supply.plus()),
        netNode(supply.minus()),
        supply.volts(),
        supply.limitMa() / 1000);
  }

  /** A supply that is plugged into a part reaches the board through that part's joint. */
  private int feed(String text) {
    if (kit.nets().containsKey(text)) {
      return nodeOfNet.getOrDefault(text, -1);
    }
    Optional<PinRef> pin = PinRef.parse(text).flatMap(parts::canonical);
    return pin.isPresent() && lifted.contains(pin.get())
        ? ownNode(pin.get().toString())
        : netNode(text);
  }

  private int netNode(String text) {
    String net =
        parts
            .net(text)
            .orElseThrow(
                () -> new CircuitInput("'" + text + "' is neither a net nor a pin on one."));
    return nodeOfNet.getOrDefault(net, -1);
  }

  private void report(Part part, Device device) {
    devices.add(device);
    reported.computeIfAbsent(part.ref(), key -> new ArrayList<>()).add(device);
  }

  private void add(Part part, Model model) {
    switch (model) {
      case Model.Resistor r -> {
        Resistance device =
            new Resistance(
                node(part, "1"), node(part, "2"), Math.max(r.ohms(), Physics.CLOSED_OHM));
        report(part, device);
        sigma(part).ifPresent(sigma -> drawn.add(new Drawn.OfResistance(device, sigma)));
      }
      case Model.Closed closed ->
          report(part, new Resistance(node(part, "1"), node(part, "2"), Physics.CLOSED_OHM));
      case Model.Junction j -> {
        Junction device =
            Junction.through(node(part, "2"), node(part, "1"), j.vfV(), j.atMa() / 1000, j.n());
        report(part, device);
        drawn.add(new Drawn.OfJunction(device, Spread.sigmaOfHalf95(j.spreadV())));
        if (j.led()) {
          shining.add(part.ref());
        }
      }
      case Model.Zener z -> {
        report(part, Junction.through(node(part, "2"), node(part, "1"), 0.65, 0.01, 1.8));
        report(part, new Avalanche(node(part, "2"), node(part, "1"), z.vzV(), z.atMa() / 1000));
      }
      case Model.Bipolar q ->
          devices.add(
              new Bipolar(
                  q.npn(), q.beta(), node(part, q.b()), node(part, q.c()), node(part, q.e())));
      case Model.Mosfet m ->
          devices.add(
              new SquareLaw(
                  m.nChannel(),
                  m.vthV(),
                  m.kAPerV2(),
                  node(part, m.g()),
                  node(part, m.d()),
                  node(part, m.s())));
      case Model.Regulator r -> {
        SeriesRegulator device =
            new SeriesRegulator(node(part, r.in()), node(part, r.gnd()), node(part, r.out()), r);
        devices.add(device);
        regulators.put(part.ref(), device);
        drawn.add(new Drawn.OfRegulator(device, regulatorSigma(part, r)));
      }
      case Model.Load load -> chip(part, load);
      case Model.Switch contacts -> contacts(part, contacts);
      case Model.Battery b -> {
        HeldNode device = new HeldNode(node(part, "1"), node(part, "2"), b.vocV(), b.rintOhm());
        report(part, device);
        feeds.add(new Drawn.OfBattery(device, evenly(b.vocRangeV(), b.vocV())));
      }
      case Model.Pot pot -> pot(part, pot);
      case Model.Open open -> {
        if (part.line().kind() == PartKind.CAPACITOR_POLARISED && part.line().isOriented()) {
          devices.add(new ReverseLeak(node(part, "2"), node(part, "1")));
        }
      }
    }
  }

  /** One σ of a part's value, relative; empty for one that is the same on every board. */
  private static OptionalDouble sigma(Part part) {
    Double own = part.line().tolerancePct();
    Double tolerance = own == null && part.line().kind() == PartKind.LDR ? LDR_PCT : own;
    return tolerance == null || tolerance <= 0
        ? OptionalDouble.empty()
        : OptionalDouble.of(Spread.sigma(tolerance / 100));
  }

  /** One σ of what a regulator gives, relative: its own tolerance, else its line's, else 4 %. */
  private static double regulatorSigma(Part part, Model.Regulator regulator) {
    Double own = regulator.tolerancePct();
    Double line = part.line().tolerancePct();
    double percent =
        own != null ? own : line != null && line > 0 ? line : Model.Regulator.USUAL_TOLERANCE_PCT;
    return Spread.sigmaOfHalf95(percent / 100);
  }

  private void chip(Part part, Model.Load load) {
    int plus = node(part, load.plus());
    int minus = node(part, load.minus());
    ChipLoad draw = new ChipLoad(plus, minus, load.ma() / 1000, load.minV());
    devices.add(draw);
    drawn.add(new Drawn.OfChip(draw, Spread.sigmaOfHalf95(load.spreadPct() / 100)));
    driven
        .getOrDefault(part.ref(), Map.of())
        .forEach((pin, level) -> {
          double ohms = load.outputOhm(pin);
          devices.add(new Resistance(level.equals("high") ? plus : minus, node(part, pin), ohms));
        });
  }

  private void contacts(Part part, Model.Switch contacts) {
    if (part.pack().id().equals("tact-6") && part.line().kind() == PartKind.BUTTON) {
      devices.add(new Resistance(node(part, "1"), node(part, "2"), Physics.CLOSED_OHM));
      devices.add(new Resistance(node(part, "3"), node(part, "4"), Physics.CLOSED_OHM));
    }
    boolean closed = contacts.closed() || state.closed().contains(part.ref());
    if (closed && !opened.contains(part.ref())) {
      for (List<String> pole : contacts.poles()) {
        report(
            part,
            new Resistance(node(part, pole.get(0)), node(part, pole.get(1)), Physics.CLOSED_OHM));
      }
    }
  }

  private void pot(Part part, Model.Pot pot) {
    for (List<String> track : pot.tracks()) {
      double at = pot.at(part.ref(), track, state.set());
      Resistance first = piece(part, track.get(0), track.get(1), at * pot.ohms());
      if (track == pot.tracks().getFirst()) {
        report(part, first);
      } else {
        devices.add(first);
      }
      devices.add(piece(part, track.get(1), track.get(2), (1 - at) * pot.ohms()));
    }
  }

  private Resistance piece(Part part, String a, String b, double ohms) {
    return new Resistance(node(part, a), node(part, b), Math.max(ohms, Physics.CLOSED_OHM));
  }
}
