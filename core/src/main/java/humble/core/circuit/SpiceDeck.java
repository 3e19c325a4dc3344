package humble.core.circuit;

import humble.core.words.DistinctWords;
import humble.core.words.ForeignText;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;

/**
 * A circuit as a SPICE deck that any SPICE runs: junctions and transistors by their models, and for
 * supplies, regulators and loads the linear piece that is in force at the solved point. Ground is
 * node 0; a comment names the net of every node. What a kit calls things reaches the deck as words
 * of letters, digits and underscores only: a deck is a program, and whoever runs it trusts it.
 */
final class SpiceDeck {
  /** Well above what common simulators clamp a diode's saturation current to. */
  private static final double LEAST_SATURATION_A = 1e-24;

  private final List<String> cards = new ArrayList<>();
  private final List<String> models = new ArrayList<>();
  private final Set<String> names = new HashSet<>();
  private int count;
  private String ref = "";

  /** Writes the deck of {@code circuit} at the solved point {@code at}. */
  static String of(Circuit circuit, Nodal at, String title) {
    SpiceDeck deck = new SpiceDeck();
    for (Device device : circuit.devices()) {
      deck.ref = "";
      circuit
          .reported()
          .forEach((ref, devices) -> {
            if (!devices.isEmpty() && devices.getFirst() == device) {
              deck.ref = ref;
            }
          });
      device.deck(deck, at);
    }
    for (int node = 0; node < circuit.nodeCount(); node++) {
      deck.resistor(node, -1, 1e12);
    }
    StringBuilder text = new StringBuilder("* ").append(ForeignText.word(title)).append('\n');
    DistinctWords nets = new DistinctWords();
    circuit
        .nodeOfNet()
        .forEach((net, node) ->
            text.append("* net ")
                .append(nets.of(net))
                .append(" = ")
                .append(name(node))
                .append('\n'));
    DistinctWords pins = new DistinctWords();
    for (Map.Entry<String, Integer> pin : new java.util.TreeMap<>(circuit.nodeOfPin()).entrySet()) {
      text.append("* pin ")
          .append(pins.of(pin.getKey()))
          .append(" = ")
          .append(name(pin.getValue()));
      text.append('\n');
    }
    deck.cards.forEach(card -> text.append(card).append('\n'));
    deck.models.forEach(model -> text.append(model).append('\n'));
    return text.append(".options temp=27 tnom=27 reltol=1e-6 abstol=1e-12 vntol=1e-7 gmin=1e-12\n")
        .append(".op\n.end\n")
        .toString();
  }

  private static String name(int node) {
    return Integer.toString(node + 1);
  }

  private static String number(double value) {
    return String.format(Locale.ROOT, "%.10e", value);
  }

  /** Adds a card whose name begins with {@code letter}, between two nodes. */
  private void card(String letter, int a, int b, String rest) {
    count++;
    cards.add(unused(letter + count) + " " + name(a) + " " + name(b) + " " + rest);
  }

  /** Gives a name that no other card has; SPICE does not tell capitals from small letters. */
  private String unused(String wanted) {
    String name = wanted;
    while (!names.add(name.toUpperCase(Locale.ROOT))) {
      name += "x";
    }
    return name;
  }

  void resistor(int a, int b, double ohms) {
    if (a != b) {
      card("R", a, b, number(ohms));
    }
  }

  /** Adds a fixed current that flows from {@code from} to {@code to}. */
  void current(int from, int to, double amps) {
    if (amps != 0 && from != to) {
      card("I", from, to, "DC " + number(amps));
    }
  }

  /** Adds a current from {@code from} to {@code to} of so many siemens per volt from c to d. */
  void controlled(int from, int to, int c, int d, double siemens) {
    card("G", from, to, name(c) + " " + name(d) + " " + number(siemens));
  }

  /** Adds a source of {@code volts} behind {@code ohms}. */
  void source(int plus, int minus, double volts, double ohms) {
    String inner = "s" + ++count;
    held(inner, name(minus), volts);
    count++;
    cards.add(unused("R" + count) + " " + inner + " " + name(plus) + " " + number(ohms));
  }

  private void held(String plus, String minus, double volts) {
    cards.add(unused("V" + count) + " " + plus + " " + minus + " DC " + number(volts));
  }

  void diode(int anode, int cathode, double saturationA, double slopeVolts) {
    String model = "M" + ++count;
    String own = unused("D" + (ref.isEmpty() ? "X" + count : ForeignText.word(ref)));
    double saturation = Math.max(saturationA, LEAST_SATURATION_A);
    String from = name(anode);
    if (saturation > saturationA) {
      // The same curve, shifted: simulators take no smaller saturation current than a limit.
      from = "d" + count;
      held(name(anode), from, slopeVolts * Math.log(saturation / saturationA));
    }
    cards.add(own + " " + from + " " + name(cathode) + " " + model);
    models.add(
        String.format(
            Locale.ROOT,
            ".model %s D(IS=%.10e N=%.8f)",
            model,
            saturation,
            slopeVolts / Physics.THERMAL_V));
  }

  /** Adds a diode behind a resistance. */
  void diodeBehind(
      int anode, int cathode, double saturationA, double slopeVolts, double seriesOhm) {
    if (anode == cathode) {
      return;
    }
    String model = "M" + ++count;
    String inner = "b" + count;
    cards.add(unused("R" + count) + " " + name(anode) + " " + inner + " " + number(seriesOhm));
    cards.add(unused("DB" + count) + " " + inner + " " + name(cathode) + " " + model);
    models.add(
        String.format(
            Locale.ROOT,
            ".model %s D(IS=%.10e N=%.8f)",
            model,
            saturationA,
            slopeVolts / Physics.THERMAL_V));
  }

  /** Adds what conducts {@code amps} at {@code volts} backwards, e-fold in a thermal voltage. */
  void avalanche(int anode, int cathode, double volts, double amps) {
    double shift = 24 * Physics.THERMAL_V;
    String inner = "z" + ++count;
    String model = "M" + count;
    cards.add(unused("DZ" + count) + " " + name(cathode) + " " + inner + " " + model);
    held(inner, name(anode), volts - shift);
    models.add(".model " + model + " D(IS=" + number(amps * Math.exp(-24)) + " N=1)");
  }

  void bipolar(boolean npn, double beta, int collector, int base, int emitter) {
    String model = "M" + ++count;
    cards.add(
        unused("Q" + count)
            + " "
            + name(collector)
            + " "
            + name(base)
            + " "
            + name(emitter)
            + " "
            + model);
    models.add(
        ".model " + model + (npn ? " NPN" : " PNP") + "(IS=1e-14 BF=" + number(beta) + " BR=1)");
  }

  void mosfet(boolean nChannel, double vthV, double k, int drain, int gate, int source) {
    String model = "M" + ++count;
    String s = name(source);
    cards.add(
        unused("M" + count)
            + " "
            + name(drain)
            + " "
            + name(gate)
            + " "
            + s
            + " "
            + s
            + " "
            + model);
    models.add(
        ".model "
            + model
            + (nChannel ? " NMOS" : " PMOS")
            + "(LEVEL=1 VTO="
            + number(nChannel ? vthV : -vthV)
            + " KP="
            + number(k)
            + " LAMBDA=0)");
  }
}
