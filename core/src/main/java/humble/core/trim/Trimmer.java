package humble.core.trim;

import humble.core.words.Phrase;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;

/**
 * Ask and tell: from what was tried, the setting to try next. A handful of tries are laid round the
 * middle, going downhill; then a bowl is laid through the readings near the best one, and its
 * lowest point is tried, until that promises less than a digit of the meter. It replaces a search
 * along conjugate directions: the amplitude of a null, squared, is a bowl from its edge to its
 * bottom, so that all readings count at once, those of a coarse meter too.
 *
 * <p>Holds nothing: the same tries give the same advice, so that it may be left and gone on with.
 */
public final class Trimmer {
  private static final double FIRST_SHARE = 0.25;
  private static final double REACH = 2;
  private static final double LEAST_REACH = 0.02;

  /** How much nearer the next try lies after one that brought nothing. */
  private static final double HALF = 0.6;

  private static final double SAME = 1e-4;

  /** No reading is finer than this share of another. */
  private static final double FINEST = 1e-9;

  /** So many tries for each knob that bring nothing are enough, whatever is hoped for. */
  private static final int MOST_IDLE = 10;

  /** What lies so near the lowest point, in digits of the meter, is as good as that. */
  private static final double TOLD_APART = 0.1;

  /** So many times its blur a meter shows clearly. */
  private static final double CLEAR = 2;

  /** How far the shape of a null may be off a bowl's, as a share, at the worst reading. */
  private static final double SHAPE = 0.5;

  /** The same at the distance at which the others lie. */
  private static final double AWAY = 0.1;

  /** How much what lies off the bowl counts against being sure of it. */
  private static final double MISFIT = 4;

  private static final int MOST_KNOBS = 4;

  /** So many standard deviations below what the bowl says may still be hoped for. */
  private static final double SURE = 3;

  /** Going on is worth it while more than this share of a digit may be hoped for. */
  private static final double HOPE = 0.3;

  private final TrimState state;
  private final int n;
  private final double[][] points;
  private final double[] off;
  private final boolean squares;
  private final double scale;
  private final double digit;
  private final double noise;
  private final double blurred;
  private double heaviest = 1;

  private Trimmer(TrimState state) {
    this.state = state;
    this.n = state.knobs().size();
    this.points = new double[state.tries().size()][n];
    this.off = new double[state.tries().size()];
    boolean positive = !(state.goal() instanceof Goal.Most);
    for (int k = 0; k < points.length; k++) {
      for (int i = 0; i < n; i++) {
        points[k][i] = state.knobs().get(i).share(state.tries().get(k).at().get(i));
      }
      off[k] = state.goal().off(state.tries().get(k).reads());
      positive &= off[k] >= 0;
    }
    this.squares = positive;
    double most = 0;
    for (double each : off) {
      most = Math.max(most, Math.abs(each));
    }
    // All is reckoned in shares of the worst reading, however large or small the readings are.
    this.scale = most > 0 ? most : 1;
    for (int k = 0; k < off.length; k++) {
      off[k] /= scale;
    }
    this.digit = state.meterStep() / scale;
    this.noise = state.noise() / scale;
    // What wavers more than the worst reading tells nothing, however much it wavers.
    this.blurred = Math.min(1, state.blurred() / scale);
  }

  /**
   * Gives the advice.
   *
   * @throws IllegalArgumentException for no knob or more than four
   */
  public static TrimAdvice advise(TrimState state) {
    if (state.knobs().isEmpty() || state.knobs().size() > MOST_KNOBS) {
      throw new IllegalArgumentException("One to four knobs can be trimmed together.");
    }
    return new Trimmer(state).advice();
  }

  private TrimAdvice advice() {
    if (points.length == 0) {
      return told(filled(0.5), 0, false, Phrase.of("trim.first"));
    }
    Optional<double[]> laid = laid();
    return laid.map(point -> told(point, 0, false, Phrase.of("trim.round"))).orElseGet(this::bowl);
  }

  private static double[] filled(int n, double value) {
    double[] all = new double[n];
    java.util.Arrays.fill(all, value);
    return all;
  }

  private double[] filled(double value) {
    return filled(n, value);
  }

  private TrimAdvice told(double[] point, double gain, boolean stop, Phrase why) {
    List<Double> next = new ArrayList<>();
    for (int i = 0; i < n; i++) {
      next.add(state.knobs().get(i).setting(point[i]));
    }
    return new TrimAdvice(next, state.best(), gain * scale, stop, why);
  }

  /** The tries that are laid round the first one; empty once they are all there. */
  private Optional<double[]> laid() {
    double[] middle = points[0];
    double[][] axis = new double[n][];
    for (int i = 0; i < n; i++) {
      double[] one = middle.clone();
      one[i] = middle[i] + (middle[i] > 0.5 ? -FIRST_SHARE : FIRST_SHARE);
      int first = find(one);
      if (first < 0) {
        return Optional.of(one);
      }
      double[] two = middle.clone();
      // Downhill: twice as far on the side that is better, or the other side.
      two[i] =
          off[first] < off[0]
              ? middle[i] + 2 * (one[i] - middle[i])
              : middle[i] - (one[i] - middle[i]);
      two[i] = Math.clamp(two[i], 0, 1);
      int second = find(two);
      if (second < 0) {
        return Optional.of(two);
      }
      axis[i] = off[second] < Math.min(off[first], off[0]) ? two : off[first] < off[0] ? one : two;
    }
    for (int i = 0; i < n; i++) {
      for (int j = i + 1; j < n; j++) {
        double[] both = middle.clone();
        both[i] = axis[i][i];
        both[j] = axis[j][j];
        if (find(both) < 0) {
          return Optional.of(both);
        }
      }
    }
    return Optional.empty();
  }

  /** Gives which try was made at a point, as near as a hand makes it; below 0 for none. */
  private int find(double[] point) {
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

  private int best() {
    int best = points.length - 1;
    for (int k = points.length - 1; k >= 0; k--) {
      best = off[k] < off[best] ? k : best;
    }
    return best;
  }

  private static double distance(double[] a, double[] b) {
    double sum = 0;
    for (int i = 0; i < a.length; i++) {
      sum += (a[i] - b[i]) * (a[i] - b[i]);
    }
    return Math.sqrt(sum);
  }

  /** The value that a bowl is laid through, for a reading that is so far off. */
  private double value(double each) {
    return squares ? each * each : each;
  }

  private double reading(double value) {
    return squares ? Math.sqrt(Math.max(0, value)) : value;
  }

  private TrimAdvice bowl() {
    int best = best();
    int size = Bowl.size(n);
    double[] far = new double[points.length];
    for (int k = 0; k < far.length; k++) {
      far[k] = distance(points[k], points[best]);
    }
    double[] sorted = far.clone();
    java.util.Arrays.sort(sorted);
    double near = Math.max(LEAST_REACH, sorted[Math.min(sorted.length - 1, size)]);
    double[][] from = new double[points.length][n];
    double[] values = new double[points.length];
    double[] weights = new double[points.length];
    double most = Math.max(Double.MIN_NORMAL, java.util.Arrays.stream(off).max().orElse(1));
    double blur = Math.max(blurred, FINEST * Math.max(FINEST, Math.abs(off[best])));
    for (int k = 0; k < points.length; k++) {
      for (int i = 0; i < n; i++) {
        from[k][i] = points[k][i] - points[best][i];
      }
      values[k] = value(off[k]);
      double sigma = squares ? Math.hypot(2 * Math.abs(off[k]) * blur, blur * blur) : blur;
      // The farther from the bottom, the less its shape is that of a bowl.
      double apart = Math.min(2, far[k] / near);
      double shape =
          Math.abs(values[k]) * (SHAPE * Math.min(1, off[k] / most) + AWAY * apart * apart);
      weights[k] = 1 / (sigma * sigma + (squares ? shape * shape : 0));
    }
    heaviest = scale(weights);
    Bowl bowl = Bowl.through(from, values, weights);
    heaviest /= misfit(bowl, from, values, weights);
    // What brought nothing was too far: half as far each time.
    double reach =
        Math.max(LEAST_REACH, REACH * near * Math.pow(HALF, idle(Math.max(digit, noise))));
    double[] low = new double[n];
    double[] high = new double[n];
    for (int i = 0; i < n; i++) {
      low[i] = Math.max(-points[best][i], -reach);
      high[i] = Math.min(1 - points[best][i], reach);
    }
    double[] down = bowl.lowest(low, high);
    double[] next = points[best].clone();
    for (int i = 0; i < n; i++) {
      next[i] += down[i];
    }
    double gain = Math.max(0, off[best] - reading(bowl.at(down)));
    return decided(best, next, gain, bowl, blur);
  }

  /** How many times as far as they should the readings lie off the bowl, squared; at least once. */
  private double misfit(Bowl bowl, double[][] from, double[] values, double[] weights) {
    double sum = 0;
    for (int k = 0; k < values.length; k++) {
      double off = values[k] - bowl.at(from[k]);
      sum += weights[k] * heaviest * off * off;
    }
    return Math.max(1, MISFIT * sum / Math.max(1, values.length - Bowl.size(n)));
  }

  private static double scale(double[] weights) {
    double most = 0;
    for (double weight : weights) {
      most = Math.max(most, weight);
    }
    for (int k = 0; k < weights.length; k++) {
      weights[k] /= most;
    }
    return most;
  }

  private TrimAdvice decided(int best, double[] next, double gain, Bowl bowl, double blur) {
    double least = Math.max(digit, noise);
    double[] from = from(best, next);
    double sure = bowl.at(from) - SURE * Math.sqrt(bowl.unsure(from) / heaviest);
    double hope = Math.max(0, off[best] - reading(squares ? Math.max(0, sure) : sure));
    int idle = idle(least);
    if (idle >= n && hope <= least * HOPE || idle > MOST_IDLE * n) {
      Phrase why = over(best);
      return told(points[best], gain, true, why);
    }
    if (find(next) >= 0 || gain <= least && isTried(bowl, best, next, least)) {
      return told(beside(best, next, bowl, blur), gain, false, Phrase.of("trim.beside"));
    }
    return told(next, gain, false, edge(next));
  }

  /** Why going on is not worth it. */
  private Phrase over(int best) {
    for (int i = 0; i < n; i++) {
      if (points[best][i] <= 0 || points[best][i] >= 1) {
        return Phrase.of("trim.end", state.knobs().get(i).id());
      }
    }
    return isFlat(best) && off[best] > digit ? Phrase.of("trim.coarse") : Phrase.of("trim.done");
  }

  /** Tells whether the meter could not tell some try from the lowest point, by the bowl. */
  private boolean isTried(Bowl bowl, int best, double[] lowest, double least) {
    double bottom = reading(bowl.at(from(best, lowest)));
    for (double[] each : points) {
      if (reading(bowl.at(from(best, each))) - bottom < TOLD_APART * least) {
        return true;
      }
    }
    return false;
  }

  /** How many tries in a row brought no more than a digit. */
  private int idle(double least) {
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

  /** Tells whether the meter shows the same at most of the tries next to the best. */
  private boolean isFlat(int best) {
    List<Integer> order = new ArrayList<>();
    for (int k = 0; k < points.length; k++) {
      order.add(k);
    }
    order.sort(Comparator.comparingDouble(k -> distance(points[k], points[best])));
    int same = 0;
    for (int k : order.subList(0, Math.min(order.size(), n + 2))) {
      same += off[k] == off[best] ? 1 : 0;
    }
    return same > n;
  }

  /**
   * A try beside the lowest point, where it tells most of the bowl: as far off as the meter shows
   * clearly, in the direction of which least is known.
   */
  private double[] beside(int best, double[] lowest, Bowl bowl, double blur) {
    double clear = value(Math.max(CLEAR * blur, 1.5 * off[best]));
    double[] chosen = lowest;
    double most = -1;
    for (double[] way : ways(bowl)) {
      double[] there = lowest.clone();
      double far = 0.01;
      for (int twice = 0; twice < 6; twice++) {
        for (int i = 0; i < n; i++) {
          there[i] = Math.clamp(lowest[i] + far * way[i], 0, 1);
        }
        if (bowl.at(from(best, there)) > clear) {
          break;
        }
        far *= 2;
      }
      double reads = Math.max(blur, reading(bowl.at(from(best, there))));
      double sigma = squares ? 2 * reads * blur : blur;
      double told = bowl.unsure(from(best, there)) / (sigma * sigma);
      if (find(there) < 0 && told > most) {
        most = told;
        chosen = there;
      }
    }
    return chosen;
  }

  private double[] from(int best, double[] point) {
    double[] d = new double[n];
    for (int i = 0; i < n; i++) {
      d[i] = point[i] - points[best][i];
    }
    return d;
  }

  /** Along the valleys, along each screw and between each two, both ways. */
  private List<double[]> ways(Bowl bowl) {
    List<double[]> all = new ArrayList<>();
    for (double[] axis : bowl.axes()) {
      all.add(axis);
      double[] back = axis.clone();
      for (int i = 0; i < n; i++) {
        back[i] = -axis[i];
      }
      all.add(back);
    }
    for (int i = 0; i < n; i++) {
      for (int sign = -1; sign <= 1; sign += 2) {
        double[] one = new double[n];
        one[i] = sign;
        all.add(one);
        for (int j = i + 1; j < n; j++) {
          for (int other = -1; other <= 1; other += 2) {
            double[] two = one.clone();
            two[j] = other;
            all.add(two);
          }
        }
      }
    }
    return all;
  }

  /** Says where a screw comes to its end, and the model wants it farther. */
  private Phrase edge(double[] next) {
    for (int i = 0; i < n; i++) {
      if (next[i] <= 0 || next[i] >= 1) {
        return Phrase.of("trim.edge", state.knobs().get(i).id());
      }
    }
    return Phrase.of("trim.bowl");
  }
}
