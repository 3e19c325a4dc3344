package humble.core.kit;

import java.util.List;

/**
 * A known part that an instrument is held to.
 *
 * @param id name within the kit
 * @param title what people call it
 * @param kind what is known: resistor, capacitor, inductor, diode, voltage, current or frequency
 * @param nominal what it should read, in the base unit
 * @param tolerancePct within how much of that it should read, in per cent
 * @param meter how far the instrument may be off: per cent of reading, counts, worth of a count,
 *     such as {@code 1%+2@10p}; empty where the kit does not say
 * @param loose the loose part that it needs, or empty
 * @param terminals pins that it goes between; none where the kit does not say
 * @param polarised whether it matters which way round
 * @param after gates, peripherals, trims and calibrations that come before
 */
public record Proof(
    String id,
    String title,
    String kind,
    double nominal,
    double tolerancePct,
    String meter,
    String loose,
    List<String> terminals,
    boolean polarised,
    List<String> after) {
  /** The kinds of things that are known, with their units. */
  public static final java.util.Map<String, String> UNITS =
      java.util.Map.of(
          "resistor", "Ω",
          "capacitor", "F",
          "inductor", "H",
          "diode", "V",
          "voltage", "V",
          "current", "A",
          "frequency", "Hz");

  public Proof {
    terminals = List.copyOf(terminals);
    after = List.copyOf(after);
  }

  /** Gives the unit that it is read in. */
  public String unit() {
    return UNITS.getOrDefault(kind, "");
  }

  /** Tells whether it may hold a charge that has to go first. */
  public boolean mayBeCharged() {
    return kind.equals("capacitor");
  }
}
