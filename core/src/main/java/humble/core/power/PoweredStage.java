package humble.core.power;

import humble.core.circuit.Fault;
import humble.core.circuit.OhmBench;
import humble.core.units.Band;
import java.util.List;
import java.util.OptionalDouble;
import org.jspecify.annotations.Nullable;

/**
 * One stage of powering a board: what the supply and the rails should say, and what it means when
 * they do not.
 *
 * @param state state of the kit
 * @param supplyVolts voltage to set
 * @param nominalMa current of a board with every part at its nominal value, in milliamperes
 * @param expectMa currents of 95 % of boards, in milliamperes
 * @param limitMa current limit to set, in milliamperes
 * @param rails what feeding nets should read
 * @param hints what the usual mistakes do to the supply
 * @param heats heat of every regulator
 * @param lights current of every light that shines, in milliamperes
 * @param pins current of every driven pin, in milliamperes
 * @param scans matrices of lights scanned from this state
 * @param ohmsBefore ohms between the supply's two nets without power; empty for open or unknown
 */
public record PoweredStage(
    String state,
    double supplyVolts,
    double nominalMa,
    Band expectMa,
    double limitMa,
    List<Rail> rails,
    List<Hint> hints,
    List<Heat> heats,
    List<Draw> lights,
    List<Draw> pins,
    List<Multiplex> scans,
    OptionalDouble ohmsBefore) {
  public PoweredStage {
    rails = List.copyOf(rails);
    hints = List.copyOf(hints);
    heats = List.copyOf(heats);
    lights = List.copyOf(lights);
    pins = List.copyOf(pins);
    scans = List.copyOf(scans);
  }

  /** Below this part of the expected ohms between the rails a board is not powered. */
  private static final double LEAST_OHMS_PART = 0.1;

  /** Gives the ohms between the supply's two nets below which the board is not powered. */
  public double leastOhms() {
    return LEAST_OHMS_PART * ohmsBefore.orElse(OhmBench.OPEN_OHM);
  }

  /** A feeding net with the band of 95 % of boards, in volts. */
  public record Rail(String net, Band volts) {}

  /** What shows at the supply. */
  public enum Sign {
    LIMIT,
    LITTLE
  }

  /** Mistakes that show at the supply in the same way, the likeliest first. */
  public record Hint(Sign sign, List<Fault> faults) {
    public Hint {
      faults = List.copyOf(faults);
    }
  }

  /** The heat of a regulator: watts, and its junction with 25 and with 40 °C around it. */
  public record Heat(
      String ref, double watts, double junctionAt25C, double junctionAt40C, boolean inDropout) {}

  /**
   * A current, in milliamperes, with the most that the part survives, when the kit says so.
   *
   * @param at ref of a light, or pin
   */
  public record Draw(String at, double ma, @Nullable Double mostMa) {}
}
