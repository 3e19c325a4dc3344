package humble.core.power;

import humble.core.circuit.Fault;
import humble.core.circuit.Feed;
import humble.core.kit.Measured;
import humble.core.units.Band;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/**
 * What a gate should read, and what to set for it. Readings are in the unit of what is measured:
 * volts, amperes, ohms.
 *
 * @param measure what is measured
 * @param nominal reading of a board with every part at its nominal value; infinite for open
 * @param window readings that are as expected
 * @param powered what feeds the board, and how it is set; null where it is measured unpowered, or
 *     where nothing is known of the current
 * @param otherwise what likely mistakes would read instead
 */
public record Expectation(
    Measured measure,
    double nominal,
    Band window,
    @Nullable Powered powered,
    List<IfInstead> otherwise) {
  /** Readings closer than this part of the window's upper end are told apart by no meter. */
  private static final double ALIKE_PART = 0.015;

  public Expectation {
    otherwise = List.copyOf(otherwise);
  }

  /**
   * How the board is powered.
   *
   * @param feed what feeds it
   * @param currentMa what the supply or the batteries should give, in milliamperes
   * @param limitMa current limit to set; null where only batteries feed
   */
  public record Powered(Feed feed, Band currentMa, @Nullable Double limitMa) {}

  /** Gives how the board is powered. */
  public Optional<Powered> power() {
    return Optional.ofNullable(powered);
  }

  /** Tells whether no meter tells two mistakes apart. */
  boolean alike(IfInstead a, IfInstead b) {
    double least = ALIKE_PART * Math.max(Math.abs(a.value()), Math.abs(b.value()));
    double floor = measure == Measured.VOLTAGE ? 0.05 : 0;
    boolean near =
        a.value() == b.value() || Math.abs(a.value() - b.value()) < Math.max(floor, least);
    return near && a.limited() == b.limited();
  }

  /**
   * What a mistake would make the meter and the supply say.
   *
   * @param fault the mistake
   * @param value reading, in the unit of what is measured
   * @param ma supply current, in milliamperes
   * @param limited whether the limit light comes on
   */
  public record IfInstead(Fault fault, double value, double ma, boolean limited) {}
}
