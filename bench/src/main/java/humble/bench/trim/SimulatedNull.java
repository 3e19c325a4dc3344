package humble.bench.trim;

import java.util.Random;

/**
 * A simulated bridge whose null is trimmed by two or three screws. Two arms are ratio resistors;
 * the unknown arm and the standard arm are a resistor beside a capacitor, and with three screws a
 * resistor before them. The screws are the standard's resistor, its trimmer capacitor, which turns
 * like one, and its series resistor. With three of them the bridge is fed with two frequencies, and
 * the meter shows both together. Nothing of it is linear in the screws, and all of them pull at
 * each other.
 *
 * <p>Screws have backlash: coming from above they stand lower than the dial says. The meter has a
 * last digit and wavers; some of the signal creeps past the bridge.
 */
public final class SimulatedNull {
  private static final double RATIO_OHMS = 1000;
  private static final double FED_VOLTS = 10;
  private static final double SECOND_FREQUENCY = 3;

  private final int screws;
  private final double[] balanced;
  private final double[] last;
  private final double ohms;
  private final double farads;
  private final double series;
  private final double omega;
  private final double creeps;
  private final double backlash;
  private final double meterStep;
  private final double noise;
  private final Random random;

  /** Makes one that follows from a seed, with two or three screws from 0 to 1. */
  public SimulatedNull(int screws, long seed) {
    Random drawn = new Random(seed);
    this.screws = screws;
    this.balanced = new double[screws];
    for (int i = 0; i < screws; i++) {
      balanced[i] = 0.15 + 0.7 * drawn.nextDouble();
    }
    this.last = new double[screws];
    this.ohms = RATIO_OHMS * (0.5 + drawn.nextDouble());
    this.farads = 1e-7 * (0.5 + drawn.nextDouble());
    this.series = screws > 2 ? ohms * (0.2 + 0.3 * drawn.nextDouble()) : 0;
    // Neither a resistor nor a capacitor: each screw moves both parts of the imbalance.
    this.omega = (0.5 + drawn.nextDouble()) / (ohms * farads);
    this.creeps = drawn.nextBoolean() ? 0 : 0.002 * drawn.nextDouble();
    this.backlash = 0.02 * drawn.nextDouble();
    this.meterStep = 0.002 * Math.pow(10, drawn.nextDouble());
    this.noise = meterStep * 0.7 * drawn.nextDouble();
    this.random = new Random(seed ^ 0x5eed);
  }

  /** Gives how many screws it has. */
  public int screws() {
    return screws;
  }

  /** Gives the last digit of its meter, in volts. */
  public double meterStep() {
    return meterStep;
  }

  /** Gives how much its meter wavers, one standard deviation, in volts. */
  public double noise() {
    return noise;
  }

  /** Gives the least that can be reached, in volts. */
  public double least() {
    return creeps;
  }

  /** Gives what is there with the screws exactly so, in volts, without meter or backlash. */
  public double exact(double[] at) {
    double sum = square(imbalance(at, omega));
    if (screws > 2) {
      sum += square(imbalance(at, SECOND_FREQUENCY * omega));
    }
    return Math.sqrt(FED_VOLTS * FED_VOLTS * sum + creeps * creeps);
  }

  /**
   * Turns the screws to where their dials say so and reads the meter.
   *
   * @param fromBelow whether the hand goes below and comes up, which takes the backlash out
   */
  public double read(double[] dials, boolean fromBelow) {
    double[] stands = new double[screws];
    for (int i = 0; i < screws; i++) {
      boolean down = !fromBelow && dials[i] < last[i];
      stands[i] = Math.clamp(down ? dials[i] + backlash : dials[i], 0, 1);
      last[i] = dials[i];
    }
    double shown = exact(stands) + noise * random.nextGaussian();
    return Math.max(0, Math.round(shown / meterStep) * meterStep);
  }

  private static double square(double[] z) {
    return z[0] * z[0] + z[1] * z[1];
  }

  /** The share of the feed that is left over the meter, as a complex number. */
  private double[] imbalance(double[] at, double w) {
    double[] unknown = divided(arm(balanced, w));
    double[] standard = divided(arm(at, w));
    return new double[] {unknown[0] - standard[0], unknown[1] - standard[1]};
  }

  /** What an arm leaves of the feed, over its ratio resistor. */
  private static double[] divided(double[] z) {
    double re = z[0] + RATIO_OHMS;
    double size = re * re + z[1] * z[1];
    return new double[] {(z[0] * re + z[1] * z[1]) / size, (z[1] * re - z[0] * z[1]) / size};
  }

  /** The arm with its screws somewhere: the resistor is a track, the capacitor two half discs. */
  private double[] arm(double[] at, double w) {
    double r = ohms * (0.3 + 1.4 * at[0]);
    double c = farads * (0.3 + 0.7 * (1 - Math.cos(Math.PI * at[1])));
    double before = screws > 2 ? series * (0.2 + 1.6 * at[2]) : 0;
    double q = w * r * c;
    double size = 1 + q * q;
    return new double[] {before + r / size, -r * q / size};
  }
}
