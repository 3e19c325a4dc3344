package humble.core.wake;

import java.util.List;
import org.apache.commons.numbers.gamma.Erfc;

/**
 * The threshold of equal error between dark and light.
 *
 * @param threshold where to decide
 * @param margin distance of the means in sums of their deviations
 * @param errorRate share of single readings that fall on the wrong side
 */
public record LightThreshold(
    double threshold,
    double margin,
    double errorRate,
    double darkMean,
    double darkSd,
    double lightMean,
    double lightSd) {
  /** Good enough: less than one reading in ten thousand on the wrong side. */
  public static final double GOOD_MARGIN = 4;

  /** Gives it from samples in the dark and in the light. */
  public static LightThreshold of(List<Double> dark, List<Double> light) {
    Samples d = new Samples(dark);
    Samples l = new Samples(light);
    double sum = d.deviation() + l.deviation();
    double apart = Math.abs(l.mean() - d.mean());
    double margin = sum > 0 ? apart / sum : apart > 0 ? Double.POSITIVE_INFINITY : 0;
    double threshold =
        sum > 0
            ? (d.mean() * l.deviation() + l.mean() * d.deviation()) / sum
            : (d.mean() + l.mean()) / 2;
    return new LightThreshold(
        threshold,
        margin,
        Erfc.value(margin / Math.sqrt(2)) / 2,
        d.mean(),
        d.deviation(),
        l.mean(),
        l.deviation());
  }
}
