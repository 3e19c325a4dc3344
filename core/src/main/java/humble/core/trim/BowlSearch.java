package humble.core.trim;

/**
 * Seeks the least of anything that is no amplitude: a bowl through the readings near the best one,
 * far ones counting less, and its lowest point.
 */
final class BowlSearch {
  private static final double REACH = 2;
  private static final double LEAST_REACH = 0.02;

  /** How much nearer the next try lies after one that brought nothing. */
  private static final double HALF = 0.6;

  private static final int MOST_IDLE = 10;

  /** How much what lies off the bowl counts against being sure of it. */
  private static final double MISFIT = 4;

  /** So many standard deviations below what the bowl says may still be hoped for. */
  private static final double SURE = 3;

  /** Going on is worth it while more than this share of a digit may be hoped for. */
  private static final double HOPE = 0.3;

  private final Tried tried;
  private final int best;

  BowlSearch(Tried tried) {
    this.tried = tried;
    this.best = tried.best();
  }

  Found next() {
    int n = tried.n;
    java.util.List<Integer> order = tried.nearest(tried.points[best]);
    int last = order.get(Math.min(order.size() - 1, Bowl.size(n)));
    double near = Math.max(LEAST_REACH, Tried.distance(tried.points[last], tried.points[best]));
    double[][] from = new double[tried.size()][];
    double[] weights = new double[tried.size()];
    for (int k = 0; k < from.length; k++) {
      from[k] = from(tried.points[k]);
      // The farther from the bottom, the less its shape is that of a bowl.
      double apart = Tried.distance(tried.points[k], tried.points[best]) / near;
      weights[k] = 1 / (1 + apart * apart * apart * apart);
    }
    Bowl bowl = Bowl.through(from, tried.off, weights);
    double sum = 0;
    for (int k = 0; k < from.length; k++) {
      double off = tried.off[k] - bowl.at(from[k]);
      sum += weights[k] * off * off;
    }
    double sigma =
        Math.hypot(tried.blur, Math.sqrt(MISFIT * sum / Math.max(1, from.length - Bowl.size(n))));
    int idle = tried.idle();
    double reach = Math.max(LEAST_REACH, REACH * near * Math.pow(HALF, idle));
    Box box = Box.around(tried.points[best], reach);
    double[] down = bowl.lowest(from(box.low()), from(box.high()));
    double[] lowest = tried.points[best].clone();
    for (int i = 0; i < n; i++) {
      lowest[i] += down[i];
    }
    double gain = Math.max(0, tried.off[best] - bowl.at(down));
    double hope = tried.off[best] - bowl.at(down) + SURE * sigma * Math.sqrt(bowl.unsure(down));
    if (idle >= n && hope <= HOPE * tried.least || idle > MOST_IDLE * n) {
      return new Found(tried.points[best], gain, Found.Kind.OVER);
    }
    return tried.find(lowest) >= 0
        ? new Found(beside(lowest, bowl, reach), gain, Found.Kind.BESIDE)
        : new Found(lowest, gain, Found.Kind.LOWEST);
  }

  private double[] from(double[] point) {
    double[] d = new double[point.length];
    for (int i = 0; i < d.length; i++) {
      d[i] = point[i] - tried.points[best][i];
    }
    return d;
  }

  /** A try beside the lowest point, in the direction of which least is known. */
  private double[] beside(double[] lowest, Bowl bowl, double reach) {
    double[] chosen = lowest;
    double most = -1;
    for (double[] way : bowl.axes()) {
      for (int sign = -1; sign <= 1; sign += 2) {
        double[] there = lowest.clone();
        for (int i = 0; i < there.length; i++) {
          there[i] = Math.clamp(lowest[i] + sign * reach / 2 * way[i], 0, 1);
        }
        double unsure = bowl.unsure(from(there));
        if (tried.find(there) < 0 && unsure > most) {
          most = unsure;
          chosen = there;
        }
      }
    }
    return chosen;
  }
}
