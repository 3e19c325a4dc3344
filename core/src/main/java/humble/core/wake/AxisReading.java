package humble.core.wake;

import java.util.List;

/**
 * What one axis of a stick, or a pot, reads: in counts.
 *
 * @param axis its name
 * @param centre median at rest
 * @param low least of the sweep
 * @param high most of the sweep
 * @param noise standard deviation at rest
 * @param deadZone largest distance from the centre at rest
 */
public record AxisReading(
    String axis, double centre, double low, double high, double noise, double deadZone) {
  /** Gives it from the samples taken at rest and while it was swept from end to end. */
  public static AxisReading of(String axis, List<Double> rest, List<Double> sweep) {
    Samples still = new Samples(rest);
    Samples moved = new Samples(sweep);
    double centre = still.median();
    return new AxisReading(
        axis, centre, moved.low(), moved.high(), still.deviation(), still.reach(centre));
  }

  /** Tells whether it reaches far enough to both sides for a range of so many counts. */
  public boolean reaches(int counts) {
    return low <= 0.1 * counts && high >= 0.9 * counts;
  }

  /** Tells whether its rest lies in the middle third of what it reaches. */
  public boolean isCentred() {
    double part = (centre - low) / Math.max(high - low, 1e-9);
    return part > 1 / 3.0 && part < 2 / 3.0;
  }

  /** Tells whether it did not move at all beyond its own noise. */
  public boolean isDead() {
    return high - low <= Math.max(4 * noise, 2);
  }
}
