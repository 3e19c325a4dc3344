package humble.core.trim;

import java.util.function.ToDoubleFunction;

/**
 * What can be turned to, as shares: no farther from a point than a reach, and between the ends.
 *
 * @param low least settings
 * @param high greatest settings
 */
record Box(double[] low, double[] high) {
  private static final double FINEST = 0.0002;
  private static final double WIDEST = 0.1;

  static Box around(double[] point, double reach) {
    double[] low = new double[point.length];
    double[] high = new double[point.length];
    for (int i = 0; i < point.length; i++) {
      low[i] = Math.clamp(point[i] - reach, 0, 1);
      high[i] = Math.clamp(point[i] + reach, 0, 1);
    }
    return new Box(low, high);
  }

  /** Goes downhill from a point to where no step leads lower (Hooke and Jeeves 1961). */
  double[] downhill(ToDoubleFunction<double[]> height, double[] from) {
    int n = from.length;
    double[] at = from.clone();
    for (int i = 0; i < n; i++) {
      at[i] = Math.clamp(at[i], low[i], high[i]);
    }
    double lowest = height.applyAsDouble(at);
    double step = WIDEST;
    while (step > FINEST) {
      double[] before = at;
      for (int i = 0; i < 2 * n; i++) {
        double[] there = at.clone();
        int axis = i / 2;
        there[axis] = Math.clamp(there[axis] + (i % 2 == 0 ? -step : step), low[axis], high[axis]);
        double here = height.applyAsDouble(there);
        if (here < lowest) {
          lowest = here;
          at = there;
        }
      }
      if (at == before) {
        step /= 2;
        continue;
      }
      double[] on = at.clone();
      for (int i = 0; i < n; i++) {
        on[i] = Math.clamp(2 * at[i] - before[i], low[i], high[i]);
      }
      double here = height.applyAsDouble(on);
      if (here < lowest) {
        lowest = here;
        at = on;
      }
    }
    return at;
  }
}
