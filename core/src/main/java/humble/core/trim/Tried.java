package humble.core.trim;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;

/**
 * What was tried, as a search sees it: settings as shares between the ends of their knobs, readings
 * as how far off they are, in shares of the worst one.
 */
final class Tried {
  private static final double SAME = 1e-4;

  /** No reading is finer than this share of another. */
  private static final double FINEST = 1e-6;

  final TrimState state;
  final int n;
  final double[][] points;
  final double[] off;

  /** Whether readings are amplitudes: none lies below 0, and the least is wanted. */
  final boolean amplitudes;

  /** The worst reading, in the unit of the meter. */
  final double scale;

  /** What a meter can show: its last digit or how much it wavers, whichever is more. */
  final double least;

  final double digit;

  /** One standard deviation of a reading; above 0. */
  final double blur;

  Tried(TrimState state) {
    this.state = state;
    this.n = state.knobs().size();
    this.points = new double[state.tries().size()][n];
    this.off = new double[points.length];
    boolean positive = !(state.goal() instanceof Goal.Most);
    double most = 0;
    for (int k = 0; k < points.length; k++) {
      for (int i = 0; i < n; i++) {
        points[k][i] = state.knobs().get(i).share(state.tries().get(k).at().get(i));
      }
      off[k] = state.goal().off(state.tries().get(k).reads());
      positive &= off[k] >= 0;
      most = Math.max(most, Math.abs(off[k]));
    }
    this.amplitudes = positive;
    // All is reckoned in shares of the worst reading, however large or small the readings are.
    this.scale = most > 0 ? most : 1;
    for (int k = 0; k < off.length; k++) {
      off[k] /= scale;
    }
    this.digit = state.meterStep() / scale;
    // What wavers more than the worst reading tells nothing, however much it wavers.
    this.blur = Math.clamp(state.blurred() / scale, FINEST, 1);
    this.least = Math.max(digit, Math.min(1, state.noise() / scale));
  }

  int size() {
    return points.length;
  }

  static double[] filled(int n, double value) {
    double[] all = new double[n];
    java.util.Arrays.fill(all, value);
    return all;
  }

  static double distance(double[] a, double[] b) {
    double sum = 0;
    for (int i = 0; i < a.length; i++) {
      sum += (a[i] - b[i]) * (a[i] - b[i]);
    }
    return Math.sqrt(sum);
  }

  /** Gives which try was made at a point, as near as a hand makes it; below 0 for none. */
  int find(double[] point) {
    for (int k = 0; k < points.length; k++) {
      boolean same = true;
      for (int i = 0; i < n; i++) {
        Knob knob = state.knobs().get(i);
        double made = knob.share(knob.setting(point[i]));
        same &= Math.abs(points[k][i] - made) < Math.max(SAME, slack(knob));
      }
      if (same) {
        return k;
      }
    }
    return -1;
  }

  private static double slack(Knob knob) {
    return 0.51 * knob.step() / (knob.high() - knob.low());
  }

  /** Gives the best try, the latest of those that are as good. */
  int best() {
    int best = points.length - 1;
    for (int k = points.length - 1; k >= 0; k--) {
      best = off[k] < off[best] ? k : best;
    }
    return best;
  }

  /** Gives the tries, those nearest to a point first. */
  List<Integer> nearest(double[] point) {
    return sorted(Comparator.comparingDouble(k -> distance(points[k], point)));
  }

  /** Gives the tries, the best first. */
  List<Integer> byReading() {
    return sorted(Comparator.comparingDouble(k -> off[k]));
  }

  private List<Integer> sorted(Comparator<Integer> by) {
    List<Integer> order = new ArrayList<>();
    for (int k = 0; k < points.length; k++) {
      order.add(k);
    }
    order.sort(by);
    return order;
  }

  /** How many tries in a row brought no more than the meter can show, the first ones aside. */
  int idle() {
    double sofar = Double.POSITIVE_INFINITY;
    int idle = 0;
    for (int k = 0; k < off.length; k++) {
      if (off[k] < sofar - least || k < Bowl.size(n)) {
        idle = 0;
      } else {
        idle++;
      }
      sofar = Math.min(sofar, off[k]);
    }
    return idle;
  }

  /** Tells whether the meter shows the same at most of the settings next to the best. */
  boolean isFlat() {
    int best = best();
    List<double[]> seen = new ArrayList<>(List.of(points[best]));
    int same = 0;
    for (int k : nearest(points[best])) {
      // What was read twice at one setting tells nothing of what lies around it.
      boolean again = seen.stream().anyMatch(each -> distance(each, points[k]) < SAME);
      if (!again && seen.size() <= n + 1) {
        seen.add(points[k]);
        same += off[k] == off[best] ? 1 : 0;
      }
    }
    return same >= n;
  }
}
