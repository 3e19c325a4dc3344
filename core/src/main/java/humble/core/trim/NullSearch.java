package humble.core.trim;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * Seeks the least amplitude: lays an {@link Imbalance} through all readings, tries its lowest point
 * within reach, or one beside it where it tells most, until the best that was tried is known to lie
 * within little of a digit of what can be reached at all.
 */
final class NullSearch {
  private static final double REACH = 2;
  private static final double LEAST_REACH = 0.02;

  /** How much nearer the next try lies after one that brought nothing. */
  private static final double HALF = 0.6;

  /** So many tries for each knob that bring nothing are enough, whatever is hoped for. */
  private static final int MOST_IDLE = 10;

  /** How far a reading may lie off the model, as a share, half between the ends from the best. */
  private static final double MODEL = 0.15;

  private static final double HALF_WAY = 0.5;

  /** So many times its blur a meter shows clearly. */
  private static final double CLEAR = 2;

  /** So many standard deviations are counted against the best try and for a lower floor. */
  private static final double SURE = 2;

  /** It is reached where no more than this share of a digit may be left. */
  private static final double ENOUGH = 0.6;

  /** Where the meter shows 0 and the model no more than this share of a digit, it is reached. */
  private static final double GONE = 0.4;

  private static final int ZEROS = 3;

  /** So often the same setting is read, where nothing new is left to be tried. */
  private static final int MOST_ALIKE = 3;

  /** How many of the best tries the way down begins at. */
  private static final int STARTS = 4;

  /** How far the shape of a null may be off a bowl's, as a share, at the worst reading. */
  private static final double SHAPE = 0.5;

  /** The same at the distance at which the others lie. */
  private static final double AWAY = 0.1;

  /** What is off a bowl alike everywhere, in squares of the worst reading. */
  private static final double ALIKE = 0.05;

  private final Tried tried;
  private final int best;
  private final double near;
  private final Imbalance model;

  NullSearch(Tried tried) {
    this.tried = tried;
    this.best = tried.best();
    List<Integer> order = tried.nearest(tried.points[best]);
    int last = order.get(Math.min(order.size() - 1, Bowl.size(tried.n)));
    this.near = Math.max(LEAST_REACH, Tried.distance(tried.points[last], tried.points[best]));
    Imbalance.Readings readings = readings();
    Imbalance one = Imbalance.through(readings, tried.points[best], bowl(false));
    Imbalance other = Imbalance.through(readings, tried.points[best], bowl(true));
    this.model = other.cost() < one.cost() ? other : one;
  }

  private Imbalance.Readings readings() {
    double[] unsure = new double[tried.size()];
    for (int k = 0; k < unsure.length; k++) {
      double apart = Tried.distance(tried.points[k], tried.points[best]) / HALF_WAY;
      unsure[k] = Math.hypot(tried.blur, MODEL * tried.off[k] * Math.min(1, apart * apart));
    }
    return new Imbalance.Readings(tried.points, tried.off, unsure, tried.blur);
  }

  private Bowl bowl(boolean alike) {
    int n = tried.n;
    double[][] from = new double[tried.size()][n];
    double[] squares = new double[tried.size()];
    double[] weights = new double[tried.size()];
    double blur = tried.blur;
    for (int k = 0; k < squares.length; k++) {
      for (int i = 0; i < n; i++) {
        from[k][i] = tried.points[k][i] - tried.points[best][i];
      }
      double off = tried.off[k];
      squares[k] = off * off;
      double apart = Math.min(2, Tried.distance(tried.points[k], tried.points[best]) / near);
      double sigma = Math.hypot(2 * off * blur, blur * blur);
      double shape = alike ? ALIKE : squares[k] * (SHAPE * off + AWAY * apart * apart);
      weights[k] = 1 / (sigma * sigma + shape * shape);
    }
    Bowl.scale(weights);
    return Bowl.through(from, squares, weights);
  }

  Found next() {
    int idle = tried.idle();
    double reach = Math.max(LEAST_REACH, REACH * near * Math.pow(HALF, idle));
    Box box = Box.around(tried.points[best], reach);
    double[] lowest = tried.points[best];
    double least = Double.POSITIVE_INFINITY;
    for (int k : tried.byReading().subList(0, Math.min(STARTS, tried.size()))) {
      double[] down = box.downhill(model::at, tried.points[k]);
      if (model.at(down) < least) {
        least = model.at(down);
        lowest = down;
      }
    }
    double[] leave = tried.points[leave()];
    double gain = Math.max(0, model.at(leave) - least);
    double most = model.at(leave) + SURE * model.unsure(leave);
    boolean reached = most - floor(lowest) <= ENOUGH * tried.least;
    // A meter that shows nothing thrice tells nothing any more.
    boolean gone = zeros() >= ZEROS && model.at(leave) < GONE * tried.least;
    if (gone || idle >= tried.n && reached || idle > MOST_IDLE * tried.n) {
      return new Found(leave, gain, Found.Kind.OVER);
    }
    if (tried.find(lowest) < 0) {
      return new Found(lowest, gain, Found.Kind.LOWEST);
    }
    Optional<double[]> beside = beside(lowest);
    if (beside.isPresent()) {
      return new Found(beside.get(), gain, Found.Kind.BESIDE);
    }
    // Nothing new is left to be tried; the same again tells something only of what wavers.
    return tried.state.noise() > 0 && times(lowest) < MOST_ALIKE
        ? new Found(lowest, gain, Found.Kind.BESIDE)
        : new Found(leave, gain, Found.Kind.OVER);
  }

  private int times(double[] point) {
    int times = 0;
    for (double[] each : tried.points) {
      times += tried.find(each) == tried.find(point) ? 1 : 0;
    }
    return times;
  }

  private int zeros() {
    int zeros = 0;
    for (double off : tried.off) {
      zeros += off < 0.5 * tried.digit ? 1 : 0;
    }
    return zeros;
  }

  /** The least that can be reached: what is lower behind the end of a screw cannot. */
  private double floor(double[] lowest) {
    for (double at : lowest) {
      if ((at <= 0 || at >= 1) && tried.find(lowest) >= 0) {
        return Math.max(0, model.at(lowest) - SURE * model.unsure(lowest));
      }
    }
    return model.leastFloor(SURE);
  }

  /** Of the tries that the meter cannot tell from the best, the one that should read least. */
  private int leave() {
    int leave = best;
    for (int k = 0; k < tried.size(); k++) {
      boolean asGood = tried.off[k] <= tried.off[best] + CLEAR * tried.blur;
      if (asGood && model.at(tried.points[k]) < model.at(tried.points[leave])) {
        leave = k;
      }
    }
    return leave;
  }

  /**
   * A try beside the lowest point, where it tells most: as far off as the meter shows clearly, in
   * the direction of which least is known.
   */
  private Optional<double[]> beside(double[] lowest) {
    double clear = Math.max(CLEAR * tried.blur, 1.5 * tried.off[best]);
    Optional<double[]> chosen = Optional.empty();
    double most = -1;
    for (double[] way : ways(lowest)) {
      double[] there = lowest;
      for (double far = 0.01; far < 0.5; far *= 2) {
        there = lowest.clone();
        for (int i = 0; i < there.length; i++) {
          there[i] = Math.clamp(lowest[i] + far * way[i], 0, 1);
        }
        if (model.at(there) > clear) {
          break;
        }
      }
      double unsure = model.unsure(there);
      if (tried.find(there) < 0 && unsure > most) {
        most = unsure;
        chosen = Optional.of(there);
      }
    }
    return chosen;
  }

  /** Along each screw and between each two, along the valleys and across, both ways. */
  private List<double[]> ways(double[] lowest) {
    int n = tried.n;
    List<double[]> all = new ArrayList<>();
    for (int i = 0; i < n; i++) {
      double[] one = new double[n];
      one[i] = 1;
      all.add(one);
      for (int j = i + 1; j < n; j++) {
        for (int other = -1; other <= 1; other += 2) {
          double[] two = one.clone();
          two[j] = other;
          all.add(two);
        }
      }
    }
    all.addAll(List.of(model.axes(lowest)));
    for (double[] way : List.copyOf(all)) {
      double[] back = way.clone();
      for (int i = 0; i < n; i++) {
        back[i] = -back[i];
      }
      all.add(back);
    }
    return all;
  }
}
