package humble.core.mend;

import humble.core.circuit.Fault;
import humble.core.circuit.OhmBench;
import humble.core.kit.Line;
import humble.core.kit.Part;
import humble.core.kit.PartKind;
import humble.core.kit.Supply;
import humble.core.stock.Meter;
import humble.core.units.Spread;
import java.util.Arrays;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * How well a reading or a sight agrees with a suspect. Readings are normal about what the circuit
 * says: the meter's error counts as two σ, the tolerances of resistors and what a model leaves out
 * are added in squares. Ohms are compared by their logarithms. A small part is kept for slips of
 * the hand, so that one wrong reading never rules a suspect out for good.
 */
final class Likelihood {
  /** A sight that comes less often than this is not explained. */
  static final double HARDLY_EVER = 0.01;

  private static final double SLIP = 2e-3;

  /** How often leaks that nobody knows decide what a floating point reads. */
  private static final double LEAKS = 0.5;

  /** One σ of what a floating point reads where no leak holds it, in volts. */
  private static final double PULLED_V = 0.08;

  /** What is off by more is a slip, and tells nothing of the board. */
  private static final double SLIPS_SIGMAS = 4;

  private static final double MODEL_PART = 0.006;
  private static final double MODEL_V = 0.003;
  private static final double NEAR_NOUGHT_V = 0.012;
  private static final double NEAR_V = 0.05;
  private static final double MODEL_A = 2e-4;
  private static final double CONTACT_OHM = 0.3;

  /** Contacts, probes and wipers differ by about so much, in ohms. */
  private static final double WIPER_OHM = 0.5;

  private static final double OHMS_MODEL = 0.02;
  private static final double USUAL_TOLERANCE = 0.05;
  private static final double POT_TOLERANCE = 0.2;
  private static final double LOG_RANGE = Math.log(OhmBench.OPEN_OHM / CONTACT_OHM);

  /** One σ of a rounding, as a part of the digit rounded to. */
  private static final double ROUNDED = 1 / Math.sqrt(12);

  private static final double HOT_W = 0.25;

  /** How often something is called what it cannot be. */
  private static final double SELDOM = 0.005;

  private final Predictions predictions;
  private final Idle idle;
  private final Meter meter;
  private final double rangeV;
  private final double rangeA;
  private final double ohmsSigma;

  Likelihood(Predictions predictions, Meter meter) {
    this.predictions = predictions;
    this.idle = new Idle(predictions, this);
    this.meter = meter;
    List<Supply> supplies = predictions.parts().kit().supplies();
    this.rangeV =
        2 * Math.max(5, supplies.stream().mapToDouble(s -> Math.abs(s.volts())).max().orElse(5));
    this.ohmsSigma = Math.hypot(OHMS_MODEL, worstTolerance(predictions));
    this.rangeA =
        Math.max(0.05, supplies.stream().mapToDouble(Supply::limitMa).max().orElse(500) / 1000);
  }

  /** One σ of the least exact resistor or potentiometer of the kit, relative. */
  private static double worstTolerance(Predictions predictions) {
    return predictions.parts().kit().lines().stream()
        .mapToDouble(line -> Spread.sigma(tolerance(line)))
        .max()
        .orElse(Spread.sigma(USUAL_TOLERANCE));
  }

  /** Potentiometers are far less exact than resistors; what is no resistor is as exact as any. */
  private static double tolerance(Line line) {
    Double own = line.tolerancePct();
    boolean pot = line.kind() == PartKind.POTENTIOMETER || line.kind() == PartKind.TRIMMER;
    double usual = pot ? POT_TOLERANCE : line.kind() == PartKind.RESISTOR ? USUAL_TOLERANCE : 0;
    return pot || line.kind() == PartKind.RESISTOR ? own == null ? usual : own / 100 : 0;
  }

  /** What is expected, in the scale that is compared in: logarithms for ohms. */
  record Expected(double mean, double sigma) {
    boolean known() {
      return !Double.isNaN(mean);
    }
  }

  Expected expected(int s, Measure measure) {
    if (measure instanceof Measure.Ohms ohms) {
      return ohmsExpected(predictions.straight(s, ohms));
    }
    Predictions.Value value = predictions.value(s, measure);
    double floor = measure instanceof Measure.Amps ? MODEL_A : MODEL_V;
    return new Expected(value.mean(), sigma(value.mean(), value.sigma(), 0, floor));
  }

  private Expected ohmsExpected(double ohms) {
    return ohms > OhmBench.OPEN_OHM
        ? new Expected(Math.log(3 * OhmBench.OPEN_OHM), 0.4)
        : new Expected(
            Math.log(ohms + CONTACT_OHM), Math.hypot(ohmsSigma, WIPER_OHM / (ohms + CONTACT_OHM)));
  }

  private double sigma(double mean, double spread, double lastDigit, double floor) {
    double ofMeter = meter.uncertainty(mean, lastDigit) / 2;
    double ofModel = MODEL_PART * Math.abs(mean) + floor;
    if (floor == MODEL_V) {
      // A dead rail reads some millivolts: near nought is a range, not a point.
      ofModel += NEAR_NOUGHT_V * Math.exp(-(mean / NEAR_V) * (mean / NEAR_V));
    }
    return Math.sqrt(ofMeter * ofMeter + spread * spread + ofModel * ofModel);
  }

  /**
   * Gives what a count of the meter was worth. People leave digits away: a bare nought is not a
   * meter that counts in volts, but a reading rounded by half of what was written at most.
   */
  private static double digit(Observation.Reading read) {
    double least =
        switch (read.measure()) {
          case Measure.Amps m -> 1e-4;
          case Measure.Ohms m -> 1;
          case Measure.Volts m -> 1e-2;
          case Measure.Across m -> 1e-2;
          case Measure.Look m -> 1e-2;
        };
    // Of 2,000 counts, one range up at most.
    double count = 10 * Math.pow(10, Math.ceil(Math.log10(Math.abs(read.value()) / 2000)));
    double coarsest = Math.max(least, count);
    double written = read.lastDigit();
    return written <= coarsest ? written : coarsest + ROUNDED * written;
  }

  /** Tells whether two voltages differ by more than one reading's doubt. */
  boolean apart(double a, double b, double sigmaA, double sigmaB, double sigmas) {
    double off = Math.abs(a - b);
    if (off < MODEL_V) {
      return false;
    }
    return off > sigmas * Math.hypot(sigma(a, sigmaA, 0, MODEL_V), sigma(b, sigmaB, 0, MODEL_V));
  }

  boolean apart(Expected a, Expected b, double sigmas) {
    return a.known()
        && b.known()
        && Math.abs(a.mean() - b.mean()) > sigmas * Math.hypot(a.sigma(), b.sigma());
  }

  /** Gives the logarithm of the likelihood where nothing is known of what is wrong. */
  double ofAnything(Observation seen) {
    return switch (seen) {
      case Observation.Reading read ->
          switch (read.measure()) {
            case Measure.Ohms m -> Math.log(1 / LOG_RANGE);
            case Measure.Amps m -> Math.log(1 / rangeA);
            case Measure.Volts m -> Math.log(1 / rangeV);
            case Measure.Across m -> Math.log(1 / rangeV);
            case Measure.Look m -> Math.log(1.0 / 3);
          };
      case Observation.Seen look ->
          switch (look.sight()) {
            case LIT, DIM, DARK -> Math.log(1.0 / 3);
            case RUNNING, STILL -> Math.log(0.5);
            case FLICKER, HOT, SMELL -> Math.log(0.05);
            case IDLE -> Math.log(Idle.FOR_ANY_REASON);
          };
    };
  }

  double log(int s, Observation seen) {
    return switch (seen) {
      case Observation.Reading read when read.measure() instanceof Measure.Ohms ->
          ohms(s, read, true);
      case Observation.Reading read -> reading(s, read);
      case Observation.Seen look -> Math.log(chance(s, look.sight(), look.ref()));
    };
  }

  private double reading(int s, Observation.Reading read) {
    return reading(predictions.value(s, read.measure()), read);
  }

  /** Gives the logarithm of the likelihood of volts or amperes where {@code value} is expected. */
  double reading(Predictions.Value value, Observation.Reading read) {
    double range = read.measure() instanceof Measure.Amps ? rangeA : rangeV;
    if (Double.isNaN(value.mean())) {
      return Math.log(1 / range);
    }
    double floor = read.measure() instanceof Measure.Amps ? MODEL_A : MODEL_V;
    double sigma = sigma(value.mean(), value.sigma(), digit(read), floor);
    return mixed((read.value() - value.mean()) / sigma, sigma, range);
  }

  /**
   * Gives the logarithm of the likelihood of volts or amperes with a suspect, after what earlier
   * readings told of what they share, and learns from it.
   */
  double reading(int s, Observation.Reading read, SharedSpread known) {
    Predictions.Value value = predictions.value(s, read.measure());
    boolean amps = read.measure() instanceof Measure.Amps;
    double range = amps ? rangeA : rangeV;
    if (Double.isNaN(value.mean())) {
      return Math.log(1 / range);
    }
    double[] shared = value.floats() ? floating(value.shared()) : value.shared();
    double mean = value.mean() + known.shift(shared);
    double own = sigma(mean, value.own(), digit(read), amps ? MODEL_A : MODEL_V);
    double sigma = Math.sqrt(own * own + known.variance(shared));
    double off = read.value() - mean;
    double as = mixed(off / sigma, sigma, range);
    if (Math.abs(off) < SLIPS_SIGMAS * sigma) {
      known.learn(shared, off, own * own);
    }
    if (!value.floats()) {
      return as;
    }
    // Of what nothing holds a reading says little: the meter pulls it down, or leaks hold it.
    double loose = Math.hypot(value.loose(), sigma);
    double leaking = mixed(off / loose, loose, range);
    return Math.log((1 - LEAKS) * Math.exp(as) + LEAKS * Math.exp(leaking));
  }

  /** Points that nothing holds are mostly one and the same copper: they stand off together. */
  private static double[] floating(double[] shared) {
    double[] more = Arrays.copyOf(shared, shared.length + 1);
    more[shared.length] = PULLED_V;
    return more;
  }

  private static double mixed(double z, double sigma, double range) {
    double density = Math.exp(-z * z / 2) / (sigma * Math.sqrt(2 * Math.PI));
    return Math.log((1 - SLIP) * density + SLIP / range);
  }

  double ohms(int s, Observation.Reading read, boolean exactly) {
    Measure.Ohms measure = (Measure.Ohms) read.measure();
    return ohms(exactly ? predictions.exact(s, measure) : predictions.straight(s, measure), read);
  }

  /** Gives the logarithm of the likelihood of ohms where {@code predicted} is expected. */
  double ohms(double predicted, Observation.Reading read) {
    if (Double.isNaN(predicted)) {
      return Math.log(1 / LOG_RANGE);
    }
    Expected expected = ohmsExpected(predicted);
    boolean open = Double.isInfinite(read.value());
    double x =
        open ? Math.log(3 * OhmBench.OPEN_OHM) : Math.log(Math.max(0, read.value()) + CONTACT_OHM);
    double ofMeter =
        open
            ? 0.4
            : meter.uncertainty(read.value(), digit(read)) / 2 / (read.value() + CONTACT_OHM);
    double sigma = Math.hypot(expected.sigma(), ofMeter);
    return mixed((x - expected.mean()) / sigma, sigma, LOG_RANGE);
  }

  /** Gives by how many σ an observation is off; sights count as five when they hardly ever come. */
  double sigmasOff(int s, Observation seen) {
    if (seen instanceof Observation.Seen look) {
      return chance(s, look.sight(), look.ref()) < HARDLY_EVER ? 5 : 0;
    }
    Observation.Reading read = (Observation.Reading) seen;
    return read.measure() instanceof Measure.Ohms ohms
        ? sigmasOff(predictions.exact(s, ohms), read)
        : sigmasOff(predictions.value(s, read.measure()), read);
  }

  /** Gives by how many σ ohms are off where {@code predicted} is expected. */
  double sigmasOff(double predicted, Observation.Reading read) {
    Expected expected = ohmsExpected(predicted);
    double x =
        Double.isInfinite(read.value())
            ? Math.log(3 * OhmBench.OPEN_OHM)
            : Math.log(Math.max(0, read.value()) + CONTACT_OHM);
    return Math.abs(x - expected.mean()) / Math.max(expected.sigma(), 0.05);
  }

  /** Gives by how many σ volts or amperes are off where {@code value} is expected. */
  double sigmasOff(Predictions.Value value, Observation.Reading read) {
    double floor = read.measure() instanceof Measure.Amps ? MODEL_A : MODEL_V;
    return Double.isNaN(value.mean())
        ? 0
        : Math.abs(read.value() - value.mean())
            / sigma(value.mean(), value.sigma(), digit(read), floor);
  }

  /** Gives how a light looks with a suspect; what a kit says of its own fault comes first. */
  Sight look(int s, String light) {
    return predictions
        .suspect(s)
        .flatMap(Suspect::kitFault)
        .flatMap(fault ->
            fault.seen().stream()
                .filter(text -> text.endsWith(":" + light))
                .flatMap(text -> Sight.named(text.substring(0, text.indexOf(':'))).stream())
                .findFirst())
        .orElseGet(() -> predictions.look(s, light));
  }

  /** Gives the chance of a sight with a suspect. */
  double chance(int s, Sight sight, String ref) {
    boolean told =
        predictions
            .suspect(s)
            .flatMap(Suspect::kitFault)
            .filter(known -> known.seen().contains(sight.text() + ":" + ref))
            .isPresent();
    if (told) {
      return 0.9;
    }
    Fault fault = predictions.suspect(s).flatMap(Suspect::fault).orElse(null);
    return switch (sight) {
      case LIT, DIM, DARK -> called(look(s, ref), sight);
      // Of a crystal that the kit gives to no chip nothing follows.
      case RUNNING, STILL -> predictions.isClock(ref) ? called(look(s, ref), sight) : 0.5;
      case IDLE -> idle.chance(s, ref);
      case FLICKER -> flicker(s, fault, ref);
      case HOT -> hot(s, fault, ref, HOT_W);
      case SMELL -> 0.7 * hot(s, fault, ref, 4 * HOT_W) + 0.005;
    };
  }

  /** Gives what may be seen of something looked at. */
  List<Sight> sights(String ref) {
    return predictions.sights(ref);
  }

  /** Gives the chance that what looks like {@code is} is called {@code seen}. */
  static double called(Sight is, Sight seen) {
    return switch (is) {
      case RUNNING -> seen == Sight.RUNNING ? 0.93 : seen == Sight.STILL ? 0.07 : SELDOM;
      case STILL -> seen == Sight.STILL ? 0.97 : seen == Sight.RUNNING ? 0.03 : SELDOM;
      case LIT, DIM, DARK, FLICKER, HOT, SMELL, IDLE -> shining(is, seen);
    };
  }

  /** Dim is where eyes and model disagree: a dim light is called lit one time in four. */
  private static double shining(Sight is, Sight called) {
    return switch (is) {
      case LIT -> called == Sight.LIT ? 0.95 : called == Sight.DIM ? 0.045 : 0.005;
      case DIM -> called == Sight.DIM ? 0.7 : called == Sight.LIT ? 0.25 : 0.05;
      case DARK, FLICKER, HOT, SMELL, RUNNING, STILL, IDLE ->
          called == Sight.DARK ? 0.98 : called == Sight.DIM ? 0.015 : 0.005;
    };
  }

  /** A light flickers when a joint comes and goes whose opening darkens it. */
  private double flicker(int s, @Nullable Fault fault, String ref) {
    boolean darkens = fault instanceof Fault.OpenJoint && predictions.look(s, ref) != Sight.LIT;
    return darkens ? 0.4 : 0.01;
  }

  /**
   * A part is hot when the circuit puts heat into it, and when it sits the wrong way round and is
   * of a kind that then conducts: chips through their clamps, electrolytics through their oxide.
   */
  private double hot(int s, @Nullable Fault fault, String ref, double hotW) {
    PartKind kind =
        predictions
            .parts()
            .part(ref)
            .map(Part::line)
            .map(line -> line.kind())
            .orElse(PartKind.OTHER);
    boolean conducts =
        fault instanceof Fault.Reversed turned
            && turned.ref().equals(ref)
            && (kind == PartKind.CAPACITOR_POLARISED
                || kind == PartKind.IC
                || kind == PartKind.REGULATOR
                || kind == PartKind.MODULE);
    if (conducts) {
      return 0.7;
    }
    double watts = predictions.watts(s, ref);
    double chance = 1 / (1 + Math.exp(-6 * (watts / hotW - 1)));
    return 0.01 + 0.94 * chance;
  }
}
