package humble.core.marking;

import java.util.Map;
import java.util.Optional;

/**
 * The voltage codes of capacitors after EIA-198 and JIS C 5101: a digit for the power of ten and a
 * letter for the step.
 */
final class VoltageCode {
  private static final Map<Character, Double> STEPS =
      Map.ofEntries(
          Map.entry('A', 1.0),
          Map.entry('B', 1.25),
          Map.entry('C', 1.6),
          Map.entry('D', 2.0),
          Map.entry('E', 2.5),
          Map.entry('F', 3.15),
          Map.entry('V', 3.5),
          Map.entry('G', 4.0),
          Map.entry('W', 4.5),
          Map.entry('H', 5.0),
          Map.entry('J', 6.3),
          Map.entry('K', 8.0));

  private VoltageCode() {}

  /** Gives the volts of a code such as {@code 1H}, 50 V; empty when it is none. */
  static Optional<Double> volts(String code) {
    if (code.length() != 2 || code.charAt(0) < '0' || code.charAt(0) > '3') {
      return Optional.empty();
    }
    Double step = STEPS.get(code.charAt(1));
    double power = Math.pow(10, code.charAt(0) - '0');
    return step == null ? Optional.empty() : Optional.of(Math.round(step * power * 100) / 100.0);
  }
}
