package humble.core.trim;

import java.util.Optional;

/**
 * The tries that are laid round the first one: twice along each knob, going downhill, and once
 * between each two. They are as many as a bowl has numbers.
 */
final class FirstTries {
  private static final double SHARE = 0.25;

  private final Tried tried;

  FirstTries(Tried tried) {
    this.tried = tried;
  }

  /** Gives the next one, as shares; empty once they are all there. */
  Optional<double[]> next() {
    int n = tried.n;
    double[] middle = tried.points[0];
    double[] off = tried.off;
    double[][] axis = new double[n][];
    for (int i = 0; i < n; i++) {
      double[] one = middle.clone();
      one[i] = middle[i] + (middle[i] > 0.5 ? -SHARE : SHARE);
      int first = tried.find(one);
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
      int second = tried.find(two);
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
        if (tried.find(both) < 0) {
          return Optional.of(both);
        }
      }
    }
    return Optional.empty();
  }
}
