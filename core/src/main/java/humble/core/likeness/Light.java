package humble.core.likeness;

import java.util.Locale;
import java.util.Optional;

/** What lights the bench, by the chromaticity of its white. */
public enum Light {
  /** D65. */
  DAYLIGHT(0.31270, 0.32900),
  /** Illuminant A, a filament or a warm lamp. */
  WARM(0.44757, 0.40745),
  /** D75, a cool lamp. */
  COOL(0.29902, 0.31485);

  private final double x;
  private final double y;

  Light(double x, double y) {
    this.x = x;
    this.y = y;
  }

  /** Gives the light of that name. */
  public static Optional<Light> named(String name) {
    for (Light light : values()) {
      if (light.name().toLowerCase(Locale.ROOT).equals(name)) {
        return Optional.of(light);
      }
    }
    return Optional.empty();
  }

  double[] whiteXyz() {
    return new double[] {x / y, 1, (1 - x - y) / y};
  }
}
