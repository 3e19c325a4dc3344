package humble.core.power;

import humble.core.circuit.Fault;
import humble.core.circuit.OhmBench;
import humble.core.circuit.OhmMeter;
import humble.core.kit.BoardState;
import humble.core.kit.Model;
import humble.core.kit.Part;
import humble.core.kit.Parts;
import humble.core.units.Band;
import humble.core.units.Spread;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;

/**
 * What an ohmmeter shows between two points of an unpowered board, and how far boards differ in it:
 * every resistor in turn one σ higher, to first order.
 */
final class OhmWindow {
  /** A junction that changes the reading by more than this part decides it. */
  private static final double DECIDES_PART = 0.1;

  private final Parts parts;
  private final BoardState state;
  private final OhmBench bench;
  private final String red;
  private final String black;

  OhmWindow(Parts parts, BoardState state, String red, String black) {
    this.parts = parts;
    this.state = state;
    this.bench = new OhmBench(parts, state);
    this.red = red;
    this.black = black;
  }

  /** Gives the ohms of a board as designed; infinite for open, empty when nothing can be said. */
  OptionalDouble nominal() {
    return ohms(List.of());
  }

  /** Gives the ohms of a board with a mistake. */
  OptionalDouble with(Fault fault) {
    return ohms(List.of(fault));
  }

  private OptionalDouble ohms(List<Fault> faults) {
    return switch (bench.between(red, black, faults)) {
      case OhmMeter.Reading.Ohms read -> OptionalDouble.of(read.ohms());
      case OhmMeter.Reading.Open open -> OptionalDouble.of(Double.POSITIVE_INFINITY);
      case OhmMeter.Reading.Unsolved unsolved -> OptionalDouble.empty();
    };
  }

  /** Gives the band of 95 boards in a hundred. */
  Band band() {
    double nominal = nominal().orElse(Double.POSITIVE_INFINITY);
    if (Double.isInfinite(nominal)) {
      return new Band(OhmBench.OPEN_OHM, Double.POSITIVE_INFINITY);
    }
    double squares = 0;
    for (Part part : parts.all()) {
      Double tolerance = part.line().tolerancePct();
      if (part.model() instanceof Model.Resistor resistor
          && tolerance != null
          && parts.isOn(part.ref(), state)) {
        double more = resistor.ohms() * (1 + Spread.sigma(tolerance / 100));
        double moved =
            ohms(List.of(new Fault.WrongValue(part.ref(), more, ""))).orElse(nominal) - nominal;
        squares += Double.isInfinite(moved) ? 0 : moved * moved;
      }
    }
    return Band.around(nominal, Spread.half95(Math.sqrt(squares)));
  }

  /**
   * Tells whether a junction decides the reading: it is another with the probes the other way
   * round, or with more volts.
   *
   * @param tested what a tester with more volts finds
   */
  boolean isDecidedByJunction(Optional<OhmBench.Tested> tested) {
    double whole = nominal().orElse(0);
    double turned = new OhmWindow(parts, state, black, red).nominal().orElse(0);
    double more =
        tested
            .map(at -> at.amps() > 0 ? at.volts() / at.amps() : Double.POSITIVE_INFINITY)
            .map(ohms -> ohms > OhmBench.OPEN_OHM ? Double.POSITIVE_INFINITY : ohms)
            .orElse(whole);
    return differ(whole, turned) || differ(whole, more);
  }

  private static boolean differ(double a, double b) {
    if (Double.isInfinite(a) || Double.isInfinite(b)) {
      return Double.isInfinite(a) != Double.isInfinite(b);
    }
    return Math.abs(a - b) > DECIDES_PART * Math.max(Math.abs(a), Math.abs(b));
  }
}
