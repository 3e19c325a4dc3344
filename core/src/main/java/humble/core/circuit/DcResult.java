package humble.core.circuit;

import java.util.Map;
import java.util.SequencedMap;
import org.jspecify.annotations.Nullable;

/**
 * The operating point of a board.
 *
 * @param nets volts by net, null for a net that nothing holds
 * @param pins volts of pins lifted off their nets by an open joint
 * @param parts currents by part
 * @param supply what the supply shows, null without one
 * @param regulators heat and dropout by regulator
 */
public record DcResult(
    SequencedMap<String, @Nullable Double> nets,
    Map<String, @Nullable Double> pins,
    SequencedMap<String, PartCurrent> parts,
    @Nullable SupplyReading supply,
    SequencedMap<String, RegulatorHeat> regulators) {

  /** The current of a part, in milliamperes, and whether it shines (null when it cannot). */
  public record PartCurrent(double ma, @Nullable Boolean lit) {}

  /** What the supply shows. */
  public record SupplyReading(double volts, double ma, boolean limited) {}

  /** The heat of a regulator at 25 °C around it. */
  public record RegulatorHeat(double watts, double junctionC, boolean inDropout) {}

  /** Gives the volts of a net; null when it floats or is unknown. */
  public @Nullable Double volts(String net) {
    return nets.get(net);
  }
}
