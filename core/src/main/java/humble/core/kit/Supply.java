package humble.core.kit;

import humble.core.units.Band;
import org.jspecify.annotations.Nullable;

/**
 * What feeds the board.
 *
 * @param id name within the kit
 * @param volts set voltage
 * @param limitMa current limit, in milliamperes
 * @param plus pin or net of the plus side
 * @param minus pin or net of the minus side
 * @param rangeV voltages the board takes, when given
 * @param polarity how its plug is wired, such as {@code centre-plus}; empty when nothing is said
 */
public record Supply(
    String id,
    double volts,
    double limitMa,
    String plus,
    String minus,
    @Nullable Band rangeV,
    String polarity) {
  /** Gives this supply with its plug wired otherwise. */
  public Supply wired(String otherPolarity) {
    return new Supply(id, volts, limitMa, plus, minus, rangeV, otherPolarity);
  }

  /** Gives this supply set to another voltage and another limit. */
  public Supply with(double otherVolts, double otherLimitMa) {
    return new Supply(id, otherVolts, otherLimitMa, plus, minus, rangeV, polarity);
  }
}
