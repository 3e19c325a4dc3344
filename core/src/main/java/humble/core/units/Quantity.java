package humble.core.units;

import java.util.Locale;
import java.util.Map;

/**
 * Reads quantities the way makers write them: {@code 4k7 4.7k 4,7 k 4700 4700R 0R47 2M2 100n 0.1u
 * 1nJ 1e3 -0.2}.
 *
 * <p>Grammar, after IEC 60062:2016 clause 4 and common bench usage: an optional sign, digits with
 * one point (or comma, or a prefix letter in the point's place), an optional exponent, an optional
 * prefix letter, an optional unit ({@code ohm Ω R F H V A Hz W}) and an optional tolerance letter.
 * Blanks may stand between number, prefix and unit.
 */
public final class Quantity {
  private static final Map<String, Double> PREFIXES =
      Map.ofEntries(
          Map.entry("f", 1e-15),
          Map.entry("p", 1e-12),
          Map.entry("n", 1e-9),
          Map.entry("u", 1e-6),
          Map.entry("µ", 1e-6),
          Map.entry("μ", 1e-6),
          Map.entry("m", 1e-3),
          Map.entry("R", 1.0),
          Map.entry("k", 1e3),
          Map.entry("K", 1e3),
          Map.entry("M", 1e6),
          Map.entry("G", 1e9));
  private static final String[] UNITS = {"ohms", "ohm", "Hz", "Ω", "V", "A", "F", "H", "W", "R"};
  private static final String TOLERANCE_LETTERS = "BCDFGJKMZ";

  /** A number that is longer was never meant as one. */
  private static final int LONGEST = 64;

  private final String text;
  private int at;

  private Quantity(String text) {
    this.text = text;
  }

  /** Reads {@code text}; never throws for what was written. */
  public static QuantityText parse(String text) {
    if (text.length() > LONGEST) {
      return new QuantityText.Unreadable(
          LONGEST,
          "A quantity has at most " + LONGEST + " characters; here are " + text.length() + ".");
    }
    return new Quantity(text).read();
  }

  private QuantityText read() {
    skipBlanks();
    if (at == text.length()) {
      return bad("there is no number yet");
    }
    StringBuilder digits = new StringBuilder();
    if (text.charAt(at) == '-' || text.charAt(at) == '+') {
      digits.append(text.charAt(at++));
    }
    int before = takeDigits(digits);
    String prefix = "";
    int after = 0;
    if (at < text.length() && (text.charAt(at) == '.' || text.charAt(at) == ',')) {
      at++;
      digits.append('.');
      after = takeDigits(digits);
    } else if (before > 0 && at + 1 < text.length() && isPrefix(at) && isDigit(at + 1)) {
      prefix = text.substring(at, at + 1);
      at++;
      digits.append('.');
      after = takeDigits(digits);
    }
    if (before + after == 0) {
      return bad("a number needs a digit");
    }
    int exponent = 0;
    if (prefix.isEmpty()
        && at + 1 < text.length()
        && (text.charAt(at) == 'e' || text.charAt(at) == 'E')) {
      int sign = at + 1 < text.length() && "+-".indexOf(text.charAt(at + 1)) >= 0 ? 1 : 0;
      if (isDigit(at + 1 + sign)) {
        StringBuilder power = new StringBuilder();
        power.append(text, at + 1, at + 1 + sign);
        at += 1 + sign;
        if (takeDigits(power) > 3) {
          return bad("the exponent is too long");
        }
        exponent = Integer.parseInt(power.toString());
      }
    }
    return finish(digits.toString(), prefix, after, exponent);
  }

  private QuantityText finish(String digits, String writtenPrefix, int decimals, int exponent) {
    String prefix = writtenPrefix;
    skipBlanks();
    if (prefix.isEmpty() && at < text.length() && isPrefix(at) && !text.startsWith("Hz", at)) {
      prefix = text.substring(at, at + 1);
      at++;
      skipBlanks();
    }
    for (String unit : UNITS) {
      if (text.regionMatches(true, at, unit, 0, unit.length())) {
        at += unit.length();
        break;
      }
    }
    skipBlanks();
    if (at < text.length() && TOLERANCE_LETTERS.indexOf(text.charAt(at)) >= 0) {
      at++;
    }
    skipBlanks();
    if (at < text.length()) {
      return bad("'" + text.charAt(at) + "' cannot stand here");
    }
    double scale = prefix.isEmpty() ? 1 : PREFIXES.getOrDefault(prefix, 1.0);
    double value = Double.parseDouble(digits + "e" + (exponent + exponentOf(scale)));
    if (!Double.isFinite(value)) {
      return bad("the number is too large");
    }
    double resolution = scale * Math.pow(10, exponent - (double) decimals);
    return new QuantityText.Read(value, canonical(prefix), resolution);
  }

  private QuantityText.Unreadable bad(String why) {
    String place = at < text.length() ? "character " + (at + 1) : "the end";
    return new QuantityText.Unreadable(
        at, String.format(Locale.ROOT, "\"%s\": %s, at %s.", text, why, place));
  }

  private int takeDigits(StringBuilder into) {
    int start = at;
    while (isDigit(at)) {
      into.append(text.charAt(at++));
    }
    return at - start;
  }

  private boolean isDigit(int index) {
    return index < text.length() && text.charAt(index) >= '0' && text.charAt(index) <= '9';
  }

  private boolean isPrefix(int index) {
    return PREFIXES.containsKey(text.substring(index, index + 1));
  }

  private void skipBlanks() {
    while (at < text.length() && (text.charAt(at) == ' ' || text.charAt(at) == '\u00a0')) {
      at++;
    }
  }

  private static int exponentOf(double scale) {
    return (int) Math.round(Math.log10(scale));
  }

  private static String canonical(String prefix) {
    return switch (prefix) {
      case "µ", "μ" -> "u";
      case "K" -> "k";
      case "R" -> "";
      default -> prefix;
    };
  }
}
