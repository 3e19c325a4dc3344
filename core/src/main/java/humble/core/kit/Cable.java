package humble.core.kit;

import java.util.List;
import java.util.stream.IntStream;

/**
 * A cable between two connectors on boards of their own: pin k to pin k.
 *
 * @param id name within the kit
 * @param pins conductors
 * @param a connector at one end
 * @param b connector at the other
 */
public record Cable(String id, int pins, String a, String b) {
  /** Resistance of a conductor with both its contacts, in ohms. */
  public static final double CONDUCTOR_OHM = 0.01;

  /** The only way that a cable joins its pins. */
  public static final String STRAIGHT = "straight";

  /** One conductor, from a pin to a pin. */
  public record Conductor(PinRef from, PinRef to) {}

  /**
   * Gives its conductors.
   *
   * @param turned whether one end is plugged in the other way round: pin k meets n + 1 − k
   */
  public List<Conductor> conductors(boolean turned) {
    return IntStream.rangeClosed(1, pins)
        .mapToObj(k ->
            new Conductor(
                new PinRef(a, Integer.toString(k)),
                new PinRef(b, Integer.toString(turned ? pins + 1 - k : k))))
        .toList();
  }

  /** Tells whether it ends at a part. */
  public boolean endsAt(String ref) {
    return a.equals(ref) || b.equals(ref);
  }
}
