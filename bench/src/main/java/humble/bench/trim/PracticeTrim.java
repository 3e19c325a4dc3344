package humble.bench.trim;

import humble.core.kit.Trim;
import humble.core.trim.Ear;
import humble.core.trim.Goal;
import java.util.List;
import java.util.Random;

/**
 * A simulated instrument for anything that a kit has trimmed. Two or three screws of a null are a
 * bridge; of one or four the parts saturate, each pulled at by every screw. A peak is that of
 * circuits that detune each other, a value what saturating screws add up to. The meter has its last
 * digit and wavers; an ear tells steps of loudness. None of it knows how a setting is sought.
 */
public final class PracticeTrim {
  private static final double COUPLED = 0.35;
  private static final double NARROW = 6;
  private static final double PEAK_STEPS = 80;
  private static final double VALUE_STEPS = 300;
  private static final double WINDOWS = 12;
  private static final double EAR_NOISE = 0.08;

  private final Trim trim;
  private final long seed;
  private final int n;
  private final double[] best;

  /** Makes the one that follows from a seed. */
  public PracticeTrim(Trim trim, long seed) {
    this.trim = trim;
    this.seed = seed * 31 + trim.id().hashCode();
    this.n = trim.knobs().size();
    Random random = new Random(this.seed);
    this.best = new double[n];
    for (int i = 0; i < n; i++) {
      best[i] = 0.2 + 0.6 * random.nextDouble();
    }
  }

  private double[] shares(List<Double> at) {
    double[] shares = new double[n];
    for (int i = 0; i < n; i++) {
      shares[i] = trim.knobs().get(i).knob().share(at.get(i));
    }
    return shares;
  }

  private double part(double[] at, int q) {
    double sum = 0;
    for (int i = 0; i < n; i++) {
      double pull = i == q ? 1 : COUPLED;
      sum += pull * (Math.tanh(2 * (at[i] - 0.5)) - Math.tanh(2 * (best[i] - 0.5)));
    }
    return sum;
  }

  private double apart(double[] at) {
    double sum = 0;
    for (int q = 0; q < n; q++) {
      double part = part(at, q);
      sum += part * part;
    }
    return Math.sqrt(sum);
  }

  private double digit() {
    double step = trim.reading().step();
    return step > 0 ? step : 0.01;
  }

  /** Gives what is there at a setting, without the meter. */
  public double exact(List<Double> at) {
    double[] shares = shares(at);
    return switch (trim.reading().goal()) {
      case Goal.Least least -> {
        if (n == 2 || n == 3) {
          SimulatedNull bridge = new SimulatedNull(n, seed);
          yield bridge.exact(shares) / bridge.meterStep() * digit();
        }
        yield apart(shares) * PEAK_STEPS * digit();
      }
      case Goal.Most most ->
          PEAK_STEPS * digit() / Math.sqrt(1 + Math.pow(NARROW * apart(shares), 2));
      case Goal.Reach reach -> reach.value() + span() * part(shares, 0);
    };
  }

  private double span() {
    return trim.reading()
            .good()
            .map(band -> band.high() - band.low())
            .orElse(VALUE_STEPS / WINDOWS * digit())
        * WINDOWS;
  }

  private Random random(List<Double> at, int count) {
    return new Random(seed ^ at.hashCode() * 31L ^ count * 0x9e3779b97f4a7c15L);
  }

  /** Gives what its meter shows at a setting, at the try of that number. */
  public double shows(List<Double> at, int count) {
    double noise = trim.reading().noise() > 0 ? trim.reading().noise() : 0.4 * digit();
    double shown = exact(at) + noise * random(at, count).nextGaussian();
    double rounded = Math.round(shown / digit()) * digit();
    return trim.reading().goal() instanceof Goal.Reach ? rounded : Math.max(0, rounded);
  }

  /** Gives what an ear says of a setting beside the best one so far. */
  public Ear hears(List<Double> at, List<Double> bestSoFar, int count) {
    double floor = digit() / 10;
    double times = (exact(at) + floor) / (exact(bestSoFar) + floor);
    return Ear.of(times * (1 + EAR_NOISE * random(at, count).nextGaussian()));
  }
}
