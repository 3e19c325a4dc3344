package humble.core.likeness;

import java.util.Locale;
import java.util.Optional;

/**
 * Whose eyes look: a matrix over linear sRGB, from table 1 of Machado, Oliveira and Fernandes 2009
 * at severity 1.
 */
public enum Eyes {
  NORMAL(new double[][] {{1, 0, 0}, {0, 1, 0}, {0, 0, 1}}),
  PROTAN(
      new double[][] {
        {0.152286, 1.052583, -0.204868},
        {0.114503, 0.786281, 0.099216},
        {-0.003882, -0.048116, 1.051998}
      }),
  DEUTAN(
      new double[][] {
        {0.367322, 0.860646, -0.227968},
        {0.280085, 0.672501, 0.047413},
        {-0.011820, 0.042940, 0.968881}
      }),
  TRITAN(
      new double[][] {
        {1.255528, -0.076749, -0.178779},
        {-0.078411, 0.930809, 0.147602},
        {0.004733, 0.691367, 0.303900}
      });

  private final double[][] matrix;

  Eyes(double[][] matrix) {
    this.matrix = matrix;
  }

  /** Gives the eyes of that name. */
  public static Optional<Eyes> named(String name) {
    for (Eyes eyes : values()) {
      if (eyes.name().toLowerCase(Locale.ROOT).equals(name)) {
        return Optional.of(eyes);
      }
    }
    return Optional.empty();
  }

  double[] see(double[] linearRgb) {
    double[] seen = Paint.times(matrix, linearRgb);
    for (int i = 0; i < 3; i++) {
      seen[i] = Math.clamp(seen[i], 0, 1);
    }
    return seen;
  }
}
