package humble.core.marking;

import humble.core.units.Band;
import humble.core.units.Engineering;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/**
 * One way to read what is printed on a part.
 *
 * @param as what kind of part it would be
 * @param value value in the base unit of the kind
 * @param tolerancePct how far the value may be off, in per cent of it; null when nothing is printed
 * @param volts rated voltage, in volts; null when nothing is printed
 */
public record MarkReading(
    Kind as, double value, @Nullable Band tolerancePct, @Nullable Double volts) {

  /** What a code may be printed on. */
  public enum Kind {
    CAPACITOR("F"),
    RESISTOR("Ω"),
    INDUCTOR("H"),
    CRYSTAL("Hz");

    private final String unit;

    Kind(String unit) {
      this.unit = unit;
    }

    /** Gives the kind of that name. */
    public static Optional<Kind> named(String name) {
      for (Kind kind : values()) {
        if (kind.text().equals(name)) {
          return Optional.of(kind);
        }
      }
      return Optional.empty();
    }

    /** Gives the name used in commands. */
    public String text() {
      return name().toLowerCase(java.util.Locale.ROOT);
    }

    /** Gives the sign of the base unit. */
    public String unit() {
      return unit;
    }
  }

  /** Gives the value as it is written: {@code 4.7 µF}. */
  public String text() {
    return Engineering.nominal(value, as.unit());
  }
}
