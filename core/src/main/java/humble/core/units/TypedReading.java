package humble.core.units;

import java.util.List;

/**
 * A reading typed on a keypad that has no letters: its prefix is guessed from what is expected
 * here. A letter that was typed wins; moving on goes to the next prefix that makes sense.
 *
 * <p>The guess is careful: another prefix than the usual one is taken only where it brings the
 * reading within a factor of about three of something expected and nearer than the usual one does.
 * A low reading is thus never taken for a high one that nobody expects.
 *
 * @param typed what was typed
 * @param kind what is read
 * @param expected what may be read here, in the base unit, the likeliest first; may be empty
 * @param moved how often the next prefix was asked for
 */
public record TypedReading(String typed, Kind kind, List<Double> expected, int moved) {
  private static final double NEAR_DECADES = 0.5;

  public TypedReading {
    expected = List.copyOf(expected);
  }

  /** What a meter is set to. */
  public enum Kind {
    /** Volts, also in millivolts. */
    VOLTS("V", 0.05, "", "m"),
    /** Current, on a supply's display: in milliamperes, also in amperes and microamperes. */
    AMPS("A", 1e-4, "m", "", "µ"),
    /** Ohms, also in kiloohms and megaohms. */
    OHMS("Ω", 1, "", "k", "M"),
    /** Farads, as they are printed: in nanofarads, also in picofarads and microfarads. */
    FARADS("F", 1e-13, "n", "p", "µ");

    private final String unit;
    private final double least;
    private final List<String> prefixes;

    Kind(String unit, double least, String... prefixes) {
      this.unit = unit;
      this.least = least;
      this.prefixes = List.of(prefixes);
    }

    /** Gives the unit without a prefix. */
    public String unit() {
      return unit;
    }
  }

  /** Gives the prefix that counts: the letter typed, else the one guessed or moved to. */
  public String prefix() {
    return Quantity.parse(typed) instanceof QuantityText.Read read && !read.prefix().isEmpty()
        ? read.prefix()
        : kind.prefixes.get((guessed() + moved) % kind.prefixes.size());
  }

  /** Gives the unit with its prefix, as it stands beside the digits. */
  public String unit() {
    return prefix() + kind.unit;
  }

  /** Gives the reading in the base unit, or why it cannot be read. */
  public QuantityText value() {
    QuantityText read = Quantity.parse(typed);
    if (read instanceof QuantityText.Read r && r.prefix().isEmpty()) {
      double scale = scale(prefix());
      return new QuantityText.Read(r.value() * scale, prefix(), r.resolution() * scale);
    }
    return read;
  }

  /** Gives the reading with its prefix, as the journal and the command line write it. */
  public String text() {
    return Quantity.parse(typed) instanceof QuantityText.Read read && read.prefix().isEmpty()
        ? typed.strip() + prefix().replace('µ', 'u')
        : typed.strip();
  }

  private int guessed() {
    if (!(Quantity.parse(typed) instanceof QuantityText.Read read)) {
      return ofExpected();
    }
    int best = 0;
    double nearest = decades(read.value() * scale(kind.prefixes.getFirst()));
    for (int i = 1; i < kind.prefixes.size(); i++) {
      double value = read.value() * scale(kind.prefixes.get(i));
      // As little as nothing is near every other nothing, which says nothing of its prefix.
      double off = Math.abs(value) < kind.least ? Double.POSITIVE_INFINITY : decades(value);
      if (off < NEAR_DECADES && off < nearest) {
        best = i;
        nearest = off;
      }
    }
    return best;
  }

  /** Before anything is typed: the prefix of what is likeliest. */
  private int ofExpected() {
    double likeliest =
        expected.stream().filter(Double::isFinite).mapToDouble(Math::abs).findFirst().orElse(0);
    int best = 0;
    for (int i = 1; i < kind.prefixes.size(); i++) {
      double scale = scale(kind.prefixes.get(i));
      if (kind == Kind.OHMS && likeliest >= scale) {
        best = i;
      }
    }
    return best;
  }

  /** How many decades a reading is off the nearest that is expected. */
  private double decades(double value) {
    return expected.stream()
        .filter(Double::isFinite)
        .mapToDouble(each -> Math.abs(log(value) - log(each)))
        .min()
        .orElse(Double.POSITIVE_INFINITY);
  }

  private double log(double value) {
    return Math.log10(Math.max(Math.abs(value), kind.least));
  }

  private static double scale(String prefix) {
    return switch (prefix) {
      case "p" -> 1e-12;
      case "n" -> 1e-9;
      case "µ" -> 1e-6;
      case "m" -> 1e-3;
      case "k" -> 1e3;
      case "M" -> 1e6;
      default -> 1;
    };
  }
}
