package humble.core.circuit;

import humble.core.kit.BoardState;
import humble.core.kit.Parts;
import java.util.List;

/** What an ohmmeter shows between two nets of an unpowered board. */
public final class OhmMeter {
  private OhmMeter() {}

  /** What the meter shows. */
  public sealed interface Reading {
    /** So many ohms. */
    record Ohms(double ohms) implements Reading {}

    /** More than 10 MΩ. */
    record Open() implements Reading {}

    /** No operating point was found, so that nothing can be said. */
    record Unsolved(String why) implements Reading {}
  }

  /**
   * Gives the reading.
   *
   * @param red net or pin that the current goes into
   * @param black net or pin that it comes out of
   * @throws CircuitInput when the state, a fault or a net is none of the kit's
   */
  public static Reading between(
      Parts parts, BoardState state, String red, String black, List<Fault> faults) {
    return new OhmBench(parts, state).between(red, black, faults);
  }
}
