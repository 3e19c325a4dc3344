package humble.benchmarks;

import java.util.Arrays;
import java.util.List;
import java.util.Locale;

/** Order statistics of repeated measurements, and how a row of the table is written. */
final class Median {
  private Median() {}

  static double of(List<Double> values) {
    return percentile(values, 50);
  }

  static double percentile(List<Double> values, int percent) {
    double[] sorted = values.stream().mapToDouble(Double::doubleValue).sorted().toArray();
    if (sorted.length == 0) {
      throw new IllegalArgumentException("nothing was measured");
    }
    int index = (int) Math.ceil(percent / 100.0 * sorted.length) - 1;
    return sorted[Math.clamp(index, 0, sorted.length - 1)];
  }

  static String spread(List<Double> values, String unit) {
    double[] sorted = values.stream().mapToDouble(Double::doubleValue).toArray();
    Arrays.sort(sorted);
    return String.format(
        Locale.ROOT,
        "%.3g %s (%.3g to %.3g, %d runs)",
        of(values),
        unit,
        sorted[0],
        sorted[sorted.length - 1],
        sorted.length);
  }

  static String row(String figure, String measured, String beside, double ratio) {
    return String.format(Locale.ROOT, "| %s | %s | %s | %.2f |", figure, measured, beside, ratio);
  }
}
