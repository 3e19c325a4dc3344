package humble.core.power;

import humble.core.circuit.Fault;
import humble.core.circuit.Feed;
import humble.core.units.Band;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/**
 * One stage of powering a board: what the supply and the rails should say, and what it means when
 * they do not.
 *
 * @param state state of the kit
 * @param feed what feeds it
 * @param nominalMa current of a board with every part at its nominal value, in milliamperes
 * @param expectMa currents of 95 % of boards, in milliamperes
 * @param limitMa current limit to set; null where only batteries feed
 * @param series the resistor that limits where the supply does not
 * @param inrushS how long the limit light shines while the capacitors fill, in seconds
 * @param rails what feeding nets should read
 * @param hints what the usual mistakes do to the supply
 * @param heats heat of every regulator, at the end of the supply's range where it is hottest
 * @param lights current of every light that shines, in milliamperes
 * @param pins current of every driven pin, in milliamperes
 * @param scans matrices of lights scanned from this state
 * @param before what a meter says across the feed without power; null where it would say nothing
 * @param unmodelled refs of parts that take current of which the kit says nothing
 */
public record PoweredStage(
    String state,
    Feed feed,
    double nominalMa,
    Band expectMa,
    @Nullable Double limitMa,
    SeriesResistor series,
    double inrushS,
    List<Rail> rails,
    List<Hint> hints,
    List<Heat> heats,
    List<Draw> lights,
    List<Draw> pins,
    List<Multiplex> scans,
    @Nullable OhmsBefore before,
    List<String> unmodelled) {
  public PoweredStage {
    rails = List.copyOf(rails);
    hints = List.copyOf(hints);
    heats = List.copyOf(heats);
    lights = List.copyOf(lights);
    pins = List.copyOf(pins);
    scans = List.copyOf(scans);
    unmodelled = List.copyOf(unmodelled);
  }

  /** Gives what a meter says across the feed without power; empty where it would say nothing. */
  public Optional<OhmsBefore> ohmsBefore() {
    return Optional.ofNullable(before);
  }

  /** A feeding net with the band of 95 % of boards, in volts. */
  public record Rail(String net, Band volts) {}

  /** What shows at the supply. */
  public enum Sign {
    LIMIT,
    MUCH,
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
