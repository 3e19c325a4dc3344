package humble.core.circuit;

import humble.core.kit.BoardState;
import humble.core.kit.Kit;
import humble.core.kit.Model;
import humble.core.kit.Part;
import humble.core.kit.Parts;
import humble.core.kit.Supply;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;

/**
 * What an ohmmeter shows between two nets of an unpowered board: a test current of 100 µA, or 0.2 V
 * where that would need more, so that junctions stay off. Supplies and batteries are out, outputs
 * are off, switches stand as in the state.
 */
public final class OhmMeter {
  private static final double TEST_MA = 0.1;
  private static final double TEST_V = 0.2;
  private static final double OPEN_OHM = 10e6;

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
    for (String net : List.of(red, black)) {
      if (parts.net(net).isEmpty()) {
        throw new CircuitInput("'" + net + "' is neither a net nor a pin on one.");
      }
    }
    if (parts.net(red).equals(parts.net(black))) {
      return new Reading.Ohms(0);
    }
    Kit kit =
        parts.kit().withSupplies(List.of(new Supply("ohms", TEST_V, TEST_MA, red, black, null)));
    List<String> absent = new ArrayList<>(state.absent());
    parts.all().stream()
        .filter(part -> part.model() instanceof Model.Battery)
        .map(Part::ref)
        .forEach(absent::add);
    BoardState dead =
        new BoardState(
            state.id(),
            state.title(),
            "ohms",
            absent,
            state.closed(),
            Map.of(),
            state.set(),
            state.choose(),
            Map.of());
    return switch (new DcSolver(Parts.of(kit)).solve(dead, faults)) {
      case DcOutcome.Unsolved unsolved -> new Reading.Unsolved(unsolved.why());
      case DcOutcome.Solved solved -> reading(solved.result().supply());
    };
  }

  private static Reading reading(DcResult.@Nullable SupplyReading shown) {
    if (shown == null) {
      return new Reading.Open();
    }
    double ohms = shown.volts() / (shown.ma() / 1000);
    return ohms >= 0 && ohms <= OPEN_OHM ? new Reading.Ohms(ohms) : new Reading.Open();
  }
}
