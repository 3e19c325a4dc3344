package humble.proofs.find;

import humble.core.circuit.Fault;
import humble.core.kit.BoardState;
import humble.core.kit.Cable;
import humble.core.kit.Kit;
import humble.core.kit.Model;
import humble.core.kit.PackagePin;
import humble.core.kit.Part;
import humble.core.kit.PartKind;
import humble.core.kit.Parts;
import humble.core.kit.PinRef;
import humble.core.kit.Supply;
import humble.core.units.Band;
import java.io.IOException;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.TreeSet;

/**
 * One board as it might lie on a bench, with one thing wrong, as a deck of its own: parts drawn
 * within their spreads, diodes with series resistance, chips with clamps at every pin and a leak,
 * electrolytics that leak both ways, contacts and cables with ohms. It shares nothing with the
 * circuit that the program reckons with but the kit.
 */
final class RealBoard {
  private static final double THERMAL_V = 0.025865;
  private static final int MOST_ROUNDS = 5;

  private final Parts parts;
  private final Kit kit;
  private final RealProgram program;
  private final Map<String, Boolean> thrown = new HashMap<>();
  private final BoardState state;
  private final Optional<Fault> fault;
  private final long seed;
  private final boolean drawn;
  private final Set<String> gone = new HashSet<>();
  private final Map<String, Model> models = new HashMap<>();
  private final Map<String, String> nodes = new LinkedHashMap<>();
  private final StringBuilder cards = new StringBuilder();
  private final Set<String> lights = new TreeSet<>();
  private final String ground;
  private int count;
  private boolean powered = true;

  /**
   * Makes a board.
   *
   * @param drawn whether its parts are drawn within their spreads, else all are nominal
   */
  RealBoard(Parts parts, BoardState state, Optional<Fault> fault, long seed, boolean drawn) {
    this.parts = parts;
    this.kit = parts.kit();
    this.state = state;
    this.fault = fault;
    this.seed = seed;
    this.drawn = drawn;
    this.ground = ground();
    this.program = new RealProgram(parts, state, fault);
  }

  Parts parts() {
    return parts;
  }

  RealProgram program() {
    return program;
  }

  /** Opens or closes contacts, whatever the state says of them. */
  void keys(Set<String> refs, boolean closed) {
    thrown.clear();
    refs.forEach(ref -> thrown.put(ref, closed));
  }

  BoardState state() {
    return state;
  }

  private String ground() {
    Optional<Supply> supply = supply();
    if (supply.isPresent()) {
      return parts.net(supply.get().minus()).orElse("GND");
    }
    return parts.all().stream()
        .filter(part -> part.model() instanceof Model.Battery)
        .filter(part -> !state.absent().contains(part.ref()))
        .findFirst()
        .flatMap(part -> parts.netOf(new PinRef(part.ref(), "2")))
        .orElse("GND");
  }

  private Optional<Supply> supply() {
    String id = state.supply();
    return id == null ? Optional.empty() : kit.supply(id);
  }

  /** Gives the node of a net, or of a pin as a probe on its lead meets it. */
  String node(String text) {
    if (text.equals(ground)) {
      return "0";
    }
    String known = nodes.get(text);
    if (known != null) {
      return known;
    }
    String made = "n" + (nodes.size() + 1);
    nodes.put(text, made);
    return made;
  }

  /** Gives the node under a probe: a net, else the lead of a part. */
  String probe(String text) {
    if (kit.nets().containsKey(text)) {
      return node(text);
    }
    PinRef pin = PinRef.parse(text).flatMap(parts::canonical).orElseThrow();
    return isLifted(pin) ? node("lead " + pin) : pad(pin);
  }

  private String pad(PinRef pin) {
    return node(parts.netOf(pin).orElse("pad " + pin));
  }

  private boolean isLifted(PinRef pin) {
    Fault wrong = fault.orElse(null);
    return wrong instanceof Fault.OpenJoint open
            && parts.canonical(open.pin()).equals(Optional.of(pin))
        || wrong instanceof Fault.Cold cold && parts.canonical(cold.pin()).equals(Optional.of(pin));
  }

  private String lead(Part part, String pinOrAlias) {
    String pin = part.pinNumber(pinOrAlias).orElseThrow();
    boolean turned =
        fault.orElse(null) instanceof Fault.Reversed reversed && reversed.ref().equals(part.ref());
    PinRef at = new PinRef(part.ref(), turned ? acrossFrom(part, pin) : pin);
    return isLifted(at) ? node("lead " + at) : pad(at);
  }

  private static String acrossFrom(Part part, String pin) {
    List<PackagePin> pins = part.pack().pins();
    int n = pins.size();
    int k = 0;
    while (!pins.get(k).number().equals(pin)) {
      k++;
    }
    String id = part.pack().id();
    boolean ring = id.startsWith("dip-") || id.startsWith("socket-dip-") || n == 4;
    return pins.get(ring ? (k + n / 2) % n : n - 1 - k).number();
  }

  private Random random(String what) {
    return new Random(seed * 1_000_003L + what.hashCode());
  }

  private double gauss(String what) {
    return drawn ? Math.clamp(random(what).nextGaussian(), -2.5, 2.5) : 0;
  }

  private void card(String letter, String rest) {
    cards.append(letter).append(++count).append(' ').append(rest).append('\n');
  }

  private static String number(double value) {
    return String.format(Locale.ROOT, "%.9g", value);
  }

  private void resistor(String a, String b, double ohms) {
    if (!a.equals(b)) {
      card("R", a + " " + b + " " + number(Math.max(ohms, 1e-3)));
    }
  }

  private void diode(String a, String k, double isA, double n, double rs) {
    card("D", a + " " + k + " MD" + count);
    cards.append(".model MD").append(count - 1).append(" D(IS=").append(number(isA));
    cards.append(" N=").append(number(n)).append(" RS=").append(number(rs)).append(")\n");
  }

  /** What the volts at a current make of a diode that also has ohms. */
  private void diodeAt(String a, String k, double vf, double amps, double n, double rs) {
    diode(a, k, amps / Math.expm1((vf - amps * rs) / (n * THERMAL_V)), n, rs);
  }

  private void clamp(String a, String k) {
    diodeAt(a, k, 0.7 + 0.02 * gauss("clamp" + a + k), 0.01, 1.7, 0.8);
  }

  /**
   * Gives the deck.
   *
   * @param powered whether its supply and batteries are on
   * @param more what instruments add
   */
  String deck(boolean powered, String more) {
    this.powered = powered;
    cards.setLength(0);
    count = 0;
    gone.clear();
    lights.clear();
    limits.clear();
    models.clear();
    gone.addAll(parts.gone(state));
    parts.all().forEach(part -> models.put(part.ref(), part.model()));
    fault.ifPresent(this::edit);
    for (Part part : parts.all()) {
      if (!gone.contains(part.ref())) {
        add(part, models.getOrDefault(part.ref(), new Model.Open()));
      }
    }
    kit.handwork().cables().forEach(this::cable);
    if (powered) {
      supply().ifPresent(this::feed);
    }
    StringBuilder text = new StringBuilder("* a board on a bench\n").append(cards).append(more);
    for (String node : nodes.values()) {
      text.append("Rleak").append(node).append(' ').append(node).append(" 0 1e10\n");
    }
    return text.append(".options reltol=1e-4 gmin=1e-12 itl1=400 itl2=400\n.op\n.end\n").toString();
  }

  private void edit(Fault wrong) {
    switch (wrong) {
      case Fault.OpenJoint f -> {}
      case Fault.Cold f -> {
        PinRef pin = parts.canonical(f.pin()).orElseThrow();
        resistor(node("lead " + pin), pad(pin), f.ohms());
      }
      case Fault.Bridge f ->
          resistor(
              pad(parts.canonical(f.a()).orElseThrow()),
              pad(parts.canonical(f.b()).orElseThrow()),
              0.02);
      case Fault.Reversed f -> {}
      case Fault.Swapped f -> {
        Model a = models.get(f.a());
        Model b = models.get(f.b());
        if (a != null && b != null) {
          models.put(f.a(), b);
          models.put(f.b(), a);
        }
      }
      case Fault.WrongValue f -> models.put(f.ref(), new Model.Resistor(f.ohms()));
      case Fault.Missing f -> gone.add(f.ref());
      case Fault.Dead f -> gone.add(f.ref());
      case Fault.Blank f -> {}
      case Fault.Stuck f -> {}
      case Fault.Off f -> throw new IllegalArgumentException(f + " is no fault of a board");
    }
  }

  private void cable(Cable cable) {
    if (gone.contains(cable.id()) || gone.contains(cable.a()) || gone.contains(cable.b())) {
      return;
    }
    Part a = parts.get(cable.a());
    Part b = parts.get(cable.b());
    boolean turned = fault.orElse(null) instanceof Fault.Reversed f && f.ref().equals(cable.id());
    for (int k = 1; k <= cable.pins(); k++) {
      resistor(
          lead(a, Integer.toString(k)),
          lead(b, Integer.toString(turned ? cable.pins() + 1 - k : k)),
          0.03);
    }
  }

  /** Somewhere in its range, with a limit that folds its volts back. */
  private void feed(Supply supply) {
    double volts = supply.volts();
    if (drawn) {
      double low = range(supply, 0.99, true);
      double high = range(supply, 1.01, false);
      volts = low + (high - low) * random("supply").nextDouble();
    }
    String plus = fed(supply.plus());
    String minus = fed(supply.minus());
    double amps = supply.limitMa() / 1000;
    card("V", "amx " + plus + " DC 0");
    supplyMeter = "V" + count;
    if (atLimit.contains(SUPPLY)) {
      card("I", minus + " amx DC " + number(amps));
    } else {
      card("V", "ams " + minus + " DC " + number(volts));
      resistor("ams", "amx", 0.01);
    }
    limits.put(SUPPLY, new Limit(supplyMeter, amps));
  }

  private static final String SUPPLY = "supply";

  /** What limits its current: the source it is read through, and the most it gives. */
  private record Limit(String meter, double amps) {}

  private final Map<String, Limit> limits = new LinkedHashMap<>();
  private final Set<String> atLimit = new TreeSet<>();

  /**
   * Solves it, and again where a supply or a regulator gives more than it can, with that one at its
   * limit; empty where SPICE finds no operating point.
   */
  Optional<Spice.Point> solved(Spice spice, boolean on, String more)
      throws IOException, InterruptedException {
    atLimit.clear();
    for (int round = 0; round < MOST_ROUNDS; round++) {
      Optional<Spice.Point> at = spice.solve(deck(on, more));
      if (at.isEmpty()) {
        return at;
      }
      Optional<String> over =
          limits.entrySet().stream()
              .filter(limit -> !atLimit.contains(limit.getKey()))
              .filter(limit ->
                  at.get().amps(limit.getValue().meter()) > 1.001 * limit.getValue().amps())
              .map(Map.Entry::getKey)
              .findFirst();
      if (over.isEmpty()) {
        return at;
      }
      atLimit.add(over.get());
    }
    return Optional.empty();
  }

  private static double range(Supply supply, double share, boolean low) {
    Band range = supply.rangeV();
    return range == null ? supply.volts() * share : low ? range.low() : range.high();
  }

  /** From −1 to 1 with a soft knee, for any argument: SPICE's own tanh is no number far out. */
  private static String bent(String x) {
    return "((" + x + ")/sqrt(1+(" + x + ")*(" + x + ")))";
  }

  private String supplyMeter = "";

  /** Gives the source through which the supply's current is read. */
  String supplyMeter() {
    return supplyMeter;
  }

  private String fed(String text) {
    return kit.nets().containsKey(text) ? node(text) : probe(text);
  }

  private void add(Part part, Model model) {
    String ref = part.ref();
    switch (model) {
      case Model.Resistor r -> {
        Double tolerance = part.line().tolerancePct();
        double share = (tolerance == null ? 5 : tolerance) / 100 / 2.5 * gauss(ref);
        resistor(lead(part, "1"), lead(part, "2"), r.ohms() * (1 + share));
      }
      case Model.Junction j -> {
        double vf = j.vfV() + j.spreadV() / 1.96 * gauss(ref);
        String anode = lead(part, "2");
        if (j.led()) {
          lights.add(ref);
          card("V", anode + " l" + ref + " DC 0");
          lightMeters.put(ref, "V" + count);
          anode = "l" + ref;
        }
        diodeAt(anode, lead(part, "1"), vf, j.atMa() / 1000, j.n(), j.led() ? 2 : 0.3);
      }
      case Model.Zener z -> {
        String anode = lead(part, "2");
        String cathode = lead(part, "1");
        clamp(anode, cathode);
        String inner = "z" + ref;
        card("V", inner + " " + anode + " DC " + number(z.vzV() * (1 + 0.02 * gauss(ref)) - 0.6));
        diodeAt(cathode, inner, 0.6, z.atMa() / 1000, 1, 2);
      }
      case Model.Bipolar q -> {
        card(
            "Q",
            lead(part, q.c()) + " " + lead(part, q.b()) + " " + lead(part, q.e()) + " MQ" + count);
        cards.append(".model MQ").append(count - 1).append(q.npn() ? " NPN" : " PNP");
        cards.append("(IS=1e-14 VAF=80 RB=20 RE=0.3 RC=0.5 BR=3 BF=");
        cards.append(number(q.beta() * Math.exp(0.25 * gauss(ref)))).append(")\n");
      }
      case Model.Mosfet m -> {
        String s = lead(part, m.s());
        String d = lead(part, m.d());
        card("M", d + " " + lead(part, m.g()) + " " + s + " " + s + " MM" + count);
        double vth = m.vthV() * (1 + 0.08 * gauss(ref));
        cards.append(".model MM").append(count - 1).append(m.nChannel() ? " NMOS" : " PMOS");
        cards.append("(LEVEL=1 LAMBDA=0.01 VTO=").append(number(m.nChannel() ? vth : -vth));
        cards.append(" KP=").append(number(m.kAPerV2())).append(")\n");
      }
      case Model.Regulator r -> regulator(part, r);
      case Model.Load load -> chip(part, load);
      case Model.Switch contacts -> contacts(part, contacts);
      case Model.Battery b -> battery(part, b);
      case Model.Pot pot -> {
        double whole = pot.ohms() * (1 + 0.08 * gauss(ref));
        for (List<String> track : pot.tracks()) {
          double at = pot.at(ref, track, state.set());
          resistor(lead(part, track.get(0)), lead(part, track.get(1)), at * whole + 1);
          resistor(lead(part, track.get(1)), lead(part, track.get(2)), (1 - at) * whole + 1);
        }
      }
      case Model.Closed c -> resistor(lead(part, "1"), lead(part, "2"), 0.03);
      case Model.Open o -> {
        if (part.line().kind() == PartKind.CAPACITOR_POLARISED) {
          resistor(lead(part, "1"), lead(part, "2"), 2e7);
          // Backwards the oxide holds for about a volt.
          String inner = "e" + ref;
          diodeAt(lead(part, "2"), inner, 1.0, 0.0001, 1.5, 900);
          resistor(inner, lead(part, "1"), 50);
        } else if (part.line().kind() == PartKind.CAPACITOR) {
          resistor(lead(part, "1"), lead(part, "2"), 5e9);
        }
      }
    }
  }

  private final Map<String, String> lightMeters = new HashMap<>();

  /** Gives the source through which a light's current is read; empty where it is not there. */
  Optional<String> lightMeter(String ref) {
    return lights.contains(ref) ? Optional.ofNullable(lightMeters.get(ref)) : Optional.empty();
  }

  private void regulator(Part part, Model.Regulator r) {
    String in = lead(part, r.in());
    String gnd = lead(part, r.gnd());
    String out = lead(part, r.out());
    Double own = r.tolerancePct();
    double volts = r.voutV() * (1 + (own == null ? 4 : own) / 100 / 1.96 * gauss(part.ref()));
    String drop = "(" + number(volts + r.dropoutV()) + "-v(" + in + "," + gnd + "))";
    // The lower of its volts and of what the dropout leaves, with a soft knee.
    String target = "(" + number(volts) + "-0.05*ln(1+exp(" + drop + "/0.05)))";
    double most = r.limitMa() / 1000;
    String inner = "r" + part.ref();
    card("V", inner + "m " + out + " DC 0");
    String meter = "V" + count;
    if (atLimit.contains(part.ref())) {
      card("I", in + " " + inner + "m DC " + number(most));
    } else {
      card("B", inner + " " + gnd + " V=" + target);
      // Current comes out only, and what comes out goes in.
      diode(inner, inner + "m", 1e-12, 0.03, 0.05);
      card("F", in + " " + gnd + " " + meter + " 1");
    }
    limits.put(part.ref(), new Limit(meter, most));
    double idle = r.iqMa() / 1000 * (1 + 0.1 * gauss("iq" + part.ref()));
    card("B", in + " " + gnd + " I=" + number(idle) + "*" + bent("v(" + in + "," + gnd + ")/0.5"));
    clamp(out, in);
    clamp(gnd, in);
    clamp(gnd, out);
  }

  private void chip(Part part, Model.Load load) {
    String plus = lead(part, load.plus());
    String minus = lead(part, load.minus());
    double amps = load.ma() / 1000 * (1 + load.spreadPct() / 100 / 1.96 * gauss(part.ref()));
    double least = Math.max(0.3, load.minV());
    String above = "(v(" + plus + "," + minus + ")-" + number(0.85 * least) + ")";
    String woken = "0.5*(1+" + bent(above + "/" + number(0.04 * least)) + ")";
    card(
        "B",
        plus
            + " "
            + minus
            + " I="
            + number(amps)
            + "*"
            + woken
            + "*"
            + bent("v(" + plus + "," + minus + ")/0.1"));
    clamp(minus, plus);
    Map<String, String> driven = program.levels(part.ref());
    for (PackagePin pin : part.pack().pins()) {
      String number = pin.number();
      if (number.equals(load.plus()) || number.equals(load.minus())) {
        continue;
      }
      if (parts.netOf(new PinRef(part.ref(), number)).isEmpty() && !driven.containsKey(number)) {
        continue;
      }
      String lead = lead(part, number);
      clamp(minus, lead);
      clamp(lead, plus);
      resistor(lead, minus, 2e8);
      String level = driven.get(number);
      if (level != null && powered) {
        double ohms = load.outputOhm(number) * (1 + 0.1 * gauss("ron" + part.ref() + number));
        resistor(level.equals("high") ? plus : minus, lead, ohms);
      }
    }
  }

  private void contacts(Part part, Model.Switch contacts) {
    if (part.pack().id().equals("tact-6") && part.line().kind() == PartKind.BUTTON) {
      resistor(lead(part, "1"), lead(part, "2"), 0.02);
      resistor(lead(part, "3"), lead(part, "4"), 0.02);
    }
    if (thrown.getOrDefault(part.ref(), contacts.closed() || state.closed().contains(part.ref()))) {
      contacts
          .poles()
          .forEach(pole -> resistor(lead(part, pole.get(0)), lead(part, pole.get(1)), 0.05));
    }
  }

  private void battery(Part part, Model.Battery b) {
    if (!powered) {
      return;
    }
    double volts = b.vocV();
    if (drawn) {
      double low = b.vocRangeV().low();
      volts = low + (b.vocRangeV().high() - low) * random(part.ref()).nextDouble();
    }
    String inner = "b" + part.ref();
    card("V", inner + " " + lead(part, "2") + " DC " + number(volts));
    batteryMeters.put(part.ref(), "V" + count);
    resistor(inner, lead(part, "1"), b.rintOhm());
  }

  private final Map<String, String> batteryMeters = new HashMap<>();

  /** Gives the source through which a battery's current is read, which counts the other way. */
  Optional<String> batteryMeter(String ref) {
    return Optional.ofNullable(batteryMeters.get(ref));
  }
}
