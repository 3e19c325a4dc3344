package humble.proofs.find;

import humble.core.circuit.Fault;
import humble.core.kit.Model;
import humble.core.kit.Part;
import humble.core.kit.Parts;
import humble.core.kit.PinRef;
import humble.core.mend.Measure;
import humble.core.mend.Observation;
import humble.core.mend.Sight;
import java.io.IOException;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.TreeMap;

/** A meter, a supply's display and a pair of eyes on a board that a SPICE simulates. */
final class SpiceBench {
  private static final double METER_OHM = 10e6;
  private static final double TEST_A = 1e-4;
  private static final double TEST_V = 0.2;
  private static final double OPEN_OHM = 10e6;
  private static final double SEEN_A = 1e-4;
  private static final double DIM = 0.35;

  /** What a key has to move a chip's pin by to be heard. */
  private static final double KEY_V = 1;

  private final RealBoard board;
  private final RealBoard sound;
  private final Spice spice;
  private final Random random;
  private final double gain;
  private final Spice.Point plain;
  private final Spice.Point good;

  private SpiceBench(
      RealBoard board,
      RealBoard sound,
      Spice.Point plain,
      Spice.Point good,
      Spice spice,
      long seed) {
    this.board = board;
    this.sound = sound;
    this.plain = plain;
    this.good = good;
    this.spice = spice;
    this.random = new Random(seed);
    this.gain = 1 + 0.0025 * Math.clamp(random.nextGaussian(), -2, 2);
  }

  /**
   * Makes it; empty where SPICE finds no operating point.
   *
   * @param board what is measured
   * @param sound the same board with nothing wrong: what its lights look like to whoever knows it
   */
  static Optional<SpiceBench> of(RealBoard board, RealBoard sound, Spice spice, long seed)
      throws IOException, InterruptedException {
    return of(board, sound, spice, seed, "");
  }

  /** Makes one with a megohm on every net, which holds what nothing else does. */
  static Optional<SpiceBench> metered(RealBoard board, RealBoard sound, Spice spice, long seed)
      throws IOException, InterruptedException {
    StringBuilder meters = new StringBuilder();
    for (String net : board.parts().kit().nets().keySet()) {
      String at = board.node(net);
      if (!at.equals("0")) {
        meters.append("Rm").append(at).append(' ').append(at).append(" 0 1e6\n");
      }
    }
    return of(board, sound, spice, seed, meters.toString());
  }

  private static Optional<SpiceBench> of(
      RealBoard board, RealBoard sound, Spice spice, long seed, String meters)
      throws IOException, InterruptedException {
    Optional<Spice.Point> at = board.solved(spice, true, meters);
    Optional<Spice.Point> as = sound.solved(spice, true, "");
    return at.isPresent() && as.isPresent()
        ? Optional.of(new SpiceBench(board, sound, at.get(), as.get(), spice, seed))
        : Optional.empty();
  }

  /** Gives the volts of every net with no meter on it. */
  Map<String, Double> nets() {
    Map<String, Double> volts = new TreeMap<>();
    board
        .parts()
        .kit()
        .nets()
        .keySet()
        .forEach(net -> volts.put(net, plain.volts(board.node(net))));
    return volts;
  }

  /** Gives what the supply or the battery gives, in amperes. */
  double amps(String source) {
    Optional<String> battery = board.batteryMeter(source);
    return battery.isPresent() ? -plain.amps(battery.get()) : plain.amps(board.supplyMeter());
  }

  Observation answer(Measure measure) throws IOException, InterruptedException {
    return switch (measure) {
      case Measure.Volts m -> volts(m, "0", m.point());
      case Measure.Across m -> volts(m, board.probe(m.black()), m.red());
      case Measure.Amps m -> {
        double amps = amps(m.source()) * gain;
        yield new Observation.Reading(m, Math.round(amps * 1e4) / 1e4, 1e-4);
      }
      case Measure.Ohms m -> ohms(m);
      case Measure.Look m -> new Observation.Seen(look(m.ref()), m.ref());
    };
  }

  private Observation volts(Measure measure, String black, String red)
      throws IOException, InterruptedException {
    String at = board.probe(red);
    String meter = "Rmeter " + at + ' ' + black + ' ' + METER_OHM + '\n';
    Spice.Point point = at.equals(black) ? plain : board.solved(spice, true, meter).orElse(plain);
    double shown = (point.volts(at) - point.volts(black)) * gain + random.nextGaussian() * 1e-3;
    double digit = Math.abs(shown) < 2 ? 1e-3 : 1e-2;
    return new Observation.Reading(measure, Math.round(shown / digit) * digit, digit);
  }

  private Observation ohms(Measure.Ohms m) throws IOException, InterruptedException {
    String a = board.probe(m.red());
    String b = board.probe(m.black());
    String current = "min(" + TEST_A + ",max(0,(" + TEST_V + "-v(" + a + "," + b + "))/1))";
    String test = "Btest " + b + ' ' + a + " I=" + current + '\n';
    Spice.Point point = a.equals(b) ? null : board.solved(spice, false, test).orElse(null);
    double ohms = 0;
    if (point != null) {
      double volts = point.volts(a) - point.volts(b);
      double amps = Math.min(TEST_A, Math.max(0, TEST_V - volts));
      ohms = amps > 0 ? volts / amps : Double.POSITIVE_INFINITY;
    }
    if (!(ohms < OPEN_OHM)) {
      return new Observation.Reading(m, Double.POSITIVE_INFINITY, 0);
    }
    double shown = Math.max(0, ohms) * gain + 0.2;
    double digit = Math.pow(10, Math.ceil(Math.log10(Math.max(shown, 1) / 2000)));
    return new Observation.Reading(m, Math.round(shown / digit) * digit, digit);
  }

  /**
   * Gives the keys that do nothing, of those that do something on the board that is in order:
   * thrown both ways, the level at no chip's pin changes by as much as a third of the way it
   * should.
   */
  List<String> idle(List<String> keys) throws IOException, InterruptedException {
    if (keys.isEmpty()) {
      return List.of();
    }
    Map<String, Double> swing = swing(board, keys);
    Map<String, Double> should = swing(sound, keys);
    return should.entrySet().stream()
        .filter(each -> each.getValue() > KEY_V)
        .filter(each -> swing.getOrDefault(each.getKey(), 0.0) < each.getValue() / 3)
        .map(Map.Entry::getKey)
        .toList();
  }

  private Map<String, Double> swing(RealBoard of, List<String> keys)
      throws IOException, InterruptedException {
    Map<String, Double> swing = new TreeMap<>();
    of.keys(Set.copyOf(keys), false);
    Spice.Point open = of.solved(spice, true, "").orElse(null);
    of.keys(Set.copyOf(keys), true);
    Spice.Point closed = of.solved(spice, true, "").orElse(null);
    of.keys(Set.of(), true);
    // The names of its meters are those of the last deck.
    of.deck(true, "");
    if (open != null && closed != null) {
      for (String key : keys) {
        swing.put(
            key,
            heard(of, key).stream()
                .map(of::probe)
                .mapToDouble(at -> Math.abs(open.volts(at) - closed.volts(at)))
                .max()
                .orElse(0));
      }
    }
    return swing;
  }

  /** Gives the pins of chips that share a net with a key. */
  private static List<String> heard(RealBoard of, String key) {
    Parts parts = of.parts();
    Set<String> gone = parts.gone(of.state());
    return parts.get(key).pack().pins().stream()
        .flatMap(pin -> parts.netOf(new PinRef(key, pin.number())).stream())
        .distinct()
        .flatMap(net -> parts.kit().nets().getOrDefault(net, List.of()).stream())
        .filter(pin -> !gone.contains(pin.ref()))
        .filter(pin -> parts.get(pin.ref()).model() instanceof Model.Load)
        .map(PinRef::toString)
        .toList();
  }

  private Sight clock(Part chip) {
    Model.Load load = (Model.Load) chip.model();
    String plus = board.probe(chip.ref() + "." + load.plus());
    String minus = board.probe(chip.ref() + "." + load.minus());
    boolean gone =
        board.parts().gone(board.state()).contains(chip.ref())
            || board.program().fault().filter(f -> isWithout(f, chip.ref())).isPresent();
    boolean fed = plain.volts(plus) - plain.volts(minus) > Math.max(1, 0.9 * load.minV());
    return fed && !gone && !board.program().clockStands(chip.ref()) ? Sight.RUNNING : Sight.STILL;
  }

  private static boolean isWithout(Fault fault, String ref) {
    return fault.equals(new Fault.Missing(ref)) || fault.equals(new Fault.Dead(ref));
  }

  /** Looks at a light, beside what it is on a board that is in order, or at a clock. */
  Sight look(String ref) {
    Optional<Part> clocked = board.program().clocked(ref);
    if (clocked.isPresent()) {
      return clock(clocked.get());
    }
    return sight(board.lightMeter(ref).map(plain::amps).orElse(0.0), full(ref));
  }

  /** Gives how a light looks on the board that is in order. */
  Sight soundLook(String ref) {
    return sight(full(ref), full(ref));
  }

  private double full(String ref) {
    return sound.lightMeter(ref).map(good::amps).orElse(0.0);
  }

  private static Sight sight(double amps, double full) {
    double usual = full >= SEEN_A ? full : 5e-3;
    return amps < SEEN_A ? Sight.DARK : amps < DIM * usual ? Sight.DIM : Sight.LIT;
  }

  Parts parts() {
    return board.parts();
  }
}
