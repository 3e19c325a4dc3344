package humble.core.mend;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;

/**
 * The expected drop in entropy that a measurement brings: the mutual information of fault and
 * reading. Suspects that predict the same are one bin; the integral over readings is taken at three
 * points of each bin (Gauss and Hermite).
 */
final class Gain {
  private static final double[] POINT = {-Math.sqrt(3), 0, Math.sqrt(3)};
  private static final double[] WEIGHT = {1.0 / 6, 2.0 / 3, 1.0 / 6};
  private static final double SAME_SIGMAS = 0.5;
  private static final double LEFT_OUT = 1e-5;
  private static final int MOST_COUNTED = 500;
  private static final int MOST_BINS = 40;

  private final Likelihood likelihood;
  private final double[] belief;
  private final List<Integer> counted = new ArrayList<>();
  private double mass;

  Gain(Likelihood likelihood, double[] belief, Integer[] order) {
    this.likelihood = likelihood;
    this.belief = belief;
    for (int s : order) {
      if (belief[s] < LEFT_OUT * belief[order[0]] || counted.size() >= MOST_COUNTED) {
        break;
      }
      counted.add(s);
      mass += belief[s];
    }
  }

  private record Bin(double weight, double mean, double sigma) {}

  double bits(Measure measure) {
    return measure instanceof Measure.Look look ? look(look.ref()) : reading(measure);
  }

  private double look(String ref) {
    List<Sight> sights = likelihood.sights(ref);
    Map<Sight, Double> is = new EnumMap<>(Sight.class);
    for (int s : counted) {
      is.merge(likelihood.look(s, ref), belief[s] / mass, Double::sum);
    }
    double bits = 0;
    for (Sight called : sights) {
      double p = 0;
      for (Map.Entry<Sight, Double> each : is.entrySet()) {
        p += each.getValue() * Likelihood.called(each.getKey(), called);
      }
      for (Map.Entry<Sight, Double> each : is.entrySet()) {
        double given = Likelihood.called(each.getKey(), called);
        bits += each.getValue() * given * Math.log(given / p);
      }
    }
    return bits / Math.log(2);
  }

  private double reading(Measure measure) {
    List<Bin> bins = bins(measure);
    if (bins.size() < 2) {
      return 0;
    }
    double nats = 0;
    for (Bin bin : bins) {
      for (int q = 0; q < POINT.length; q++) {
        double y = bin.mean + POINT[q] * bin.sigma;
        double p = 0;
        for (Bin other : bins) {
          p += other.weight * density(y, other);
        }
        nats += bin.weight * WEIGHT[q] * Math.log(density(y, bin) / p);
      }
    }
    return Math.max(0, nats / Math.log(2));
  }

  private static double density(double y, Bin bin) {
    double z = (y - bin.mean) / bin.sigma;
    return Math.exp(-z * z / 2) / bin.sigma;
  }

  private List<Bin> bins(Measure measure) {
    List<Bin> all = new ArrayList<>(counted.size());
    for (int s : counted) {
      Likelihood.Expected expected = likelihood.expected(s, measure);
      if (expected.known()) {
        all.add(new Bin(belief[s] / mass, expected.mean(), expected.sigma()));
      }
    }
    all.sort(Comparator.comparingDouble(Bin::mean));
    double apart = SAME_SIGMAS;
    List<Bin> merged = merged(all, apart);
    while (merged.size() > MOST_BINS) {
      apart *= 2;
      merged = merged(all, apart);
    }
    return merged;
  }

  private static List<Bin> merged(List<Bin> sorted, double apart) {
    List<Bin> bins = new ArrayList<>();
    for (Bin next : sorted) {
      Bin last = bins.isEmpty() ? null : bins.getLast();
      if (last != null && next.mean - last.mean < apart * Math.min(last.sigma, next.sigma)) {
        double weight = last.weight + next.weight;
        bins.set(
            bins.size() - 1,
            new Bin(
                weight,
                (last.weight * last.mean + next.weight * next.mean) / weight,
                Math.max(last.sigma, next.sigma)));
      } else {
        bins.add(next);
      }
    }
    return bins;
  }
}
