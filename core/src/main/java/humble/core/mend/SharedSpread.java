package humble.core.mend;

/**
 * What is known of the things that move many readings at once, the volts of the feed and of each
 * regulator in units of one σ, after the readings of one suspect: a Kalman filter of a few numbers.
 * Without it every reading of one rail would count anew what the first has told.
 */
final class SharedSpread {
  private final double[] mean;
  private final double[][] spread;

  SharedSpread(int size) {
    this.mean = new double[size];
    this.spread = new double[size][size];
    for (int i = 0; i < size; i++) {
      spread[i][i] = 1;
    }
  }

  /** Gives by how much they move a reading, by what is known of them. */
  double shift(double[] moves) {
    double shift = 0;
    for (int i = 0; i < moves.length; i++) {
      shift += moves[i] * mean[i];
    }
    return shift;
  }

  /** Gives the variance that they still leave it. */
  double variance(double[] moves) {
    double variance = 0;
    for (int i = 0; i < moves.length; i++) {
      for (int k = 0; k < moves.length; k++) {
        variance += moves[i] * spread[i][k] * moves[k];
      }
    }
    return variance;
  }

  /** Learns from a reading that is off by {@code off} and has {@code ownVariance} of its own. */
  void learn(double[] moves, double off, double ownVariance) {
    double whole = ownVariance + variance(moves);
    if (!(whole > 0)) {
      return;
    }
    double[] gain = new double[moves.length];
    for (int i = 0; i < moves.length; i++) {
      for (int k = 0; k < moves.length; k++) {
        gain[i] += spread[i][k] * moves[k];
      }
      gain[i] /= whole;
    }
    double[][] before = new double[moves.length][];
    for (int i = 0; i < moves.length; i++) {
      before[i] = spread[i].clone();
    }
    for (int i = 0; i < moves.length; i++) {
      mean[i] += gain[i] * off;
      for (int k = 0; k < moves.length; k++) {
        double taken = 0;
        for (int m = 0; m < moves.length; m++) {
          taken += moves[m] * before[m][k];
        }
        spread[i][k] -= gain[i] * taken;
      }
    }
  }
}
