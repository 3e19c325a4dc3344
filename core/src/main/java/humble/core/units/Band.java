package humble.core.units;

/**
 * A closed band of values in one unit, {@code low <= high}; the unit is named where the band is
 * used.
 *
 * @param low lower end, included
 * @param high upper end, included
 */
public record Band(double low, double high) {
  public Band {
    if (!(low <= high)) {
      throw new IllegalArgumentException(
          "a band's low end is above its high end: " + low + ", " + high);
    }
  }

  /** Gives the band {@code value ± half}, whatever the sign of {@code half}. */
  public static Band around(double value, double half) {
    double width = Math.abs(half);
    return new Band(value - width, value + width);
  }

  /** Tells whether {@code value} lies in the band, both ends included. */
  public boolean holds(double value) {
    return value >= low && value <= high;
  }

  /** Tells whether {@code other} lies wholly in this band. */
  public boolean holds(Band other) {
    return other.low >= low && other.high <= high;
  }

  /** Tells whether the two bands share no value. */
  public boolean apartFrom(Band other) {
    return other.high < low || other.low > high;
  }

  /** Gives the smallest band that holds both. */
  public Band union(Band other) {
    return new Band(Math.min(low, other.low), Math.max(high, other.high));
  }
}
