package humble.proofs.find;

import humble.core.kit.Parts;
import humble.core.mend.Measure;
import humble.core.mend.Observation;
import humble.core.mend.Sight;
import java.io.IOException;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.TreeMap;

/** A meter, a supply's display and a pair of eyes on a board that a SPICE simulates. */
final class SpiceBench {
  private static final double METER_OHM = 10e6;
  private static final double TEST_A = 1e-4;
  private static final double TEST_V = 0.2;
  private static final double OPEN_OHM = 10e6;
  private static final double SEEN_A = 1e-4;
  private static final double DIM = 0.35;

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

  /** Looks at a light, beside what it is on a board that is in order. */
  Sight look(String ref) {
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
