package humble.core.wake;

import java.util.Arrays;
import java.util.List;

/** Readings of one thing that is read as a voltage, in counts. */
final class Samples {
  private final double[] sorted;

  Samples(List<Double> values) {
    if (values.isEmpty()) {
      throw new IllegalArgumentException("no sample");
    }
    this.sorted = values.stream().mapToDouble(v -> v).sorted().toArray();
  }

  double low() {
    return sorted[0];
  }

  double high() {
    return sorted[sorted.length - 1];
  }

  double median() {
    int half = sorted.length / 2;
    return sorted.length % 2 == 1 ? sorted[half] : (sorted[half - 1] + sorted[half]) / 2;
  }

  double mean() {
    return Arrays.stream(sorted).average().orElse(0);
  }

  /** Gives the sample standard deviation; 0 for a single sample. */
  double deviation() {
    if (sorted.length < 2) {
      return 0;
    }
    double mean = mean();
    double squares = Arrays.stream(sorted).map(v -> (v - mean) * (v - mean)).sum();
    return Math.sqrt(squares / (sorted.length - 1));
  }

  /** Gives the largest distance from {@code centre}. */
  double reach(double centre) {
    return Math.max(high() - centre, centre - low());
  }
}
