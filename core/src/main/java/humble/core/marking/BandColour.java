package humble.core.marking;

import java.util.Locale;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/** The band colours of IEC 60062:2016 in the order of their digits, then gold and silver. */
public enum BandColour {
  BLACK("bk", 0, 0, null, 250),
  BROWN("bn", 1, 1, 1.0, 100),
  RED("rd", 2, 2, 2.0, 50),
  ORANGE("og", 3, 3, 0.05, 15),
  YELLOW("ye", 4, 4, 0.02, 25),
  GREEN("gn", 5, 5, 0.5, 20),
  BLUE("bu", 6, 6, 0.25, 10),
  VIOLET("vt", 7, 7, 0.1, 5),
  GREY("gy", 8, 8, 0.01, 1),
  WHITE("wh", 9, 9, null, -1),
  GOLD("gd", -1, -1, 5.0, -1),
  SILVER("sr", -1, -2, 10.0, -1);

  private final String letters;
  private final int digit;
  private final int exponent;
  private final double tolerancePct;
  private final int tempcoPpm;

  BandColour(
      String letters, int digit, int exponent, @Nullable Double tolerancePct, int tempcoPpm) {
    this.letters = letters;
    this.digit = digit;
    this.exponent = exponent;
    this.tolerancePct = tolerancePct == null ? Double.NaN : tolerancePct;
    this.tempcoPpm = tempcoPpm;
  }

  /** Reads a colour by its name in full or its two letters. */
  public static Optional<BandColour> named(String text) {
    String name = text.strip().toLowerCase(Locale.ROOT);
    for (BandColour colour : values()) {
      if (colour.letters.equals(name) || colour.text().equals(name)) {
        return Optional.of(colour);
      }
    }
    return name.equals("gray") ? Optional.of(GREY) : Optional.empty();
  }

  /** Gives the name in full. */
  public String text() {
    return name().toLowerCase(Locale.ROOT);
  }

  /** Gives the two letters of IEC 60757 style used on drawings. */
  public String letters() {
    return letters;
  }

  boolean isDigit() {
    return digit >= 0;
  }

  int digit() {
    return digit;
  }

  int exponent() {
    return exponent;
  }

  boolean isTolerance() {
    return !Double.isNaN(tolerancePct);
  }

  double tolerancePct() {
    return tolerancePct;
  }

  boolean isTempco() {
    return tempcoPpm >= 0;
  }

  int tempcoPpm() {
    return tempcoPpm;
  }
}
