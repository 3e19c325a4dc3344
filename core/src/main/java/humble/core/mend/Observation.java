package humble.core.mend;

import humble.core.kit.BoardState;
import humble.core.kit.Parts;
import humble.core.units.Quantity;
import humble.core.units.QuantityText;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Something that was read or seen on a board that does not do what it should. */
public sealed interface Observation {
  /**
   * A reading.
   *
   * @param measure what was measured
   * @param value reading, in the base unit; infinite for {@code open}
   * @param lastDigit worth of the last digit written, in the base unit
   */
  record Reading(Measure measure, double value, double lastDigit) implements Observation {}

  /** Something seen, felt or smelt at a part. */
  record Seen(Sight sight, String ref) implements Observation {}

  /**
   * Reads {@code V(5V)=3.1}; empty when it is no measure of this board or no value.
   *
   * @param text measure, {@code =}, value with prefix and unit as written
   */
  static Optional<Observation> reading(String text, Parts parts, BoardState state) {
    int equals = text.lastIndexOf('=');
    if (equals < 0) {
      return Optional.empty();
    }
    return Measure.parse(text.substring(0, equals), parts, state)
        .filter(measure -> !(measure instanceof Measure.Look))
        .flatMap(measure -> value(measure, text.substring(equals + 1).strip()));
  }

  private static Optional<Observation> value(Measure measure, String written) {
    if (measure instanceof Measure.Ohms && written.equals("open")) {
      return Optional.of(new Reading(measure, Double.POSITIVE_INFINITY, 0));
    }
    Matcher unit = Pattern.compile("(.*\\S)\\s*(?:V|A|Ω|ohm)").matcher(written);
    String number = unit.matches() ? unit.group(1) : written;
    boolean negative = number.startsWith("-") || number.startsWith("−");
    String plain = negative ? number.substring(1) : number;
    return Quantity.parse(plain) instanceof QuantityText.Read read
        ? Optional.of(
            new Reading(measure, negative ? -read.value() : read.value(), read.resolution()))
        : Optional.empty();
  }

  /** Reads {@code dark:LED3}; empty when there is no such sight or part, or the part has it not. */
  static Optional<Observation> seen(String text, Parts parts) {
    int colon = text.indexOf(':');
    return colon < 0
        ? Optional.empty()
        : Sight.named(text.substring(0, colon))
            .filter(
                sight -> parts.part(text.substring(colon + 1)).filter(sight::mayBeOf).isPresent())
            .map(sight -> new Seen(sight, text.substring(colon + 1)));
  }
}
